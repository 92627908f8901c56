import Alert from '@mui/material/Alert';
import { foamFactors } from '@usual-pantry/core/cooking';
import { sayGrams, sayNumber } from '@usual-pantry/core/quantity';
import { worstBoiling, type RecipeFacts } from '@usual-pantry/core/recipe';
import { Worked } from '../../parts/Worked';
import type { SeasonBook } from '../../data/useSeason';

/** Whether a batch of that size has room to boil in the pots of this kitchen. */
export function PotLine({ season, facts, size }: { season: SeasonBook; facts: RecipeFacts; size: number }) {
  const { pots } = season.data.kitchen;
  const check = worstBoiling(facts, size, pots);
  if (!check) return null;
  const { step, grams, foaming } = check.boiling;
  const needs = (
    <Worked
      working={{
        title: 'Room in the pot',
        inputs: [
          [step === null ? 'In the pot' : `In the pot at step ${String(step + 1)}`, sayGrams(grams * size)],
          ['Takes', '1.2 g a mL'],
          [foaming, `${sayNumber(foamFactors[foaming], 1)} times its volume`],
          ['Needs', `${sayNumber(check.needsLitres, 1)} L`],
        ],
        rule: 'The volume of what is in the pot by then, times how far it rises there, must fit the pot to the rim.',
        source: 'common practice',
      }}
    >
      {`${sayNumber(check.needsLitres, 1)} L`}
    </Worked>
  );
  if (pots.length === 0)
    return <Alert severity="info">It rises to {needs}. Say in the settings which pots you own.</Alert>;
  return check.fits ? (
    <Alert severity="success">
      It rises to {needs}: {check.fits.name} of {sayNumber(check.fits.litres, 1)} L has the room.
    </Alert>
  ) : (
    <Alert severity="error">
      It rises to {needs} and boils over in every pot you own: {check.largest?.name} takes{' '}
      {sayNumber((check.share ?? 0) * 100)} % of it.
    </Alert>
  );
}
