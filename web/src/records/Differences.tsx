import Box from '@mui/material/Box';
import type { FieldValues } from 'react-hook-form';

const show = (value: unknown): string => {
  if (value === '' || value === null || value === undefined) return 'nothing';
  return typeof value === 'string' ? value : JSON.stringify(value);
};

/** Every value in which two records differ, by its path. */
function differ(mine: unknown, theirs: unknown, path: string): [string, string, string][] {
  if (Object.is(mine, theirs)) return [];
  if (typeof mine === 'object' && typeof theirs === 'object' && mine && theirs) {
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
    return keys.flatMap((key) =>
      differ(
        (mine as Record<string, unknown>)[key],
        (theirs as Record<string, unknown>)[key],
        path ? `${path} ${/^\d+$/.test(key) ? String(Number(key) + 1) : key}` : key,
      ),
    );
  }
  return [[path, show(mine), show(theirs)]];
}

/** What is different between two states of a record: the typing here and what is stored, or then and now. */
export function Differences({
  mine,
  theirs,
  words = ['here', 'stored'],
}: {
  mine: FieldValues;
  theirs: { id: string; version: number };
  /** What the two sides are called. */
  words?: readonly [string, string];
}) {
  const { id: _id, version: _version, ...stored } = theirs;
  const rows = differ(mine, stored, '');
  return (
    <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
      {rows.map(([path, here, there]) => (
        <li key={path}>
          {path}: {words[0]} <b>{here}</b>, {words[1]} <b>{there}</b>
        </li>
      ))}
    </Box>
  );
}
