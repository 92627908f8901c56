import { cellSize, nearness, whyNotInto, workOutBox, type BoxContent, type PieceCount } from '../box/index.js';
import type { Book } from '../book/index.js';
import { exclusionName, isClear, substances } from '../ingredient/index.js';
import { costBasis, costOfBox, workOfPiece, type CostBasis } from '../money/index.js';
import type { PieceFacts } from '../piece/index.js';
import { sayCount, sayList, sayMinutes, sayMoney } from '../quantity/index.js';
import { ModelBuilder, smallestClash, type LinearModel, type Solver, type Term } from '../solver/index.js';

/** What a composed box is to be. */
export interface ComposeWish {
  /** Size, packaging, packing time and price; what lies in its cells now is not looked at. */
  readonly box: BoxContent;
  /** What must not be in it, such as `nuts`. */
  readonly without: readonly string[];
  /** Whether pieces may be used that may contain traces of that, as their suppliers say. */
  readonly traces: boolean;
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
  /** Pieces that were not used, because they may contain traces of what is ruled out: that is for the maker to say. */
  readonly traces: readonly string[];
}

interface Candidate {
  readonly facts: PieceFacts;
  readonly costMinor: number;
  readonly minutes: number;
  /** The groups of cells that it fits into. */
  readonly groups: readonly number[];
}

/** Cells of one size: what fits into one of them fits into all. */
interface CellGroup {
  readonly cells: readonly number[];
}

function groupCells({ box }: ComposeWish): CellGroup[] {
  const groups = new Map<string, number[]>();
  box.cells.forEach((_cell, index) => {
    const key = JSON.stringify(cellSize(box, index));
    groups.set(key, [...(groups.get(key) ?? []), index]);
  });
  return [...groups.values()].map((cells) => ({ cells }));
}

/** Whether the suppliers of a piece speak of traces of what is ruled out. */
const hasTraces = ({ without }: ComposeWish, { mayContain }: PieceFacts): boolean =>
  !isClear(without, substances(mayContain));

/** The pieces that may lie in the box at all: complete, clear of what is ruled out, and small enough for a cell of it. */
function candidates(wish: ComposeWish, groups: readonly CellGroup[], book: Book, basis: CostBasis): Candidate[] {
  return [...book.pieces.values()].flatMap((facts) => {
    const fits = groups.flatMap(({ cells: [first = 0] }, index) =>
      whyNotInto(wish.box, first, facts) === null ? [index] : [],
    );
    if (!facts.complete || !isClear(wish.without, facts) || fits.length === 0) return [];
    const { ingredients, handsMinutes } = workOfPiece(facts, book, basis);
    const hands = (handsMinutes * book.kitchen.handsRateMinorPerHour) / 60;
    return [{ facts, costMinor: ingredients.toNumber() + hands, minutes: handsMinutes, groups: fits }];
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
  groups: readonly CellGroup[],
  pieces: readonly Candidate[],
  aim: Aim,
  book: Book,
): { model: LinearModel; words: string[]; placed: readonly (readonly number[])[] } {
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
  // How many of each piece lie in the cells of each size that it fits into.
  const placed = pieces.map((each) =>
    groups.map((group, index) =>
      model.column(`${each.facts.piece.id} in cells ${String(index + 1)}`, 0, {
        upper: each.groups.includes(index) ? group.cells.length : 0,
        whole: true,
      }),
    ),
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
  groups.forEach((group, at) => {
    const fitting = pieces.filter((each) => each.groups.includes(at)).length;
    const which = groups.length === 1 ? '' : ` like cell ${String((group.cells[0] ?? 0) + 1)}`;
    wished(
      `${sayCount(group.cells.length, 'cell')}${which}, no more than ${sayCount(wish.mostOfOne, 'of a kind', 'of a kind')}, from ${sayCount(fitting, 'piece')}${sayRuledOut(wish, book)} that fit`,
      (name) => {
        model.exactly(name, placed.map((row): Term => [row[at] ?? 0, 1]), group.cells.length); // prettier-ignore
      },
    );
  });
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
    const inCells = (placed[index] ?? []).map((column): Term => [column, 1]);
    model.exactly(`${each.facts.piece.id} lies in cells`, [...inCells, [count, -1]], 0);
    model.atMost(`${each.facts.piece.id} only when used`, [[count, 1], [use, -wish.mostOfOne]], 0); // prettier-ignore
    model.atLeast(`${each.facts.piece.id} when used`, [[count, 1], [use, -1]], 0); // prettier-ignore
  });
  for (const { these, those } of keepApart(pieces)) {
    const chosen = model.choice('which of two groups', 0);
    for (const index of these) model.atMost('apart', [[uses[index] ?? 0, 1], [chosen, -1]], 0); // prettier-ignore
    for (const index of those) model.atMost('apart', [[uses[index] ?? 0, 1], [chosen, 1]], 1); // prettier-ignore
  }
  return { model: model.build(), words, placed };
}

/** The pieces of each group of cells laid out so that equal ones lie far from each other: dealt round, the most frequent first. */
function layOut(groups: readonly CellGroup[], counts: readonly (readonly PieceCount[])[]): string[] {
  const cells: string[] = [];
  groups.forEach((group, at) => {
    const left = (counts[at] ?? []).map((each) => ({ ...each })).sort((a, b) => b.count - a.count);
    const dealt: string[] = [];
    while (left.some(({ count }) => count > 0))
      for (const each of left)
        if (each.count > 0) {
          each.count -= 1;
          dealt.push(each.pieceId);
        }
    group.cells.forEach((cell, index) => {
      cells[cell] = dealt[index] ?? '';
    });
  });
  return cells;
}

/** A cell names at most so many stand-ins. */
const MOST_STAND_INS = 3;

/**
 * Stand-ins for a piece in a cell: others that fit there, for each thing that it contains one that is free of it where there is one;
 * those of the same box first, then the nearest in weight and price.
 */
function standInsFor(
  piece: Candidate,
  group: number,
  chosen: ReadonlySet<string>,
  pieces: readonly Candidate[],
): string[] {
  const far = (other: Candidate) =>
    (chosen.has(other.facts.piece.id) ? 0 : 100) +
    nearness(other.facts.weightGrams, piece.facts.weightGrams) +
    nearness(other.costMinor, piece.costMinor);
  const others = pieces
    .filter((other) => other !== piece && other.groups.includes(group))
    .sort((a, b) => far(a) - far(b) || (a.facts.piece.id < b.facts.piece.id ? -1 : 1));
  const open = new Set(piece.facts.contains);
  const found: string[] = [];
  for (const { facts } of others) {
    const frees = [...open].filter((code) => !facts.contains.includes(code));
    if (frees.length === 0 || found.length === MOST_STAND_INS) continue;
    frees.forEach((code) => open.delete(code));
    found.push(facts.piece.id);
  }
  return found;
}

const best: Record<Aim, (text: { cost: string; kinds: string; minutes: string }) => string> = {
  cost: ({ cost }) => `No box with a piece in each cell that keeps your wishes costs less than ${cost}.`,
  variety: ({ kinds }) => `No box with a piece in each cell that keeps your wishes has more than ${kinds}.`,
  'bench time': ({ minutes }) =>
    `No box with a piece in each cell that keeps your wishes takes less than ${minutes} of your hands.`,
};

/** What a proposal is worked out from. */
interface Ground {
  readonly wish: ComposeWish;
  readonly groups: readonly CellGroup[];
  readonly pieces: readonly Candidate[];
  readonly book: Book;
  readonly basis: CostBasis;
}

/** Each box is looked for with so much work at most. */
const MOST_WORK = 20;

/** A proposal: its pieces cell by cell with their stand-ins, and what the same box costs anywhere else. */
function proposalOf(
  aim: Aim,
  counts: readonly PieceCount[],
  ids: readonly string[],
  { wish, groups, pieces, book, basis }: Ground,
): Proposal {
  const chosen = new Set(counts.map(({ pieceId }) => pieceId));
  const cells = ids.map((pieceId, index) => {
    const piece = pieces.find(({ facts }) => facts.piece.id === pieceId);
    const group = groups.findIndex((each) => each.cells.includes(index));
    return { pieceId, count: 1, standIns: piece ? standInsFor(piece, group, chosen, pieces) : [] };
  });
  const content = { ...wish.box, cells };
  const facts = workOutBox({ ...content, id: 'proposal', notes: '', edition: 1, editions: [] }, book.pieces);
  const { costMinor, marginPercent, handsMinutes } = costOfBox(facts, book, basis);
  const said = {
    cost: sayMoney(costMinor, book.kitchen.currency),
    kinds: sayCount(counts.length, 'kind'),
    minutes: sayMinutes(handsMinutes),
  };
  return {
    aim,
    cells,
    pieces: counts,
    kinds: counts.length,
    costMinor,
    marginPercent: marginPercent ?? 0,
    handsMinutes,
    why: [
      best[aim](said),
      `It costs ${said.cost}, ${String(Math.round(marginPercent ?? 0))} % of the price is left, and it takes ${said.minutes}.`,
    ],
  };
}

/**
 * Finds the cheapest, the most varied and the quickest box that keeps every wish, one piece in each cell, each proven by the solver.
 * Each piece fits the cell it lies in; pieces that must not lie together never do; pieces that may contain traces of what is ruled out
 * are used only where the wish says so. Each cell gets stand-ins.
 * @returns the same box only once; when no box keeps the wishes, the fewest of them that clash
 */
export async function composeBox(wish: ComposeWish, book: Book, solver: Solver): Promise<Composition> {
  const basis = costBasis(book);
  const groups = groupCells(wish);
  const all = candidates(wish, groups, book, basis);
  const pieces = wish.traces ? all : all.filter(({ facts }) => !hasTraces(wish, facts));
  const traces = all.filter((each) => !pieces.includes(each)).map(({ facts }) => facts.piece.id);
  if (pieces.length === 0)
    return { proposals: [], clash: [`A piece that goes into a cell${sayRuledOut(wish, book)}`], traces };
  const proposals: Proposal[] = [];
  for (const aim of aims) {
    const { model, words, placed } = modelOf(wish, groups, pieces, aim, book);
    const { status, values } = await solver(model, { work: MOST_WORK });
    if (status === 'impossible') {
      const rows = words.map((_text, index) => index);
      const clash = (await smallestClash(model, rows, solver)).map((row) => words[row] ?? '');
      return { proposals: [], clash, traces };
    }
    const inGroup = groups.map((_group, at) =>
      pieces.flatMap(({ facts }, index) => {
        const count = Math.round(values[placed[index]?.[at] ?? -1] ?? 0);
        return count > 0 ? [{ pieceId: facts.piece.id, count }] : [];
      }),
    );
    const counts = pieces.flatMap(({ facts }, index) => {
      const count = Math.round(values[index] ?? 0);
      return count > 0 ? [{ pieceId: facts.piece.id, count }] : [];
    });
    if (proposals.some((each) => JSON.stringify(each.pieces) === JSON.stringify(counts))) continue;
    proposals.push(proposalOf(aim, counts, layOut(groups, inGroup), { wish, groups, pieces, book, basis }));
  }
  return { proposals, clash: [], traces };
}
