import type { Allergen } from '../ingredient/index.js';

/** A stretch of the text of a label that is set alike. */
export interface Span {
  readonly text: string;
  /** Whether it stands out from the rest, as the name of an allergen does in a list. */
  readonly strong: boolean;
  /** Ingredients that it stands for; none for what stands for no ingredient. */
  readonly ids: readonly string[];
  /** Whom it warns of; null where it warns of nobody. */
  readonly allergen: Allergen | null;
}

/** Text that stands for nothing by itself. */
export const plain = (text: string, ids: readonly string[] = []): Span => ({
  text,
  strong: false,
  ids,
  allergen: null,
});

/** The name of an allergen. */
export const warning = (text: string, allergen: Allergen, strong: boolean, ids: readonly string[] = []): Span => ({
  text,
  strong,
  ids,
  allergen,
});

/** All of a text without how it is set. */
export const textOf = (spans: readonly Span[]): string => spans.map(({ text }) => text).join('');

/** Lists of spans with something between them. */
export const joinSpans = (lists: readonly (readonly Span[])[], between = ', '): Span[] =>
  lists.flatMap((spans, index) => (index === 0 ? spans : [plain(between), ...spans]));
