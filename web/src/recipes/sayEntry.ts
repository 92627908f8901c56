import type { RecipeLine } from '@usual-pantry/core/recipe';

/** When a line goes in, in words; empty for the start. */
export const sayEntry = ({ afterCook, atStep }: Pick<RecipeLine, 'afterCook' | 'atStep'>): string =>
  atStep !== null ? `at step ${String(atStep + 1)}` : afterCook ? 'after cooking' : '';
