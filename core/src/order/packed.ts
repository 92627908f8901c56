import { boxAsSold, bookAsMade, type Book } from '../book/index.js';
import { resolveBox, workOutBox, type BoxFacts, type OwnStandIn, type ResolvedBox } from '../box/index.js';
import { sayCount } from '../quantity/index.js';
import { oncePerPair } from '../record/index.js';
import type { SchoolCode } from '../kitchen/index.js';
import type { OrderDraft, OrderLine } from './schema.js';

/** Whether an order still has to be made: neither handed over nor cancelled. */
export const isOpen = (order: Pick<OrderDraft, 'state'>): boolean =>
  order.state !== 'handed over' && order.state !== 'cancelled';

/** The part of an order that says how its boxes are packed. */
type Wishes = Pick<OrderDraft, 'exclusions' | 'agreed' | 'leftOut' | 'standIns' | 'lines'> &
  Partial<Pick<OrderDraft, 'labelSchool'>>;
type Line = Pick<OrderLine, 'boxId' | 'edition' | 'without'>;

/** All that a customer rules out of the boxes of a line: for the whole order, and for these boxes. */
export const ruledOutOf = (order: Pick<OrderDraft, 'exclusions'>, line: Pick<OrderLine, 'without'>): string[] => [
  ...new Set([...order.exclusions, ...line.without]),
];

/** What the boxes of a line must be packed without: every exclusion that the customer has not agreed to break. */
export const withoutOf = (
  order: Pick<OrderDraft, 'exclusions' | 'agreed'>,
  line: Pick<OrderLine, 'boxId' | 'without'>,
): string[] =>
  ruledOutOf(order, line)
    .filter((exclusion) => !order.agreed.some((each) => each.boxId === line.boxId && each.exclusion === exclusion))
    .sort();

/** What was agreed to be left out of a box, where that still covers all that is ruled out. */
function leftOutOf(order: Wishes, line: Line): OrderDraft['leftOut'][number] | undefined {
  const without = withoutOf(order, line);
  return order.leftOut.find(
    (each) => each.boxId === line.boxId && without.every((code) => each.without.includes(code)),
  );
}

/** What the order itself puts in place of pieces of a box. */
const standInsOf = (order: Wishes, { boxId }: Line): OwnStandIn[] =>
  order.standIns.filter((each) => each.boxId === boxId).map(({ pieceId, withId }) => ({ pieceId, withId }));

type Pieces = Parameters<typeof resolveBox>[2];
const known = new WeakMap<BoxFacts, { readonly pieces: Pieces; readonly resolved: Map<string, ResolvedBox> }>();

/** A box as it is packed, worked out once for each way in which it is. */
function resolvedOnce(
  ...[facts, without, pieces, leaveOut, standIns]: Required<Parameters<typeof resolveBox>>
): ResolvedBox {
  let there = known.get(facts);
  if (there?.pieces !== pieces) known.set(facts, (there = { pieces, resolved: new Map() }));
  const key = JSON.stringify([without, leaveOut, standIns]);
  const resolved = there.resolved.get(key) ?? resolveBox(facts, without, pieces, leaveOut, standIns);
  there.resolved.set(key, resolved);
  return resolved;
}

/** The boxes of a line as they are packed: as they were sold, stand-ins in place; undefined when the box is not there. */
export function boxFor(order: Wishes, line: Line, book: Book): ResolvedBox | undefined {
  const facts = boxAsSold(book, line.boxId, line.edition);
  const leaveOut = leftOutOf(order, line) !== undefined;
  return facts && resolvedOnce(facts, withoutOf(order, line), book.pieces, leaveOut, standInsOf(order, line));
}

/** What was changed in a box for its order, in words: `2 × Plain in place of Rum`. */
export const changesOf = ({ standIns, leftOut }: ResolvedBox, { pieces }: Pick<Book, 'pieces'>): string[] => {
  const nameOf = (id: string) => pieces.get(id)?.piece.name ?? id;
  return [
    ...standIns.map(
      ({ fromId, toId, pieces: count }) => `${String(count)} × ${nameOf(toId)} in place of ${nameOf(fromId)}`,
    ),
    ...(leftOut > 0 ? [`${sayCount(leftOut, 'piece')} left out`] : []),
  ];
};

/** What one box of a line costs the customer, minor units: its price as it was sold, less what was agreed for what is left out. */
export function unitPrice(order: Wishes, line: Line, book: Book): number {
  const resolved = boxFor(order, line, book);
  if (!resolved) return 0;
  const less = resolved.leftOut > 0 ? (leftOutOf(order, line)?.lessMinor ?? 0) : 0;
  return Math.max(0, resolved.facts.box.priceMinor - less);
}

/** What all boxes of an order cost the customer, minor units. */
export const priceOfOrder = (order: Wishes, book: Book): number =>
  order.lines.reduce((sum, line) => sum + unitPrice(order, line, book) * line.count, 0);

/** In what way a box is packed; boxes that are packed alike are made and labelled as one. */
export interface PackedAs {
  /** The number that it was sold under; null for the box as it is now. */
  readonly edition: number | null;
  /** What it is packed without, because stand-ins are in place or cells left out; empty for the box as it is sold. */
  readonly without: readonly string[];
  /** Whether cells without a stand-in stay empty. */
  readonly leaveOut: boolean;
  /** Where its label must hold; null where that is as for the kitchen. */
  readonly school: SchoolCode | null;
  /** What orders put in place of pieces themselves. */
  readonly standIns: readonly OwnStandIn[];
}

/** A box as it is, without a word of any order. */
export const AS_IT_IS: PackedAs = { edition: null, without: [], leaveOut: false, school: null, standIns: [] };

/**
 * How the boxes of a line are packed. As long as something must still be decided, they are planned as they are sold.
 */
export function packedAs(order: Wishes, line: Line, book: Book): PackedAs {
  const edition = line.edition === (book.boxes.get(line.boxId)?.box.edition ?? null) ? null : line.edition;
  const resolved = boxFor(order, line, book);
  const changed = resolved?.clear === true && (resolved.standIns.length > 0 || resolved.leftOut > 0);
  const school = order.labelSchool === book.kitchen.label.school ? null : (order.labelSchool ?? null);
  if (!changed) return { ...AS_IT_IS, edition, school };
  const used = standInsOf(order, line).filter(({ pieceId, withId }) =>
    resolved.standIns.some(({ fromId, toId }) => fromId === pieceId && toId === withId),
  );
  return { edition, without: withoutOf(order, line), leaveOut: resolved.leftOut > 0, school, standIns: used };
}

/** The box packed in that way; undefined when it is not there. */
export function packBox(
  book: Book,
  boxId: string,
  { edition, without, leaveOut, standIns }: PackedAs,
): ResolvedBox | undefined {
  const facts = boxAsSold(book, boxId, edition);
  return facts && resolvedOnce(facts, without, book.pieces, leaveOut, standIns);
}

/**
 * What is really in a box that was planned: the same pieces, with all that went into their batches. A stand-in that would now be clear is
 * not in the box.
 * @param made the book as its batches were really made
 */
export const reallyIn = oncePerPair((made: Book, planned: BoxFacts): BoxFacts => workOutBox(planned.box, made.pieces));

/** What is really in the boxes of a line; undefined when the box is not there. */
export function contentsFor(
  order: Wishes & Pick<OrderDraft, 'handOver'>,
  line: Line,
  book: Book,
): BoxFacts | undefined {
  const planned = boxFor(order, line, book)?.facts;
  const made = bookAsMade(book, order.handOver.on);
  return planned && made !== book ? reallyIn(made, planned) : planned;
}

/** Two boxes with the same key are packed alike. */
export const packedKey = (boxId: string, { edition, without, leaveOut, school, standIns }: PackedAs): string =>
  [
    boxId,
    edition ?? '',
    leaveOut ? 'less' : '',
    school ?? '',
    ...without,
    ...standIns.map(({ pieceId, withId }) => `${pieceId}>${withId}`).sort(),
  ].join(' ');

/** How a packed box differs from the box as it is. */
export const packingOf = ({ edition, without, leaveOut, school, standIns }: PackedAs): PackedAs => ({
  edition,
  without,
  leaveOut,
  school,
  standIns,
});
