import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { readForecast, withForecast, type ForecastDay } from '@usual-pantry/core/intake';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import { sayCount, sayNumber, sayShortDay, sayTemperature, type Day } from '@usual-pantry/core/quantity';
import { useId, useState } from 'react';
import { useFormContext } from 'react-hook-form';

/** What was read of one day, in words. */
function sayRead({ day, roomCelsius, humidityPercent, humid }: ForecastDay): string {
  return [
    sayShortDay(day),
    ...(roomCelsius === null ? [] : [sayTemperature(roomCelsius)]),
    ...(humidityPercent === null ? [] : [`${sayNumber(humidityPercent)} %`]),
    ...(humid === null ? [] : [humid ? 'humid' : 'not humid']),
  ].join(' ');
}

/** The air of a week, typed in one line and read while it is typed. */
export function ForecastLine({ today }: { today: Day }) {
  const { getValues, setValue } = useFormContext<KitchenDraft>();
  const [text, setText] = useState('');
  const readId = useId();
  const { days, wrong } = readForecast(text, today);
  return (
    <Box sx={{ display: 'grid', gap: 0.75, gridTemplateColumns: { xs: '1fr', sm: '1fr auto' }, alignItems: 'start' }}>
      <TextField
        label="The air of some days, in one line"
        placeholder="Mon 22 C 45 %, Tue-Thu 27 C, Sat humid"
        value={text}
        error={wrong.length > 0}
        onChange={({ target }) => {
          setText(target.value);
        }}
        slotProps={{ htmlInput: { 'aria-describedby': readId, autoComplete: 'off' } }}
      />
      <Button
        variant="outlined"
        disabled={days.length === 0 || wrong.length > 0}
        sx={{ minHeight: 48 }}
        onClick={() => {
          setValue('dayChanges', withForecast(getValues('dayChanges'), days), {
            shouldDirty: true,
            shouldValidate: true,
          });
          setText('');
        }}
      >
        {days.length > 0 ? `Take ${sayCount(days.length, 'day')}` : 'Take it'}
      </Button>
      <Box id={readId} aria-live="polite" sx={{ typography: 'note', gridColumn: '1 / -1' }}>
        {days.length > 0 && <div>{days.map(sayRead).join(' · ')}</div>}
        {wrong.map(({ text: part, message }) => (
          <Box key={`${part} ${message}`} sx={{ color: 'error.main' }}>
            “{part}”: {message}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
