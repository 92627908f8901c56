import { boilingPointAt, targetHere, thermometerOffset, type PotContents } from '../cooking/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { contentsAt, type RecipeBook, type RecipeFacts } from '../recipe/index.js';
import type { PotFault, PotSetup } from './pot.js';

/** Something cold that goes in: a lump of butter, g. */
export const coldButter: PotContents = { water: 12, sugars: 0, fat: 58, others: 0 };

/** A recipe that is cooked to a temperature, and the step that does it. */
export interface Cookable {
  readonly facts: RecipeFacts;
  readonly step: number;
}

/** Every recipe with a pot that can be simulated, by name. */
export const cookables = (book: Pick<RecipeBook, 'ingredients' | 'recipes'>): Cookable[] =>
  [...book.recipes.values()]
    .flatMap((facts) => {
      const step = facts.recipe.steps.findIndex(({ target }) => target?.boils === true);
      const contents = step < 0 ? null : contentsAt(facts, step, 1, book);
      return contents && contents.sugars > 0 && contents.water > 0 ? [{ facts, step }] : [];
    })
    .sort((a, b) => a.facts.recipe.name.localeCompare(b.facts.recipe.name));

/** What is practised on, as it was chosen. */
export interface PotChoice {
  readonly potLitres: number;
  readonly watts: number;
  readonly altitudeMetres: number;
  /** Relative, percent. */
  readonly humidity: number;
  readonly faults: readonly PotFault[];
  /** Whether one more goes wrong, nobody knows which. */
  readonly isSurprise: boolean;
}

/** Faults that come as a surprise: what is not seen before it happens. */
const SURPRISES: readonly PotFault[] = [
  'too hot',
  'power too low',
  'crystals from stirring',
  'probe on the bottom',
  'butter too fast',
];
/** A wet day is at least as damp as this, percent. */
const WET = 72;

/**
 * A pot as it was chosen, for a base batch.
 * @param random even in 0 to 1: which fault is the surprise
 * @returns null as long as what is in the pot is not known
 */
export function potSetupOf(
  { facts, step }: Cookable,
  book: Pick<RecipeBook, 'ingredients' | 'recipes'>,
  kitchen: Pick<KitchenDraft, 'boilingReadingCelsius'>,
  { potLitres, watts, altitudeMetres, humidity, faults, isSurprise }: PotChoice,
  random: () => number,
): PotSetup | null {
  const contents = contentsAt(facts, step, 1, book);
  const target = facts.recipe.steps[step]?.target;
  if (!contents || !target) return null;
  const here = { ...kitchen, altitudeMetres };
  const surprise = SURPRISES[Math.floor(random() * SURPRISES.length)];
  return {
    contents,
    foaming: facts.recipe.foaming,
    potLitres,
    watts,
    waterBoils: boilingPointAt(altitudeMetres),
    target: targetHere(target.celsius, here) - thermometerOffset(here),
    humidity: faults.includes('wet day') ? Math.max(WET, humidity) : humidity,
    faults: isSurprise && surprise ? [...new Set([...faults, surprise])] : faults,
    goesIn: coldButter,
  };
}
