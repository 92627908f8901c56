import { createContext, use, type ReactNode } from 'react';
import Box from '@mui/material/Box';

/** What is said at the fields of a form, by the path of the field. */
export const FieldNotes = createContext<ReadonlyMap<string, ReactNode>>(new Map());

/** What is said at a field beside what is wrong with its value; undefined where nothing is. */
export const useFieldNote = (name: string): ReactNode => use(FieldNotes).get(name);

/** What is said of a part of a form that is no single field. */
export function FieldNote({ name }: { name: string }) {
  const note = useFieldNote(name);
  return note === undefined ? null : <Box sx={{ typography: 'note' }}>{note}</Box>;
}
