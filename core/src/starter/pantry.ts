import { morePantry } from './more.js';
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

/**
 * Plain ingredients without brands. Compositions, densities and piece weights are published or typical figures from memory:
 * the label of the pack that is bought goes before them, for its allergens above all.
 */
// prettier-ignore
const plainest: readonly StarterIngredient[] = [
  { name: 'Granulated sugar', composition: { water: 0.1, sucrose: 99.9 }, source: 'USDA SR Legacy, from memory', densities: { level: 0.8454 }, labelName: 'sugar' },
  { name: 'Caster sugar', composition: { water: 0.1, sucrose: 99.9 }, source: 'USDA SR Legacy, from memory', densities: { level: 0.8454 }, labelName: 'sugar' },
  { name: 'Icing sugar', composition: { water: 0.3, sucrose: 96.7, otherCarbohydrate: 3 }, source: 'USDA SR Legacy, from memory', densities: { spooned: 0.5072, sifted: 0.4227 }, labelName: 'powdered sugar', parts: ['sugar', 'cornstarch'] },
  { name: 'Light brown sugar', composition: { water: 1.3, sucrose: 94.6, glucose: 1.4, fructose: 1.1, otherCarbohydrate: 1, protein: 0.1, ash: 0.5 }, source: 'USDA SR Legacy, from memory', densities: { packed: 0.9299, loose: 0.6129 }, labelName: 'brown sugar' },
  { name: 'Dark brown sugar', composition: { water: 2, sucrose: 92.4, glucose: 1.8, fructose: 1.5, otherCarbohydrate: 1.4, protein: 0.1, ash: 0.8 }, source: 'USDA SR Legacy, from memory', densities: { packed: 0.9299, loose: 0.6129 }, labelName: 'brown sugar' },
  { name: 'Demerara sugar', composition: { water: 0.5, sucrose: 98.7, glucose: 0.3, fructose: 0.2, ash: 0.3 }, source: 'typical label, from memory', densities: { level: 0.8454 } },
  { name: 'Maple syrup', composition: { water: 32.4, sucrose: 58.3, glucose: 1.6, fructose: 0.5, otherCarbohydrate: 6.6, fat: 0.1, ash: 0.5 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.3314 } },
  { name: 'Honey', composition: { water: 17.1, sucrose: 0.9, glucose: 35.8, fructose: 40.9, maltose: 1.4, otherCarbohydrate: 3.4, protein: 0.3, ash: 0.2 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.4329 }, traits: ['honey'] },
  { name: 'Golden syrup', composition: { water: 18, sucrose: 32, glucose: 24, fructose: 23, otherCarbohydrate: 2, ash: 1 }, source: 'typical label, from memory', densities: { plain: 1.43 }, substitutes: [{ name: 'Honey', ratio: 1, note: 'More flavour, browns sooner.' }, { name: 'Maple syrup', ratio: 1, note: 'Wetter: cook it longer.' }] },
  { name: 'Glucose syrup', composition: { water: 20, glucose: 15.5, maltose: 11.5, dextrin: 52.7, ash: 0.3 }, source: '42 DE syrup, handbook, from memory', densities: { plain: 1.42 }, substitutes: [{ name: 'Light corn syrup', ratio: 1, note: '' }] },
  { name: 'Light corn syrup', composition: { water: 22, glucose: 16, maltose: 12, dextrin: 49.7, ash: 0.3 }, source: 'typical label, from memory', densities: { plain: 1.4413 }, labelName: 'corn syrup', substitutes: [{ name: 'Glucose syrup', ratio: 1, note: '' }] },
  { name: 'Molasses', composition: { water: 21.9, sucrose: 29.4, glucose: 11.9, fructose: 12.8, otherCarbohydrate: 20.6, fat: 0.1, ash: 3.3 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.4244 } },
  { name: 'Dextrose powder', composition: { water: 8.5, glucose: 91.5 }, source: 'monohydrate, by its formula', densities: { plain: 0.65 }, labelName: 'dextrose' },
  { name: 'Invert sugar syrup', composition: { water: 22, sucrose: 4, glucose: 37, fructose: 37 }, source: 'typical label, from memory', densities: { plain: 1.4 } },
  { name: 'Unsalted butter', composition: { water: 17.94, lactose: 0.06, fat: 81.11, protein: 0.85, ash: 0.04, milkFat: 81.1 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.9595 }, pieceGrams: 113.4, labelName: 'butter', parts: ['cream'], contains: ['milk'], substitutes: [{ name: 'Salted butter', ratio: 1, note: 'Drop 1.5 to 2 % of the butter from the salt of the recipe.' }] },
  { name: 'Salted butter', composition: { water: 15.9, lactose: 0.1, fat: 81.1, protein: 0.9, ash: 2, milkFat: 81.1 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.9595 }, pieceGrams: 113.4, labelName: 'butter', parts: ['cream', 'salt'], contains: ['milk'], substitutes: [{ name: 'Unsalted butter', ratio: 1, note: 'Add 1.5 to 2 % of the butter as salt.' }] },
  { name: 'Heavy cream', composition: { water: 57.7, lactose: 2.9, fat: 36.1, protein: 2.8, ash: 0.5, milkFat: 36.1 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.006 }, labelName: 'cream', contains: ['milk'], substitutes: [{ name: 'Coconut cream', ratio: 1, note: 'Less fat, no milk: the ganache sets softer.' }] },
  { name: 'Double cream', composition: { water: 47.5, lactose: 2.6, fat: 48, protein: 1.6, ash: 0.3, milkFat: 48 }, source: 'typical label, from memory', densities: { plain: 1 }, labelName: 'cream', contains: ['milk'], substitutes: [{ name: 'Coconut cream', ratio: 1, note: 'Less fat, no milk: the ganache sets softer.' }] },
  { name: 'Whole milk', composition: { water: 88.1, lactose: 4.8, fat: 3.3, protein: 3.2, ash: 0.7, milkFat: 3.3 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0313 }, labelName: 'milk', contains: ['milk'] },
  { name: 'Evaporated milk', composition: { water: 74, lactose: 10, fat: 7.6, protein: 6.8, ash: 1.6, milkFat: 7.6 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0651 }, contains: ['milk'] },
  { name: 'Sweetened condensed milk', composition: { water: 27.2, sucrose: 44, lactose: 10.4, fat: 8.7, protein: 7.9, ash: 1.8, milkFat: 8.7 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.2934 }, parts: ['milk', 'sugar'], contains: ['milk'] },
  { name: 'Whole milk powder', composition: { water: 2.5, lactose: 38.4, fat: 26.7, protein: 26.3, ash: 6.1, milkFat: 26.7 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.541 }, contains: ['milk'] },
  { name: 'Cream cheese', composition: { water: 54, lactose: 3.8, otherCarbohydrate: 0.5, fat: 34.2, protein: 6.1, ash: 1.4, milkFat: 34.2 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.9806 }, parts: ['milk', 'cream', 'salt', 'cultures'], contains: ['milk'] },
  { name: 'Coconut cream', composition: { water: 70, sucrose: 1.5, otherCarbohydrate: 3.5, fat: 22, protein: 2, ash: 1 }, source: 'typical label, from memory', densities: { plain: 0.98 }, contains: ['coconut'] },
  { name: 'Coconut milk', composition: { water: 72.9, sucrose: 1.4, otherCarbohydrate: 1.4, fat: 21.3, protein: 2, ash: 1 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.9552 }, contains: ['coconut'] },
  { name: 'Coconut oil', composition: { water: 0.1, fat: 99.9 }, source: 'USDA SR Legacy, from memory', densities: { melted: 0.9214 }, contains: ['coconut'] },
  { name: 'Desiccated coconut', composition: { water: 3, sucrose: 7.4, otherCarbohydrate: 16.3, fat: 64.5, protein: 6.9, ash: 1.9 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.3593 }, labelName: 'coconut', contains: ['coconut'] },
  { name: 'Dark chocolate 70 %', composition: { water: 1.4, sucrose: 29, otherCarbohydrate: 17, fat: 42.3, protein: 8, ash: 2.3, cocoaButter: 42.2 }, source: 'typical label, from memory', densities: { chopped: 0.7185 }, labelName: 'dark chocolate', parts: ['cocoa mass', 'sugar', 'cocoa butter', 'soy lecithin', 'vanilla'], contains: ['soy'], mayContain: ['milk'], chocolate: 'dark' },
  { name: 'Dark chocolate 55 %', composition: { water: 1.2, sucrose: 44.5, otherCarbohydrate: 12, fat: 35.5, protein: 5, ash: 1.8, cocoaButter: 35.4 }, source: 'typical label, from memory', densities: { chopped: 0.7185 }, labelName: 'dark chocolate', parts: ['sugar', 'cocoa mass', 'cocoa butter', 'soy lecithin', 'vanilla'], contains: ['soy'], mayContain: ['milk'], chocolate: 'dark' },
  { name: 'Milk chocolate', composition: { water: 1.5, sucrose: 43, lactose: 8.5, otherCarbohydrate: 7.7, fat: 30.5, protein: 7.2, ash: 1.6, cocoaButter: 24, milkFat: 6 }, source: 'typical label, from memory', densities: { chopped: 0.7185 }, parts: ['sugar', 'cocoa butter', 'whole milk powder', 'cocoa mass', 'soy lecithin', 'vanilla'], contains: ['milk', 'soy'], chocolate: 'milk' },
  { name: 'White chocolate', composition: { water: 1.3, sucrose: 47, lactose: 11.5, otherCarbohydrate: 0.7, fat: 32.1, protein: 5.9, ash: 1.5, cocoaButter: 26, milkFat: 6 }, source: 'typical label, from memory', densities: { chopped: 0.7185 }, parts: ['sugar', 'cocoa butter', 'whole milk powder', 'soy lecithin', 'vanilla'], contains: ['milk', 'soy'], chocolate: 'white' },
  { name: 'Cocoa butter', composition: { fat: 100, cocoaButter: 100 }, source: 'USDA SR Legacy, from memory', densities: { melted: 0.9 }, substitutes: [{ name: 'White chocolate', ratio: 1.5, note: 'Then less sugar.' }] },
  { name: 'Cocoa powder', composition: { water: 3, sucrose: 1.8, otherCarbohydrate: 56.1, fat: 13.7, protein: 19.6, ash: 5.8, cocoaButter: 13.7 }, source: 'USDA SR Legacy, from memory', densities: { spooned: 0.3635 }, labelName: 'cocoa' },
  { name: 'Cocoa nibs', composition: { water: 2.5, sucrose: 1, otherCarbohydrate: 27, fat: 53, protein: 13.5, ash: 3, cocoaButter: 53 }, source: 'typical label, from memory', densities: { plain: 0.5072 } },
  { name: 'Compound coating', composition: { water: 1, sucrose: 50, lactose: 3, otherCarbohydrate: 10, fat: 32, protein: 3, ash: 1 }, source: 'typical label, from memory', parts: ['sugar', 'palm kernel oil', 'cocoa', 'milk powder', 'soy lecithin'], contains: ['milk', 'soy'] },
  { name: 'Almonds', composition: { water: 4.4, sucrose: 4, otherCarbohydrate: 17.5, fat: 49.9, protein: 21.2, ash: 3 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.6044, slivered: 0.4565, sliced: 0.3889, ground: 0.4015 }, contains: ['almond'], traits: ['nut'] },
  { name: 'Hazelnuts', composition: { water: 5.3, sucrose: 4.2, otherCarbohydrate: 12.4, fat: 60.8, protein: 15, ash: 2.3 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5706, chopped: 0.4861, ground: 0.317 }, contains: ['hazelnut'], traits: ['nut'] },
  { name: 'Pecans', composition: { water: 3.5, sucrose: 3.9, otherCarbohydrate: 9.9, fat: 72, protein: 9.2, ash: 1.5 }, source: 'USDA SR Legacy, from memory', densities: { halves: 0.4184, chopped: 0.4607 }, contains: ['pecan'], traits: ['nut'] },
  { name: 'Walnuts', composition: { water: 4.1, sucrose: 2.4, otherCarbohydrate: 11.3, fat: 65.2, protein: 15.2, ash: 1.8 }, source: 'USDA SR Legacy, from memory', densities: { halves: 0.4227, chopped: 0.4945 }, contains: ['walnut'], traits: ['nut'] },
  { name: 'Pistachios', composition: { water: 4.4, sucrose: 6.9, glucose: 0.3, fructose: 0.2, otherCarbohydrate: 19.7, fat: 45.3, protein: 20.2, ash: 3 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5199 }, contains: ['pistachio'], traits: ['nut'] },
  { name: 'Cashews', composition: { water: 5.2, sucrose: 5.8, otherCarbohydrate: 24.4, fat: 43.9, protein: 18.2, ash: 2.5 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5791 }, contains: ['cashew'], traits: ['nut'] },
  { name: 'Macadamias', composition: { water: 1.4, sucrose: 4.4, otherCarbohydrate: 9.4, fat: 75.8, protein: 7.9, ash: 1.1 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5664 }, contains: ['macadamia'], traits: ['nut'] },
  { name: 'Brazil nuts', composition: { water: 3.4, sucrose: 2.3, otherCarbohydrate: 9.5, fat: 67.1, protein: 14.3, ash: 3.4 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5622 }, contains: ['brazil'], traits: ['nut'] },
  { name: 'Roasted peanuts', composition: { water: 1.8, sucrose: 4.2, otherCarbohydrate: 17.3, fat: 49.7, protein: 23.7, ash: 3.3 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.6171 }, labelName: 'peanuts', contains: ['peanut'], traits: ['nut'] },
  { name: 'Peanut butter', composition: { water: 1.2, sucrose: 10.5, otherCarbohydrate: 11.8, fat: 51.4, protein: 22.2, ash: 2.9 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0905 }, parts: ['peanuts', 'sugar', 'salt'], contains: ['peanut'] },
  { name: 'Hazelnut praline paste', composition: { water: 2, sucrose: 52, otherCarbohydrate: 6.8, fat: 30.5, protein: 7.5, ash: 1.2 }, source: 'typical label, from memory', densities: { plain: 1.2 }, parts: ['sugar', 'hazelnuts'], contains: ['hazelnut'] },
  { name: 'Marzipan', composition: { water: 12, sucrose: 48, glucose: 5, fructose: 2, otherCarbohydrate: 8, fat: 17, protein: 7, ash: 1 }, source: 'typical label, from memory', densities: { plain: 1.2 }, parts: ['sugar', 'almonds', 'glucose syrup'], contains: ['almond'] },
  { name: 'Pumpkin seeds', composition: { water: 5.2, sucrose: 1.1, otherCarbohydrate: 9.6, fat: 49.1, protein: 30.2, ash: 4.8 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5453 } },
  { name: 'Sesame seeds', composition: { water: 4.7, sucrose: 0.3, otherCarbohydrate: 23.1, fat: 49.7, protein: 17.7, ash: 4.5 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.6087 }, contains: ['sesame'] },
  { name: 'Tahini', composition: { water: 3, sucrose: 0.5, otherCarbohydrate: 20.7, fat: 53.8, protein: 17, ash: 5 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0144 }, parts: ['sesame seeds'], contains: ['sesame'] },
  { name: 'Rolled oats', composition: { water: 10.8, sucrose: 1, otherCarbohydrate: 66.6, fat: 6.5, protein: 13.2, ash: 1.9 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.3424 }, labelName: 'oats', contains: ['oats'] },
  { name: 'Plain flour', composition: { water: 11.9, sucrose: 0.3, otherCarbohydrate: 76, fat: 1, protein: 10.3, ash: 0.5 }, source: 'USDA SR Legacy, from memory', densities: { spooned: 0.5283, sifted: 0.4861 }, labelName: 'wheat flour', contains: ['wheat'] },
  { name: 'Self-raising flour', composition: { water: 10.6, sucrose: 0.2, otherCarbohydrate: 74.1, fat: 1, protein: 9.9, ash: 4.2 }, source: 'USDA SR Legacy, from memory', densities: { spooned: 0.5283 }, parts: ['wheat flour', 'raising agents', 'salt'], contains: ['wheat'] },
  { name: 'Cornstarch', composition: { water: 8.3, otherCarbohydrate: 91.3, protein: 0.3, ash: 0.1 }, source: 'USDA SR Legacy, from memory', densities: { spooned: 0.541 } },
  { name: 'Malted milk powder', composition: { water: 2.5, sucrose: 10, glucose: 2, lactose: 14, maltose: 22, otherCarbohydrate: 25, fat: 8.5, protein: 13, ash: 3, milkFat: 8 }, source: 'typical label, from memory', densities: { spooned: 0.5748 }, parts: ['barley malt', 'wheat flour', 'milk powder', 'salt'], contains: ['milk', 'wheat', 'barley'] },
  { name: 'Digestive biscuit crumbs', composition: { water: 3, sucrose: 17, otherCarbohydrate: 51, fat: 20, protein: 7, ash: 2 }, source: 'typical label, from memory', densities: { plain: 0.4227 }, labelName: 'digestive biscuits', parts: ['wheat flour', 'vegetable oil', 'wholemeal wheat flour', 'sugar', 'raising agents', 'salt'], contains: ['wheat'] },
  { name: 'Crisped rice', composition: { water: 3.5, sucrose: 8.5, otherCarbohydrate: 78.5, fat: 1, protein: 6.5, ash: 2 }, source: 'typical label, from memory', densities: { plain: 0.1183 }, parts: ['rice', 'sugar', 'salt', 'barley malt'], contains: ['barley'] },
  { name: 'Wafer flakes', composition: { water: 2, sucrose: 30, lactose: 2, otherCarbohydrate: 49, fat: 10, protein: 6, ash: 1, milkFat: 9 }, source: 'typical label, from memory', densities: { plain: 0.2536 }, parts: ['wheat flour', 'sugar', 'butter', 'milk powder'], contains: ['milk', 'wheat'] },
  { name: 'Marshmallows', composition: { water: 16.4, sucrose: 33, glucose: 17, maltose: 7, dextrin: 24.5, protein: 1.8, ash: 0.3 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.2113 }, pieceGrams: 7.2, parts: ['glucose syrup', 'sugar', 'gelatin'], contains: ['gelatin'], traits: ['gelatine'] },
  { name: 'Egg white', composition: { water: 87.6, glucose: 0.7, fat: 0.2, protein: 10.9, ash: 0.6 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0271 }, pieceGrams: 33, contains: ['egg'], traits: ['raw egg'], substitutes: [{ name: 'Aquafaba', ratio: 1.36, note: 'About 3 tablespoons for one white.' }] },
  { name: 'Egg yolk', composition: { water: 52.3, glucose: 0.6, otherCarbohydrate: 3, fat: 26.5, protein: 15.9, ash: 1.7 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0271 }, pieceGrams: 17, contains: ['egg'], traits: ['raw egg'] },
  { name: 'Gelatine powder', composition: { water: 13, fat: 0.1, protein: 85.6, ash: 1.3 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.6 }, labelName: 'gelatin', contains: ['gelatin'], traits: ['gelatine'] },
  { name: 'Raspberries', composition: { water: 85.8, sucrose: 0.2, glucose: 1.9, fructose: 2.4, otherCarbohydrate: 7.3, fat: 0.7, protein: 1.2, ash: 0.5 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.5199 } },
  { name: 'Blackcurrant puree', composition: { water: 82, sucrose: 0.7, glucose: 2.7, fructose: 3.4, otherCarbohydrate: 9, protein: 1.3, ash: 0.9 }, source: 'typical label, from memory', densities: { plain: 1.04 }, labelName: 'blackcurrants' },
  { name: 'Dried sour cherries', composition: { water: 16, sucrose: 1, glucose: 32, fructose: 25, otherCarbohydrate: 23.5, fat: 0.7, protein: 1.2, ash: 0.6 }, source: 'typical label, from memory', densities: { whole: 0.5917 }, parts: ['sour cherries', 'sulfur dioxide'], contains: ['sulfites'] },
  { name: 'Dates', composition: { water: 20.5, sucrose: 23.8, glucose: 19.9, fructose: 19.6, otherCarbohydrate: 11.7, fat: 0.4, protein: 2.5, ash: 1.6 }, source: 'USDA SR Legacy, from memory', densities: { chopped: 0.6213 }, pieceGrams: 7.1 },
  { name: 'Raisins', composition: { water: 15.4, sucrose: 0.5, glucose: 27.8, fructose: 29.7, otherCarbohydrate: 21.2, fat: 0.5, protein: 3.1, ash: 1.8 }, source: 'USDA SR Legacy, from memory', densities: { whole: 0.6129 } },
  { name: 'Candied ginger', composition: { water: 15, sucrose: 72, glucose: 3, fructose: 3, otherCarbohydrate: 6, ash: 1 }, source: 'typical label, from memory', densities: { chopped: 0.6763 }, parts: ['ginger', 'sugar'] },
  { name: 'Candied orange peel', composition: { water: 18, sucrose: 35, glucose: 25, fructose: 10, otherCarbohydrate: 11.5, ash: 0.5 }, source: 'typical label, from memory', densities: { chopped: 0.634 }, parts: ['orange peel', 'sugar', 'glucose syrup'] },
  { name: 'Vanilla extract', composition: { water: 52.6, sucrose: 12.7, ethanol: 34.4, ash: 0.3 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.8792 }, contains: ['alcohol-carrier'], traits: ['spirit'] },
  { name: 'Plum brandy', composition: { water: 66.6, ethanol: 33.4 }, source: '40 % by volume, by its density', densities: { plain: 0.948 }, contains: ['alcohol'], traits: ['spirit'] },
  { name: 'Dark rum', composition: { water: 66.6, ethanol: 33.4 }, source: '40 % by volume, by its density', densities: { plain: 0.948 }, labelName: 'rum', contains: ['alcohol'], traits: ['spirit'] },
  { name: 'Whisky', composition: { water: 66.6, ethanol: 33.4 }, source: '40 % by volume, by its density', densities: { plain: 0.948 }, contains: ['alcohol'], traits: ['spirit'] },
  { name: 'Cream liqueur', composition: { water: 45.5, sucrose: 20, lactose: 3, fat: 14, protein: 3, ethanol: 14, ash: 0.5, milkFat: 14 }, source: '17 % by volume, typical label, from memory', densities: { plain: 1.05 }, parts: ['cream', 'spirit', 'sugar'], contains: ['milk', 'alcohol'], traits: ['spirit'] },
  { name: 'Stout', composition: { water: 92, maltose: 1, otherCarbohydrate: 2.5, protein: 0.5, ethanol: 4 }, source: 'typical label, from memory', densities: { plain: 1.01 }, parts: ['water', 'barley malt', 'hops', 'yeast'], contains: ['barley', 'alcohol'] },
  { name: 'Water', composition: { water: 100 }, source: 'by definition', densities: { plain: 1 } },
  { name: 'Table salt', composition: { water: 0.2, ash: 99.8 }, source: 'USDA SR Legacy, from memory', densities: { fine: 1.2342 }, labelName: 'salt' },
  { name: 'Flaked sea salt', composition: { water: 3, ash: 97 }, source: 'typical label, from memory', densities: { flakes: 0.6 }, labelName: 'sea salt' },
  { name: 'Baking soda', composition: { water: 0.2, ash: 99.8 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.933 }, traits: ['bicarbonate'] },
  { name: 'Cream of tartar', composition: { water: 1.7, otherCarbohydrate: 61.5, ash: 36.8 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.609 } },
  { name: 'Citric acid', composition: { water: 0.5, otherCarbohydrate: 99.5 }, source: 'by its formula; counted as carbohydrate', densities: { plain: 0.9 } },
  { name: 'Black tea leaves', composition: { water: 6, otherCarbohydrate: 66, fat: 2, protein: 20, ash: 6 }, source: 'typical label, from memory', densities: { loose: 0.3 }, labelName: 'black tea' },
  { name: 'Instant coffee', composition: { water: 3.1, otherCarbohydrate: 75.4, fat: 0.5, protein: 12.2, ash: 8.8 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.24 }, labelName: 'coffee' },
  { name: 'Ground cinnamon', composition: { water: 10.6, sucrose: 1, glucose: 1.2, otherCarbohydrate: 78.4, fat: 1.2, protein: 4, ash: 3.6 }, source: 'USDA SR Legacy, from memory', densities: { ground: 0.527 }, labelName: 'cinnamon' },
  { name: 'Ground cardamom', composition: { water: 8.3, otherCarbohydrate: 68.4, fat: 6.7, protein: 10.8, ash: 5.8 }, source: 'USDA SR Legacy, from memory', densities: { ground: 0.406 }, labelName: 'cardamom' },
  { name: 'Lemon juice', composition: { water: 92.3, sucrose: 0.4, glucose: 1, fructose: 1.1, otherCarbohydrate: 4.4, fat: 0.2, protein: 0.4, ash: 0.2 }, source: 'USDA SR Legacy, from memory', densities: { plain: 1.0313 } },
  { name: 'Aquafaba', composition: { water: 94, otherCarbohydrate: 4, protein: 1.3, ash: 0.7 }, source: 'typical label, from memory', densities: { plain: 1 }, labelName: 'chickpea water' },
  { name: 'Sunflower oil', composition: { fat: 100 }, source: 'USDA SR Legacy, from memory', densities: { plain: 0.9214 } },
];

/** Everything that a pantry can start with. */
export const starterPantry: readonly StarterIngredient[] = [...plainest, ...morePantry];
