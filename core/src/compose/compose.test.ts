import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { solver } from '../../testing/solver.js';
import { misfits, mixingWarnings, workOutBox } from '../box/index.js';
import { costBasis, costOfBox, workOfPiece } from '../money/index.js';
import { composeBox, type ComposeWish } from './compose.js';

const kinds = [
  { id: 'fudge', price: 300, contains: ['milk'], texture: 'soft', seconds: 20 },
  { id: 'toffee', price: 900, contains: ['milk', 'sesame'], texture: 'crisp', seconds: 10 },
  { id: 'truffle', price: 2500, contains: ['milk'], texture: 'soft', seconds: 60 },
  { id: 'mint', price: 500, contains: [], texture: null, seconds: 15 },
  { id: 'rum', price: 1500, contains: ['alcohol'], texture: 'soft', seconds: 40 },
  { id: 'bark', price: 700, contains: ['pecan'], texture: null, seconds: 12 },
] as const;

const book = bookOf({
  ingredients: kinds.map(({ id, price, contains }) =>
    ingredient(id, { contains: [...contains], packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: price }] }),
  ),
  recipes: kinds.map(({ id }) => recipe(id, [line(id, 1000)])),
  pieces: kinds.map(({ id, texture, seconds }) =>
    piece(
      id,
      { kind: 'rolled', recipeId: id, centreGrams: 20 },
      { texture, handSeconds: seconds, strong: id === 'mint' ? ['mint'] : [] },
    ),
  ),
});

const empty = (cells: number, priceMinor: number) =>
  box('b', new Array<null>(cells).fill(null), {
    priceMinor,
    packaging: [{ name: 'tray', costMinor: 40 }],
    packMinutes: 1,
  });

const wishFor = (more: Partial<ComposeWish> = {}): ComposeWish => ({
  box: empty(6, 1500),
  without: [],
  traces: false,
  leastKinds: 3,
  mostOfOne: 3,
  leastMarginPercent: 10,
  boxes: 10,
  spareMinutes: null,
  ...more,
});

/** Every way to fill `cells` with at most `most` of each of `count` kinds. */
function* fillings(cells: number, count: number, most: number): Generator<number[]> {
  if (count === 0) {
    if (cells === 0) yield [];
    return;
  }
  for (let first = 0; first <= Math.min(most, cells); first++)
    for (const rest of fillings(cells - first, count - 1, most)) yield [first, ...rest];
}

/** The least cost and time and the most kinds of all boxes that keep a wish, by trying each. */
function byHand(wish: ComposeWish) {
  const basis = costBasis(book);
  const pieces = [...book.pieces.values()];
  const found = { cost: Infinity, kinds: -Infinity, minutes: Infinity };
  for (const counts of fillings(wish.box.cells.length, pieces.length, wish.mostOfOne)) {
    const cells = counts.flatMap((count, at) =>
      Array.from({ length: count }, () => ({ pieceId: pieces[at]?.piece.id ?? '', count: 1, standIns: [] })),
    );
    const facts = workOutBox({ ...empty(cells.length, wish.box.priceMinor), cells }, book.pieces);
    const used = counts.filter((count) => count > 0).length;
    if (used < wish.leastKinds || mixingWarnings(cells, book.pieces).length > 0) continue;
    if (wish.without.includes('alcohol') && facts.contains.includes('alcohol')) continue;
    if (wish.without.includes('dairy') && facts.contains.includes('milk')) continue;
    const exact = pieces.reduce(
      (sum, each, at) => {
        const work = workOfPiece(each, book, basis);
        const count = counts[at] ?? 0;
        return {
          cost: sum.cost + work.ingredients.toNumber() * count,
          minutes: sum.minutes + work.handsMinutes * count,
        };
      },
      { cost: 40, minutes: 1 },
    );
    const cost = exact.cost + (exact.minutes * book.kitchen.handsRateMinorPerHour) / 60;
    if (cost > wish.box.priceMinor * (1 - wish.leastMarginPercent / 100) + 1e-9) continue;
    if (wish.spareMinutes !== null && exact.minutes * wish.boxes > wish.spareMinutes + 1e-9) continue;
    found.cost = Math.min(found.cost, cost);
    found.kinds = Math.max(found.kinds, used);
    found.minutes = Math.min(found.minutes, exact.minutes);
  }
  return found;
}

describe('compose for me', () => {
  it('is the best there is at each aim, as trying every box shows', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.record({
          cells: fc.integer({ min: 2, max: 6 }),
          leastKinds: fc.integer({ min: 1, max: 4 }),
          mostOfOne: fc.integer({ min: 1, max: 4 }),
          priceMinor: fc.integer({ min: 200, max: 1500 }),
          spareMinutes: fc.option(fc.integer({ min: 10, max: 60 })),
          without: fc.constantFrom<string[]>([], ['alcohol']),
        }),
        async ({ cells, priceMinor, ...rest }) => {
          const wish = wishFor({ box: empty(cells, priceMinor), ...rest });
          const { proposals, clash } = await composeBox(wish, book, solver);
          const best = byHand(wish);
          if (best.cost === Infinity) {
            expect(proposals).toEqual([]);
            expect(clash.length).toBeGreaterThan(0);
            return;
          }
          expect(Math.min(...proposals.map((each) => each.costMinor))).toBeCloseTo(best.cost, -0.31);
          expect(Math.max(...proposals.map((each) => each.kinds))).toBe(best.kinds);
          expect(Math.min(...proposals.map((each) => each.handsMinutes))).toBeCloseTo(best.minutes, 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('costs what the same box costs anywhere else, and has nothing in it that was ruled out', async () => {
    const wish = wishFor({ without: ['alcohol', 'sesame'] });
    const { proposals } = await composeBox(wish, book, solver);
    for (const { cells, costMinor, pieces } of proposals) {
      const facts = workOutBox({ ...empty(6, 1500), cells }, book.pieces);
      expect(costOfBox(facts, book, costBasis(book)).costMinor).toBe(costMinor);
      expect(facts.contains).not.toContain('alcohol');
      expect(facts.contains).not.toContain('sesame');
      expect(mixingWarnings(cells, book.pieces)).toEqual([]);
      expect(pieces.reduce((sum, { count }) => sum + count, 0)).toBe(6);
    }
    expect(proposals.map(({ aim }) => aim)).toContain('cost');
  });

  it('says which wishes clash, and only those', async () => {
    const { clash } = await composeBox(wishFor({ leastMarginPercent: 90, spareMinutes: 600 }), book, solver);
    expect(clash).toEqual([
      '3 kinds or more that may lie together',
      'a margin of 90 % at $15.00, so a cost of $1.50 or less',
    ]);
  });

  it('turns away pieces that do not fit the tray', async () => {
    const small = { ...empty(4, 1500), tray: { columnsMm: [20, 20, 20, 20], rowsMm: [20], depthMm: 20 } };
    const { proposals, clash } = await composeBox(wishFor({ box: small, leastKinds: 1, mostOfOne: 4 }), book, solver);
    expect(proposals).toEqual([]);
    expect(clash).toEqual(['A piece that goes into a cell']);
  });

  it('puts each piece where it fits: in a tray of two sizes the larger ones lie in the larger cells', async () => {
    const mixed = bookOf({
      ingredients: [ingredient('sugar', { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 100 }] })],
      recipes: [recipe('slab', [line('sugar', 1000)])],
      pieces: [10, 40].map((grams) =>
        piece(`ball-${String(grams)}`, { kind: 'rolled', recipeId: 'slab', centreGrams: grams }),
      ),
    });
    const tray = { columnsMm: [26, 26, 45], rowsMm: [45], depthMm: 45 };
    const wish = wishFor({
      box: { ...empty(3, 1500), columns: 3, tray },
      leastKinds: 2,
    });
    const { proposals } = await composeBox(wish, mixed, solver);
    expect(proposals.length).toBeGreaterThan(0);
    for (const { cells } of proposals) {
      expect(cells.map((cell) => cell?.pieceId)).toEqual(['ball-10', 'ball-10', 'ball-40']);
      expect(misfits({ ...wish.box, cells }, mixed.pieces)).toEqual([]);
    }
    const none = await composeBox({ ...wish, leastKinds: 1, mostOfOne: 1 }, mixed, solver);
    expect(none.clash).toEqual(['2 cells like cell 1, no more than 1 of a kind, from 1 piece that fit']);
  });

  it('uses what may contain traces of what is ruled out only when that was asked', async () => {
    const traced = bookOf({
      ingredients: [
        ingredient('plain', { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 900 }] }),
        ingredient('traced', {
          mayContain: ['hazelnut'],
          packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 100 }],
        }),
      ],
      recipes: ['plain', 'traced'].map((id) => recipe(id, [line(id, 1000)])),
      pieces: ['plain', 'traced'].map((id) => piece(id, { kind: 'rolled', recipeId: id, centreGrams: 20 })),
    });
    const wish = wishFor({ box: empty(2, 1500), without: ['nuts'], leastKinds: 1 });
    const asked = await composeBox(wish, traced, solver);
    expect(asked.traces).toEqual(['traced']);
    expect(asked.proposals.flatMap((each) => each.pieces.map(({ pieceId }) => pieceId))).not.toContain('traced');
    const allowed = await composeBox({ ...wish, traces: true }, traced, solver);
    expect(allowed.traces).toEqual([]);
    expect(allowed.proposals[0]?.pieces).toEqual([{ pieceId: 'traced', count: 2 }]);
  });

  it('gives each cell stand-ins that are free of what its piece contains, where there are any', async () => {
    const { proposals } = await composeBox(wishFor(), book, solver);
    for (const { cells } of proposals)
      for (const cell of cells) {
        const own = book.pieces.get(cell?.pieceId ?? '');
        for (const code of own?.contains ?? []) {
          const free = cell?.standIns.some((id) => !book.pieces.get(id)?.contains.includes(code));
          expect([cell?.pieceId, code, free]).toEqual([cell?.pieceId, code, true]);
        }
        expect(cell?.standIns).not.toContain(cell?.pieceId);
      }
  });
});
