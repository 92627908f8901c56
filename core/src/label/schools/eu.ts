import { schoolNames } from '../../kitchen/index.js';
import { commonFields, field } from '../required.js';
import type { LabelSchool } from '../school.js';
import { european, europeanFields } from './european.js';

/**
 * The label of the European Union: ingredients by their weight at the mixing bowl, the fourteen allergens standing out in the list, what the name
 * names with its percentage, grams.
 * Sources: Reg. (EU) 1169/2011 arts 9, 18 to 24; Directive 2011/91/EU (lot). An estimate that defers to the local authority.
 */
export const eu: LabelSchool = {
  ...european,
  name: schoolNames.eu,
  required: (facts) => [
    ...commonFields(facts),
    ...europeanFields(facts),
    field(
      'language',
      'Language',
      'check',
      'English. Where it is sold in another language, the label must be in that language.',
      'Reg. (EU) 1169/2011 art. 15',
    ),
    field(
      'origin',
      'Business in the Union',
      'check',
      'The name and address must be of a business in the Union.',
      'Reg. (EU) 1169/2011 art. 8(1)',
    ),
  ],
};
