import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import type { Pan } from '@usual-pantry/core/kitchen';
import { multipleOf, type RecipeFacts } from '@usual-pantry/core/recipe';
import { sayGrams, sayLength } from '@usual-pantry/core/quantity';
import type { Scaled, Wanted } from './useScale';

interface ScaleBarProps {
  readonly facts: RecipeFacts;
  readonly nameOf: (line: number) => string;
  readonly pans: readonly Pan[];
  /** Pieces of a base batch; 0 when it becomes no piece by itself. */
  readonly perBatch: number;
  readonly cut: boolean;
  readonly wanted: Wanted;
  readonly setWanted: (wanted: Wanted) => void;
  readonly scaled: Scaled | null;
}

const ways: Record<Wanted['by'], string> = {
  multiple: 'base batches',
  pieces: 'pieces',
  mass: 'grams of it',
  pan: 'another pan',
  'in hand': 'what is in hand',
};

/** How far the bar goes, in base batches. */
const FURTHEST = 4;

/** Where a way of scaling starts, and how far the bar goes. */
function startOf(by: Wanted['by'], { yieldGrams, lineGrams }: RecipeFacts, perBatch: number): Wanted {
  switch (by) {
    case 'multiple':
      return { by, value: 1 };
    case 'mass':
      return { by, value: Math.round(yieldGrams) };
    case 'pieces':
      return { by, value: perBatch };
    case 'pan':
      return { by, pan: 0 };
    case 'in hand':
      return { by, line: 0, value: Math.round(lineGrams[0] ?? 0) };
  }
}

function valueLook(wanted: Exclude<Wanted, { by: 'pan' }>, facts: RecipeFacts, perBatch: number) {
  switch (wanted.by) {
    case 'multiple':
      return { unit: 'batches', base: 1, step: 0.25 };
    case 'pieces':
      return { unit: 'pieces', base: perBatch, step: 1 };
    case 'mass':
      return { unit: 'g', base: facts.yieldGrams, step: 10 };
    case 'in hand':
      return { unit: 'g', base: facts.lineGrams[wanted.line] ?? 1, step: 10 };
  }
}

/** Scales a recipe to what is wanted and says at once what it takes. */
export function ScaleBar(props: ScaleBarProps) {
  const { facts, nameOf, pans, perBatch, cut, wanted, setWanted, scaled } = props;
  const offered = (Object.keys(ways) as Wanted['by'][]).filter(
    (by) => (by !== 'pieces' || perBatch > 0) && (by !== 'pan' || (cut && pans.length > 0)),
  );
  const look = wanted.by === 'pan' ? null : valueLook(wanted, facts, perBatch);
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          alignItems: 'center',
          gridTemplateColumns: { xs: '1fr 1fr', md: '190px 130px 1fr' },
        }}
      >
        <TextField
          select
          label="Scale to"
          value={wanted.by}
          onChange={({ target }) => {
            setWanted(startOf(target.value as Wanted['by'], facts, perBatch));
          }}
        >
          {offered.map((by) => (
            <MenuItem key={by} value={by}>
              {ways[by]}
            </MenuItem>
          ))}
        </TextField>
        {wanted.by === 'pan' && (
          <TextField
            select
            label="Pan"
            value={wanted.pan}
            sx={{ gridColumn: { md: 'span 2' }, maxWidth: { md: 320 } }}
            onChange={({ target }) => {
              setWanted({ by: 'pan', pan: Number(target.value) });
            }}
          >
            {pans.map((pan, index) => (
              <MenuItem key={pan.name} value={index}>
                {pan.name}, {sayLength(pan.lengthMm, pan.widthMm)}
              </MenuItem>
            ))}
          </TextField>
        )}
        {wanted.by !== 'pan' && look && (
          <>
            <TextField
              label={look.unit === 'g' ? 'Grams' : look.unit === 'pieces' ? 'Pieces' : 'Batches'}
              type="number"
              value={wanted.value || ''}
              slotProps={{ htmlInput: { min: 0, step: look.step } }}
              onChange={({ target }) => {
                setWanted({ ...wanted, value: Number(target.value) });
              }}
            />
            <Box sx={{ px: 1, gridColumn: { xs: '1 / -1', md: 'auto' } }}>
              <Slider
                aria-label="How much"
                min={look.step}
                max={Math.ceil(look.base * FURTHEST)}
                step={look.step}
                value={wanted.value}
                valueLabelDisplay="auto"
                onChange={(_event, value) => {
                  setWanted({ ...wanted, value });
                }}
              />
            </Box>
          </>
        )}
        {wanted.by === 'in hand' && (
          <TextField
            select
            label="Of"
            value={wanted.line}
            sx={{ gridColumn: '1 / -1', maxWidth: 340 }}
            onChange={({ target }) => {
              const line = Number(target.value);
              setWanted({ by: 'in hand', line, value: Math.round(facts.lineGrams[line] ?? 0) });
            }}
          >
            {facts.lineGrams.map((grams, line) => (
              <MenuItem key={line} value={line}>
                {nameOf(line)}, {sayGrams(grams)} in the base batch
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <Alert severity={scaled?.allowed ? 'success' : 'warning'} data-testid="advice" role="status">
        {scaled
          ? `${scaled.advice} It gives ${sayGrams(facts.yieldGrams * multipleOf(scaled.batches))}.`
          : 'That cannot be worked out: give an amount above nothing.'}
      </Alert>
    </Box>
  );
}
