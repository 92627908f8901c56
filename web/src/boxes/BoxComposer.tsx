import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import { boxDraftSchema, workOutBox, type Box as StoredBox, type BoxDraft } from '@usual-pantry/core/box';
import { sayCount, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { NumberInput, TextInput } from '../parts/fields';
import { Panel } from '../parts/Panel';
import { RecordFrame } from '../parts/RecordFrame';
import { useRemoval } from '../parts/useRemoval';
import { useRecordForm } from '../parts/useRecordForm';
import type { SeasonBook } from '../parts/useSeason';
import { BoxFigures, useBoxCost } from './BoxFigures';
import { BoxWithout } from './BoxWithout';
import { PackagingLines } from './PackagingLines';
import { Shelf } from './Shelf';
import { StandIns } from './StandIns';
import { Tray } from './Tray';

const freshBox: BoxDraft = {
  name: '',
  foodName: 'Assorted confections',
  rows: 3,
  columns: 3,
  cells: new Array<null>(9).fill(null),
  packaging: [],
  packMinutes: 5,
  priceMinor: 0,
  notes: '',
};

/** The box as it is typed; where it cannot be read yet, the cells alone. */
function useDraftFacts(season: SeasonBook, box: StoredBox | null) {
  const values = useWatch() as BoxDraft;
  const parsed = boxDraftSchema.safeParse(values);
  const draft: BoxDraft = parsed.success
    ? parsed.data
    : {
        ...freshBox,
        name: values.name || 'This box',
        cells: values.cells,
        rows: 1,
        columns: values.cells.length || 1,
      };
  return workOutBox({ ...draft, id: box?.id ?? 'new' }, season.book.pieces);
}

function Answer({ season, box }: { season: SeasonBook; box: StoredBox | null }) {
  const facts = useDraftFacts(season, box);
  const cost = useBoxCost(season, facts);
  const money = (minor: number) => sayMoney(minor, season.data.kitchen.currency);
  if (facts.pieceCount === 0) return <AnswerLine>An empty box. Choose a cell, then a piece from the shelf.</AnswerLine>;
  return (
    <AnswerLine>
      {facts.box.name}: {sayCount(facts.pieceCount, 'piece')}, {sayGrams(facts.weightGrams)}, costs{' '}
      {money(cost.costMinor)} to make, sells at {money(facts.box.priceMinor)}.{' '}
      {facts.keeps && (
        <>
          <Mark tone="hot">Keeps {sayCount(facts.keeps.days, 'day')}</Mark>, because of the{' '}
          {facts.keeps.pieceName.toLowerCase()}.
        </>
      )}
    </AnswerLine>
  );
}

/** Keeps the cells in step with the size of the tray: those that stay keep their pieces. */
function useResize() {
  const { getValues, setValue } = useFormContext<BoxDraft>();
  return (rows: number, columns: number) => {
    const before = getValues();
    const fits = (side: number) => Number.isInteger(side) && side >= 1 && side <= 12;
    if (!fits(rows) || !fits(columns)) return;
    const width = before.cells.length / before.rows;
    const cells = Array.from({ length: rows * columns }, (_, index) => {
      const row = Math.floor(index / columns);
      const column = index % columns;
      return column < width ? (before.cells[row * width + column] ?? null) : null;
    });
    setValue('rows', rows, { shouldDirty: true });
    setValue('columns', columns, { shouldDirty: true });
    setValue('cells', cells, { shouldDirty: true, shouldValidate: true });
  };
}

function Size() {
  const resize = useResize();
  const [rows, columns] = useWatch<BoxDraft, ['rows', 'columns']>({ name: ['rows', 'columns'] });
  const stepper = (label: string, value: number, set: (next: number) => void) => (
    <Box component="label" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75, mr: 2 }}>
      {label}
      <input
        type="number"
        min={1}
        max={12}
        value={value}
        onChange={(event) => {
          set(event.target.valueAsNumber);
        }}
        style={{
          width: 56,
          font: 'inherit',
          padding: 4,
          color: 'inherit',
          background: 'transparent',
          border: '1px solid currentColor',
          borderRadius: 4,
        }}
      />
    </Box>
  );
  return (
    <div>
      {stepper('Rows', rows, (next) => {
        resize(next, columns);
      })}
      {stepper('Columns', columns, (next) => {
        resize(rows, next);
      })}
    </div>
  );
}

function Body({ season, box }: { season: SeasonBook; box: StoredBox | null }) {
  const [cell, setCell] = useState(0);
  const facts = useDraftFacts(season, box);
  const { setValue, getValues } = useFormContext<BoxDraft>();
  // A press is a press: only a pull of a few pixels starts a drag.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const placeAt = (at: number, pieceId: string | null) => {
    const cells = [...getValues('cells')];
    if (at >= cells.length) return;
    cells[at] = pieceId === null ? null : { pieceId, count: cells[at]?.count ?? 1, standIns: [] };
    setValue('cells', cells, { shouldDirty: true, shouldValidate: true });
    setCell(pieceId === null ? at : Math.min(at + 1, cells.length - 1));
  };
  const place = (pieceId: string | null) => {
    placeAt(cell, pieceId);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        if (over) placeAt(Number(over.id), String(active.id));
      }}
    >
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: {
            xs: '1fr',
            md: '220px minmax(0, 1fr)',
            lg: '220px minmax(0, 1fr) 268px',
          },
          alignItems: 'start',
        }}
      >
        <Box sx={{ order: { xs: 1, md: 0 } }}>
          <Shelf season={season} onPick={place} />
        </Box>
        <Panel title={`Cell ${String(cell + 1)}`} aside={<Size />}>
          <Tray season={season} cell={cell} onChoose={setCell} onPlace={place} />
          <StandIns season={season} cell={cell} />
        </Panel>
        <Box sx={{ gridColumn: { md: '1 / -1', lg: 'auto' }, order: { xs: 2, md: 0 } }}>
          <BoxFigures season={season} facts={facts} />
        </Box>
      </Box>
    </DndContext>
  );
}

/** The composer: shelf, tray from above, and what follows from them at once. */
export function BoxComposer({ season, box }: { season: SeasonBook; box: StoredBox | null }) {
  const navigate = useNavigate();
  const record = useRecordForm({
    noun: 'box',
    schema: boxDraftSchema,
    record: box,
    fresh: freshBox,
    nameOf: (draft) => draft.name,
    onSaved: (saved) => void navigate(`/boxes/${saved.id}`, { replace: true }),
  });
  return (
    <RecordFrame
      title={box ? box.name : 'New box'}
      record={record}
      heading={<Answer season={season} box={box} />}
      back="/boxes"
      onDelete={useRemoval('box', box, box?.name ?? '', '/boxes')}
    >
      <Body season={season} box={box} />
      <Panel title="Name, price and packaging">
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: { xs: '1fr', sm: '2fr 2fr 1fr 1fr' },
            mb: 2,
          }}
        >
          <TextInput name="name" label="Name" />
          <TextInput name="foodName" label="What the label calls the food" />
          <NumberInput name="priceMinor" label="Price" scale={100} unit={season.data.kitchen.currency} />
          <NumberInput name="packMinutes" label="Packing" unit="min" />
        </Box>
        <PackagingLines currency={season.data.kitchen.currency} />
      </Panel>
      <TextInput name="notes" label="Notes" multiline minRows={2} />
      {box && (
        <Panel title="The same box without something">
          <BoxWithout season={season} box={box} />
        </Panel>
      )}
    </RecordFrame>
  );
}
