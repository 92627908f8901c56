import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { StoredKitchen } from '@usual-pantry/core/api';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import type { ReactNode } from 'react';
import { FormProvider, useFormContext, useWatch } from 'react-hook-form';
import { MoneyInput, NumberInput, TextInput } from '../parts/fields';
import { AltitudeInput, CupInput, PlaceInput, TemperatureFirst } from '../records/WritingFields';
import { SchoolInput } from '../records/SchoolInput';
import { useKitchenForm } from '../records/useKitchenForm';
import { sayWeekday, weekdays } from '@usual-pantry/core/quantity';

/** Hours of a bench day of which nothing else was said. */
const USUAL_HOURS = 4;

const Question = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box
    component="fieldset"
    sx={{ border: 0, m: 0, p: 0, minWidth: 0, display: 'grid', gap: 1.25, gridTemplateColumns: { sm: '1fr 1fr' } }}
  >
    <Box component="legend" sx={{ fontWeight: 650, mb: 0.75, p: 0 }}>
      {title}
    </Box>
    {children}
  </Box>
);

/** The weekdays on which the maker works, each pressed on and off; how long is asked of those that are on. */
function BenchDays() {
  const { setValue } = useFormContext<KitchenDraft>();
  const week = useWatch<KitchenDraft, 'benchWeek'>({ name: 'benchWeek' });
  return (
    <>
      <ToggleButtonGroup
        aria-label="Bench days"
        size="small"
        value={week.map(({ weekday }) => weekday)}
        onChange={(_event, days: number[]) => {
          const kept = days.map(
            (weekday) => week.find((day) => day.weekday === weekday) ?? { weekday, hours: USUAL_HOURS, begins: null },
          );
          setValue('benchWeek', kept, { shouldDirty: true });
        }}
        sx={{ gridColumn: '1 / -1' }}
      >
        {weekdays().map((weekday) => (
          <ToggleButton key={weekday} value={weekday} sx={{ minWidth: 44, minHeight: 44 }}>
            {sayWeekday(weekday, 'short')}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {week.map(({ weekday }, index) => (
          <Box key={weekday} sx={{ width: 118 }}>
            <NumberInput name={`benchWeek.${String(index)}.hours`} label={`Hours, ${sayWeekday(weekday, 'short')}`} />
          </Box>
        ))}
      </Box>
    </>
  );
}

/** What must be known of a kitchen first, in five questions; everything else is in the settings. */
export function KitchenAnswers({ kitchen }: { kitchen: StoredKitchen }) {
  const { form, save, isSaving, trouble } = useKitchenForm(kitchen, 'Kitchen set up.');
  return (
    <FormProvider {...form}>
      <Box
        component="form"
        noValidate
        aria-label="Your kitchen"
        sx={{ display: 'grid', gap: 2, maxWidth: 760 }}
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        {trouble && <Alert severity="error">{trouble}</Alert>}
        <Question title="Where is it?">
          <TextInput name="makerName" label="Its name" />
          <TextInput name="address" label="Address on the label" />
          <PlaceInput />
          <AltitudeInput label="Above the sea" />
        </Question>
        <Question title="How do you measure?">
          <TemperatureFirst />
          <CupInput />
        </Question>
        <Question title="When do you work?">
          <BenchDays />
        </Question>
        <Question title="What is an hour of your hands worth?">
          <MoneyInput name="handsRateMinorPerHour" label="An hour" currency={kitchen.currency} />
          <TextInput name="currency" label="Currency" />
        </Question>
        <Question title="Whose rules do your labels follow?">
          <SchoolInput />
        </Question>
        <div>
          <Button type="submit" variant="contained" disabled={isSaving}>
            This is my kitchen
          </Button>
        </div>
      </Box>
    </FormProvider>
  );
}
