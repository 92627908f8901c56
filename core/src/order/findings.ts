import { resolveBox, type Book, type ResolvedBox } from '../box/index.js';
import { finding, openWayOut, type Finding, type Subject, type WayOut } from '../finding/index.js';
import { allergens, brokenBy, exclusions } from '../ingredient/index.js';
import { sayDay, sayList, type Day } from '../quantity/index.js';
import type { OrderDraft, OrderFiled } from './schema.js';

/** Whether an order still has to be made: neither handed over nor cancelled. */
export const isOpen = (order: Pick<OrderDraft, 'state'>): boolean =>
  order.state !== 'handed over' && order.state !== 'cancelled';

/** A box of an order that holds what the customer ruled out. */
export interface Breach {
  readonly boxId: string;
  readonly exclusion: string;
  /** The pieces that bring it. */
  readonly pieceNames: readonly string[];
  readonly agreed: boolean;
}

/** What a box of an order must be packed without: every exclusion that the customer has not agreed to break. */
export const withoutOf = (order: Pick<OrderDraft, 'exclusions' | 'agreed'>, boxId: string): string[] =>
  order.exclusions
    .filter((exclusion) => !order.agreed.some((each) => each.boxId === boxId && each.exclusion === exclusion))
    .sort();

/** A box as it is packed for an order, stand-ins in place; undefined when it is not there. */
export function boxFor(
  order: Pick<OrderDraft, 'exclusions' | 'agreed'>,
  boxId: string,
  book: Book,
): ResolvedBox | undefined {
  const facts = book.boxes.get(boxId);
  return facts && resolveBox(facts, withoutOf(order, boxId), book.pieces);
}

/** Every exclusion that a box of the order breaks although stand-ins are in place, agreed ones too. */
export function breachesOf(order: OrderDraft, book: Book): Breach[] {
  return order.lines.flatMap(({ boxId }) => {
    const box = boxFor(order, boxId, book)?.facts;
    if (!box) return [];
    return order.exclusions.flatMap((exclusion) => {
      const pieces = box.pieces.flatMap(({ pieceId }) => {
        const facts = book.pieces.get(pieceId);
        return facts && brokenBy(exclusion, facts.contains).length > 0 ? [facts.piece.name] : [];
      });
      if (pieces.length === 0) return [];
      const agreed = order.agreed.some((each) => each.boxId === boxId && each.exclusion === exclusion);
      return [{ boxId, exclusion, pieceNames: pieces, agreed }];
    });
  });
}

/** Boxes that hold pieces, and none with anything that the order rules out, stand-ins in place. */
const clearBoxes = (order: OrderDraft, book: Book) =>
  [...book.boxes.values()].filter(
    (facts) =>
      facts.complete &&
      !order.lines.some((line) => line.boxId === facts.box.id) &&
      order.exclusions.every(
        (exclusion) =>
          brokenBy(exclusion, resolveBox(facts, order.exclusions, book.pieces).facts.contains).length === 0,
      ),
  );

/** `Contains: barley, pecans` of the broken exclusion, in words. */
const whatBreaks = (exclusion: string, order: OrderDraft, book: Book, boxId: string): string =>
  sayList(
    brokenBy(exclusion, boxFor(order, boxId, book)?.facts.contains ?? []).map((code) =>
      allergens[code].name.toLowerCase(),
    ),
  );

/** A message to the customer about an exclusion that a box breaks. It promises nothing that a home kitchen cannot keep. */
const askCustomer = (order: OrderDraft, breach: Breach, book: Book, instead: readonly string[]): string => {
  const wish = exclusions[breach.exclusion]?.name ?? breach.exclusion;
  const box = book.boxes.get(breach.boxId)?.box.name ?? breach.boxId;
  const offer = instead.length > 0 ? ` I could give you the ${sayList(instead)} in its place.` : '';
  return `Dear ${order.customer.name}, you asked for no ${wish}. The ${box} has ${whatBreaks(breach.exclusion, order, book, breach.boxId)} in it (${sayList(breach.pieceNames)}).${offer} Would you like that, or is the box all right as it is? All of it is made in one home kitchen that handles common allergens, so I can tell you what is in a box but not promise that it is free of traces.`;
};

/** Boxes that keep an exclusion but whose suppliers speak of traces: worth a word to the customer. */
const traceFindings = (order: OrderDraft, book: Book, about: Subject): Finding[] =>
  order.lines.flatMap(({ boxId }) => {
    const box = boxFor(order, boxId, book)?.facts;
    if (!box) return [];
    return order.exclusions
      .filter((exclusion) => brokenBy(exclusion, box.contains).length === 0)
      .flatMap((exclusion) => {
        const traces = brokenBy(exclusion, box.mayContain).map((code) => allergens[code].name.toLowerCase());
        return traces.length === 0
          ? []
          : [
              finding(
                'know',
                'exclusion-traces',
                about,
                `${about.name} wants no ${exclusions[exclusion]?.name ?? exclusion}; ${box.box.name} has none in it, but may contain ${sayList(traces)}, its suppliers say.`,
              ),
            ];
      });
  });

/**
 * What the maker must settle about one open order: exclusions that a box breaks, a hand-over that has passed,
 * a box that is empty or gone.
 * @param today the day on which it is asked
 */
export function findingsOfOrder(order: OrderFiled, book: Book, today: Day): Finding[] {
  if (!isOpen(order)) return [];
  const about: Subject = { noun: 'order', id: order.id, name: order.customer.name };
  const found: Finding[] = [];
  if (order.handOver.on < today)
    found.push(
      finding(
        'decide',
        'hand-over-passed',
        about,
        `${order.customer.name} was to be handed over on ${sayDay(order.handOver.on)} and is still ${order.state}.`,
      ),
    );
  for (const line of order.lines) {
    const box = book.boxes.get(line.boxId);
    if (!box || box.pieceCount === 0)
      found.push(
        finding(
          'stop',
          'order-box-empty',
          about,
          box
            ? `${order.customer.name} ordered ${box.box.name}, which has no pieces.`
            : `${order.customer.name} ordered a box that is not there any more.`,
        ),
      );
  }
  found.push(...traceFindings(order, book, about));
  const clear = clearBoxes(order, book);
  for (const breach of breachesOf(order, book).filter((each) => !each.agreed)) {
    const { boxId, exclusion, pieceNames } = breach;
    const boxName = book.boxes.get(boxId)?.box.name ?? boxId;
    const waysOut: WayOut[] = [
      ...clear.slice(0, 2).map((facts): WayOut => ({
        label: `Change to ${facts.box.name}`,
        action: {
          kind: 'swap-box',
          orderId: order.id,
          fromBoxId: boxId,
          toBoxId: facts.box.id,
        },
      })),
      openWayOut(about, 'Open the order'),
      {
        label: 'Copy a message to the customer',
        action: {
          kind: 'copy',
          text: askCustomer(
            order,
            breach,
            book,
            clear.slice(0, 2).map((facts) => facts.box.name),
          ),
        },
      },
      {
        label: 'The customer knows and agrees',
        action: { kind: 'agree', orderId: order.id, boxId, exclusion },
      },
    ];
    found.push(
      finding(
        'decide',
        'exclusion-broken',
        about,
        `${order.customer.name} wants no ${exclusions[exclusion]?.name ?? exclusion}, but ${boxName} contains ${whatBreaks(exclusion, order, book, boxId)} (${sayList(pieceNames)}).`,
        waysOut,
      ),
    );
  }
  return found;
}

/** The order with one box changed for another; counts add up when it was already there. */
export function swapBox(order: OrderDraft, fromBoxId: string, toBoxId: string): OrderDraft {
  const moved = order.lines.find((line) => line.boxId === fromBoxId);
  if (!moved) return order;
  const target = order.lines.find((line) => line.boxId === toBoxId);
  const lines = target
    ? order.lines
        .filter((line) => line !== moved)
        .map((line) => (line === target ? { ...line, count: line.count + moved.count } : line))
    : order.lines.map((line) => (line === moved ? { ...line, boxId: toBoxId } : line));
  return {
    ...order,
    lines,
    agreed: order.agreed.filter((each) => each.boxId !== fromBoxId),
  };
}

/** The order with one breach marked as known to the customer. */
export const agreeTo = (order: OrderDraft, boxId: string, exclusion: string): OrderDraft => ({
  ...order,
  agreed: [
    ...order.agreed.filter((each) => each.boxId !== boxId || each.exclusion !== exclusion),
    { boxId, exclusion },
  ],
});
