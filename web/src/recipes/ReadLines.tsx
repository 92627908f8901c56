import { mdiCheck, mdiHelpRhombusOutline, mdiPlus } from '@mdi/js';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import {
  sayCount,
  sayGrams,
  sayList,
  sayMeasure,
  unitCodes,
  units,
  weigh,
  type UnitCode,
} from '@usual-pantry/core/quantity';
import type { ReadLine } from '@usual-pantry/core/reading';
import { fromStart, type RecipeLine } from '@usual-pantry/core/recipe';
import { starterCalled, startersNamed } from '@usual-pantry/core/reading';
import { uniqBy } from 'es-toolkit/array';
import type { Refusal } from '../parts/refusal';
import { useState } from 'react';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { useStarter } from '../pantry/useStarter';
import type { SeasonBook } from '../data/useSeason';
import { nameOfUse } from '../data/nameOfUse';

interface ReadLinesProps {
  readonly season: SeasonBook;
  readonly lines: readonly ReadLine[];
  /** The key of each line. */
  readonly keys: readonly string[];
  /** What the maker made of a line that was asked about; null leaves it out. */
  readonly decided: Readonly<Record<string, RecipeLine | null>>;
  readonly onDecide: (key: string, line: RecipeLine | null) => void;
}

function gramsOf(season: SeasonBook, line: RecipeLine): string {
  const substance = line.uses.kind === 'ingredient' ? season.book.ingredients.get(line.uses.id) : undefined;
  const weight = weigh(line.amount, line.unit, substance ?? { densities: [], pieceGrams: null }, line.state);
  return 'grams' in weight ? sayGrams(weight.grams) : '–';
}

/** Plain ingredients that the name of a line may mean and that the pantry lacks, to be added here. */
function FromStarter({ season, name }: { season: SeasonBook; name: string }) {
  const take = useStarter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const have = new Set(season.data.ingredients.map(({ id }) => id));
  const offered = startersNamed(name).filter(({ id }) => !have.has(id));
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center', mt: 0.5 }}>
      {offered.map((starter) => (
        <Button
          key={starter.id}
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            take([starter]).catch(() => {
              setTrouble(`${starter.name} could not be added.`);
            });
          }}
        >
          Add {starter.name.toLowerCase()} to the pantry
        </Button>
      ))}
      {offered.length === 0 && name !== '' && (
        <Button size="small" component={Link} to="/pantry/new" startIcon={<Icon path={mdiPlus} />}>
          Write it into the pantry
        </Button>
      )}
      {trouble}
    </Box>
  );
}

/** Decides one line that was asked about: ingredient, amount, unit, state. What is not sure is left empty. */
function Decide({
  season,
  each,
  onDecide,
}: {
  season: SeasonBook;
  each: ReadLine;
  onDecide: (line: RecipeLine | null) => void;
}) {
  const { ingredients, recipes } = season.data;
  const options = [
    ...each.candidates,
    ...ingredients.map(({ id, name }) => ({ kind: 'ingredient' as const, id, name })),
    ...recipes.map(({ id, name }) => ({ kind: 'recipe' as const, id, name })),
  ].filter((option, at, all) => all.findIndex(({ id, kind }) => id === option.id && kind === option.kind) === at);
  const [uses, setUses] = useState(each.found);
  const [typed, setTyped] = useState(each.sure.amount === null ? '' : String(each.sure.amount));
  const [unit, setUnit] = useState<UnitCode | ''>(each.sure.unit ?? '');
  const [state, setState] = useState(each.sure.state ?? '');
  const amount = Number(typed.replace(',', '.'));
  const used = uses?.kind === 'ingredient' ? season.book.ingredients.get(uses.id) : undefined;
  const states = unit !== '' && units[unit].measures === 'volume' ? (used?.densities ?? []) : [];
  const isState = states.some((density) => density.state === state);
  return (
    <>
      {each.found === null && <FromStarter season={season} name={each.name} />}
      {each.either.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 0.5 }}>
          {each.either.map((one) => (
            <Chip
              key={`${String(one.amount)} ${one.unit}`}
              label={sayMeasure(one.amount, one.unit)}
              variant="outlined"
              onClick={() => {
                setTyped(String(Number(one.amount.toPrecision(9))));
                setUnit(one.unit);
              }}
            />
          ))}
        </Box>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 1,
          mt: 1,
          gridTemplateColumns: { xs: '1fr 1fr', md: `1fr 90px 130px ${states.length > 1 ? '120px' : ''} auto auto` },
        }}
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
          value={typed}
          error={typed !== '' && !(amount > 0)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          onChange={({ target }) => {
            setTyped(target.value);
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
        {states.length > 1 && (
          <TextField
            select
            label="Measured"
            value={isState ? state : ''}
            onChange={({ target }) => {
              setState(target.value);
            }}
          >
            {states.map((density) => (
              <MenuItem key={density.state} value={density.state}>
                {density.state}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Button
          variant="outlined"
          disabled={!uses || !(amount > 0) || unit === '' || (states.length > 1 && !isState)}
          onClick={() => {
            if (uses && unit !== '')
              onDecide({
                uses: { kind: uses.kind, id: uses.id },
                amount,
                unit,
                state: isState ? state : null,
                note: each.sure.note,
                ...fromStart,
              });
          }}
        >
          Take it so
        </Button>
        <Button
          onClick={() => {
            onDecide(null);
          }}
        >
          Leave it out
        </Button>
      </Box>
    </>
  );
}

const DecidedLine = ({ season, line }: { season: SeasonBook; line: RecipeLine | null }) => (
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
);

/** Takes every plain ingredient into the pantry at once that a line names by its name and the pantry lacks. */
function TakeNamed({ names, season }: { names: readonly string[]; season: SeasonBook }) {
  const take = useStarter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const have = new Set(season.data.ingredients.map(({ id }) => id));
  const named = uniqBy(
    names.flatMap((name) => starterCalled(name) ?? []),
    ({ id }) => id,
  ).filter(({ id }) => !have.has(id));
  if (named.length < 2) return null;
  return (
    <Box sx={{ mb: 1.5 }}>
      <Button
        variant="contained"
        startIcon={<Icon path={mdiPlus} />}
        onClick={() => {
          take(named).catch((error: unknown) => {
            setTrouble((error as Refusal).message);
          });
        }}
      >
        Take {sayCount(named.length, 'ingredient')} into the pantry
      </Button>
      <Box sx={{ color: 'text.secondary', mt: 0.5 }}>
        {trouble ?? `${sayList(named.map(({ name }) => name))}: plain ones, to be corrected by the label of your pack.`}
      </Box>
    </Box>
  );
}

/** What was understood of each pasted line, and what must be asked. */
export function ReadLines({ season, lines, keys, decided, onDecide }: ReadLinesProps) {
  const unknown = lines.flatMap(({ found, name }, index) =>
    found === null && !((keys[index] ?? '') in decided) ? [name] : [],
  );
  return (
    <>
      <TakeNamed names={unknown} season={season} />
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
        {lines.map((each, index) => {
          const key = keys[index] ?? '';
          const isDecided = key in decided;
          const line = isDecided ? (decided[key] ?? null) : each.line;
          const done = each.questions.length === 0 || isDecided;
          return (
            <Box
              component="li"
              key={key}
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
              <Box sx={{ color: 'text.secondary', typography: 'note' }}>{each.source}</Box>
              {done ? (
                <DecidedLine season={season} line={line} />
              ) : (
                each.questions.map((question) => (
                  <Box key={question} sx={{ display: 'flex', gap: 1, alignItems: 'center', fontWeight: 650 }}>
                    <Icon path={mdiHelpRhombusOutline} />
                    {question}
                  </Box>
                ))
              )}
              {each.remarks.map((remark) => (
                <Box key={remark} sx={{ typography: 'note' }}>
                  {remark}
                </Box>
              ))}
              {!done && (
                <Decide
                  // What was found anew, such as an ingredient that was just added, begins anew.
                  key={each.found?.id ?? ''}
                  season={season}
                  each={each}
                  onDecide={(picked) => {
                    onDecide(key, picked);
                  }}
                />
              )}
            </Box>
          );
        })}
      </Box>
    </>
  );
}
