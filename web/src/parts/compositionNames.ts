import type { PartName } from '@usual-pantry/core/ingredient';

/** Parts of a composition, as the screens call them. */
export const compositionNames: Record<PartName, string> = {
  water: 'Water',
  sucrose: 'Sucrose',
  glucose: 'Glucose',
  fructose: 'Fructose',
  lactose: 'Lactose',
  maltose: 'Maltose',
  dextrin: 'Dextrins of glucose syrup',
  otherCarbohydrate: 'Other carbohydrate',
  fat: 'Fat',
  protein: 'Protein',
  ethanol: 'Alcohol',
  ash: 'Ash',
};
