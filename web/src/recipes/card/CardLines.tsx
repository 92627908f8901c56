import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { sayGrams, sayMeasure, sayNumber } from '@usual-pantry/core/quantity';
import { multipleOf, sayBatches, weighSheet, type BatchCount, type RecipeFacts } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { FIGURES } from '../../parts/theme';
import type { SeasonBook } from '../../data/useSeason';
import { nameOfUse } from '../../data/nameOfUse';
import { sayEntry } from '../sayEntry';

const cell = { py: 0.75, px: 1, verticalAlign: 'top', borderBottom: 1, borderColor: 'divider' } as const;
const plainFigure = { ...cell, fontFamily: FIGURES, textAlign: 'right', whiteSpace: 'nowrap' } as const;
const figure = { ...cell, fontFamily: FIGURES, fontWeight: 650, textAlign: 'right', whiteSpace: 'nowrap' } as const;

interface CardLinesProps {
  readonly season: SeasonBook;
  readonly facts: RecipeFacts;
  readonly batches: readonly BatchCount[];
}

/** A component's own lines, for as much of it as the line takes. */
function Component({ season, recipeId, grams }: { season: SeasonBook; recipeId: string; grams: number }) {
  const facts = season.book.recipes.get(recipeId);
  if (!facts || facts.yieldGrams <= 0) return null;
  const size = grams / facts.yieldGrams;
  return (
    <Box sx={{ pl: { xs: 1, md: 3 }, py: 0.5, borderLeft: 3, borderColor: 'divider', ml: 1 }}>
      <CardLines season={season} facts={facts} batches={[{ size, count: 1 }]} />
    </Box>
  );
}

/** The lines of a batch: what is weighed and the written measure, that first which the kitchen reads first; a component opens in place. */
export function CardLines({ season, facts, batches }: CardLinesProps) {
  const [open, setOpen] = useState<readonly number[]>([]);
  const { scaleStepGrams: step, writing } = season.data.kitchen;
  const weighsFirst = writing.amountsFirst === 'grams';
  const sheets = batches.map(({ size, count }) => ({ size, count, sheet: weighSheet(facts.lineGrams, size, step) }));
  const total = multipleOf(batches);
  const several = batches.length > 1 || (batches[0]?.count ?? 1) > 1;
  const weighHeads = sheets.map(({ size, count }) => (
    <Box component="th" scope="col" key={size} sx={{ ...cell, textAlign: 'right' }}>
      {several ? `each of ${sayBatches([{ size, count }], 'single ')}` : 'weigh'}
    </Box>
  ));
  const measureHead = (
    <Box component="th" scope="col" sx={{ ...cell, textAlign: weighsFirst ? 'left' : 'right' }}>
      measure
    </Box>
  );
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%' }}>
        <thead>
          <tr>
            {weighsFirst ? weighHeads : measureHead}
            <Box component="th" scope="col" sx={{ ...cell, textAlign: 'left', width: '100%' }}>
              ingredient
            </Box>
            {weighsFirst ? measureHead : weighHeads}
            {several && (
              <Box component="th" scope="col" sx={{ ...cell, textAlign: 'right' }}>
                in all
              </Box>
            )}
          </tr>
        </thead>
        <tbody>
          {facts.recipe.lines.map((line, index) => {
            const exact = (facts.lineGrams[index] ?? 0) * total;
            const isOpen = open.includes(index);
            const weighed = sheets.map(({ size, sheet }) => (
              <Box component="td" key={size} sx={weighsFirst ? figure : plainFigure}>
                {sayGrams(sheet.lines[index]?.grams ?? 0, step)}
              </Box>
            ));
            const measured = (
              <Box component="td" sx={weighsFirst ? { ...cell, whiteSpace: 'nowrap' } : figure}>
                {sayMeasure(line.amount * (batches[0]?.size ?? 1), line.unit)}
              </Box>
            );
            return [
              <tr key={index}>
                {weighsFirst ? weighed : measured}
                <Box component="td" sx={cell}>
                  {line.uses.kind === 'recipe' ? (
                    <>
                      <Link
                        component="button"
                        type="button"
                        aria-expanded={isOpen}
                        onClick={() => {
                          setOpen(isOpen ? open.filter((each) => each !== index) : [...open, index]);
                        }}
                      >
                        {nameOfUse(season, line.uses)}
                      </Link>{' '}
                      <Link component={RouterLink} to={`/recipes/${line.uses.id}`} sx={{ typography: 'note' }}>
                        open its card
                      </Link>
                    </>
                  ) : (
                    nameOfUse(season, line.uses)
                  )}
                  {(line.note || line.state || sayEntry(line)) && (
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                      {' '}
                      {[line.state, line.note, sayEntry(line)].filter(Boolean).join(', ')}
                    </Box>
                  )}
                </Box>
                {weighsFirst ? measured : weighed}
                {several && (
                  <Box component="td" sx={figure}>
                    {sayGrams(exact, step)}
                  </Box>
                )}
              </tr>,
              isOpen && line.uses.kind === 'recipe' && (
                <tr key={`${String(index)} component`}>
                  <td colSpan={sheets.length + 3}>
                    <Component
                      season={season}
                      recipeId={line.uses.id}
                      grams={(facts.lineGrams[index] ?? 0) * (batches[0]?.size ?? 1)}
                    />
                  </td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </Box>
      {sheets.map(({ size, sheet }) => (
        <Box key={size} sx={{ color: 'text.secondary', typography: 'note', pt: 0.75 }}>
          Rounded to {sayNumber(step, step < 1 ? 1 : 0)} g: {sayNumber(Math.abs(sheet.errorGrams), 1)} g{' '}
          {sheet.errorGrams < 0 ? 'less' : 'more'} in all
          {sheet.worst !== null &&
            Math.abs(sheet.lines[sheet.worst]?.errorPercent ?? 0) >= 1 &&
            `; most at ${nameOfUse(season, facts.recipe.lines[sheet.worst]?.uses)}, ${sayNumber(Math.abs(sheet.lines[sheet.worst]?.errorPercent ?? 0), 0)} %`}
          .
        </Box>
      ))}
    </Box>
  );
}
