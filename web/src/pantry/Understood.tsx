import Box from '@mui/material/Box';
import { priceOfGrams, weighedPacks, type Ingredient } from '@usual-pantry/core/ingredient';
import { sayMoney } from '@usual-pantry/core/quantity';
import type { ReadPrice } from '@usual-pantry/core/reading';

/** What was read of a price: the pack, and what 100 g of it cost; or what is asked. */
export function Understood({
  read,
  ingredient,
  currency,
}: {
  read: ReadPrice;
  ingredient: Ingredient | null;
  currency: string;
}) {
  if (read.kind === 'asked') return <Box sx={{ color: 'warning.main' }}>{read.why}</Box>;
  const { pack } = read;
  const [weighed] = ingredient ? weighedPacks({ ...ingredient, packs: [pack] }) : [];
  const by100 = weighed ? ` · ${sayMoney(priceOfGrams(weighed, 100), currency)} for 100 g` : '';
  const isKnown = ingredient?.packs.some(({ name }) => name === pack.name) ?? false;
  return (
    <Box>
      <Box component="span" sx={{ color: 'success.main', fontWeight: 650 }}>
        {pack.name} for {sayMoney(pack.priceMinor, currency)}
      </Box>
      {by100}
      {isKnown && ', in place of the price of before'}
      {ingredient && !weighed && (
        <Box sx={{ color: 'warning.main' }}>
          How much that weighs is not known: give {ingredient.name} a density or a weight for one.
        </Box>
      )}
    </Box>
  );
}
