/** The lists of a season file that can be long, in the order in which they can be stored. */
export const seasonLists = [
  'ingredients',
  'recipes',
  'pieces',
  'boxes',
  'orders',
  'batches',
  'recipeVersions',
  'messages',
  'labelPrints',
  'weighings',
  'makings',
  'practices',
] as const;
export type SeasonList = (typeof seasonLists)[number];
