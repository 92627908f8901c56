import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { mouldStages, pieceDraftSchema, handSecondsOf, finishStages, sayStage } from '@usual-pantry/core/piece';
import { sayCount, sayNumber } from '@usual-pantry/core/quantity';
import { useFormContext, useWatch } from 'react-hook-form';
import { ChoiceInput, NumberInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

const choices = mouldStages.map((stage) => ({ value: stage, label: stage }));

/** Shelled and filled on one day, capped and knocked out on another. */
const TWO_DAYS = [
  { stage: 'shell', handSeconds: 10, nightsAfter: 0 },
  { stage: 'fill', handSeconds: 8, nightsAfter: 1 },
  { stage: 'cap', handSeconds: 6, nightsAfter: 0 },
  { stage: 'knock out', handSeconds: 3, nightsAfter: 0 },
];

/** What the stages come to: days, hands, and how long the moulds are full. */
function StagesLine() {
  const parsed = pieceDraftSchema.safeParse(useWatch());
  if (!parsed.success) return null;
  const days = finishStages({ ...parsed.data, id: 'typed' });
  if (days.length < 2) return null;
  const nights = days.reduce((sum, { nightsBefore }) => sum + nightsBefore, 0);
  return (
    <Box sx={{ typography: 'note' }}>
      {days.map(sayStage).join('; ')}: over {sayCount(days.length, 'day')}, its moulds full for{' '}
      {sayCount(nights, 'night')} at least, {sayNumber(handSecondsOf(parsed.data))} s of hands each.
    </Box>
  );
}

/** The stages of a moulded piece that sets over night in its mould. */
export function MouldStages() {
  const { setValue } = useFormContext();
  const stages = useWatch({ name: 'form.stages' }) as readonly unknown[] | undefined;
  return (
    <Box component="section" aria-label="Stages" sx={{ display: 'grid', gap: 1.25 }}>
      <Box sx={{ typography: 'note', color: 'text.secondary' }}>
        Stages, when it is finished over several days: each with its hands, and the nights that it then sets in its
        mould. Without any it is finished in one go.
      </Box>
      <Lines
        name="form.stages"
        one="stage"
        fresh={{ stage: 'shell', handSeconds: NaN, nightsAfter: 0 }}
        columns="1fr 1fr 1fr"
      >
        {(path) => (
          <>
            <ChoiceInput name={`${path}.stage`} label="Stage" choices={choices} />
            <NumberInput name={`${path}.handSeconds`} label="Hands, each" unit="s" />
            <NumberInput name={`${path}.nightsAfter`} label="Then sets" unit="nights" />
          </>
        )}
      </Lines>
      {(stages?.length ?? 0) === 0 && (
        <div>
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              setValue('form.stages', TWO_DAYS, { shouldDirty: true, shouldValidate: true });
            }}
          >
            Fill on one day, cap on another
          </Button>
        </div>
      )}
      <StagesLine />
    </Box>
  );
}
