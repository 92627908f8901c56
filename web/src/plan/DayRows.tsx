import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import type { SeasonDay } from '@usual-pantry/core/plan';
import { sayCount, sayDay, sayMinutes } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import type { PlanAnswer } from '../app/api';
import { FIGURES } from '../app/theme';
import { sayPacked } from '../orders/words';
import { labelAddress } from '../parts/addresses';
import { Tape } from '../parts/Tape';
import { sayBatches } from '@usual-pantry/core/recipe';

function DayRow({ entry, plan }: { entry: SeasonDay; plan: PlanAnswer }) {
  const over = entry.bookedMinutes > entry.benchMinutes + 1;
  const makings = plan.makings.filter((making) => making.day === entry.day);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '170px 1fr' },
        gap: 1.5,
        p: 1.5,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <div>
        <Link component={RouterLink} to={`/?day=${entry.day}`} sx={{ fontWeight: 650 }}>
          {sayDay(entry.day)}
        </Link>
        <Box sx={{ fontFamily: FIGURES, fontSize: 13, color: over ? 'error.main' : 'text.secondary' }}>
          {sayMinutes(entry.bookedMinutes)} of {sayMinutes(entry.benchMinutes)}
          {over && ', over'}
        </Box>
      </div>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {makings.map((making) => (
          <Tape
            key={making.recipeId}
            to={`/recipes/${making.recipeId}`}
            name={making.recipeName}
            code={`${sayBatches(making.batches)}, ${sayMinutes(making.handsMinutes)}`}
          />
        ))}
        {entry.packs.map((pack) => (
          <Tape
            key={labelAddress(pack.boxId, pack.handOver, pack)}
            tone="pack"
            to={labelAddress(pack.boxId, pack.handOver, pack)}
            name={sayPacked(`Pack ${pack.boxName}`, pack)}
            code={sayCount(pack.count, 'box', 'boxes')}
          />
        ))}
        {entry.handOvers.length > 0 && (
          <Box sx={{ alignSelf: 'center' }}>Hand over {sayCount(entry.handOvers.length, 'order')}</Box>
        )}
      </Box>
    </Box>
  );
}

/** A row a day with work in it. */
export const DayRows = ({ plan }: { plan: PlanAnswer }) => (
  <Paper variant="outlined">
    {plan.days
      .filter(({ makings, packs, handOvers }) => makings.length + packs.length + handOvers.length > 0)
      .map((entry) => (
        <DayRow key={entry.day} entry={entry} plan={plan} />
      ))}
  </Paper>
);
