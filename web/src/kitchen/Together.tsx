import Typography from '@mui/material/Typography';
import { targetHere, thermometerOffset } from '@usual-pantry/core/cooking';
import { cookSetup, startTogether, traceOf } from '@usual-pantry/core/making';
import { sayTemperature } from '@usual-pantry/core/quantity';
import { saySeconds } from './sayTimes';
import type { Bench } from './useBench';
import type { Cook } from './cook';

/** When the pot of another batch goes on the heat so that both end together; nothing while it is on, or cooks nothing. */
export function Together({ cook, other }: { cook: Cook; other: Bench }) {
  const { facts, size, season, stages, state } = other;
  const { kitchen } = season.data;
  const next = stages.find(({ stage, cooks }) => cooks && stage >= state.stage);
  const target = next?.step?.target;
  if (!cook.forecast || !next || !target || traceOf(other.events, next.stage).length > 0) return null;
  const setup = cookSetup(facts, next.stage - 1, size, season.book, kitchen, state.room?.celsius);
  const trueTarget = targetHere(target.celsius, kitchen) - thermometerOffset(kitchen);
  const together = setup && startTogether(cook.forecast, setup, trueTarget);
  if (!together) return null;
  const { seconds, shows } = together;
  return (
    <Typography sx={{ typography: 'large', fontWeight: 650 }}>
      {seconds >= 0
        ? `So that both end together, put ${facts.recipe.name} on in ${saySeconds(seconds)}${shows === null ? '' : `, when this one shows ${sayTemperature(shows)}`}. A guess of its heat.`
        : `${facts.recipe.name} needs ${saySeconds(-seconds)} longer than this one has left: they will not end together.`}
    </Typography>
  );
}
