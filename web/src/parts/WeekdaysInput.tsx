import Box from '@mui/material/Box';
import FormHelperText from '@mui/material/FormHelperText';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { sayWeekday, weekdays } from '@usual-pantry/core/quantity';
import { useController } from 'react-hook-form';
import { useFieldError } from './fieldError';

/** Some of the days of a week, 0 Sunday to 6 Saturday. */
export function WeekdaysInput({ name, label }: { name: string; label: string }) {
  const { field } = useController({ name });
  const wrong = useFieldError(name);
  return (
    <Box>
      <ToggleButtonGroup
        size="small"
        aria-label={label}
        value={field.value as number[]}
        onChange={(_event, picked: number[]) => {
          field.onChange([...picked].sort());
        }}
        sx={{ flexWrap: 'wrap' }}
      >
        {weekdays().map((weekday) => (
          <ToggleButton
            key={weekday}
            value={weekday}
            aria-label={sayWeekday(weekday)}
            sx={{ minWidth: 48, minHeight: 48 }}
          >
            {sayWeekday(weekday).slice(0, 2)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {wrong && (
        <FormHelperText error role="alert">
          {label} {wrong}.
        </FormHelperText>
      )}
    </Box>
  );
}
