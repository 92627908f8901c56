import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { bodyRecipeId, type BodyForm, type PieceDraft, type PieceForm } from '@usual-pantry/core/piece';
import { useFormContext, useWatch } from 'react-hook-form';
import { NumberInput } from '../parts/fields';
import type { SeasonBook } from '../data/useSeason';
import { freshCentre, freshForm } from './freshForm';
import { MouldFields } from './MouldFields';
import { OwnedPicker } from './OwnedPicker';
import { RecipeInput } from './RecipeInput';

const grid = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' },
} as const;

function Finish({ season, path }: { season: SeasonBook; path: string }) {
  const { setValue } = useFormContext();
  const finish = useWatch({ name: `${path}.finish` }) as object | null;
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={finish !== null}
            onChange={(_event, on) => {
              setValue(`${path}.finish`, on ? { recipeId: '', gramsEach: 1 } : null, {
                shouldDirty: true,
              });
            }}
          />
        }
        label="Rolled in something"
      />
      {finish && (
        <>
          <RecipeInput season={season} name={`${path}.finish.recipeId`} label="Rolled in" />
          <NumberInput name={`${path}.finish.gramsEach`} label="On each" unit="g" />
        </>
      )}
    </>
  );
}

/** The fields of the form that decides the count. */
function BodyFields({
  season,
  path,
  kind,
}: {
  season: SeasonBook;
  path: string;
  kind: Exclude<BodyForm['kind'], 'moulded'>;
}) {
  return (
    <Box sx={grid}>
      <Box sx={{ gridColumn: '1 / -1', maxWidth: 420 }}>
        <RecipeInput season={season} name={`${path}.recipeId`} label="Recipe" />
      </Box>
      {kind === 'cut' && (
        <>
          <OwnedPicker
            label="Pan you own"
            owned={season.data.kitchen.pans}
            say={({ name, lengthMm, widthMm }) => `${name}, ${lengthMm} × ${widthMm} mm`}
            valuesOf={({ lengthMm, widthMm }) => ({ panLengthMm: lengthMm, panWidthMm: widthMm })}
            path={path}
          />
          <NumberInput name={`${path}.panLengthMm`} label="Pan length" unit="mm" />
          <NumberInput name={`${path}.panWidthMm`} label="Pan width" unit="mm" />
          <NumberInput name={`${path}.pieceLengthMm`} label="Piece length" unit="mm" />
          <NumberInput name={`${path}.pieceWidthMm`} label="Piece width" unit="mm" />
          <NumberInput name={`${path}.edgeTrimMm`} label="Trim, each edge" unit="mm" />
          <NumberInput name={`${path}.kerfMm`} label="Kerf" unit="mm" />
          <NumberInput name={`${path}.pansPerBatch`} label="Pans a base batch" />
        </>
      )}
      {kind === 'broken' && (
        <>
          <NumberInput name={`${path}.servingGrams`} label="Serving" unit="g" />
          <NumberInput name={`${path}.crumbsPercent`} label="Crumbs" unit="%" />
        </>
      )}
      {kind === 'rolled' && (
        <>
          <NumberInput name={`${path}.centreGrams`} label="Centre" unit="g" />
          <Finish season={season} path={path} />
        </>
      )}
      {kind === 'piped' && <NumberInput name={`${path}.depositGrams`} label="Deposit" unit="g" />}
      {kind === 'portion' && <NumberInput name={`${path}.fillGrams`} label="Fill" unit="g" />}
    </Box>
  );
}

interface KindsProps<K extends string> {
  readonly label: string;
  readonly kinds: readonly K[];
  readonly value: K;
  readonly onPick: (kind: K) => void;
}

const Kinds = <K extends string>({ label, kinds, value, onPick }: KindsProps<K>) => (
  <ToggleButtonGroup
    sx={{ flexWrap: 'wrap' }}
    exclusive
    size="small"
    color="primary"
    value={value}
    aria-label={label}
    onChange={(_event, kind: K | null) => {
      if (kind) onPick(kind);
    }}
  >
    {kinds.map((kind) => (
      <ToggleButton key={kind} value={kind} sx={{ px: 2 }}>
        {kind}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);

const centreKinds = ['cut', 'broken', 'rolled', 'piped'] as const;
const kinds = ['cut', 'broken', 'rolled', 'dipped', 'moulded', 'piped', 'portion'] as const;

/** How a recipe becomes a piece. */
export function FormFields({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<PieceDraft>();
  const form = useWatch<PieceDraft, 'form'>({ name: 'form' });
  const recipeId = bodyRecipeId(form);
  const set = (next: PieceForm) => {
    setValue('form', next, { shouldDirty: true });
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Kinds
        label="Form"
        kinds={kinds}
        value={form.kind}
        onPick={(kind) => {
          set(freshForm(kind, recipeId));
        }}
      />
      {form.kind === 'moulded' && <MouldFields season={season} />}
      {form.kind !== 'dipped' && form.kind !== 'moulded' && (
        <BodyFields key={form.kind} season={season} path="form" kind={form.kind} />
      )}
      {form.kind === 'dipped' && (
        <>
          <Kinds
            label="Centre"
            kinds={centreKinds}
            value={form.centre.kind}
            onPick={(kind) => {
              set({ ...form, centre: freshCentre(kind, recipeId) });
            }}
          />
          <BodyFields key={form.centre.kind} season={season} path="form.centre" kind={form.centre.kind} />
          <Box sx={grid}>
            <Box sx={{ gridColumn: '1 / -1', maxWidth: 420 }}>
              <RecipeInput season={season} name="form.coatingRecipeId" label="Coating" />
            </Box>
            <NumberInput
              name="form.coatingPercent"
              label="Coating of the whole"
              unit="%"
              help="20 to 40 % is common."
            />
            <NumberInput
              name="form.poolFactor"
              label="Working pool"
              unit="x"
              help="Must stand melted; the surplus goes back."
            />
          </Box>
        </>
      )}
    </Box>
  );
}
