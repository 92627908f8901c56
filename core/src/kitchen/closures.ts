import type { Day } from '../quantity/index.js';
import type { KitchenDraft } from './schema.js';

export type Closure = KitchenDraft['closures'][number];

/** The time within which the kitchen is closed on a day; undefined when it is not. */
export const closureOn = (day: Day, { closures }: Pick<KitchenDraft, 'closures'>): Closure | undefined =>
  closures.find(({ from, to }) => day >= from && day <= to);
