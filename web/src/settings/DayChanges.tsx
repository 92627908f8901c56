import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { CheckInput } from '../parts/CheckInput';
import { NumberInput, TextInput, TimeInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

/** Days that are not as their weekday is: lost, longer, with somebody who helps, or humid. */
export const DayChanges = () => (
  <Box sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
    <Typography sx={{ color: 'text.secondary', typography: 'note' }}>
      Days that are different: no hours of your own for as usual, 0 for a day that is lost. A helper finishes and packs.
    </Typography>
    <Lines
      name="dayChanges"
      one="day that is different"
      fresh={{ day: '', begins: null, hours: null, helperHours: 0, humid: false }}
      columns="160px 130px 1fr 1fr 100px"
    >
      {(path) => (
        <>
          <TextInput name={`${path}.day`} label="Day" type="date" />
          <TimeInput name={`${path}.begins`} label="Begins" />
          <NumberInput name={`${path}.hours`} label="My hours" optional />
          <NumberInput name={`${path}.helperHours`} label="Helper’s hours" />
          <CheckInput name={`${path}.humid`} label="Humid" />
        </>
      )}
    </Lines>
  </Box>
);
