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

/** What is different between the typing here and what is stored now. */
export function Differences({ mine, theirs }: { mine: FieldValues; theirs: { id: string; version: number } }) {
  const { id: _id, version: _version, ...stored } = theirs;
  const rows = differ(mine, stored, '');
  return (
    <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
      {rows.map(([path, here, there]) => (
        <li key={path}>
          {path}: here <b>{here}</b>, stored <b>{there}</b>
        </li>
      ))}
    </Box>
  );
}
