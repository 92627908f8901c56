import Link from '@mui/material/Link';
import { temperingCurves } from '@usual-pantry/core/cooking';
import { sayCount, sayExact, sayMinutes, sayNumber, sayTemperature } from '@usual-pantry/core/quantity';
import { coldNames, DAMP_FROM_PERCENT } from '@usual-pantry/core/room';
import { estimateOf, type RecipeFacts } from '@usual-pantry/core/recipe';
import { Link as RouterLink } from 'react-router';
import { Allergens } from '../../parts/Allergens';
import { Figure, FigureList } from '../../parts/Figures';
import { Panel } from '../../parts/Panel';
import type { SeasonBook } from '../../data/useSeason';

/** How it is tempered, where it is. */
function Tempering({ season, facts }: { season: SeasonBook; facts: RecipeFacts }) {
  const kind = estimateOf(facts, season.book.ingredients)?.tempers;
  if (!kind) return null;
  const { melt, cool, work } = temperingCurves[kind];
  const say = (window: readonly [number, number]) => sayTemperature(window);
  return (
    <Figure name={`Tempering, ${kind}`}>
      melt {say(melt)}; cool {say(cool)}; work {say(work)}
    </Figure>
  );
}

/** How it keeps and rests, what it contains, its variants. */
export function Keeping({ season, facts: { recipe, contains }, facts }: { season: SeasonBook; facts: RecipeFacts }) {
  const variants = season.data.recipes.filter(({ variantOf }) => variantOf?.recipeId === recipe.id);
  return (
    <Panel title="Keeping">
      <FigureList>
        <Figure name="Keeps">{sayCount(recipe.keepsDays, 'day')}</Figure>
        <Figure name="Rests">{recipe.restDays === 0 ? 'not' : sayCount(recipe.restDays, 'day')}</Figure>
        <Figure name="Hands, a batch">{sayMinutes(recipe.handsMinutes)}</Figure>
        {recipe.hygroscopic && (
          <Figure name="Draws damp">
            under {sayNumber(recipe.air.mostHumidityPercent ?? DAMP_FROM_PERCENT)} % humidity, tight pack
          </Figure>
        )}
        {recipe.air.mostCelsius !== null && (
          <Figure name="Room">{sayTemperature(recipe.air.mostCelsius)} at most</Figure>
        )}
        {recipe.stands && (
          <Figure name="Stands">
            in {coldNames[recipe.stands.kind]}, {sayExact(recipe.stands.litres)} L a base batch
          </Figure>
        )}
        <Tempering season={season} facts={facts} />
        <Figure name="Contains">
          <Allergens codes={contains} />
        </Figure>
        {variants.length > 0 && (
          <Figure name="Variants">
            {variants.map(({ id, name }) => (
              <Link key={id} component={RouterLink} to={`/recipes/${id}`} sx={{ display: 'block' }}>
                {name}
              </Link>
            ))}
          </Figure>
        )}
      </FigureList>
    </Panel>
  );
}
