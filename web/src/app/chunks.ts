/** The code of each screen: it comes when the screen is opened, or a moment before, when one is about to press. */
export const chunks = {
  orders: () => import('../orders/Orders'),
  boxes: () => import('../boxes/Boxes'),
  recipes: () => import('../recipes/Recipes'),
  pieces: () => import('../recipes/PiecePage'),
  pantry: () => import('../pantry/Pantry'),
  plan: () => import('../plan/PlanScreen'),
  labels: () => import('../labels/Labels'),
  money: () => import('../money/Money'),
  settings: () => import('../settings/Settings'),
  changes: () => import('../history/Changes'),
};

/** Fetches the code of a screen that is likely to be opened next. */
export function fetchAhead(path: string): void {
  const name = path.slice(1);
  // What does not come now is asked for again when it is opened.
  if (name in chunks) chunks[name as keyof typeof chunks]().catch(() => undefined);
}
