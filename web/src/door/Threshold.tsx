import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** What is seen before one is let in. */
export const Threshold = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
    <Paper
      variant="outlined"
      sx={{ width: '100%', maxWidth: 460, p: { xs: 2, sm: 3 }, borderTop: 6, borderTopColor: 'rim' }}
    >
      <Typography variant="caption" component="p" sx={{ color: 'text.secondary' }}>
        Usual Pantry
      </Typography>
      <Typography variant="h2" component="h1" sx={{ mb: 1.5 }}>
        {title}
      </Typography>
      {children}
    </Paper>
  </Box>
);

/** What this device calls itself until it is told another name. */
export const deviceName = (): string =>
  /iPhone|Android.*Mobile/.test(navigator.userAgent)
    ? 'Phone'
    : /iPad|Android/.test(navigator.userAgent)
      ? 'Tablet'
      : 'Computer';
