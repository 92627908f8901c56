import Box from '@mui/material/Box';
import { CheckInput } from '../parts/CheckInput';
import { NumberInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

/** Days that are not as their weekday is: lost, longer, with somebody who helps, or humid. */
export const DayChanges = () => (
  <Box sx={{ mt: 2 }}>
    <Lines
      name="dayChanges"
      one="day that is different"
      fresh={{ day: '', hours: null, helperHours: 0, humid: false }}
      columns="170px 1fr 1fr 110px"
    >
      {(path) => (
        <>
          <TextInput name={`${path}.day`} label="Day" type="date" />
          <NumberInput name={`${path}.hours`} label="My hours" optional help="Empty: as usual. 0: lost." />
          <NumberInput name={`${path}.helperHours`} label="Helper’s hours" help="To finish and to pack." />
          <CheckInput name={`${path}.humid`} label="Humid" />
        </>
      )}
    </Lines>
  </Box>
);
