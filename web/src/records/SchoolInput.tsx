import { schoolCodes, schoolNames } from '@usual-pantry/core/kitchen';
import { ChoiceInput } from '../parts/fields';

const choices = schoolCodes.map((value) => ({ value, label: schoolNames[value] }));

/** Whose rules the kitchen's labels follow. */
export const SchoolInput = () => (
  <ChoiceInput
    name="label.school"
    label="Labels by the rules of"
    choices={choices}
    help="A help to draft them: your local authority decides."
  />
);
