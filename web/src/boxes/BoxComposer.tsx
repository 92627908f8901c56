import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { boxDraftSchema, whyNotInto, workOutBox, type Box as StoredBox, type BoxDraft } from '@usual-pantry/core/box';
import { sayCount, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { useFieldError } from '../parts/fieldError';
import { MoneyInput, NumberInput, TextInput } from '../parts/fields';
import { FieldFindings } from '../findings/FieldFindings';
import { Panel } from '../parts/Panel';
import { RecordFrame } from '../records/RecordFrame';
import { useEdit } from '../data/useEdit';
import { useRemoval } from '../records/useRemoval';
import { useRecordForm } from '../records/useRecordForm';
import type { SeasonBook } from '../data/useSeason';
import { BoxFigures, useBoxCost } from './BoxFigures';
import { ComposeForMe } from './ComposeForMe';
import { TraySize } from './TraySize';
import { BoxTimeline } from './BoxTimeline';
import { BoxWithout } from './BoxWithout';
import { DisplayPanel } from './DisplayPanel';
import { PackagingLines } from './PackagingLines';
import { Shelf } from './Shelf';
import { StandIns } from './StandIns';
import { Tray } from './Tray';

const freshBox: BoxDraft = {
  name: '',
  foodName: 'Assorted confections',
  foodNameFrench: '',
  rows: 3,
  columns: 3,
  layers: 1,
  tray: null,
  panel: null,
  cells: new Array<null>(9).fill(null),
  packaging: [],
  packMinutes: 5,
  priceMinor: 0,
  notes: '',
  edition: 1,
  editions: [],
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
        layers: 1,
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

function Body({ season, box }: { season: SeasonBook; box: StoredBox | null }) {
  const [cell, setCell] = useState(0);
  const [refused, setRefused] = useState<string | null>(null);
  const facts = useDraftFacts(season, box);
  const { setValue, getValues } = useFormContext<BoxDraft>();
  // A press is a press: only a pull of a few pixels starts a drag.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const placeAt = (at: number, pieceId: string | null) => {
    const values = getValues();
    const cells = [...values.cells];
    if (at >= cells.length) return;
    const count = cells[at]?.count ?? 1;
    const piece = pieceId === null ? undefined : season.book.pieces.get(pieceId);
    const why = piece ? whyNotInto(values, at, piece, count) : null;
    setRefused(why);
    if (why !== null) return;
    cells[at] = pieceId === null ? null : { pieceId, count, standIns: [] };
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
        <Panel title={`Cell ${String(cell + 1)}`}>
          {refused && (
            <Alert
              severity="error"
              sx={{ mb: 1 }}
              onClose={() => {
                setRefused(null);
              }}
            >
              {refused}
            </Alert>
          )}
          <Tray season={season} cell={cell} onChoose={setCell} onPlace={place} />
          <CellsWrong />
          <StandIns season={season} cell={cell} />
        </Panel>
        <Box sx={{ gridColumn: { md: '1 / -1', lg: 'auto' }, order: { xs: 2, md: 0 } }}>
          <BoxFigures season={season} facts={facts} />
        </Box>
      </Box>
    </DndContext>
  );
}

/** What is wrong with the cells as a whole. */
function CellsWrong() {
  const wrong = useFieldError('cells');
  return wrong === undefined ? null : <Box sx={{ color: 'error.main', mb: 1 }}>The tray {wrong}.</Box>;
}

/** Makes a second box of what is stored, to be changed. */
function CopyBox({ box }: { box: StoredBox }) {
  const edit = useEdit();
  const navigate = useNavigate();
  const copy = async () => {
    const { id: _id, version: _version, ...draft } = box;
    const name = `${box.name}, copy`.slice(0, 80);
    const saved = await edit.add('box', { ...draft, name }, `${name} made.`);
    await navigate(`/boxes/${saved.id}`);
  };
  return (
    <Button size="small" variant="outlined" onClick={() => void copy()} sx={{ flexShrink: 0 }}>
      Make a copy
    </Button>
  );
}

/** The composer: shelf, tray from above, and what follows from them at once. */
export function BoxComposer({ season, box }: { season: SeasonBook; box: StoredBox | null }) {
  const record = useRecordForm({
    noun: 'box',
    schema: boxDraftSchema,
    record: box,
    fresh: freshBox,
    addressOf: ({ id }) => `/boxes/${id}`,
  });
  const stored = box && season.book.boxes.get(box.id);
  const findings = (stored?.findings ?? []).filter(({ severity }) => severity !== 'know');
  return (
    <RecordFrame
      title={box ? box.name : 'New box'}
      record={record}
      heading={<Answer season={season} box={box} />}
      back="/boxes"
      onDelete={useRemoval('box', box, '/boxes')}
      actions={box && <CopyBox box={box} />}
    >
      <FieldFindings findings={findings}>
        <Body season={season} box={box} />
        <Panel title="Name, price and packaging">
          <Box
            sx={{
              display: 'grid',
              gap: 1.5,
              gridTemplateColumns: { xs: '1fr', sm: '2fr 2fr 2fr 1fr 1fr' },
              mb: 2,
            }}
          >
            <TextInput name="name" label="Name" />
            <TextInput name="foodName" label="What the label calls the food" />
            <TextInput name="foodNameFrench" label="The same in French, for Canada" />
            <MoneyInput name="priceMinor" label="Price" currency={season.data.kitchen.currency} />
            <NumberInput name="packMinutes" label="Packing" unit="min" />
          </Box>
          <PackagingLines currency={season.data.kitchen.currency} />
          <DisplayPanel />
        </Panel>
        <Panel title="Tray">
          <TraySize />
        </Panel>
        <Panel title="Compose for me">
          <ComposeForMe season={season} />
        </Panel>
        <TextInput name="notes" label="Notes" multiline />
        {box && (
          <Panel title="The same box without something">
            <BoxWithout season={season} box={box} />
          </Panel>
        )}
        {stored && <BoxTimeline facts={stored} season={season} />}
      </FieldFindings>
    </RecordFrame>
  );
}
