import Typography from '@mui/material/Typography';
import { benchDay, whileWaiting } from '@usual-pantry/core/bench-day';
import { sayList } from '@usual-pantry/core/quantity';
import { usePlanRunsQuery } from '../data/plan';
import { useSeasonBook } from '../data/useSeason';

/** What can be done while something rests, by the plan; nothing where no wait of the next day of work is worth filling. */
export function Ideas() {
  const { data: work } = usePlanRunsQuery();
  const { season } = useSeasonBook();
  const day = work?.runs.map((run) => run.day).sort()[0];
  if (!work || !season || day === undefined) return null;
  const idle = whileWaiting({ days: work.days, labels: [] }, day, benchDay(work, day, season.book));
  if (!idle || idle.ideas.length === 0) return null;
  return <Typography sx={{ color: 'text.secondary' }}>While it rests: {sayList(idle.ideas)}.</Typography>;
}
