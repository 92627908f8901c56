import type { LabelSettings } from '@usual-pantry/core/kitchen';

/** What the two sides are called, where there are two. */
export const sideNames: Readonly<Record<LabelSettings['second'], readonly [first: string, second: string]>> = {
  none: ['label', 'label'],
  back: ['front', 'back'],
  base: ['lid', 'base'],
};
