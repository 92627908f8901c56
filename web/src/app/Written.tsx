import { Fragment, type ReactNode } from 'react';
import { usePlanQuery } from '../data/plan';
import { useAppSelector } from '../data/store';

/**
 * Shows what is in it once it is known how the kitchen writes, and anew when that changes. Were it shown in one way and a moment later in
 * another, what was typed meanwhile would be lost. Where the server does not answer, it says so itself.
 */
export function Written({ children }: { children: ReactNode }) {
  const { isError } = usePlanQuery();
  const writing = useAppSelector((state) => state.writing);
  return writing === null && !isError ? null : <Fragment key={writing}>{children}</Fragment>;
}
