import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { partNames } from '@usual-pantry/core/ingredient';
import { sayGrams, sayList, sayNumber } from '@usual-pantry/core/quantity';
import { estimateOf, sayWaterActivity, type RecipeFacts } from '@usual-pantry/core/recipe';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { FIGURES } from '../parts/theme';
import { AnswerLine } from '../parts/AnswerLine';
import { compositionNames } from '../parts/compositionNames';
import { Panel } from '../parts/Panel';
import type { SeasonBook } from '../data/useSeason';

const Shares = lazy(async () => ({ default: (await import('./card/Shares')).Shares }));

type Row = readonly [name: string, left: string, right: string];

/** Everything that two recipes can be compared by. */
function rowsOf(season: SeasonBook, left: RecipeFacts, right: RecipeFacts): Row[] {
  const { ingredients } = season.book;
  const row = (name: string, of: (facts: RecipeFacts) => string): Row => [name, of(left), of(right)];
  const estimated = (name: string, of: (estimate: NonNullable<ReturnType<typeof estimateOf>>) => string) =>
    row(name, (facts) => {
      const estimate = estimateOf(facts, ingredients);
      return estimate ? of(estimate) : 'not known';
    });
  return [
    row('Goes in', (facts) => sayGrams(facts.rawGrams)),
    row('Comes out', (facts) => sayGrams(facts.yieldGrams)),
    row('Hands, a batch', (facts) => `${sayNumber(facts.recipe.handsMinutes)} min`),
    row('Keeps', (facts) => `${facts.recipe.keepsDays} days`),
    row('Contains', (facts) => sayList(facts.contains) || 'none'),
    estimated('Water activity', ({ waterActivity }) => sayWaterActivity(waterActivity)),
    estimated('Energy, 100 g', ({ energyKcal }) => `${sayNumber(energyKcal)} kcal`),
    estimated('Sugars, 100 g', ({ sugars }) => `${sayNumber(sugars, 1)} g`),
    estimated('As sweet as', ({ sweetness }) => `${sayNumber(sweetness, 1)} g of sugar`),
    estimated('Alcohol by volume', ({ abv }) => `${sayNumber(abv, 2)} %`),
    estimated('Ganache', ({ ganache }) => ganache?.reads ?? 'none'),
  ];
}

/** Two recipes, or two variants of one, side by side. */
export function Compare({ season, facts }: { season: SeasonBook; facts: RecipeFacts }) {
  const [search, setSearch] = useSearchParams();
  const others = season.data.recipes.filter(({ id }) => id !== facts.recipe.id);
  const family = facts.recipe.variantOf?.recipeId ?? facts.recipe.id;
  const near = others.find(({ id, variantOf }) => id === family || variantOf?.recipeId === family);
  const other = others.find(({ id }) => id === search.get('with')) ?? near ?? others[0];
  const right = other && season.book.recipes.get(other.id);
  if (!right) return <span>There is no other recipe to compare it with.</span>;
  const both = facts.parts && right.parts ? ([facts.parts, right.parts] as const) : null;
  return (
    <>
      <AnswerLine>
        {facts.recipe.name} beside {right.recipe.name}.
      </AnswerLine>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Autocomplete
          options={others}
          value={other}
          disableClearable
          getOptionLabel={({ name }) => name}
          getOptionKey={({ id }) => id}
          onChange={(_event, picked) => {
            setSearch({ with: picked.id });
          }}
          renderInput={(props) => <TextField {...props} label="Compare with" sx={{ maxWidth: 420 }} />}
        />
        <Panel title="Figures">
          <Box
            component="table"
            sx={{
              borderCollapse: 'collapse',
              width: '100%',
              '& td, & th': { py: 0.75, pr: 2, textAlign: 'left', borderBottom: 1, borderColor: 'divider' },
            }}
          >
            <thead>
              <tr>
                <td />
                <th scope="col">{facts.recipe.name}</th>
                <th scope="col">{right.recipe.name}</th>
              </tr>
            </thead>
            <tbody>
              {rowsOf(season, facts, right).map(([name, mine, theirs]) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  {[mine, theirs].map((value, at) => (
                    <Box component="td" key={at} sx={{ fontFamily: FIGURES, fontWeight: mine === theirs ? 400 : 700 }}>
                      {value}
                    </Box>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Panel>
        {both && (
          <Panel title="In 100 g">
            <Suspense fallback={null}>
              <Shares
                title="Part"
                unit="g in 100 g"
                series={[facts.recipe.name, right.recipe.name]}
                rows={partNames.map((name) => [compositionNames[name], both[0][name], both[1][name]])}
              />
            </Suspense>
          </Panel>
        )}
      </Box>
    </>
  );
}
