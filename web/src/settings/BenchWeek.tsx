import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useFieldArray } from 'react-hook-form';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import { sayWeekday, weekdays } from '@usual-pantry/core/quantity';
import { NumberInput, TimeInput } from '../parts/fields';

/** On which weekdays the maker works, and for how long. */
export function BenchWeek() {
  const { fields, append, remove } = useFieldArray<KitchenDraft, 'benchWeek'>({
    name: 'benchWeek',
  });
  return (
    <Box
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fill, minmax(390px, 1fr))' } }}
    >
      {weekdays().map((weekday) => {
        const name = sayWeekday(weekday);
        const index = fields.findIndex((day) => day.weekday === weekday);
        return (
          <Box
            key={weekday}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr) 64px 124px', sm: '150px 90px 130px' },
              gap: 1,
              alignItems: 'center',
              minHeight: 48,
            }}
          >
            <FormControlLabel
              label={name}
              control={
                <Switch
                  checked={index >= 0}
                  onChange={(_event, on) => {
                    if (on) append({ weekday, hours: 4, begins: null });
                    else remove(index);
                  }}
                />
              }
            />
            {index >= 0 && (
              <>
                <NumberInput name={`benchWeek.${index}.hours`} label="Hours" />
                <TimeInput name={`benchWeek.${index}.begins`} label="Begins" />
              </>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
