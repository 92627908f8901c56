import Box from '@mui/material/Box';
import { sayCount, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { usePlanQuery, useShoppingQuery } from '../data/plan';
import { Waiting } from '../parts/Waiting';
import { ENOUGH, groupsOf, sayPacks, sayWhen } from '../plan/shoppingWords';
import { PaperLine, PaperList, PaperPart, Sheet } from './Sheet';

/** The shopping list on paper, a part a shop: nothing is said twice. */
export function ShoppingPaper() {
  const { data: plan } = usePlanQuery();
  const { data: list, error, refetch } = useShoppingQuery();
  if (!list || !plan) return <Waiting error={error} again={refetch} />;
  const shops = groupsOf(list, 'shop').filter(([title]) => title !== ENOUGH);
  return (
    <Sheet
      title={`Shopping, ${plan.maker}`}
      lead={`${sayCount(plan.toBuy, 'ingredient')} for ${sayMoney(plan.shoppingCostMinor, plan.currency)}, net of what the pantry has.`}
      back="/plan/shopping"
    >
      {shops.map(([shop, lines]) => (
        <PaperPart
          key={shop}
          title={shop}
          aside={sayMoney(
            lines.reduce((sum, { costMinor }) => sum + costMinor, 0),
            plan.currency,
          )}
        >
          <PaperList>
            {lines.map((line) => (
              <PaperLine key={line.key} aside={sayMoney(line.costMinor, plan.currency)}>
                <strong>{sayPacks(line, shop)}</strong> {line.name}
                <Box component="span" sx={{ color: '#444' }}>
                  {' '}
                  {sayWhen(line, plan.today)} · needs {sayGrams(line.neededGrams)}
                </Box>
              </PaperLine>
            ))}
          </PaperList>
        </PaperPart>
      ))}
    </Sheet>
  );
}
