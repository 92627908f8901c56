import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Kitchen } from '@usual-pantry/core/kitchen';
import { FormProvider } from 'react-hook-form';
import { CheckInput } from '../parts/CheckInput';
import { WritingFields } from '../records/WritingFields';
import { SchoolInput } from '../records/SchoolInput';
import { useKitchenForm } from '../records/useKitchenForm';
import { useSeasonBook } from '../data/useSeason';
import { MoneyInput, NumberInput, TextInput, LengthInput } from '../parts/fields';
import { Panel } from '../parts/Panel';
import { BenchWeek } from './BenchWeek';
import { CleaningFields } from './CleaningFields';
import { DayChanges } from './DayChanges';
import { Equipment } from './Equipment';
import { HeatFields } from './HeatFields';

const grid = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(3, 1fr)' },
} as const;

/** The one record of settings as a form. */
export function KitchenForm({ kitchen }: { kitchen: Kitchen }) {
  const { form, save, trouble, restored, discard } = useKitchenForm(kitchen);
  const { season } = useSeasonBook();
  const scale = kitchen.temperatureFirst;
  return (
    <FormProvider {...form}>
      <Box
        component="form"
        noValidate
        aria-label="Kitchen"
        sx={{ display: 'grid', gap: 2 }}
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        {trouble && <Alert severity="error">{trouble}</Alert>}
        {restored && (
          <Alert
            severity="info"
            action={
              <Button color="inherit" size="small" onClick={discard}>
                Discard it
              </Button>
            }
          >
            Unsaved typing from before is here again.
          </Alert>
        )}
        <Panel title="Maker and label">
          <Box sx={{ display: 'grid', gap: 1.5 }}>
            <TextInput name="makerName" label="Name" />
            <TextInput name="address" label="Address on the label" />
            <TextInput
              name="homeKitchenStatement"
              label="Home-kitchen statement"
              help="A placeholder to be checked, never law."
              multiline
            />
            <CheckInput name="statementChecked" label="I have checked it against my local code" />
            <SchoolInput />
            <Box sx={grid}>
              <LengthInput name="label.widthMm" label="Label width" />
              <LengthInput name="label.heightMm" label="Label height" />
            </Box>
            <CheckInput name="label.twoPercentGroup" label="Group ingredients of 2 % or less at the end of the list" />
          </Box>
        </Panel>
        <Panel title="Habits">
          <Box sx={grid}>
            <MoneyInput name="handsRateMinorPerHour" label="Hands, an hour" currency={kitchen.currency} />
            <NumberInput name="depositPercent" label="Deposit asked for" unit="%" />
            <TextInput name="currency" label="Currency" />
            <NumberInput name="scaleStepGrams" label="Scale step" unit="g" />
            <NumberInput name="packingLeadDays" label="Made before hand-over" unit="days" />
            <NumberInput
              name="surePercent"
              label="Sure that it is enough"
              unit="%"
              help="Where yields vary, more is made."
            />
            <NumberInput name="promisedDays" label="Life left when handed over" unit="days" />
            <NumberInput name="leftOverSoldPercent" label="Left-overs that are sold" unit="%" />
          </Box>
        </Panel>
        <Panel title="Measures, figures and dates" place="measures">
          <Box sx={grid}>
            <WritingFields />
          </Box>
        </Panel>
        <Panel title="Heat">
          <HeatFields />
        </Panel>
        <Panel title="Pots, pans, moulds, cold places and shops">
          <Equipment scale={scale} />
        </Panel>
        <Panel title="Bench days">
          <BenchWeek />
          <DayChanges scale={scale} today={season?.data.today ?? null} />
          <Box sx={{ ...grid, mt: 2 }}>
            <NumberInput name="overtimeMinutes" label="A day can run over by" unit="min" />
            <NumberInput name="setUpMinutes" label="Getting ready for a recipe" unit="min" />
          </Box>
          <CleaningFields />
        </Panel>
        <div>
          <Button type="submit" variant="contained">
            Save settings
          </Button>
        </div>
      </Box>
    </FormProvider>
  );
}
