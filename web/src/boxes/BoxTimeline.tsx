import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { handOversOf, timelineOfBox } from '@usual-pantry/core/bench-day';
import type { BoxFacts } from '@usual-pantry/core/box';
import { sayDay, type Day } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { usePlanQuery, usePlanRunsQuery } from '../data/plan';
import type { SeasonBook } from '../data/useSeason';
import { Backwards } from '../parts/Backwards';
import { OpensLater } from '../parts/OpensLater';
import { Waiting } from '../parts/Waiting';

interface BoxTimelineProps {
  /** The box as it is stored: as the plan has it. */
  readonly facts: BoxFacts;
  readonly season: SeasonBook;
}

function Planned({ facts, season }: BoxTimelineProps) {
  const { data: plan, error, refetch } = usePlanRunsQuery();
  const { data: summary } = usePlanQuery();
  const [chosen, setChosen] = useState<Day | null>(null);
  if (!plan || !summary) return <Waiting error={error} again={refetch} />;
  const days = handOversOf(facts.box.id, plan).filter((day) => day >= summary.today);
  const [first] = days;
  if (first === undefined)
    return (
      <Typography sx={{ typography: 'note' }}>No open order wants it: the plan has no hand-over of it.</Typography>
    );
  const on = chosen !== null && days.includes(chosen) ? chosen : first;
  return (
    <>
      <TextField
        select
        size="small"
        label="Handed over on"
        value={on}
        sx={{ mb: 1.5, minWidth: 240 }}
        onChange={({ target }) => {
          setChosen(target.value);
        }}
      >
        {days.map((day) => (
          <MenuItem key={day} value={day}>
            {sayDay(day)}
          </MenuItem>
        ))}
      </TextField>
      <Backwards steps={timelineOfBox(facts, on, plan, season.book)} />
    </>
  );
}

/** Everything that leads to a hand-over of a box, backwards from it; worked out when it is asked for. */
export const BoxTimeline = (props: BoxTimelineProps) => (
  <OpensLater title="When everything for it is done">
    <Planned {...props} />
  </OpensLater>
);
