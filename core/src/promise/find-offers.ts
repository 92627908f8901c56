import type { Book } from '../book/index.js';
import { moreBoxes, type OrderFiled } from '../order/index.js';
import type { Plan } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import { costsNoBatch, gainOf, largestFor, MOST_OFFERED, offerOf, type Offer, type OfferedBox } from './offers.js';

/** The id of an order that is tried as an offer. */
export const OFFER = 'offer';

/** How a season is tried with boxes in it that nobody has ordered. */
export interface Trial {
  readonly book: Book;
  /** The season as it is. */
  readonly before: Plan;
  /** Days that have a hand-over anyway. */
  readonly days: readonly Day[];
  /** The plan with an order in it; soon known. */
  readonly draft: (order: OrderFiled) => Promise<Plan>;
  /** The same where the order may be promised and every day ends in time, else null; takes longer. */
  readonly promised: (order: OrderFiled) => Promise<Plan | null>;
}

type Counted = Pick<OfferedBox, 'boxId' | 'count'>;

const asOrder = (boxId: string, on: Day, beside: readonly Counted[], count: number): OrderFiled =>
  moreBoxes({ boxes: [...beside, { boxId, count }], on }, OFFER);

/** The most of a box that the plan has room for on a day, by what is soon known. */
const draftMost = (
  { book, before, draft }: Trial,
  boxId: string,
  on: Day,
  beside: readonly Counted[] = [],
  most = MOST_OFFERED,
): Promise<number> =>
  largestFor(async (count) => costsNoBatch(before, await draft(asOrder(boxId, on, beside, count)), book), most);

/** The largest offer of a box for a day beside other boxes, of no more than `most`; null where there is none. */
async function largestOffer(
  { book, before, promised }: Trial,
  boxId: string,
  on: Day,
  most: number,
  beside: readonly Counted[] = [],
): Promise<Offer | null> {
  const found = new Map<number, Offer>();
  const count = await largestFor(async (each) => {
    const order = asOrder(boxId, on, beside, each);
    const plan = await promised(order);
    const offer = plan && costsNoBatch(before, plan, book) ? offerOf(order, before, plan, book) : null;
    if (offer) found.set(each, offer);
    return offer !== null;
  }, most);
  return found.get(count) ?? null;
}

const countOf = ({ boxes }: Offer): number => boxes.reduce((sum, { count }) => sum + count, 0);

/** For one kind of box, the day on which most of it could be packed. */
async function offerOfKind(trial: Trial, boxId: string): Promise<Offer | null> {
  const days: { readonly on: Day; readonly most: number }[] = [];
  for (const on of trial.days) {
    const most = await draftMost(trial, boxId, on);
    if (most > 0) days.push({ on, most });
  }
  let best: Offer | null = null;
  for (const { on, most } of days.sort((a, b) => b.most - a.most)) {
    if (best && most <= countOf(best)) break;
    const offer = await largestOffer(trial, boxId, on, most);
    if (offer && gainOf(offer) > 0 && countOf(offer) > (best ? countOf(best) : 0)) best = offer;
  }
  return best;
}

/** What brings most, and for the same day as many of the other kinds as then can still be packed; null where that is no more. */
async function together(trial: Trial, [first, ...others]: readonly Offer[]): Promise<Offer | null> {
  if (!first) return null;
  let all = first;
  for (const { boxes } of others)
    for (const { boxId, count } of boxes) {
      const most = await draftMost(trial, boxId, first.on, all.boxes, count);
      const more = most > 0 ? await largestOffer(trial, boxId, first.on, most, all.boxes) : null;
      if (more && gainOf(more) > gainOf(all)) all = more;
    }
  return all === first ? null : all;
}

/**
 * Further boxes that could be packed without one batch more: several kinds together, then each kind for itself, what brings most first. What one
 * offer takes, another cannot have.
 */
export async function findOffers(trial: Trial): Promise<Offer[]> {
  const offers: Offer[] = [];
  for (const boxId of trial.book.boxes.keys()) {
    const offer = await offerOfKind(trial, boxId);
    if (offer) offers.push(offer);
  }
  offers.sort((a, b) => gainOf(b) - gainOf(a));
  const both = await together(trial, offers);
  return both ? [both, ...offers] : offers;
}
