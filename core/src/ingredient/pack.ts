import { Decimal } from 'decimal.js';
import { toMinor, weigh, type Weighing } from '../quantity/index.js';
import type { IngredientDraft, IngredientFiled, Pack } from './schema.js';

/** The weight of one pack in grams, or why it cannot be known. */
export const packWeight = (pack: Pack, ingredient: IngredientFiled): Weighing =>
  weigh(pack.amount, pack.unit, ingredient, null);

/** A pack whose weight is known. */
export interface WeighedPack {
  readonly name: string;
  readonly supplier: string;
  readonly grams: number;
  readonly priceMinor: number;
  /** Days from ordering it until it is there. */
  readonly leadDays: number;
}

/** The packs whose weight is known. The others cannot be bought by weight and are left out. */
export const weighedPacks = (ingredient: IngredientFiled): WeighedPack[] =>
  ingredient.packs.flatMap((pack) => {
    const weight = packWeight(pack, ingredient);
    return 'grams' in weight
      ? [
          {
            name: pack.name,
            supplier: pack.supplier,
            grams: weight.grams,
            priceMinor: pack.priceMinor,
            leadDays: pack.leadDays,
          },
        ]
      : [];
  });

/** The pack that is cheapest by weight, or undefined when none has a known weight. */
export const cheapestPack = (ingredient: IngredientFiled): WeighedPack | undefined =>
  weighedPacks(ingredient).reduce<WeighedPack | undefined>(
    (best, pack) => (best && best.priceMinor * pack.grams <= pack.priceMinor * best.grams ? best : pack),
    undefined,
  );

/** Plain water without a pack: it is not bought, and costs nothing. Water that has a pack is bought like anything else. */
export const isTapWater = ({
  packs,
  composition,
  name,
}: Pick<IngredientDraft, 'packs' | 'composition' | 'name'>): boolean =>
  packs.length === 0 &&
  (composition === null
    ? /^(?:(?:tap|cold|hot|warm|boiling|iced?|still)[ -])*water$/i.test(name.trim())
    : composition.water > 99.5);

/** What some grams cost at the price of a pack, minor units, half to even. @param grams above 0 */
export const priceOfGrams = (
  { priceMinor, grams: held }: Pick<WeighedPack, 'priceMinor' | 'grams'>,
  grams: number,
): number => toMinor(new Decimal(priceMinor).times(grams).div(held));
