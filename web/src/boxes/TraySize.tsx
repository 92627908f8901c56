import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { BoxDraft } from '@usual-pantry/core/box';
import { decimalSign, lengthUnit, sayLength } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { LengthInput } from '../parts/fields';
import { readNumber, sayTyped } from '../parts/readNumber';
import { useFieldError } from '../parts/fieldError';

const usualMm = { side: 38, depth: 30 };

const fits = (side: number, most: number) => Number.isInteger(side) && side >= 1 && side <= most;

/** Keeps the cells in step with the tray: those that stay keep their pieces. */
function useResize() {
  const { getValues, setValue } = useFormContext<BoxDraft>();
  return (rows: number, columns: number, layers: number) => {
    const { cells: before, rows: rowsBefore, columns: width, layers: layersBefore, tray } = getValues();
    if (!fits(rows, 12) || !fits(columns, 12) || !fits(layers, 6)) return;
    const cells = Array.from({ length: rows * columns * layers }, (_, index) => {
      const layer = Math.floor(index / (rows * columns));
      const row = Math.floor((index % (rows * columns)) / columns);
      const column = index % columns;
      const there = column < width && row < rowsBefore && layer < layersBefore;
      return there ? (before[layer * rowsBefore * width + row * width + column] ?? null) : null;
    });
    const resized = (list: readonly number[], length: number) =>
      Array.from({ length }, (_, index) => list[index] ?? list.at(-1) ?? usualMm.side);
    setValue('rows', rows, { shouldDirty: true });
    setValue('columns', columns, { shouldDirty: true });
    setValue('layers', layers, { shouldDirty: true });
    if (tray)
      setValue('tray', { ...tray, columnsMm: resized(tray.columnsMm, columns), rowsMm: resized(tray.rowsMm, rows) });
    setValue('cells', cells, { shouldDirty: true, shouldValidate: true });
  };
}

/** Sides in the kitchen's unit, as they are typed; they are kept in mm. */
const sayList = (list: readonly number[]): string => {
  const { stored } = lengthUnit();
  return [...(new Set(list).size > 1 ? list : list.slice(0, 1))]
    .map((mm) => sayTyped(Number((mm / stored).toFixed(3))))
    .join(' ');
};

const LEAST_SIDE = 5;
const MOST_SIDE = 600;

/** `38` for all of them, or one number for each, in mm. Where a comma parts decimals it does not part numbers. */
const readList = (text: string, length: number): number[] | null => {
  const { stored } = lengthUnit();
  const numbers = text
    .trim()
    .split(decimalSign() === ',' ? /[\s;]+/ : /[\s,;]+/)
    .map((each) => Number((readNumber(each) * stored).toFixed(6)));
  if (!numbers.every((each) => each >= LEAST_SIDE && each <= MOST_SIDE)) return null;
  if (numbers.length === 1) return new Array<number>(length).fill(numbers[0] ?? 0);
  return numbers.length === length ? numbers : null;
};

/** The inner sizes of all columns or rows: one number for all, or one for each. */
function Sides({ name, one, length }: { name: 'columnsMm' | 'rowsMm'; one: string; length: number }) {
  const { setValue } = useFormContext<BoxDraft>();
  const list = useWatch<BoxDraft, 'tray'>({ name: 'tray' })?.[name] ?? [];
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? sayList(list);
  const read = readList(text, length);
  return (
    <TextField
      label={`${one}, ${lengthUnit().unit}`}
      value={text}
      error={read === null}
      helperText={
        read === null
          ? `One number from ${sayLength(LEAST_SIDE)} to ${sayLength(MOST_SIDE)}, or ${String(length)} of them`
          : 'one for all, or one each'
      }
      onChange={({ target }) => {
        setTyped(target.value);
        const next = readList(target.value, length);
        if (next) setValue(`tray.${name}`, next, { shouldDirty: true, shouldValidate: true });
      }}
      onBlur={() => {
        if (read) setTyped(null);
      }}
    />
  );
}

interface CountProps {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly set: (next: number) => void;
}

/** A number that can be typed anew: while it is none that will do, the tray stays as it was. */
function Count({ label, value, most, set }: CountProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && !fits(Number(typed), most);
  return (
    <TextField
      label={label}
      type="number"
      value={typed ?? String(value)}
      error={isWrong}
      helperText={isWrong ? `1 to ${String(most)}` : undefined}
      onChange={({ target }) => {
        setTyped(target.value);
        if (fits(Number(target.value), most)) set(Number(target.value));
      }}
      onBlur={() => {
        setTyped(null);
      }}
      slotProps={{ htmlInput: { min: 1, max: most } }}
    />
  );
}

/** Rows, columns and layers of the tray, and the inner sizes of its cells where they are known. */
export function TraySize() {
  const resize = useResize();
  const { setValue } = useFormContext<BoxDraft>();
  const [rows, columns, layers, tray] = useWatch<BoxDraft, ['rows', 'columns', 'layers', 'tray']>({
    name: ['rows', 'columns', 'layers', 'tray'],
  });
  const wrong = useFieldError('tray');
  const setTray = (next: BoxDraft['tray']) => {
    setValue('tray', next, { shouldDirty: true, shouldValidate: true });
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(96px, 1fr))' }}>
        <Count
          label="Rows"
          value={rows}
          most={12}
          set={(next) => {
            resize(next, columns, layers);
          }}
        />
        <Count
          label="Columns"
          value={columns}
          most={12}
          set={(next) => {
            resize(rows, next, layers);
          }}
        />
        <Count
          label="Layers"
          value={layers}
          most={6}
          set={(next) => {
            resize(rows, columns, next);
          }}
        />
        {tray && (
          <>
            <Sides name="columnsMm" one="Width of columns" length={columns} />
            <Sides name="rowsMm" one="Length of rows" length={rows} />
            <LengthInput name="tray.depthMm" label="Depth" />
          </>
        )}
      </Box>
      {wrong && <Box sx={{ color: 'error.main' }}>{wrong}</Box>}
      <div>
        {tray ? (
          <Button
            size="small"
            onClick={() => {
              setTray(null);
            }}
          >
            Forget the cells’ sizes
          </Button>
        ) : (
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              setTray({
                columnsMm: new Array<number>(columns).fill(usualMm.side),
                rowsMm: new Array<number>(rows).fill(usualMm.side),
                depthMm: usualMm.depth,
              });
            }}
          >
            Give the cells’ sizes, to turn away what does not fit
          </Button>
        )}
      </div>
    </Box>
  );
}
