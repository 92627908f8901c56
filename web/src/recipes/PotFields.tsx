import Box from '@mui/material/Box';
import { alcoholUses, foamings } from '@usual-pantry/core/cooking';
import { CheckInput } from '../parts/CheckInput';
import { ChoiceInput } from '../parts/fields';

const choices = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

/** How it behaves: foam, grain, damp, alcohol. */
export const PotFields = () => (
  <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
    <ChoiceInput name="foaming" label="In the pot it" choices={choices(foamings)} />
    <ChoiceInput
      name="alcohol"
      label="Alcohol, if any, is"
      help="Heating does not make a filling free of alcohol."
      choices={choices(alcoholUses)}
    />
    <CheckInput name="grains" label="Its sugar grains, as fudge does" />
    <CheckInput name="hygroscopic" label="It draws damp: dry room, tight pack" />
  </Box>
);
