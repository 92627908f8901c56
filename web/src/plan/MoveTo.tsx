import Box from '@mui/material/Box';
import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import type { PlanRuns } from '@usual-pantry/core/api';
import { sayDay, sayMinutes, type Day } from '@usual-pantry/core/quantity';

interface Props {
  readonly title: string;
  readonly plan: Pick<PlanRuns, 'days'>;
  /** Where it stands. */
  readonly from: Day;
  /** Why it cannot be on a day, each as a sentence. */
  readonly whyNot: (to: Day) => readonly string[];
  readonly onMove: (to: Day) => void;
}

/** The bench days to which something can be moved, as items of a menu. Days on which it cannot be say why, all others what is free on them. */
export function MoveTo({ title, plan, from, whyNot, onMove }: Props) {
  return (
    <>
      <ListSubheader sx={{ bgcolor: 'transparent' }}>{title}</ListSubheader>
      {plan.days
        .filter(({ day, benchMinutes }) => benchMinutes > 0 && day !== from)
        .map(({ day, benchMinutes, bookedMinutes }) => {
          const [why] = whyNot(day);
          return (
            <MenuItem
              key={day}
              disabled={why !== undefined}
              onClick={() => {
                onMove(day);
              }}
              sx={{ display: 'block', whiteSpace: 'normal', maxWidth: 360, '&.Mui-disabled': { opacity: 0.75 } }}
            >
              {sayDay(day)}
              <Box sx={{ typography: 'fine', color: 'text.secondary' }}>
                {why ?? `${sayMinutes(Math.max(0, benchMinutes - bookedMinutes))} free`}
              </Box>
            </MenuItem>
          );
        })}
    </>
  );
}
