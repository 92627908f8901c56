import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { FIGURES } from './theme';

/** A short list of figures, each with its name. */
export const FigureList = ({ children }: { children: ReactNode }) => (
  <Box component="dl" sx={{ m: 0 }}>
    {children}
  </Box>
);

export const Figure = ({ name, children }: { name: string; children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      justifyContent: 'space-between',
      gap: 2,
      py: 0.8,
      borderBottom: 1,
      borderColor: 'divider',
    }}
  >
    <dt>{name}</dt>
    <Box component="dd" sx={{ m: 0, fontFamily: FIGURES, fontWeight: 600, textAlign: 'right' }}>
      {children}
    </Box>
  </Box>
);
