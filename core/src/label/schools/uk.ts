import { schoolNames } from '../../kitchen/index.js';
import { commonFields, field } from '../required.js';
import type { LabelSchool } from '../school.js';
import { european, europeanFields } from './european.js';

/**
 * The label of the United Kingdom. It differs from that of the European Union in the address, which must be in the United Kingdom, in its one
 * language, and in what is packed on the premises where it is sold: that needs no less than its name and the list with its allergens.
 * Sources: Reg. (EU) 1169/2011 as retained; Food Information Regulations 2014, amended 2019 (prepacked for direct sale). From memory.
 */
export const uk: LabelSchool = {
  ...european,
  name: schoolNames.uk,
  required: (facts) => [
    ...commonFields(facts),
    ...europeanFields(facts),
    field(
      'origin',
      'Business in the United Kingdom',
      'check',
      'The address must be in the United Kingdom, or the importer’s.',
      'Food Information Regulations 2014 (as amended)',
    ),
    field(
      'direct-sale',
      'Packed for direct sale',
      'check',
      'What you pack and sell from the same premises needs its name and this list, allergens standing out.',
      'Food Information (Amendment) Regulations 2019',
    ),
  ],
};
