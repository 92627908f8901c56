import Box from '@mui/material/Box';
import CircularProgress from '@mui/material/CircularProgress';
import { useId, type ReactNode } from 'react';

/** That something is being worked out: a turning ring which the sentence beside it names, and what can be done meanwhile. */
export function WorkingOut({ children, action }: { children: ReactNode; action?: ReactNode }) {
  const said = useId();
  return (
    <Box role="status" sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
      <CircularProgress size={20} aria-labelledby={said} />
      <span id={said}>{children}</span>
      {action}
    </Box>
  );
}
