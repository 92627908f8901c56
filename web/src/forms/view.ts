import type { ReactNode } from 'react';
import type { SeasonBook } from '../data/useSeason';

/** How a form is shown: its fields, and a piece of it drawn in a square of 48. */
export interface FormView {
  /** Whether its one recipe is asked for above its fields; otherwise they do so themselves. */
  readonly namesRecipe: boolean;
  readonly Fields: (props: { readonly season: SeasonBook; readonly path: string }) => ReactNode;
  readonly draw: (colour: string) => ReactNode;
}
