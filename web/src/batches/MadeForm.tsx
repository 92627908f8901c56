import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { lackingFor, type Lacking } from '@usual-pantry/core/shopping';
import type { ProductionRun } from '@usual-pantry/core/plan';
import { gramsSchema, sayGrams, sayList } from '@usual-pantry/core/quantity';
import { daySchema } from '@usual-pantry/core/record';
import { multipleOf, sayBatches } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { ChoiceInput, NumberInput, TextInput } from '../parts/fields';
import type { MadeNow } from '../data/useBatches';
import { useBatches } from '../data/useBatches';
import { useSeasonBook } from '../data/useSeason';
import type { Refusal } from '../parts/refusal';

const MOST = 40;
const madeFormSchema = z.object({
  on: daySchema,
  counts: z.array(
    z
      .int('must be a whole number')
      .min(0, 'must not be negative')
      .max(MOST, `must be ${String(MOST)} or fewer`),
  ),
  grams: gramsSchema.nullable(),
  /** By ingredient: where that came from which the pantry does not have. */
  from: z.record(z.string(), z.enum(['', 'opened', 'elsewhere']).optional()),
});
type MadeFields = z.infer<typeof madeFormSchema>;

/** A number of batches as it is typed: nothing while it is none. */
const asCount = (count: number | undefined): number =>
  count !== undefined && Number.isInteger(count) && count > 0 && count <= MOST ? count : 0;

export interface MadeFormProps {
  readonly run: Pick<ProductionRun, 'recipeId' | 'recipeName' | 'day' | 'batches'>;
  readonly yieldGrams: number;
  readonly today: string;
  readonly anchor: HTMLElement;
  readonly onClose: () => void;
}

/** What these batches should weigh together. */
function Expected({ sizes, yieldGrams }: { sizes: readonly number[]; yieldGrams: number }) {
  const counts = useWatch<MadeFields, 'counts'>({ name: 'counts' });
  const batches = sizes.map((size, index) => ({ size, count: counts[index] ?? 0 }));
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      {sayGrams(multipleOf(batches) * yieldGrams)} should come out. Weighed, it counts for what is made to spare.
    </Typography>
  );
}

/** What went in and was not on hand, each with the question where it came from. */
function WhereFrom({ lackingOf }: { lackingOf: (now: Pick<MadeFields, 'on' | 'counts'>) => Lacking[] }) {
  const [on, counts] = useWatch<MadeFields, ['on', 'counts']>({ name: ['on', 'counts'] });
  const lacking = lackingOf({ on, counts });
  if (lacking.length === 0) return null;
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="body2">The pantry does not have all that went in. Where did it come from?</Typography>
      {lacking.map(({ ingredientId, name, grams, packs }) => (
        <ChoiceInput
          key={ingredientId}
          name={`from.${ingredientId}`}
          label={`${name}, ${sayGrams(grams)}`}
          choices={[
            ...(packs.length > 0
              ? [
                  {
                    value: 'opened',
                    label: `Opened: ${sayList(packs.map((pack) => `${String(pack.count)} × ${pack.name}`))}`,
                  },
                ]
              : []),
            { value: 'elsewhere', label: 'Not from the pantry' },
          ]}
        />
      ))}
    </Box>
  );
}

/** How many batches of a run were made, when, and what came out; or that they failed. */
export default function MadeForm({ run, yieldGrams, today, anchor, onClose }: MadeFormProps) {
  const { made } = useBatches();
  const { season } = useSeasonBook();
  const [trouble, setTrouble] = useState<string | null>(null);
  const { recipeId, recipeName } = run;
  const sizes = run.batches.map(({ size }) => size);
  const form = useForm<MadeFields>({
    resolver: zodResolver(madeFormSchema),
    defaultValues: {
      on: run.day < today ? run.day : today,
      counts: run.batches.map(({ count }) => count),
      grams: null,
      from: {},
    },
  });
  const lackingOf = ({ on, counts }: Pick<MadeFields, 'on' | 'counts'>): Lacking[] => {
    const facts = season?.book.recipes.get(recipeId);
    const made = sizes.flatMap((size, index) => Array.from({ length: asCount(counts[index]) }, () => ({ size, on })));
    return facts && season ? lackingFor(made, facts, season.book.ingredients) : [];
  };
  const save = (state: MadeNow['state']) =>
    form.handleSubmit(async ({ on, counts, grams, from }) => {
      const batches = sizes
        .map((size, index) => ({ size, count: counts[index] ?? 0 }))
        .filter(({ count }) => count > 0);
      if (batches.length === 0) {
        setTrouble('Say how many were made: one or more.');
        return;
      }
      const lacking = lackingOf({ on, counts });
      const open = lacking.filter(({ ingredientId }) => (from[ingredientId] ?? '') === '');
      for (const { ingredientId } of open)
        form.setError(`from.${ingredientId}`, { message: 'Say where it came from.' });
      if (open.length > 0) return;
      const isFrom = (where: string) => lacking.filter(({ ingredientId }) => from[ingredientId] === where);
      try {
        await made({
          recipeId,
          recipeName,
          on,
          batches,
          state,
          grams: state === 'failed' ? null : grams,
          opened: isFrom('opened').map(({ ingredientId, packs }) => ({
            ingredientId,
            grams: packs.reduce((sum, pack) => sum + pack.grams * pack.count, 0),
          })),
          elsewhere: isFrom('elsewhere').map(({ ingredientId }) => ingredientId),
        });
        onClose();
      } catch (error) {
        const { message, wrong } = error as Refusal;
        setTrouble([message, ...(wrong ?? []).map((each) => each.message)].join(' '));
      }
    });
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      transformOrigin={{ vertical: 'top', horizontal: 'right' }}
      slotProps={{ paper: { sx: { p: 2, width: 340 }, role: 'dialog', 'aria-label': `${recipeName} was made` } }}
    >
      <FormProvider {...form}>
        <Box
          component="form"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void save('done')();
          }}
          sx={{ display: 'grid', gap: 1.5 }}
        >
          <Typography variant="h3">{recipeName}</Typography>
          {trouble !== null && <Alert severity="error">{trouble}</Alert>}
          {sizes.map(
            (size, index) =>
            <NumberInput key={size} name={`counts.${String(index)}`} label={`How many: ${sayBatches([{ size, count: 1 }], 'whole ').replace(/^1 /, '')}`} />, // prettier-ignore
          )}
          <TextInput name="on" label="Made on" type="date" />
          <NumberInput name="grams" label="Came out, all together" unit="g" optional />
          <Expected sizes={sizes} yieldGrams={yieldGrams} />
          <WhereFrom lackingOf={lackingOf} />
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button type="submit" variant="contained">
              Made
            </Button>
            <Button color="error" onClick={() => void save('failed')()}>
              It failed
            </Button>
            <Button onClick={onClose} sx={{ ml: 'auto' }}>
              Close
            </Button>
          </Box>
        </Box>
      </FormProvider>
    </Popover>
  );
}
