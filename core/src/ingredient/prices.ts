import type { IngredientDraft, Pack } from './schema.js';

/**
 * The ingredient with a price point for every pack whose price is new or has changed.
 * @param before as it was stored, or null
 * @param today YYYY-MM-DD; a second change on one day replaces the first
 */
export function withPriceHistory<T extends Pick<IngredientDraft, 'packs' | 'prices'>>(
  draft: T,
  before: Pick<IngredientDraft, 'packs'> | null,
  today: string,
): T {
  const changed = draft.packs.filter(
    (pack) => before?.packs.find(({ name }) => name === pack.name)?.priceMinor !== pack.priceMinor,
  );
  const kept = draft.prices.filter(({ on, pack }) => on !== today || !changed.some(({ name }) => name === pack));
  return {
    ...draft,
    prices: [...kept, ...changed.map(({ name, priceMinor }) => ({ on: today, pack: name, priceMinor }))],
  };
}

/** An ingredient with a pack, in place of the one of its name if there is one. */
export const withPack = <T extends Pick<IngredientDraft, 'packs'>>(ingredient: T, pack: Pack): T => ({
  ...ingredient,
  packs: ingredient.packs.some(({ name }) => name === pack.name)
    ? ingredient.packs.map((each) => (each.name === pack.name ? pack : each))
    : [...ingredient.packs, pack],
});
