import { allergens, type Allergen } from '../ingredient/index.js';

/** In this order things are made within a day, with a clean-down between. Common practice, no source. */
export const nutClasses = ['no nuts', 'tree nuts', 'peanut'] as const;
export type NutClass = (typeof nutClasses)[number];

/** To which part of the day something belongs by the nuts in it. */
export function nutClass(contains: readonly Allergen[]): NutClass {
  if (contains.includes('peanut')) return 'peanut';
  return contains.some((code) => allergens[code].family === 'tree nuts') ? 'tree nuts' : 'no nuts';
}
