export { readCsv } from './csv-table.js';
export { readRecipeJsonLd, recipeJsonLd } from './json-ld.js';
export {
  type ColumnMapping,
  guessMapping,
  type ImportPlan,
  type ImportSettings,
  orderFields,
  type OrderFileAnswer,
  type OrderFileRequest,
  ordersCsv,
  planImport,
  refusedCsv,
  type RowReport,
} from './orders-csv.js';

export { besideUses, type BesideUse, type UnusedColumn, unusedColumns } from './unused-columns.js';
export { readRecipe } from './pasted-recipe.js';
export { shoppingCsv, shoppingText } from './shopping-list.js';
