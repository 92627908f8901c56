import { isTooFarAhead, PLANNED_DAYS } from './horizon.js';
import { bookAsMade, boxAsSold, type Book } from '../book/index.js';
import { proposeStandIns, resolveBox, type ResolvedBox } from '../box/index.js';
import { finding, openWayOut, type Finding, type Subject, type WayOut } from '../finding/index.js';
import { brokenBy, exclusionName, substances } from '../ingredient/index.js';
import { closureOn } from '../kitchen/index.js';
import { addDays, percentOfMinor, sayCount, sayDay, sayList, sayMoney, type Day } from '../quantity/index.js';
import { boxFor, contentsFor, isOpen, reallyIn, ruledOutOf, unitPrice, withoutOf } from './packed.js';
import { lineKey, type OrderDraft, type OrderFiled, type OrderLine } from './schema.js';

/** A box of an order that holds what the customer ruled out. */
export interface Breach {
  readonly line: OrderLine;
  readonly exclusion: string;
  /** The pieces that bring it. */
  readonly pieceNames: readonly string[];
  /** What of the exclusion is in the box, in words. */
  readonly what: readonly string[];
  readonly agreed: boolean;
  /** Whether it is in there only because something else went into a batch than its recipe says. */
  readonly asMade: boolean;
}

/** Every exclusion that a box of the order breaks although stand-ins are in place, agreed ones too. */
export function breachesOf(order: OrderDraft, book: Book): Breach[] {
  const made = bookAsMade(book, order.handOver.on);
  return order.lines.flatMap((line) => {
    const planned = boxFor(order, line, book)?.facts;
    if (!planned) return [];
    const really = made === book ? planned : reallyIn(made, planned);
    return ruledOutOf(order, line).flatMap((exclusion) => {
      const isAgreed = order.agreed.some((each) => each.boxId === line.boxId && each.exclusion === exclusion);
      const known = brokenBy(exclusion, planned);
      const more = brokenBy(exclusion, really).filter((code) => !known.includes(code));
      const breach = (codes: typeof known, pieces: Book['pieces'], asMade: boolean): Breach[] => {
        if (codes.length === 0) return [];
        const pieceNames = really.pieces.flatMap(({ pieceId }) => {
          const facts = pieces.get(pieceId);
          return facts && brokenBy(exclusion, facts).some((code) => codes.includes(code)) ? [facts.piece.name] : [];
        });
        // What was agreed for something else was not agreed for this.
        const agreed = isAgreed && !(asMade && known.length > 0);
        return [{ line, exclusion, pieceNames, what: codes.map((code) => exclusionName(code, book)), agreed, asMade }];
      };
      return [...breach(known, book.pieces, false), ...breach(more, made.pieces, true)];
    });
  });
}

/** What whoever packs and hands over must know of a breach. @example 'Does contain sesame (Toffee): not agreed. …' */
export const sayBreach = ({ what, pieceNames, agreed }: Omit<Breach, 'line'>): string =>
  `Does contain ${sayList(what)} (${sayList(pieceNames)}): ${agreed ? 'the customer knows and agrees.' : 'not agreed. Do not pack it before that is decided.'}`;

/** Boxes that hold pieces, and none with anything that is ruled out of a line, stand-ins in place. */
const clearBoxes = (order: OrderDraft, line: OrderLine, book: Book) =>
  [...book.boxes.values()].filter(
    (facts) =>
      facts.complete &&
      !order.lines.some(({ boxId }) => boxId === facts.box.id) &&
      isClear(resolveBox(facts, ruledOutOf(order, line), book.pieces), order, line, book),
  );

/** Whether a box has nothing in it that is ruled out of a line, by its recipes and as its batches were made. */
function isClear({ clear, facts }: ResolvedBox, order: OrderDraft, line: OrderLine, book: Book): boolean {
  const made = bookAsMade(book, order.handOver.on);
  const really = made === book ? facts : reallyIn(made, facts);
  return clear && ruledOutOf(order, line).every((exclusion) => brokenBy(exclusion, really).length === 0);
}

/** A message to the customer about an exclusion that a box breaks. It promises nothing that a home kitchen cannot keep. */
const askCustomer = (order: OrderDraft, breach: Breach, book: Book, instead: readonly string[]): string => {
  const { line, exclusion, what, pieceNames } = breach;
  const box = boxFor(order, line, book)?.facts.box.name ?? line.boxId;
  const offer = instead.length > 0 ? ` I could give you the ${sayList(instead)} in its place.` : '';
  return `Dear ${order.customer.name}, you asked for no ${exclusionName(exclusion, book)}. The ${box} has ${sayList(what)} in it (${sayList(pieceNames)}).${offer} Would you like that, or is the box all right as it is? All of it is made in one home kitchen that handles common allergens, so I can tell you what is in a box but not promise that it is free of traces.`;
};

/** Puts other pieces of the same box in place of those that break something and have no stand-in. */
function standIn(order: OrderFiled, line: OrderLine, book: Book, costOf: CostOf): WayOut[] {
  const resolved = boxFor(order, line, book);
  if (!resolved) return [];
  const proposals = proposeStandIns(resolved, withoutOf(order, line), book.pieces, costOf);
  if (proposals.length === 0) return [];
  const nameOf = (id: string) => book.pieces.get(id)?.piece.name ?? id;
  const swaps = proposals.map(({ fromId, toId }) => `${nameOf(toId)} in place of ${nameOf(fromId)}`);
  return [
    {
      label: `Put ${sayList(swaps)}`,
      action: {
        kind: 'stand-in',
        orderId: order.id,
        boxId: line.boxId,
        standIns: proposals.map(({ fromId, toId }) => ({ pieceId: fromId, withId: toId })),
      },
    },
  ];
}

/** Leaves out what no stand-in replaces, for less money: the same share of the price as of the pieces. */
function leaveOut(order: OrderFiled, line: OrderLine, book: Book): WayOut[] {
  const { boxId } = line;
  const sold = boxAsSold(book, boxId, line.edition);
  if (!sold) return [];
  const without = withoutOf(order, line);
  const { leftOut, facts } = resolveBox(sold, without, book.pieces, true);
  if (leftOut === 0 || facts.pieceCount === 0) return [];
  const lessMinor = percentOfMinor(unitPrice(order, line, book), (100 * leftOut) / sold.pieceCount);
  return [
    {
      label: `Leave ${sayCount(leftOut, 'piece')} out, ${sayMoney(lessMinor, book.kitchen.currency)} less a box`,
      action: { kind: 'leave-out', orderId: order.id, boxId, without, lessMinor },
    },
  ];
}

/** Boxes that were changed after the order was confirmed: the order keeps what it was sold. */
const changedSince = (order: OrderFiled, book: Book, about: Subject<'order'>): Finding[] =>
  order.lines.flatMap(({ boxId, edition }) => {
    const now = book.boxes.get(boxId);
    const sold = boxAsSold(book, boxId, edition);
    if (!now || !sold || sold === now) return [];
    return [
      finding(
        'box-changed-since',
        about,
        { box: sold.box.name },
        {
          part: `${boxId} ${String(edition)}`,
          waysOut: [
            { label: 'Take the box as it is now', action: { kind: 'renew-box', orderId: order.id, boxId } },
            openWayOut(about, 'Open the order'),
          ],
        },
      ),
    ];
  });

/** Boxes that keep an exclusion but whose suppliers speak of traces: worth a word to the customer. */
const traceFindings = (order: OrderDraft, book: Book, about: Subject<'order'>): Finding[] =>
  order.lines.flatMap((line) => {
    const box = contentsFor(order, line, book);
    if (!box) return [];
    return ruledOutOf(order, line)
      .filter((exclusion) => brokenBy(exclusion, box).length === 0)
      .flatMap((exclusion) => {
        const traces = brokenBy(exclusion, substances(box.mayContain)).map((code) => exclusionName(code, book));
        return traces.length === 0
          ? []
          : [
              finding(
                'exclusion-traces',
                about,
                { exclusion: exclusionName(exclusion, book), box: box.box.name, traces },
                { part: `${lineKey(line)} ${exclusion}` },
              ),
            ];
      });
  });

/** Boxes without spirits that hold a flavouring made with alcohol: what "no alcohol" meant is the customer's to say. */
const carrierFindings = (order: OrderDraft, book: Book, about: Subject<'order'>): Finding[] =>
  order.lines.flatMap((line) => {
    const box = contentsFor(order, line, book);
    if (!box?.contains.includes('alcohol-carrier') || box.contains.includes('alcohol')) return [];
    if (!ruledOutOf(order, line).includes('alcohol')) return [];
    const carriers = [...box.ingredientIds].flatMap((id) => {
      const ingredient = book.ingredients.get(id);
      return ingredient?.contains.includes('alcohol-carrier') ? [ingredient.name.toLowerCase()] : [];
    });
    return [finding('alcohol-carrier', about, { box: box.box.name, carriers }, { part: lineKey(line) })];
  });

/** Boxes that the way of their hand-over does not suit: a courier carries only what travels. */
const travelFindings = (order: OrderDraft, book: Book, about: Subject<'order'>): Finding[] =>
  order.handOver.way !== 'courier'
    ? []
    : order.lines.flatMap((line) => {
        const box = boxFor(order, line, book)?.facts;
        if (!box || box.travel === 'travels') return [];
        const names = box.pieces.flatMap(({ pieceId }) => {
          const piece = book.pieces.get(pieceId)?.piece;
          return piece?.travel === box.travel ? [piece.name] : [];
        });
        return [
          finding(
            box.travel === 'local only' ? 'must-not-travel' : 'must-be-kept-cool',
            about,
            { box: box.box.name, pieces: names },
            { part: lineKey(line), waysOut: [openWayOut(about, 'Open the order')] },
          ),
        ];
      });

/** What a piece costs, in any unit: to find one that is near in price. */
export type CostOf = (pieceId: string) => number;

const sameCost: CostOf = () => 1;

/** Finds that the hand-over of an open order has passed, or is too far ahead to be planned. @param today the day on which it is asked */
export function handOverOutOfReach(order: OrderFiled, today: Day): Finding[] {
  const { on } = order.handOver;
  if (!isOpen(order)) return [];
  const about: Subject<'order'> = { noun: 'order', id: order.id, name: order.customer.name };
  if (on < today) return [finding('hand-over-passed', about, { day: on, state: order.state })];
  if (!isTooFarAhead(on, today)) return [];
  const plannedFrom = addDays(on, -PLANNED_DAYS);
  return [
    finding('hand-over-far-off', about, { day: on, plannedFrom }, { waysOut: [openWayOut(about, 'Open the order')] }),
  ];
}

/**
 * What the maker must decide about one open order: exclusions that a box breaks, a hand-over that has passed,
 * a box that is empty or gone.
 * @param today the day on which it is asked
 * @param costOf by which a stand-in is proposed that is near in price; without it by weight alone
 */
export const findingsOfOrder = (order: OrderFiled, book: Book, today: Day, costOf: CostOf = sameCost): Finding[] => [
  ...handOverOutOfReach(order, today),
  ...findingsWhenever(order, book, costOf),
];

/** What must be decided about one open order whatever day it is; see {@link findingsOfOrder}. */
export function findingsWhenever(order: OrderFiled, book: Book, costOf: CostOf): Finding[] {
  if (!isOpen(order)) return [];
  const about: Subject<'order'> = { noun: 'order', id: order.id, name: order.customer.name };
  const found: Finding[] = [];
  for (const line of order.lines) {
    const box = book.boxes.get(line.boxId);
    if (!box || box.pieceCount === 0)
      found.push(finding('order-box-empty', about, { box: box?.box.name ?? null }, { part: lineKey(line) }));
  }
  found.push(
    ...closedFindings(order, book, about),
    ...changedSince(order, book, about),
    ...traceFindings(order, book, about),
    ...carrierFindings(order, book, about),
    ...travelFindings(order, book, about),
  );
  for (const breach of breachesOf(order, book).filter((each) => !each.agreed))
    found.push(findingOfBreach(order, breach, book, costOf, about));
  return found;
}

/** A hand-over on a day on which the kitchen is closed, with the first day before and after on which it is not. */
function closedFindings({ id, handOver: { on } }: OrderFiled, { kitchen }: Book, about: Subject<'order'>): Finding[] {
  const closure = closureOn(on, kitchen);
  if (!closure) return [];
  const open = (step: 1 | -1): Day => {
    let day = on;
    for (let closed = closureOn(day, kitchen); closed; closed = closureOn(day, kitchen))
      day = step > 0 ? addDays(closed.to, 1) : addDays(closed.from, -1);
    return day;
  };
  const waysOut = [open(-1), open(1)].map((to): WayOut => ({
    label: `Move it to ${sayDay(to)}`,
    action: { kind: 'move-order', orderId: id, to },
  }));
  const all = [...waysOut, openWayOut(about, 'Open the order')];
  return [finding('closed-day', about, { day: on, reason: closure.reason }, { waysOut: all })];
}

/** What must be decided about a breach, with every way out of it. */
function findingOfBreach(
  order: OrderFiled,
  breach: Breach,
  book: Book,
  costOf: CostOf,
  about: Subject<'order'>,
): Finding {
  const { line, exclusion, pieceNames, what, asMade } = breach;
  const clear = clearBoxes(order, line, book).slice(0, 2);
  const box = boxFor(order, line, book)?.facts.box.name ?? line.boxId;
  const message = askCustomer(
    order,
    breach,
    book,
    clear.map((facts) => facts.box.name),
  );
  const agree: WayOut = {
    label: 'The customer knows and agrees',
    action: { kind: 'agree', orderId: order.id, boxId: line.boxId, exclusion },
  };
  // Nothing stands in for a piece that is clear by its recipe; and one agreement is not good for two things.
  const isAgreedAlready = order.agreed.some((each) => each.boxId === line.boxId && each.exclusion === exclusion);
  const waysOut: WayOut[] = [
    ...(asMade ? [] : standIn(order, line, book, costOf)),
    ...clear.map((facts): WayOut => ({
      label: `Change to ${facts.box.name}`,
      action: {
        kind: 'swap-box',
        orderId: order.id,
        fromBoxId: line.boxId,
        without: line.without,
        toBoxId: facts.box.id,
      },
    })),
    openWayOut(about, 'Open the order'),
    ...(asMade ? [] : leaveOut(order, line, book)),
    { label: 'Copy a message to the customer', action: { kind: 'copy', text: message } },
    ...(isAgreedAlready ? [] : [agree]),
  ];
  return finding(
    asMade ? 'exclusion-broken-as-made' : 'exclusion-broken',
    about,
    { exclusion: exclusionName(exclusion, book), box, what, pieces: pieceNames },
    { part: `${lineKey(line)} ${exclusion}`, waysOut },
  );
}
