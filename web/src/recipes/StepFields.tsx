import { mdiArrowDown, mdiArrowUp, mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import Paper from '@mui/material/Paper';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { numberKinds, type RecipeLine, type RecipeStep } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { Icon } from '../parts/Icon';
import { CheckInput } from '../parts/CheckInput';
import { ChoiceInput, NumberInput, TemperatureInput, TextInput } from '../parts/fields';
import { TagsInput } from '../parts/TagsInput';
import type { SeasonBook } from '../data/useSeason';
import { freshStep } from './freshRecipe';
import { afterRemoval, afterSwap } from './stepLines';

const grid = { display: 'grid', gap: 1.25, gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' } } as const;
const kindChoices = numberKinds.map((kind) => ({ value: kind, label: kind }));

const effects: readonly { value: RecipeStep['effect']['kind']; label: string; fresh: RecipeStep['effect'] }[] = [
  { value: 'none', label: 'leaves the mass as it is', fresh: { kind: 'none' } },
  { value: 'cook', label: 'boils water off to the target', fresh: { kind: 'cook' } },
  { value: 'reduce', label: 'boils down to a mass', fresh: { kind: 'reduce', toGrams: NaN } },
  { value: 'strain', label: 'is strained', fresh: { kind: 'strain', lossPercent: 10 } },
  { value: 'trim', label: 'is trimmed', fresh: { kind: 'trim', lossPercent: 5 } },
  { value: 'stick', label: 'leaves some in the pot', fresh: { kind: 'stick', lossPercent: 2 } },
];

/** What every kitchen has. */
const otherTools = ['oven', 'mixer', 'thermometer', 'fine sieve', 'rack', 'slab'];

interface OptionalProps {
  readonly path: string;
  readonly name: 'target' | 'rest';
  readonly label: string;
  readonly fresh: object;
}

/** A part of a step that it may have or not. */
function Optional({ path, name, label, fresh }: OptionalProps) {
  const { setValue } = useFormContext();
  const value: unknown = useWatch({ name: `${path}.${name}` });
  return (
    <FormControlLabel
      label={label}
      control={
        <Switch
          checked={value !== null}
          onChange={(_event, on) => {
            setValue(`${path}.${name}`, on ? fresh : null, { shouldDirty: true });
          }}
        />
      }
    />
  );
}

function EffectFields({ path }: { path: string }) {
  const { setValue } = useFormContext();
  const kind = useWatch({ name: `${path}.effect.kind` }) as RecipeStep['effect']['kind'];
  return (
    <>
      <Box sx={{ gridColumn: { xs: '1 / -1', md: 'span 2' } }}>
        <ChoiceInput
          name={`${path}.effect.kind`}
          label="The batch"
          choices={effects}
          onPick={(picked) => {
            const effect = effects.find(({ value }) => value === picked)?.fresh;
            setValue(`${path}.effect`, effect, { shouldDirty: true, shouldValidate: true });
          }}
        />
      </Box>
      {kind === 'reduce' && <NumberInput name={`${path}.effect.toGrams`} label="Down to" unit="g" />}
      {(kind === 'strain' || kind === 'trim' || kind === 'stick') && (
        <NumberInput key={kind} name={`${path}.effect.lossPercent`} label="Lost" unit="%" />
      )}
    </>
  );
}

/** Tools, signs and cautions of a step: folded as long as nothing is said there. */
function SignFields({ path, equipment }: { path: string; equipment: readonly string[] }) {
  const said = useWatch({ name: ['equipment', 'doneWhen', 'caution', 'ifWrong'].map((name) => `${path}.${name}`) });
  const [isOpen, setOpen] = useState(said.some((each: string | readonly string[]) => each.length > 0));
  if (!isOpen)
    return (
      <Button
        size="small"
        startIcon={<Icon path={mdiPlus} />}
        sx={{ justifySelf: 'start' }}
        onClick={() => {
          setOpen(true);
        }}
      >
        Tools, done when, caution
      </Button>
    );
  return (
    <>
      <TagsInput name={`${path}.equipment`} label="With" options={equipment} />
      <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: { xs: '1fr', md: 'repeat(3, 1fr)' } }}>
        <TextInput name={`${path}.doneWhen`} label="Done when" multiline />
        <TextInput name={`${path}.caution`} label="Caution" multiline />
        <TextInput name={`${path}.ifWrong`} label="If it goes wrong" multiline />
      </Box>
    </>
  );
}

function Step({ path, equipment, scale }: { path: string; equipment: readonly string[]; scale: 'C' | 'F' }) {
  const [target, rest] = useWatch({ name: [`${path}.target`, `${path}.rest`] }) as [unknown, unknown];
  return (
    <Box sx={{ display: 'grid', gap: 1.25, minWidth: 0 }}>
      <TextInput name={`${path}.text`} label="What to do" multiline />
      <Box sx={grid}>
        <NumberInput name={`${path}.handsMinutes`} label="Hands" unit="min" />
        <EffectFields path={path} />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
        <Optional
          path={path}
          name="target"
          label="Temperature"
          fresh={{ celsius: NaN, upToCelsius: null, kind: 'target', boils: true }}
        />
        <Optional
          path={path}
          name="rest"
          label="Waits"
          fresh={{ typicalMinutes: NaN, safeMinutes: NaN, kind: 'guess' }}
        />
        <CheckInput name={`${path}.growsWithBatch`} label="Takes longer for more" />
      </Box>
      {target !== null && (
        <Box sx={grid}>
          <TemperatureInput name={`${path}.target.celsius`} label="At sea level" scale={scale} />
          <TemperatureInput name={`${path}.target.upToCelsius`} label="Up to" scale={scale} optional />
          <ChoiceInput name={`${path}.target.kind`} label="Is a" choices={kindChoices} />
          <CheckInput name={`${path}.target.boils`} label="Boils" />
        </Box>
      )}
      {rest !== null && (
        <Box sx={grid}>
          <NumberInput name={`${path}.rest.typicalMinutes`} label="Usually" unit="min" />
          <NumberInput name={`${path}.rest.safeMinutes`} label="Plan for" unit="min" />
          <ChoiceInput name={`${path}.rest.kind`} label="Is a" choices={kindChoices} />
        </Box>
      )}
      <SignFields path={path} equipment={equipment} />
    </Box>
  );
}

/** The steps of the method, in order. */
export function StepFields({ season }: { season: SeasonBook }) {
  const { pots, pans, moulds, temperatureFirst } = season.data.kitchen;
  const equipment = [...[...pots, ...pans, ...moulds].map(({ name }) => name), ...otherTools];
  const { fields, append, remove, swap } = useFieldArray({ name: 'steps' });
  const { getValues, setValue } = useFormContext();
  const withLines = (change: (lines: RecipeLine[]) => RecipeLine[]) => {
    setValue('lines', change(getValues('lines') as RecipeLine[]), { shouldDirty: true });
  };
  const move = (from: number, to: number) => {
    swap(from, to);
    withLines((lines) => afterSwap(lines, from, to));
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      {fields.map((field, index) => (
        <Paper
          key={field.id}
          variant="outlined"
          sx={{ p: 1.5, display: 'grid', gap: 1, bgcolor: 'background.default' }}
        >
          <Box sx={{ display: 'flex', alignItems: 'center' }}>
            <Typography variant="h3" sx={{ flex: 1 }}>
              Step {index + 1}
            </Typography>
            <IconButton
              aria-label={`Move step ${index + 1} up`}
              disabled={index === 0}
              onClick={() => {
                move(index, index - 1);
              }}
            >
              <Icon path={mdiArrowUp} />
            </IconButton>
            <IconButton
              aria-label={`Move step ${index + 1} down`}
              disabled={index === fields.length - 1}
              onClick={() => {
                move(index, index + 1);
              }}
            >
              <Icon path={mdiArrowDown} />
            </IconButton>
            <IconButton
              aria-label={`Remove step ${index + 1}`}
              onClick={() => {
                remove(index);
                withLines((lines) => afterRemoval(lines, index));
              }}
            >
              <Icon path={mdiTrashCanOutline} />
            </IconButton>
          </Box>
          <Step path={`steps.${index}`} equipment={equipment} scale={temperatureFirst} />
        </Paper>
      ))}
      <div>
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            append(freshStep);
          }}
        >
          Add a step
        </Button>
      </div>
    </Box>
  );
}
