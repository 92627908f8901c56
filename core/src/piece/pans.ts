import { foamFactors } from '../cooking/index.js';
import { finding, type Finding } from '../finding/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import type { RecipeBook, RecipeFacts } from '../recipe/index.js';
import { bodyForm, type PieceFacts } from './makeup.js';

type Pan = KitchenDraft['pans'][number];

/** A mass as it is poured, g/mL. Common practice, no source. */
const POURED_GRAMS_PER_ML = 1.2;
/** A pan of the recipe and one of the kitchen are the same when their sides are this near, mm. */
const SAME_MM = 3;

/** Whether a pan of the kitchen has these sides. */
export const sidesOf =
  ({ lengthMm, widthMm }: Pick<Pan, 'lengthMm' | 'widthMm'>) =>
  (pan: Pan): boolean =>
    Math.abs(Math.max(pan.lengthMm, pan.widthMm) - Math.max(lengthMm, widthMm)) <= SAME_MM &&
    Math.abs(Math.min(pan.lengthMm, pan.widthMm) - Math.min(lengthMm, widthMm)) <= SAME_MM;

/** Whether it is poured while it still foams: a sea of foam that sets in the pan. */
const pouredFoaming = ({ boilings }: RecipeFacts): boolean => boilings.at(-1)?.foaming === 'foams with bicarbonate';

/** How high a base batch stands in a pan, mm, when it is poured. */
export function heightIn(pan: Pan, facts: RecipeFacts, pans: number): number {
  const factor = pouredFoaming(facts) ? foamFactors['foams with bicarbonate'] : 1;
  return ((facts.yieldGrams / pans / POURED_GRAMS_PER_ML) * 1000 * factor) / (pan.lengthMm * pan.widthMm);
}

/** The pan into which a piece's slab is poured, and into how many: by the sides of its form, or by the name in a step. */
export function panOf(
  facts: PieceFacts,
  recipe: RecipeFacts,
  pans: readonly Pan[],
): { readonly pan: Pan; readonly count: number } | null {
  const form = bodyForm(facts.piece.form);
  if (form.kind === 'cut') {
    const fitting = pans.filter(sidesOf({ lengthMm: form.panLengthMm, widthMm: form.panWidthMm }));
    const pan = fitting.sort((a, b) => b.depthMm - a.depthMm)[0];
    return pan ? { pan, count: form.pansPerBatch } : null;
  }
  const named = recipe.recipe.steps.flatMap(({ equipment }) => equipment.map((name) => name.toLowerCase()));
  const pan = pans.find(({ name }) => named.includes(name.toLowerCase()));
  return pan ? { pan, count: 1 } : null;
}

/** A finding for every slab that stands higher than its pan is deep, foam that sets in the pan included. */
export function checkPans(pieces: Iterable<PieceFacts>, book: RecipeBook, pans: readonly Pan[]): Finding[] {
  return [...pieces].flatMap((facts) => {
    const recipe = book.recipes.get(facts.parts.find(({ role }) => role === 'body')?.recipeId ?? '');
    const poured = recipe && panOf(facts, recipe, pans);
    if (!recipe || !poured) return [];
    const height = heightIn(poured.pan, recipe, poured.count);
    if (height <= poured.pan.depthMm) return [];
    return [
      finding(
        'pan-too-shallow',
        { noun: 'piece', id: facts.piece.id, name: facts.piece.name },
        {
          foams: pouredFoaming(recipe),
          heightMm: height,
          pan: poured.pan.name,
          depthMm: poured.pan.depthMm,
        },
      ),
    ];
  });
}
