import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { cavityFill, fillCavity, pieceDraftSchema, roomOf } from '@usual-pantry/core/piece';
import { mouldsListed } from '@usual-pantry/core/plan';
import { sayNumber } from '@usual-pantry/core/quantity';
import { useFormContext, useWatch } from 'react-hook-form';
import { ChoiceInput, NumberInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import type { SeasonBook } from '../data/useSeason';
import { Finish } from './Finish';
import { FIELD_GRID } from './grid';
import { MouldStages } from './MouldStages';
import { OwnedPicker } from './OwnedPicker';
import { RecipeInput } from './RecipeInput';

/** How full a cavity is, and the way to fill it. */
function CavityLine() {
  const { setValue } = useFormContext();
  const parsed = pieceDraftSchema.shape.form.safeParse(useWatch({ name: 'form' }));
  if (!parsed.success || parsed.data.kind !== 'moulded') return null;
  const form = parsed.data;
  const { filledMl, scale } = cavityFill(form);
  // A hollow form, or one that is far from full, is not to be filled up at a press.
  const mayScale = form.fill === 'full' && scale < 2;
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
      <span>
        Shell, cap and fillings take {sayNumber(filledMl, 2)} mL of {sayNumber(roomOf(form), 2)} mL.
      </span>
      <Button
        size="small"
        variant="outlined"
        disabled={!mayScale || Math.abs(scale - 1) < 0.001}
        onClick={() => {
          setValue('form', fillCavity(form), { shouldDirty: true });
        }}
      >
        Scale the fillings to the cavity
      </Button>
    </Box>
  );
}

/** A moulded piece: cavities, shell and cap, fillings from the bottom up. */
export function MouldFields({ season }: { season: SeasonBook }) {
  const fill = useWatch({ name: 'form.fill' }) as string;
  const [cavities, cavityMl] = useWatch({ name: ['form.cavities', 'form.cavityMl'] }) as number[];
  const listed = mouldsListed({ cavities: cavities ?? NaN, cavityMl: cavityMl ?? NaN }, season.data.kitchen);
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={FIELD_GRID}>
        <OwnedPicker
          label="Mould you own"
          owned={season.data.kitchen.moulds}
          say={({ name, cavities, cavityMl }) => `${name}, ${cavities} cavities of ${cavityMl} mL`}
          valuesOf={({ cavities, cavityMl, count }) => ({ cavities, cavityMl, moulds: count })}
          path="form"
        />
        <NumberInput name="form.cavities" label="Cavities" />
        <NumberInput name="form.cavityMl" label="Cavity" unit="mL" />
        <NumberInput name="form.cavitiesEach" label="Cavities a piece" help="2 half shells make a ball." />
        <NumberInput
          name="form.moulds"
          label="Moulds in hand"
          {...(listed === null ? {} : { help: `The settings list ${String(listed)} of these: they count.` })}
        />
        <NumberInput name="form.turnsPerDay" label="Turns a day" />
        <Box sx={{ gridColumn: '1 / -1', maxWidth: 420 }}>
          <RecipeInput season={season} name="form.shell.recipeId" label="Shell and cap" />
        </Box>
        <NumberInput name="form.shell.shellPercent" label="Shell of the cavity" unit="%" />
        <NumberInput name="form.shell.capPercent" label="Cap of the cavity" unit="%" />
        <NumberInput name="form.shell.gramsPerMl" label="Chocolate" unit="g/mL" />
        <NumberInput
          name="form.shell.poolFactor"
          label="Working pool"
          unit="x"
          help="Must stand melted; the surplus goes back."
        />
        <NumberInput name="form.breakagePercent" label="Breaks" unit="%" />
        <ChoiceInput
          name="form.fill"
          label="It is"
          choices={[
            { value: 'full', label: 'full to the cap' },
            { value: 'hollow', label: 'hollow' },
          ]}
        />
        <Finish season={season} path="form" />
        {fill === 'hollow' && (
          <NumberInput
            name="form.mostFillingMl"
            label="Takes at most"
            unit="mL"
            optional
            help="Of fillings, between its halves."
          />
        )}
      </Box>
      <Lines
        name="form.layers"
        one="filling"
        fresh={{ recipeId: '', grams: NaN, gramsPerMl: 1.15 }}
        columns="2fr 1fr 1fr"
      >
        {(path) => (
          <>
            <RecipeInput season={season} name={`${path}.recipeId`} label="Filling" />
            <NumberInput name={`${path}.grams`} label="In each" unit="g" />
            <NumberInput name={`${path}.gramsPerMl`} label="Density" unit="g/mL" />
          </>
        )}
      </Lines>
      <CavityLine />
      <MouldStages />
    </Box>
  );
}
