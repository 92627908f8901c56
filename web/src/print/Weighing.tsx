import Box from '@mui/material/Box';
import { sayGrams, sayMeasure, sayMinutes, sayTemperature } from '@usual-pantry/core/quantity';
import {
  sayBatches,
  stepCautions,
  stepMinutes,
  stepTarget,
  weighSheet,
  type BatchCount,
  type RecipeFacts,
} from '@usual-pantry/core/recipe';
import { nameOfUse } from '../data/nameOfUse';
import type { SeasonBook } from '../data/useSeason';

interface WeighingProps {
  readonly season: SeasonBook;
  readonly facts: RecipeFacts;
  readonly batches: readonly BatchCount[];
}

const cell = { px: 1, py: 0.15, verticalAlign: 'top' } as const;

/** What to weigh for each batch: a column a size, rounded to the step of the scale, with the written measure where the kitchen reads that first. */
export function Weighing({ season, facts, batches }: WeighingProps) {
  const { scaleStepGrams: step, writing } = season.data.kitchen;
  const measuresFirst = writing.amountsFirst === 'measures';
  const sheets = batches.map(({ size }) => weighSheet(facts.lineGrams, size, step));
  const isPlain = batches.length === 1 && batches[0]?.count === 1;
  return (
    <Box component="table" sx={{ borderCollapse: 'collapse', my: 0.5, breakInside: 'avoid' }}>
      {!isPlain && (
        <thead>
          <tr>
            {measuresFirst && <td />}
            {batches.map(({ size, count }) => (
              <Box component="th" scope="col" key={size} sx={{ ...cell, textAlign: 'right' }}>
                each of {sayBatches([{ size, count }], 'single ')}
              </Box>
            ))}
            <td />
          </tr>
        </thead>
      )}
      <tbody>
        {facts.recipe.lines.map((line, index) => (
          <tr key={index}>
            {measuresFirst && batches[0] && (
              <Box component="td" sx={{ ...cell, fontWeight: 650, textAlign: 'right', whiteSpace: 'nowrap' }}>
                {sayMeasure(line.amount * batches[0].size, line.unit)}
              </Box>
            )}
            {sheets.map((sheet, column) => (
              <Box
                component="td"
                key={column}
                sx={{ ...cell, typography: 'figures', fontWeight: 650, textAlign: 'right', whiteSpace: 'nowrap' }}
              >
                {sayGrams(sheet.lines[index]?.grams ?? 0, step)}
              </Box>
            ))}
            <Box component="td" sx={cell}>
              {nameOfUse(season, line.uses)}
              {[line.state, line.note].filter(Boolean).map((word) => `, ${word ?? ''}`)}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

/** The steps in short: what to do, how hot here, when it is done, what to beware of. */
export function Method({ season, facts, size }: { season: SeasonBook; facts: RecipeFacts; size: number }) {
  const { kitchen } = season.data;
  const { recipe } = facts;
  if (recipe.steps.length === 0)
    return recipe.method ? <Box sx={{ whiteSpace: 'pre-line' }}>{recipe.method}</Box> : null;
  return (
    <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
      {recipe.steps.map((step, index) => {
        const target = stepTarget(step, kitchen);
        const { typicalRest, safeRest } = stepMinutes(step, size);
        const here =
          target && sayTemperature(target.here[1] === null ? target.here[0] : [target.here[0], target.here[1]]);
        return (
          <Box component="li" key={index} sx={{ mb: 0.4, breakInside: 'avoid' }}>
            {step.text}
            {here && (
              <>
                {' '}
                <strong>{here}</strong> on your thermometer.
              </>
            )}
            {step.rest &&
              ` Waits ${sayMinutes(typicalRest)}${safeRest > typicalRest ? `, plan for ${sayMinutes(safeRest)}` : ''}.`}
            {step.doneWhen && (
              <>
                {' '}
                <strong>Done when</strong> {step.doneWhen}.
              </>
            )}
            {stepCautions(recipe, index, season.book).map((caution) => (
              <Box key={caution} sx={{ pl: 1, borderLeft: '3px solid #111' }}>
                {caution}
              </Box>
            ))}
          </Box>
        );
      })}
    </Box>
  );
}
