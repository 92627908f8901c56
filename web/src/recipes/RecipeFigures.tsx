import Paper from '@mui/material/Paper';
import type { Recipe } from '@usual-pantry/core/recipe';
import { sayGrams, sayNumber, sayOunces } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';
import { Allergens } from '../parts/Allergens';
import { Figure, FigureList } from '../parts/Figures';
import { FieldFindings } from '../findings/FieldFindings';
import { Worked } from '../parts/Worked';
import type { SeasonBook } from '../data/useSeason';
import { useDraftRecipe } from './useDraftRecipe';

interface RecipeFiguresProps {
  readonly season: SeasonBook;
  readonly recipe: Recipe | null;
  /** The fields, at which what is wrong is said. */
  readonly children: ReactNode;
}

/** What the recipe as typed weighs, yields and contains, and what is wrong with it. */
export function RecipeFigures({ season, recipe, children }: RecipeFiguresProps) {
  const { book, facts } = useDraftRecipe(season, recipe);
  const id = recipe?.id ?? 'new-recipe';
  const findings = book.findings
    .filter((each) => (each.about.id === id || each.code === 'recipe-cycle') && each.severity !== 'know')
    .map((each) => ({ ...each, waysOut: [] }));
  const loss = facts && facts.rawGrams > 0 ? (1 - facts.yieldGrams / facts.rawGrams) * 100 : 0;
  return (
    <FieldFindings findings={findings}>
      {facts && (
        <Paper variant="outlined" sx={{ px: 2, py: 0.5 }}>
          <FigureList>
            <Figure name="Goes in">{sayGrams(facts.rawGrams)}</Figure>
            <Figure name="Comes out">
              <Worked
                working={{
                  title: 'What comes out',
                  inputs: [
                    ['Goes in', sayGrams(facts.rawGrams, 0.1)],
                    ['Loss', `${sayNumber(loss, 1)} %`],
                    ['Comes out', sayGrams(facts.yieldGrams, 0.1)],
                  ],
                  rule: 'Everything that goes in, less what boils off, sticks and is trimmed; or what you weighed.',
                }}
              >
                {`${sayGrams(facts.yieldGrams)} · ${sayOunces(facts.yieldGrams)}`}
              </Worked>
            </Figure>
            <Figure name="Contains">
              <Allergens codes={facts.contains} />
            </Figure>
          </FigureList>
        </Paper>
      )}
      {children}
    </FieldFindings>
  );
}
