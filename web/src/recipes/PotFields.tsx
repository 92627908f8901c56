import Box from '@mui/material/Box';
import { alcoholRules, foamings } from '@usual-pantry/core/cooking';
import { CheckInput } from '../parts/CheckInput';
import { ChoiceInput } from '../parts/fields';

const choices = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

/** How it behaves: foam, grain, damp, alcohol. */
export const PotFields = () => (
  <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
    <ChoiceInput
      name="foaming"
      label="In the pot it"
      help="What boils by its steps boils all the same; this is the most that it rises."
      choices={choices(foamings)}
    />
    <ChoiceInput
      name="alcohol"
      label="Alcohol, if any, is"
      help="Where a line does not say. Heating does not make a filling free of alcohol."
      choices={choices(alcoholRules)}
    />
    <CheckInput name="grains" label="Its sugar grains, as fudge does" />
    <CheckInput name="hygroscopic" label="It draws damp: dry room, tight pack" />
  </Box>
);
