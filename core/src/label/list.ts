import type { Allergen } from '../ingredient/index.js';
import { bracketed, emphasise } from './emphasis.js';
import type { EntryPart, ListEntry } from './ingredients.js';
import { joinSpans, plain, warning, type Span } from './span.js';

/** How a school writes the entries of a list. */
export interface ListStyle {
  readonly name?: (named: { readonly labelName: string; readonly french: string }) => string;
  readonly partName?: (part: EntryPart) => string;
  /** How it calls an allergen that must stand out in the list; undefined for one that need not. */
  readonly standsOut?: (code: Allergen) => string | undefined;
  /** What stands behind a name to say how much of it is in it; '' for most. */
  readonly share?: (entry: ListEntry) => string;
}

const nothing = () => undefined;

function spansOfPart(part: EntryPart, entry: ListEntry, style: ListStyle) {
  const { standsOut = nothing, partName = ({ name }) => name } = style;
  const name = partName(part);
  const { spans, named, meant } = emphasise(name, entry.contains, standsOut, entry.ids);
  const much = part.percent === null ? [] : [plain(` ${String(part.percent)}%`, entry.ids)];
  return {
    spans: [...spans, ...much, ...bracketed(meant, standsOut, entry.ids)],
    named: [...named, ...meant],
  };
}

/**
 * An entry as the label writes it: `semisweet chocolate (sugar, chocolate liquor, soy lecithin)`. What says only to those who know it that an
 * allergen is in it has the name behind it, as in `cream (milk)`; an allergen that none of its words names or means is named at the end of the
 * entry: whatever the words are, none is lost.
 */
export function entrySpans(entry: ListEntry, style: ListStyle = {}): Span[] {
  const { ids } = entry;
  const { standsOut = nothing, name = ({ labelName }) => labelName, share = () => '' } = style;
  const head = emphasise(name(entry), entry.contains, standsOut, ids);
  const parts = entry.parts.map((part) => spansOfPart(part, entry, style));
  const named = new Set([...head.named, ...parts.flatMap((part) => part.named)]);
  const missing = entry.contains.filter((code) => standsOut(code) !== undefined && !named.has(code));
  const much = share(entry);
  const first = much === '' ? head.spans : [...head.spans, plain(` ${much}`, ids)];
  if (parts.length === 0) return [...first, ...bracketed(missing, standsOut, ids)];
  const names = new Map(missing.map((code) => [standsOut(code) ?? '', code]));
  const rest = [...names].map(([each, code], index) => [
    plain(index === 0 ? 'contains ' : '', ids),
    warning(each, code, true, ids),
  ]);
  return [...first, plain(' (', ids), ...joinSpans([...parts.map(({ spans }) => spans), ...rest]), plain(')', ids)];
}

/** Entries one after another. */
export const listSpans = (list: readonly ListEntry[], style?: ListStyle): Span[] =>
  joinSpans(list.map((entry) => entrySpans(entry, style)));

/** Names of allergens one after another. */
export const allergenSpans = (
  codes: readonly Allergen[],
  nameOf: (code: Allergen) => string,
  strong = false,
): Span[] => {
  const names = new Map<string, Allergen>();
  for (const code of codes) if (!names.has(nameOf(code))) names.set(nameOf(code), code);
  return joinSpans([...names].map(([name, code]) => [warning(name, code, strong)]));
};
