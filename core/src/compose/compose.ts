import type { Book, BoxContent } from '../box/index.js';
import { whyNotInto } from '../box/index.js';
import { exclusionName, isClear } from '../ingredient/index.js';
import { costBasis, workOfPiece, type CostBasis } from '../money/index.js';
import type { PieceFacts } from '../piece/index.js';
import { sayCount, sayList, sayMinutes, sayMoney } from '../quantity/index.js';
import { ModelBuilder, smallestClash, type LinearModel, type Solver, type Term } from '../solver/index.js';

/** What a composed box is to be. */
export interface ComposeWish {
  /** Size, packaging, packing time and price; what lies in its cells now is not looked at. */
  readonly box: BoxContent;
  /** What must not be in it, such as `nuts`. */
  readonly without: readonly string[];
  readonly leastKinds: number;
  readonly mostOfOne: number;
  readonly leastMarginPercent: number;
  /** How many such boxes are to be made. */
  readonly boxes: number;
  /** Minutes of hands that the season has to spare; null when that is not asked. */
  readonly spareMinutes: number | null;
}

/** What a proposal is best at. */
export const aims = ['cost', 'variety', 'bench time'] as const;
export type Aim = (typeof aims)[number];

/** One box that keeps every wish, the best there is at its aim. */
export interface Proposal {
  readonly aim: Aim;
  readonly cells: BoxContent['cells'];
  readonly pieces: readonly { readonly pieceId: string; readonly count: number }[];
  readonly kinds: number;
  readonly costMinor: number;
  readonly marginPercent: number;
  /** Minutes of hands for one box. */
  readonly handsMinutes: number;
  readonly why: readonly string[];
}

/** Proposals, or the fewest wishes that cannot all be kept, in words. */
export interface Composition {
  readonly proposals: readonly Proposal[];
  readonly clash: readonly string[];
}

interface Candidate {
  readonly facts: PieceFacts;
  readonly costMinor: number;
  readonly minutes: number;
}

/** The pieces that may lie in the box at all: complete, clear of what is ruled out, and small enough for every cell. */
function candidates(wish: ComposeWish, book: Book, basis: CostBasis): Candidate[] {
  return [...book.pieces.values()].flatMap((facts) => {
    const clear = isClear(wish.without, facts);
    const fits = wish.box.cells.every((_cell, index) => whyNotInto(wish.box, index, facts) === null);
    if (!facts.complete || !clear || !fits) return [];
    const { ingredients, handsMinutes } = workOfPiece(facts, book, basis);
    const hands = (handsMinutes * book.kitchen.handsRateMinorPerHour) / 60;
    return [{ facts, costMinor: ingredients.toNumber() + hands, minutes: handsMinutes }];
  });
}

const sayRuledOut = ({ without }: ComposeWish, book: Book): string =>
  without.length > 0 ? ` without ${sayList(without.map((code) => exclusionName(code, book)))}` : '';

/** What the packaging and the packing of a box cost, minor units. */
const fixedCost = ({ box }: ComposeWish, book: Book): number =>
  box.packaging.reduce((sum, each) => sum + each.costMinor, 0) +
  (box.packMinutes * book.kitchen.handsRateMinorPerHour) / 60;

/** Groups of pieces that must not lie beside the others: each strong flavour, spirits, and crisp apart from soft. */
function keepApart(pieces: readonly Candidate[]): { readonly these: number[]; readonly those: number[] }[] {
  const at = (test: (facts: PieceFacts) => boolean) =>
    pieces.flatMap(({ facts }, index) => (test(facts) ? [index] : []));
  const flavours = new Set(pieces.flatMap(({ facts }) => facts.piece.strong));
  return [
    ...[...flavours].map((flavour) => ({
      these: at(({ piece }) => piece.strong.includes(flavour)),
      those: at(({ piece }) => !piece.strong.includes(flavour)),
    })),
    {
      these: at(({ contains }) => contains.includes('alcohol')),
      those: at(({ contains }) => !contains.includes('alcohol')),
    },
    { these: at(({ piece }) => piece.texture === 'crisp'), those: at(({ piece }) => piece.texture === 'soft') },
  ].filter(({ these, those }) => these.length > 0 && those.length > 0);
}

/** The wishes as a model; the first rows are the wishes that may clash, with their words. */
function modelOf(
  wish: ComposeWish,
  pieces: readonly Candidate[],
  aim: Aim,
  book: Book,
): { model: LinearModel; words: string[] } {
  const model = new ModelBuilder();
  const cells = wish.box.cells.length;
  // Among equally good ones the cheaper: less than one kind and less than a second can ever be worth.
  const cost = aim === 'cost' ? 1 : 0.01 / Math.max(1, wish.box.priceMinor);
  const minute = aim === 'bench time' ? 1 : 0;
  const counts = pieces.map((each) =>
    model.column(each.facts.piece.id, each.costMinor * cost + each.minutes * minute, {
      upper: Math.min(cells, wish.mostOfOne),
      whole: true,
    }),
  );
  const uses = pieces.map((each) => model.choice(`use ${each.facts.piece.id}`, aim === 'variety' ? -1 : 0));
  const say = (minor: number) => sayMoney(Math.round(minor), book.kitchen.currency);
  const of = (value: (each: Candidate) => number): Term[] =>
    pieces.map((each, index) => [counts[index] ?? 0, value(each)]);
  const words: string[] = [];
  const wished = (text: string, add: (name: string) => void) => {
    words.push(text);
    add(text);
  };
  wished(
    `${sayCount(cells, 'cell')}, no more than ${sayCount(wish.mostOfOne, 'of a kind', 'of a kind')}, from ${sayCount(pieces.length, 'piece')}${sayRuledOut(wish, book)} that fit`,
    (name) => {
      model.exactly(name, of(() => 1), cells); // prettier-ignore
    },
  );
  wished(`${sayCount(wish.leastKinds, 'kind')} or more that may lie together`, (name) => {
    model.atLeast(name, uses.map((use): Term => [use, 1]), wish.leastKinds); // prettier-ignore
  });
  const most = wish.box.priceMinor * (1 - wish.leastMarginPercent / 100);
  wished(
    `a margin of ${String(wish.leastMarginPercent)} % at ${say(wish.box.priceMinor)}, so a cost of ${say(most)} or less`,
    (name) => {
      model.atMost(name, of((each) => each.costMinor), most - fixedCost(wish, book)); // prettier-ignore
    },
  );
  const { spareMinutes } = wish;
  if (spareMinutes !== null)
    wished(`${sayMinutes(spareMinutes)} of bench time to spare for ${sayCount(wish.boxes, 'box', 'boxes')}`, (name) => {
      model.atMost(name, of((each) => each.minutes), spareMinutes / wish.boxes - wish.box.packMinutes); // prettier-ignore
    });
  pieces.forEach((each, index) => {
    const [count, use] = [counts[index] ?? 0, uses[index] ?? 0];
    model.atMost(`${each.facts.piece.id} only when used`, [[count, 1], [use, -wish.mostOfOne]], 0); // prettier-ignore
    model.atLeast(`${each.facts.piece.id} when used`, [[count, 1], [use, -1]], 0); // prettier-ignore
  });
  for (const { these, those } of keepApart(pieces)) {
    const chosen = model.choice('which of two groups', 0);
    for (const index of these) model.atMost('apart', [[uses[index] ?? 0, 1], [chosen, -1]], 0); // prettier-ignore
    for (const index of those) model.atMost('apart', [[uses[index] ?? 0, 1], [chosen, 1]], 1); // prettier-ignore
  }
  return { model: model.build(), words };
}

/** The pieces laid out so that equal ones lie far from each other: dealt round, the most frequent first. */
function layOut(counts: readonly { readonly pieceId: string; readonly count: number }[]): BoxContent['cells'] {
  const left = counts.map((each) => ({ ...each })).sort((a, b) => b.count - a.count);
  const cells: BoxContent['cells'] = [];
  while (left.some(({ count }) => count > 0))
    for (const each of left)
      if (each.count > 0) {
        each.count -= 1;
        cells.push({ pieceId: each.pieceId, count: 1, standIns: [] });
      }
  return cells;
}

const best: Record<Aim, (text: { cost: string; kinds: string; minutes: string }) => string> = {
  cost: ({ cost }) => `No box that keeps your wishes costs less than ${cost}.`,
  variety: ({ kinds }) => `No box that keeps your wishes has more than ${kinds}.`,
  'bench time': ({ minutes }) => `No box that keeps your wishes takes less than ${minutes} of your hands.`,
};

/**
 * Finds the cheapest, the most varied and the quickest box that keeps every wish, each proven by the solver. Pieces that must not lie
 * together never do.
 * @returns the same box only once; when no box keeps the wishes, the fewest of them that clash
 */
export async function composeBox(wish: ComposeWish, book: Book, solver: Solver): Promise<Composition> {
  const pieces = candidates(wish, book, costBasis(book));
  if (pieces.length === 0)
    return { proposals: [], clash: [`A piece that goes into every cell${sayRuledOut(wish, book)}`] };
  const proposals: Proposal[] = [];
  for (const aim of aims) {
    const { model, words } = modelOf(wish, pieces, aim, book);
    const { status, values } = await solver(model);
    if (status === 'impossible') {
      const rows = words.map((_text, index) => index);
      return { proposals: [], clash: (await smallestClash(model, rows, solver)).map((row) => words[row] ?? '') };
    }
    const counts = pieces.flatMap(({ facts }, index) => {
      const count = values[index] ?? 0;
      return count > 0 ? [{ pieceId: facts.piece.id, count }] : [];
    });
    const sum = (value: (each: Candidate) => number) =>
      pieces.reduce((total, each, index) => total + value(each) * (values[index] ?? 0), 0);
    const cost = sum((each) => each.costMinor) + fixedCost(wish, book);
    const minutes = sum((each) => each.minutes) + wish.box.packMinutes;
    const margin = (100 * (wish.box.priceMinor - cost)) / wish.box.priceMinor;
    const words3 = {
      cost: sayMoney(Math.round(cost), book.kitchen.currency),
      kinds: sayCount(counts.length, 'kind'),
      minutes: sayMinutes(minutes),
    };
    if (proposals.some((each) => JSON.stringify(each.pieces) === JSON.stringify(counts))) continue;
    proposals.push({
      aim,
      cells: layOut(counts),
      pieces: counts,
      kinds: counts.length,
      costMinor: Math.round(cost),
      marginPercent: margin,
      handsMinutes: minutes,
      why: [
        best[aim](words3),
        `It costs ${words3.cost}, ${String(Math.round(margin))} % of the price is left, and it takes ${words3.minutes}.`,
      ],
    });
  }
  return { proposals, clash: [] };
}
