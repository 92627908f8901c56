import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** A list with what is open beside it. On a phone the open record takes the place of the list. */
export const SplitView = ({
  list,
  detail,
  listWidth = '340px',
}: {
  list: ReactNode;
  detail: ReactNode;
  listWidth?: string;
}) => (
  <Box
    sx={{
      display: 'grid',
      gap: 2.5,
      alignItems: 'start',
      gridTemplateColumns: { xs: '1fr', md: detail ? `${listWidth} minmax(0, 1fr)` : '1fr' },
    }}
  >
    <Box sx={{ display: { xs: detail ? 'none' : 'block', md: 'block' }, minWidth: 0 }}>{list}</Box>
    {detail && <Box sx={{ minWidth: 0 }}>{detail}</Box>}
  </Box>
);
