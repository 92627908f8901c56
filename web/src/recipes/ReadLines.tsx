import { mdiCheck, mdiHelpRhombusOutline } from '@mdi/js';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { sayGrams, sayMeasure, unitCodes, units, weigh, type UnitCode } from '@usual-pantry/core/quantity';
import type { ReadLine } from '@usual-pantry/core/reading';
import type { RecipeLine } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { Icon } from '../app/Icon';
import { FIGURES } from '../app/theme';
import type { SeasonBook } from '../parts/useSeason';
import { nameOfUse } from './nameOfUse';

interface ReadLinesProps {
  readonly season: SeasonBook;
  readonly read: readonly ReadLine[];
  /** What the maker made of a line that was asked about; null leaves it out. */
  readonly settled: ReadonlyMap<string, RecipeLine | null>;
  readonly onSettle: (source: string, line: RecipeLine | null) => void;
}

function gramsOf(season: SeasonBook, line: RecipeLine): string {
  const substance = line.uses.kind === 'ingredient' ? season.book.ingredients.get(line.uses.id) : undefined;
  const weight = weigh(line.amount, line.unit, substance ?? { densities: [], pieceGrams: null }, line.state);
  return 'grams' in weight ? sayGrams(weight.grams) : '–';
}

/** Settles one line that was asked about: ingredient, amount, unit. */
function Settle({
  season,
  each,
  onSettle,
}: {
  season: SeasonBook;
  each: ReadLine;
  onSettle: (line: RecipeLine | null) => void;
}) {
  const { ingredients, recipes } = season.data;
  const options = [
    ...each.candidates,
    ...ingredients.map(({ id, name }) => ({ kind: 'ingredient' as const, id, name })),
    ...recipes.map(({ id, name }) => ({ kind: 'recipe' as const, id, name })),
  ].filter((option, at, all) => all.findIndex(({ id, kind }) => id === option.id && kind === option.kind) === at);
  const [uses, setUses] = useState(each.found);
  const [amount, setAmount] = useState(each.line?.amount ?? 1);
  const [unit, setUnit] = useState<UnitCode>(each.line?.unit ?? 'g');
  return (
    <Box
      sx={{ display: 'grid', gap: 1, mt: 1, gridTemplateColumns: { xs: '1fr 1fr', md: '1fr 90px 130px auto auto' } }}
    >
      <Autocomplete
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}
        options={options}
        value={options.find(({ id }) => id === uses?.id) ?? null}
        groupBy={(option) => (each.candidates.some(({ id }) => id === option.id) ? 'Perhaps' : 'Everything')}
        getOptionLabel={(option) => option.name}
        getOptionKey={({ kind, id }) => `${kind} ${id}`}
        onChange={(_event, picked) => {
          setUses(picked);
        }}
        renderInput={(props) => <TextField {...props} label="Which ingredient" />}
      />
      <TextField
        label="Amount"
        type="number"
        value={amount || ''}
        onChange={({ target }) => {
          setAmount(Number(target.value));
        }}
      />
      <TextField
        select
        label="Unit"
        value={unit}
        onChange={({ target }) => {
          setUnit(target.value as UnitCode);
        }}
      >
        {unitCodes.map((code) => (
          <MenuItem key={code} value={code}>
            {units[code].label}
          </MenuItem>
        ))}
      </TextField>
      <Button
        variant="outlined"
        disabled={!uses || !(amount > 0)}
        onClick={() => {
          if (uses && each.line)
            onSettle({ ...each.line, uses: { kind: uses.kind, id: uses.id }, amount, unit, state: null });
        }}
      >
        Take it so
      </Button>
      <Button
        onClick={() => {
          onSettle(null);
        }}
      >
        Leave it out
      </Button>
    </Box>
  );
}

/** What was understood of each pasted line, and what must be asked. */
export function ReadLines({ season, read, settled, onSettle }: ReadLinesProps) {
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
      {read.map((each, index) => {
        if (each.kind === 'heading')
          return (
            <Box component="li" key={index} sx={{ fontWeight: 700 }}>
              {each.name}
            </Box>
          );
        const line = settled.has(each.source) ? settled.get(each.source) : each.line;
        const done = each.questions.length === 0 || settled.has(each.source);
        return (
          <Box
            component="li"
            key={index}
            aria-label={each.source}
            sx={{
              borderLeft: 4,
              borderColor: done ? 'success.main' : 'warning.light',
              pl: 1.5,
              py: 0.25,
              minWidth: 0,
              overflowWrap: 'anywhere',
            }}
          >
            <Box sx={{ color: 'text.secondary', fontSize: 14 }}>{each.source}</Box>
            {done ? (
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                <Icon path={mdiCheck} />
                {line ? (
                  <span>
                    <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 650 }}>
                      {gramsOf(season, line)}
                    </Box>{' '}
                    {nameOfUse(season, line.uses)}, {sayMeasure(line.amount, line.unit)}
                    {[line.state, line.note].filter(Boolean).map((word) => `, ${word ?? ''}`)}
                  </span>
                ) : (
                  <span>left out</span>
                )}
              </Box>
            ) : (
              each.questions.map((question) => (
                <Box key={question} sx={{ display: 'flex', gap: 1, alignItems: 'center', fontWeight: 650 }}>
                  <Icon path={mdiHelpRhombusOutline} />
                  {question}
                </Box>
              ))
            )}
            {each.remarks.map((remark) => (
              <Box key={remark} sx={{ fontSize: 14 }}>
                {remark}
              </Box>
            ))}
            {!done && (
              <Settle
                season={season}
                each={each}
                onSettle={(picked) => {
                  onSettle(each.source, picked);
                }}
              />
            )}
          </Box>
        );
      })}
    </Box>
  );
}
