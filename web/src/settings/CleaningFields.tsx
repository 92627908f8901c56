import Box from '@mui/material/Box';
import { allergenCodes, allergens } from '@usual-pantry/core/ingredient';
import { cleanRules, type Kitchen } from '@usual-pantry/core/kitchen';
import { useWatch } from 'react-hook-form';
import { ChoiceInput, ManyInput, NumberInput } from '../parts/fields';

const said = {
  'what orders rule out': 'Nuts, plus whatever an order rules out',
  'my list': 'Nuts, plus my own list',
  everything: 'Every allergen',
} as const satisfies Record<(typeof cleanRules)[number], string>;

const choices = cleanRules.map((value) => ({ value, label: said[value] }));
const nameOf = (code: string) => (code in allergens ? allergens[code as keyof typeof allergens].name : code);

/** Asks how long a clean-down takes and what the bench is cleaned for. */
export function CleaningFields() {
  const rule = useWatch<Kitchen, 'cleanFor'>({ name: 'cleanFor' });
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 2fr' }, mt: 2 }}>
      <NumberInput name="cleanMinutes" label="One clean-down" unit="min" />
      <ChoiceInput
        name="cleanFor"
        label="Clean the bench for"
        choices={choices}
        help="What isn’t cleaned off goes on the label as “may contain”."
      />
      {rule === 'my list' && <ManyInput name="cleanList" label="My list" options={allergenCodes} nameOf={nameOf} />}
    </Box>
  );
}
