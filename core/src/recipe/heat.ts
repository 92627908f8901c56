import type { RecipeStep } from './schema.js';

const BOILS = /\b(?:boil|boils|boiling|simmer|simmers|simmering|rolling boil)\b/i;
/** Words that speak of boiling and boil nothing. */
const NO_BOIL =
  /\b(?:without boiling|not letting (?:it )?(?:boil|simmer)|not (?:let it |to )?(?:boil|simmer)|never (?:let it )?(?:boil|simmer)|do(?:n['’]t| not) (?:let it )?(?:boil|simmer|come)|boil(?:ing|ed) water|before it boils|just below (?:the )?boil|boil(?:ed)? over|hard[- ]boiled|(?:pan|pot|bowl) of (?:\p{L}+ )?water(?: to a (?:simmer|boil))?|simmering water|double boiler)\b/giu;
const BAKES = /\b(?:oven|bake|bakes|baking|roast|roasts|toast|toasts)\b/i;
const OVEN = /oven/i;

/** Where a text says that something boils; null where nothing does. */
export const boilWord = (text: string): { readonly index: number; readonly length: number } | null => {
  const found = BOILS.exec(text.replace(NO_BOIL, (words) => ' '.repeat(words.length)));
  return found && { index: found.index, length: found[0].length };
};

type Heating = Pick<RecipeStep, 'text' | 'effect' | 'target' | 'equipment'>;

/** Whether something boils in a step: by what it does, by its target, or by its words. */
export const boilsIn = ({ text, effect, target }: Pick<Heating, 'text' | 'effect' | 'target'>): boolean =>
  effect.kind === 'cook' || effect.kind === 'reduce' || target?.boils === true || boilWord(text) !== null;

/** Whether a step bakes. */
export const bakesIn = ({ text, equipment }: Pick<Heating, 'text' | 'equipment'>): boolean =>
  BAKES.test(text) || equipment.some((name) => OVEN.test(name));
