import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { yearLater, type KitchenDraft } from '@usual-pantry/core/kitchen';
import { sayCount, type Day } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { CheckInput } from '../parts/CheckInput';
import { NumberInput, TemperatureInput, TextInput, TimeInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import { ForecastLine } from './ForecastLine';

const note = { color: 'text.secondary', typography: 'note' } as const;

/** Takes the days of last season that were different over to this one, 52 weeks later. */
function LastSeason({ today }: { today: Day }) {
  const { getValues, setValue } = useFormContext<KitchenDraft>();
  const [said, setSaid] = useState('');
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button
        variant="outlined"
        size="small"
        onClick={() => {
          const { kitchen, added } = yearLater(getValues(), today);
          setValue('dayChanges', kitchen.dayChanges, { shouldDirty: true });
          setValue('closures', kitchen.closures, { shouldDirty: true });
          setSaid(
            added > 0
              ? `${sayCount(added, 'day')} taken over, 52 weeks later on the same weekdays. Save the settings to keep them.`
              : 'Nothing to take over: no day of the last 52 weeks was different, or all of them are there already.',
          );
        }}
      >
        Take last season’s days over to this one
      </Button>
      <Box role="status" sx={{ typography: 'note' }}>
        {said}
      </Box>
    </Box>
  );
}

/** Days that are not as their weekday is: lost, longer, with somebody who helps; and their air. */
export const DayChanges = ({ scale, today }: { scale: 'C' | 'F'; today: Day | null }) => (
  <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
    <Typography sx={note}>
      Days that are different: no hours of your own for as usual, 0 for a day that is lost. A helper finishes and packs.
      The air as far as you know it: the plan keeps to what recipes and pieces say of it.
    </Typography>
    {today !== null && <ForecastLine today={today} />}
    <Lines
      name="dayChanges"
      one="day that is different"
      fresh={{
        day: '',
        begins: null,
        hours: null,
        helperHours: 0,
        humid: false,
        roomCelsius: null,
        humidityPercent: null,
      }}
      columns="1.5fr 1.3fr 1fr 1fr"
    >
      {(path) => (
        <>
          <TextInput name={`${path}.day`} label="Day" type="date" />
          <TimeInput name={`${path}.begins`} label="Begins" />
          <NumberInput name={`${path}.hours`} label="My hours" optional />
          <NumberInput name={`${path}.helperHours`} label="Helper’s hours" />
          <TemperatureInput name={`${path}.roomCelsius`} label="Room" scale={scale} optional />
          <NumberInput name={`${path}.humidityPercent`} label="Humidity" unit="%" optional />
          <CheckInput name={`${path}.humid`} label="Humid" />
        </>
      )}
    </Lines>
    <Typography variant="h3">Closed</Typography>
    <Typography sx={note}>
      Nothing is made and nothing is handed over on these days; no promise is given for them.
    </Typography>
    <Lines name="closures" one="closed time" fresh={{ from: '', to: '', reason: '' }} columns="150px 150px 1fr">
      {(path) => (
        <>
          <TextInput name={`${path}.from`} label="From" type="date" />
          <TextInput name={`${path}.to`} label="To" type="date" />
          <TextInput name={`${path}.reason`} label="Why" />
        </>
      )}
    </Lines>
    {today !== null && <LastSeason today={today} />}
  </Box>
);
