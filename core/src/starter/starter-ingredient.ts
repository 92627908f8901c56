import type { Allergen, ChocolateKind, IngredientTrait, PartName } from '../ingredient/index.js';

/** A plain ingredient to start a pantry with. What is left out is nothing. */
export interface StarterIngredient {
  readonly name: string;
  /** Per 100 g; of the fat, how much is cocoa butter and milk fat. */
  readonly composition: Readonly<Partial<Record<PartName | 'cocoaButter' | 'milkFat', number>>>;
  /** Where the composition comes from. Densities are cups of the same table, from memory. */
  readonly source: string;
  /** g/mL by state. */
  readonly densities?: Readonly<Record<string, number>>;
  readonly pieceGrams?: number;
  /** The name on the label, where it is another than the name in lower case; and its own ingredients. */
  readonly labelName?: string;
  readonly parts?: readonly string[];
  readonly contains?: readonly Allergen[];
  readonly mayContain?: readonly Allergen[];
  readonly chocolate?: ChocolateKind;
  readonly traits?: readonly IngredientTrait[];
  /** Grams of the other for one gram of this. Common practice, no source. */
  readonly substitutes?: readonly { readonly name: string; readonly ratio: number; readonly note: string }[];
}
