import { boxContentSchema, type BoxContent, type BoxDraft } from './schema.js';

/** What a customer buys: the box without the maker's notes and what was sold before. */
export const contentOf = (box: BoxContent): BoxContent => boxContentSchema.strip().parse(box);

const same = (a: BoxContent, b: BoxContent): boolean => JSON.stringify(contentOf(a)) === JSON.stringify(contentOf(b));

/**
 * The box as it is to be stored after an edit: where what was sold has changed, its number counts on and what was sold is kept.
 * @param sold numbers of the editions that orders refer to
 */
export function nextEdition(before: BoxDraft, after: BoxDraft, sold: ReadonlySet<number>): BoxDraft {
  const kept = before.editions.filter(({ edition }) => sold.has(edition));
  if (same(before, after)) return { ...after, edition: before.edition, editions: kept };
  // Taking an edit back gives the box its number back too, so that nothing stands there twice.
  const again = kept.find(({ content }) => same(content, after));
  const keeps = sold.has(before.edition);
  const editions = [
    ...kept.filter((each) => each !== again),
    ...(keeps ? [{ edition: before.edition, content: contentOf(before) }] : []),
  ];
  const next = keeps ? Math.max(...editions.map((each) => each.edition)) + 1 : before.edition;
  return { ...after, edition: again?.edition ?? next, editions };
}

/** The box as it was sold under a number; the box itself when that is its number now, or when there is no such number. */
export function asSold<Box extends BoxDraft>(box: Box, edition: number | null): Box {
  const sold = edition === box.edition ? undefined : box.editions.find((each) => each.edition === edition);
  return sold ? { ...box, ...sold.content } : box;
}
