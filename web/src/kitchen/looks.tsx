import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import type { ReactNode } from 'react';

/** One below the other, none wider than its place. */
export const stack = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: 'minmax(0, 1fr)',
  alignContent: 'start',
} as const;

/** What matters beside what helps; on a phone one below the other. */
export const sideBySide = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
  alignItems: 'start',
} as const;

/** An area of the bench that is read from two metres. @param label what it is called, where nothing shown says so */
export const BenchPanel = ({ label, children }: { label: string; children: ReactNode }) => (
  <Paper
    variant="outlined"
    component="section"
    aria-label={label}
    sx={{ ...stack, gap: 1.25, p: { xs: 1.5, md: 2 }, typography: 'large' }}
  >
    {children}
  </Paper>
);

/** A page of practice: as narrow as is read easily. */
export const PracticePage = ({ children }: { children: ReactNode }) => (
  <Box component="main" sx={{ ...stack, gap: 2, p: { xs: 1.25, md: 3 }, maxWidth: 900, mx: 'auto', fontSize: 20 }}>
    {children}
  </Box>
);
