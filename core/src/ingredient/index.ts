export {
  type Allergen,
  allergenCodes,
  allergens,
  inLabelOrder,
  isUsMajor,
  kindIsMissing,
  ofFamily,
} from './allergen.js';

export { nameTaken, wrongInIngredient } from './check.js';
export { partsOf } from './composition.js';
export { declarationFindings } from './declaration.js';
export { declaredIn, misnamedChocolate } from './declared.js';
export {
  brokenBy,
  type Contents,
  coveredBy,
  exclusionCodes,
  exclusionGroup,
  exclusionMeans,
  exclusionName,
  exclusionOptions,
  isClear,
  isExclusion,
  namedExclusion,
  type NamedThings,
  ruledOut,
  substances,
} from './exclusion.js';

export { cheapestPack, isTapWater, priceOfGrams, type WeighedPack, weighedPacks } from './pack.js';
export {
  addParts,
  dissolvedOf,
  energyOf,
  massOf,
  noParts,
  type PartName,
  partNames,
  type Parts,
  scaleParts,
  sugarsOf,
  sweetnessOf,
} from './parts.js';

export { withPack, withPriceHistory } from './prices.js';
export {
  allergenSchema,
  type ChocolateKind,
  chocolateKinds,
  type Composition,
  distinct,
  type Ingredient,
  type IngredientDraft,
  ingredientDraftSchema,
  type IngredientFiled,
  ingredientFiledSchema,
  ingredientSchema,
  type IngredientTrait,
  ingredientTraits,
  type Pack,
  packSchema,
} from './schema.js';

export { drawFrom, partsOfStock, type StockPart, withoutTaken, withPutBack } from './stock.js';
export { containedIn } from './substances.js';
