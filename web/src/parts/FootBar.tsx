import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** What ends a form, always in sight: at the foot of the window, on a phone above the bar and the message that stand there. */
export const FootBar = ({ children }: { children: ReactNode }) => (
  <Box
    sx={{
      display: 'flex',
      gap: 1,
      flexWrap: 'wrap',
      alignItems: 'center',
      position: 'sticky',
      bottom: { xs: 'var(--foot, 63px)', md: 0 },
      py: 1.25,
      bgcolor: 'background.default',
      borderTop: 1,
      borderColor: 'divider',
      zIndex: 2,
    }}
  >
    {children}
  </Box>
);
