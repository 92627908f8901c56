import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { PlanJob } from '@usual-pantry/core/programme';
import { sayMoney } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';

interface Props {
  /** Null as long as nothing is known of it. */
  readonly job: PlanJob | null;
  readonly currency: string;
  readonly onStop: () => void;
  readonly children?: ReactNode;
}

/** How far a long solve is, and what stops it. */
export function Running({ job, currency, onStop, children }: Props) {
  const { objective, bound } = job ?? { objective: null, bound: null };
  const found =
    objective === null || bound === null
      ? 'looking for a first plan'
      : `best so far ${sayMoney(Math.round(objective), currency)}, no plan can cost less than ${sayMoney(Math.round(bound), currency)}`;
  return (
    <Box role="status" sx={{ display: 'grid', gap: 0.75 }}>
      <LinearProgress aria-label="Working the season out" />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <span>
          Working the season out: {found}. {children}
        </span>
        <Button size="small" variant="outlined" onClick={onStop}>
          Stop
        </Button>
      </Box>
    </Box>
  );
}
