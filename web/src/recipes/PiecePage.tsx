import {
  freshForm,
  bodyRecipeId,
  pieceDraftSchema,
  strongFlavours,
  textures,
  type Piece,
  type PieceDraft,
} from '@usual-pantry/core/piece';
import { ANY_AIR } from '@usual-pantry/core/room';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useWatch } from 'react-hook-form';
import { useParams, useSearchParams } from 'react-router';
import { ChoiceInput, ManyInput, NumberInput, TextInput } from '../parts/fields';
import { FieldNote } from '../parts/fieldNotes';
import { Empty, Panel } from '../parts/Panel';
import { RecordFrame } from '../records/RecordFrame';
import { useRemoval } from '../records/useRemoval';
import { useRecordForm } from '../records/useRecordForm';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { FormFields } from '../forms/FormFields';
import { AirFields, KeepingFields, StandsFields } from '../forms/RoomFields';
import { CheckInput } from '../parts/CheckInput';
import { PieceSizeFields } from './PieceSizeFields';
import { PieceFigures } from './PieceFigures';

const travelChoices = ['travels', 'keep cool', 'local only'].map((value) => ({
  value,
  label: value,
}));

/** The hands that each takes; those of a piece with stages are said stage by stage. */
function HandsInput() {
  const stages = useWatch({ name: 'form.stages' }) as { readonly handSeconds: number }[] | undefined;
  if (!stages || stages.length === 0) return <NumberInput name="handSeconds" label="Hands, each" unit="s" />;
  const sum = stages.reduce((all, { handSeconds }) => all + handSeconds, 0);
  return (
    <TextField
      label="Hands, each"
      value={Number.isFinite(sum) ? sum : ''}
      helperText="All its stages."
      slotProps={{ htmlInput: { readOnly: true }, input: { endAdornment: 's' } }}
    />
  );
}

function PieceForm({ season, piece, recipeId }: { season: SeasonBook; piece: Piece | null; recipeId: string }) {
  const fresh: PieceDraft = {
    name: season.book.recipes.get(recipeId)?.recipe.name ?? '',
    form: freshForm('cut', recipeId),
    keepsDays: null,
    handSeconds: 10,
    travel: 'travels',
    air: ANY_AIR,
    setsInFridge: false,
    keepsAir: ANY_AIR,
    stands: null,
    thawNights: 0,
    strong: [],
    texture: null,
    sizeMm: null,
    colour: '#8a5630',
    notes: '',
  };
  const back = piece ? `/recipes/${bodyRecipeId(piece.form)}` : `/recipes/${recipeId}`;
  const record = useRecordForm({
    noun: 'piece',
    schema: pieceDraftSchema,
    record: piece,
    fresh,
    addressOf: ({ id }) => `/pieces/${id}`,
  });
  return (
    <RecordFrame
      title={piece ? piece.name : 'New piece'}
      record={record}
      back={back}
      onDelete={useRemoval('piece', piece, back)}
    >
      <PieceFigures season={season} piece={piece}>
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: { xs: '1fr 1fr', md: '2fr 1fr 1fr 90px' },
          }}
        >
          <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}>
            <TextInput name="name" label="Name" />
          </Box>
          <HandsInput />
          <ChoiceInput name="travel" label="Travels" choices={travelChoices} />
          <TextInput name="colour" label="Colour" type="color" />
        </Box>
        <Box
          sx={{ display: 'grid', gap: 1.5, alignItems: 'start', gridTemplateColumns: { xs: '1fr', sm: '3fr 3fr 2fr' } }}
        >
          <NumberInput name="keepsDays" label="Keeps" unit="days" optional help="Empty: as its recipe keeps." />
          <ManyInput
            name="strong"
            label="Flavours that wander"
            help="They are smelled in whatever lies beside it."
            options={strongFlavours}
            nameOf={(flavour) => flavour}
          />
          <ChoiceInput
            name="texture"
            label="Texture"
            choices={[{ value: '', label: 'neither' }, ...textures.map((value) => ({ value, label: value }))]}
            empty={null}
          />
        </Box>
        <Panel title="Form">
          <FieldNote name="form" />
          <FormFields season={season} />
        </Panel>
        <Panel title="While it is finished, and after">
          <Box sx={{ display: 'grid', gap: 1.5 }}>
            <AirFields scale={season.data.kitchen.temperatureFirst} what="finished" />
            <CheckInput
              name="setsInFridge"
              label="On a warmer day it is finished all the same, and set in the fridge"
            />
            <StandsFields of="100 pieces" until="it is handed over" />
            <KeepingFields scale={season.data.kitchen.temperatureFirst} />
          </Box>
        </Panel>
        <PieceSizeFields />
        <TextInput name="notes" label="Notes" multiline />
      </PieceFigures>
    </RecordFrame>
  );
}

/** One piece: how a recipe becomes it. */
export function PiecePage() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  const piece = season.data.pieces.find((each) => each.id === id) ?? null;
  if (!piece && id !== 'new') return <Empty title="This piece is not there any more." />;
  const recipeId = search.get('recipe') ?? season.data.recipes[0]?.id ?? '';
  return <PieceForm key={id} season={season} piece={piece} recipeId={recipeId} />;
}
