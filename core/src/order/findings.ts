import { boxAsSold, resolveBox, type Book } from '../box/index.js';
import { finding, openWayOut, type Finding, type Subject, type WayOut } from '../finding/index.js';
import { allergens, brokenBy, exclusions } from '../ingredient/index.js';
import { percentOfMinor, sayCount, sayDay, sayList, sayMoney, type Day } from '../quantity/index.js';
import { boxFor, isOpen, unitPrice, withoutOf } from './packed.js';
import type { OrderDraft, OrderFiled } from './schema.js';

/** A box of an order that holds what the customer ruled out. */
export interface Breach {
  readonly boxId: string;
  readonly exclusion: string;
  /** The pieces that bring it. */
  readonly pieceNames: readonly string[];
  readonly agreed: boolean;
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
  const box = boxFor(order, breach.boxId, book)?.facts.box.name ?? breach.boxId;
  const offer = instead.length > 0 ? ` I could give you the ${sayList(instead)} in its place.` : '';
  return `Dear ${order.customer.name}, you asked for no ${wish}. The ${box} has ${whatBreaks(breach.exclusion, order, book, breach.boxId)} in it (${sayList(breach.pieceNames)}).${offer} Would you like that, or is the box all right as it is? All of it is made in one home kitchen that handles common allergens, so I can tell you what is in a box but not promise that it is free of traces.`;
};

/** Leaves out what no stand-in replaces, for less money: the same share of the price as of the pieces. */
function leaveOut(order: OrderFiled, boxId: string, book: Book): WayOut[] {
  const sold = boxAsSold(book, boxId, order.lines.find((line) => line.boxId === boxId)?.edition ?? null);
  if (!sold) return [];
  const without = withoutOf(order, boxId);
  const { leftOut, facts } = resolveBox(sold, without, book.pieces, true);
  if (leftOut === 0 || facts.pieceCount === 0) return [];
  const lessMinor = percentOfMinor(unitPrice(order, boxId, book), (100 * leftOut) / sold.pieceCount);
  return [
    {
      label: `Leave ${sayCount(leftOut, 'piece')} out, ${sayMoney(lessMinor, book.kitchen.currency)} less a box`,
      action: { kind: 'leave-out', orderId: order.id, boxId, without, lessMinor },
    },
  ];
}

/** Boxes that were changed after the order was confirmed: the order keeps what it was sold. */
const changedSince = (order: OrderFiled, book: Book, about: Subject): Finding[] =>
  order.lines.flatMap(({ boxId, edition }) => {
    const now = book.boxes.get(boxId);
    const sold = boxAsSold(book, boxId, edition);
    if (!now || !sold || sold === now) return [];
    return [
      finding(
        'know',
        'box-changed-since',
        about,
        `${about.name} bought ${sold.box.name} as it was; it has been changed since, and the order keeps what it was sold.`,
        [
          { label: 'Take the box as it is now', action: { kind: 'renew-box', orderId: order.id, boxId } },
          openWayOut(about, 'Open the order'),
        ],
      ),
    ];
  });

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
  found.push(...changedSince(order, book, about), ...traceFindings(order, book, about));
  const clear = clearBoxes(order, book);
  for (const breach of breachesOf(order, book).filter((each) => !each.agreed)) {
    const { boxId, exclusion, pieceNames } = breach;
    const boxName = boxFor(order, boxId, book)?.facts.box.name ?? boxId;
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
      ...leaveOut(order, boxId, book),
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

/** What names that may be of one person have in common: the last word, and the letter that the first begins with. */
function likeness(name: string): string {
  const words = name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
  return `${words[0]?.[0] ?? ''} ${words.at(-1) ?? ''}`;
}

/** Open orders of what may be one customer with the same boxes for the same day: perhaps one order, entered twice. */
export function doubleFindings(orders: readonly OrderFiled[]): Finding[] {
  const alike = new Map<string, OrderFiled[]>();
  for (const order of orders) {
    if (!isOpen(order)) continue;
    const boxes = order.lines.map(({ boxId, count }) => `${boxId} ${count}`).sort();
    const key = [likeness(order.customer.name), order.handOver.on, order.handOver.way, ...boxes].join('|');
    const group = alike.get(key);
    if (group) group.push(order);
    else alike.set(key, [order]);
  }
  return [...alike.values()].flatMap(([twin, ...others]) =>
    others.flatMap((order) => {
      if (!twin) return [];
      const [about, other] = [order, twin].map(({ id, customer }): Subject => ({
        noun: 'order',
        id,
        name: customer.name,
      })) as [Subject, Subject];
      const message = `${about.name} and ${other.name} have the same boxes for ${sayDay(order.handOver.on)}: are they one order, entered twice?`;
      return [
        finding('decide', 'maybe-double', about, message, [
          openWayOut(about, `Open ${about.name}`),
          openWayOut(other, `Open ${other.name}`),
        ]),
      ];
    }),
  );
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
    : order.lines.map((line) => (line === moved ? { ...line, boxId: toBoxId, edition: null } : line));
  return {
    ...order,
    lines,
    agreed: order.agreed.filter((each) => each.boxId !== fromBoxId),
    leftOut: order.leftOut.filter((each) => each.boxId !== fromBoxId),
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

/** The order with what breaks its exclusions left out of a box, for less money. */
export const leaveOutOf = (
  order: OrderDraft,
  boxId: string,
  without: readonly string[],
  lessMinor: number,
): OrderDraft => ({
  ...order,
  leftOut: [...order.leftOut.filter((each) => each.boxId !== boxId), { boxId, without: [...without], lessMinor }],
});

/** The order with a box as it is now in place of what was sold. */
export const renewBox = (order: OrderDraft, boxId: string): OrderDraft => ({
  ...order,
  lines: order.lines.map((line) => (line.boxId === boxId ? { ...line, edition: null } : line)),
});
