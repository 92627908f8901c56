import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import type { Making } from '@usual-pantry/core/plan';
import { gramsSchema, sayGrams } from '@usual-pantry/core/quantity';
import { daySchema } from '@usual-pantry/core/record';
import { multipleOf, sayBatches } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import type { Refusal } from '../app/api';
import { NumberInput, TextInput } from '../parts/fields';
import type { MadeNow } from '../parts/useBatches';
import { useBatches } from '../parts/useBatches';

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
});
type MadeFields = z.infer<typeof madeFormSchema>;

export interface MadeFormProps {
  readonly making: Pick<Making, 'recipeId' | 'recipeName' | 'day' | 'batches'>;
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

/** How many batches of a making were made, when, and what came out; or that they failed. */
export default function MadeForm({ making, yieldGrams, today, anchor, onClose }: MadeFormProps) {
  const { made } = useBatches();
  const [trouble, setTrouble] = useState<string | null>(null);
  const { recipeId, recipeName } = making;
  const sizes = making.batches.map(({ size }) => size);
  const form = useForm<MadeFields>({
    resolver: zodResolver(madeFormSchema),
    defaultValues: {
      on: making.day < today ? making.day : today,
      counts: making.batches.map(({ count }) => count),
      grams: null,
    },
  });
  const save = (state: MadeNow['state']) =>
    form.handleSubmit(async ({ on, counts, grams }) => {
      const batches = sizes
        .map((size, index) => ({ size, count: counts[index] ?? 0 }))
        .filter(({ count }) => count > 0);
      if (batches.length === 0) {
        setTrouble('Say how many were made: one or more.');
        return;
      }
      try {
        await made({ recipeId, recipeName, on, batches, state, grams: state === 'failed' ? null : grams });
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
