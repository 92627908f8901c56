import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useId, type ReactNode } from 'react';

interface PanelProps {
  readonly title: string;
  readonly aside?: ReactNode;
  /** By which an address leads to it. */
  readonly place?: string;
  readonly children: ReactNode;
}

/** A titled area of a screen. */
export function Panel({ title, aside, place, children }: PanelProps) {
  const id = useId();
  return (
    <Paper
      component="section"
      id={place}
      aria-labelledby={id}
      variant="outlined"
      sx={{ p: { xs: 1.5, md: 2 }, minWidth: 0 }}
    >
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'space-between',
          gap: 1,
          mb: 1,
          flexWrap: 'wrap',
        }}
      >
        <Typography variant="h2" id={id}>
          {title}
        </Typography>
        {aside}
      </Box>
      {children}
    </Paper>
  );
}

/** A titled area that is looked at now and then: folded until it is asked for. */
export const Folded = ({ title, isOpen, children }: { title: string; isOpen: boolean; children: ReactNode }) => (
  <Paper component="details" open={isOpen} variant="outlined" sx={{ px: { xs: 1.5, md: 2 }, minWidth: 0 }}>
    <Typography variant="h2" component="summary" sx={{ py: 1.25, cursor: 'pointer' }}>
      {title}
    </Typography>
    <Box sx={{ pb: 1.5 }}>{children}</Box>
  </Paper>
);

/** What belongs here, and the first step. */
export const Empty = ({ title, children, action }: { title: string; children?: ReactNode; action?: ReactNode }) => (
  <Box sx={{ py: 3, px: 2, textAlign: 'center', color: 'text.secondary' }}>
    <Typography variant="h3" sx={{ color: 'text.primary', mb: 0.5 }}>
      {title}
    </Typography>
    <Box sx={{ mb: action ? 1.5 : 0 }}>{children}</Box>
    {action}
  </Box>
);
