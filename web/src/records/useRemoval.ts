import { useNavigate } from 'react-router';
import { useEdit } from '../data/useEdit';
import type { Noun, Stored } from '../data/records';

/** Deletes a record and goes back to its list; stays when it is refused. Undefined for a record that is not stored yet. */
export function useRemoval<N extends Noun>(noun: N, record: Stored<N> | null, back: string): (() => void) | undefined {
  const edit = useEdit();
  const navigate = useNavigate();
  if (!record) return undefined;
  return () => {
    void edit.remove(noun, record).then((gone) => {
      if (gone) void navigate(back);
    });
  };
}
