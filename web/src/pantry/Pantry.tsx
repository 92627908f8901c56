import { mdiBasketPlusOutline, mdiCashRegister } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { cheapestPack, priceOfGrams } from '@usual-pantry/core/ingredient';
import { sayCount, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { lazy, Suspense } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { Icon } from '../parts/Icon';
import { AllergenTags } from '../parts/Allergens';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Findings } from '../findings/Findings';
import { Empty } from '../parts/Panel';
import { RecordList } from '../records/RecordList';
import { SplitView } from '../parts/SplitView';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { IngredientForm } from './IngredientForm';
import { usePlanQuery } from '../data/plan';

const PriceGrid = lazy(async () => ({ default: (await import('./PriceGrid')).PriceGrid }));
const StarterPicker = lazy(async () => ({ default: (await import('./StarterPicker')).StarterPicker }));

function Answer({ season }: { season: SeasonBook }) {
  const { data: plan } = usePlanQuery();
  const missing = plan?.toBuy ?? 0;
  return (
    <AnswerLine>
      {sayCount(season.data.ingredients.length, 'ingredient')}
      {plan && missing > 0 && (
        <>
          ; <Mark tone="hot">{sayCount(missing, 'one', 'of them')} to buy</Mark> for{' '}
          {sayMoney(plan.shoppingCostMinor, plan.currency)}
        </>
      )}
      .
    </AnswerLine>
  );
}

/** The open ingredient, a new one, or the starter pantry. */
function OpenIngredient({ season, id }: { season: SeasonBook; id: string }) {
  if (id === 'starter')
    return (
      <Suspense fallback={<Waiting error={undefined} again={() => undefined} />}>
        <StarterPicker season={season} />
      </Suspense>
    );
  const open = season.data.ingredients.find((each) => each.id === id) ?? null;
  if (!open && id !== 'new') return <Empty title="This ingredient is not there any more." />;
  return <IngredientForm season={season} ingredient={open} />;
}

/** What is bought: a list, the open ingredient beside it. */
export function Pantry() {
  const { id } = useParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  if (id === 'prices')
    return (
      <Suspense fallback={<Waiting error={undefined} again={() => undefined} />}>
        <PriceGrid season={season} />
      </Suspense>
    );
  const { ingredients, kitchen } = season.data;
  const items = [...ingredients]
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((ingredient) => {
      const pack = cheapestPack(ingredient);
      return {
        id: ingredient.id,
        name: ingredient.name,
        below: (
          <>
            {pack ? `${sayMoney(priceOfGrams(pack, 1000), kitchen.currency)} a kg` : 'no price'}
            {' · '}
            {ingredient.onHandGrams > 0 ? `${sayGrams(ingredient.onHandGrams)} on hand` : 'none on hand'}{' '}
            <AllergenTags codes={ingredient.contains} />
          </>
        ),
      };
    });
  return (
    <>
      {!id && <Answer season={season} />}
      {!id && <Findings findings={season.book.findings.filter((each) => each.about.noun === 'ingredient')} />}
      {!id && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1.5 }}>
          <Button component={RouterLink} to="/pantry/prices" startIcon={<Icon path={mdiCashRegister} />}>
            Prices
          </Button>
          <Button component={RouterLink} to="/pantry/starter" startIcon={<Icon path={mdiBasketPlusOutline} />}>
            Add from the starter pantry
          </Button>
        </Box>
      )}
      <SplitView
        list={
          <RecordList
            title="Pantry"
            base="/pantry"
            openId={id}
            newLabel="New"
            columns={!id}
            items={items}
            empty={
              <Empty title="Nothing in the pantry yet.">Start with sugar: a pack, its price, what a cup weighs.</Empty>
            }
          />
        }
        detail={id && <OpenIngredient key={id} season={season} id={id} />}
      />
    </>
  );
}
