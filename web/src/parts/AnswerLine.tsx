import Typography from '@mui/material/Typography';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** The one sentence that a screen exists for. */
export const AnswerLine = ({ children }: { children: ReactNode }) => (
  <Typography variant="h1" sx={{ mb: 1.25, textWrap: 'pretty' }} data-testid="answer">
    {children}
  </Typography>
);

const colours = { hot: 'hot.main', stop: 'error.main', done: 'success.main' } as const;

/** The part of the sentence that matters most. */
export const Mark = ({ tone, children }: { tone: keyof typeof colours; children: ReactNode }) => (
  <Box component="span" sx={{ color: colours[tone] }}>
    {children}
  </Box>
);
