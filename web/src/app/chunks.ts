/** The code of each screen: it comes when the screen is opened, or a moment before, when one is about to press. */
export const chunks = {
  orders: () => import('../orders/Orders'),
  boxes: () => import('../boxes/Boxes'),
  recipes: () => import('../recipes/Recipes'),
  pieces: () => import('../recipes/PiecePage'),
  pantry: () => import('../pantry/Pantry'),
  plan: () => import('../plan/PlanScreen'),
  kitchen: () => import('../kitchen/Kitchen'),
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

/** So long after the first screen stands, ms, the largest of the others is fetched, when the browser has nothing else to do. */
const LATER_MS = 2_000;

/** Fetches ahead what takes longest to come, without being in the way of the first screen. */
export function fetchLater(): void {
  setTimeout(() => {
    const fetch = () => void chunks.orders().catch(() => undefined);
    // One browser has no idle callbacks yet.
    if ('requestIdleCallback' in window) requestIdleCallback(fetch);
    else fetch();
  }, LATER_MS);
}
