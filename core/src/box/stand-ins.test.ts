import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, firstLine, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { allergenCodes, brokenBy, exclusionCodes } from '../ingredient/index.js';
import { boxFor, findingsOfOrder } from '../order/index.js';
import { planSeason } from '../plan/index.js';
import { resolveBox } from './stand-ins.js';

const rolled = (recipeId: string) => ({ kind: 'rolled' as const, recipeId, centreGrams: 10 });
const cell = (pieceId: string, ...standIns: string[]) => ({ pieceId, count: 2, standIns });
const book = bookOf({
  ingredients: [
    ingredient('nut', { contains: ['hazelnut'] }),
    ingredient('seed', { contains: ['sesame'] }),
    ingredient('rum', { contains: ['alcohol'] }),
    ingredient('plain'),
  ],
  recipes: ['nut', 'seed', 'rum', 'plain'].map((id) => recipe(id, [line(id, 100)])),
  pieces: ['nut', 'seed', 'rum', 'plain'].map((id) => piece(id, rolled(id))),
  boxes: [
    box('mixed', ['nut'], {
      columns: 3,
      cells: [cell('nut', 'seed', 'plain'), cell('rum'), cell('nut', 'seed', 'plain')],
    }),
  ],
});
const facts = book.boxes.get('mixed');
if (!facts) throw new Error('no box');

describe('a stand-in', () => {
  it('is the first that is clear of everything that is ruled out', () => {
    const { facts: nutFree, standIns, clear } = resolveBox(facts, ['nuts'], book.pieces);
    expect(standIns).toEqual([{ fromId: 'nut', toId: 'seed', cells: 2, pieces: 4 }]);
    expect(nutFree.contains).toEqual(['sesame', 'alcohol']);
    expect(clear).toBe(true);
    expect(resolveBox(facts, ['nuts', 'sesame'], book.pieces).standIns).toEqual([
      { fromId: 'nut', toId: 'plain', cells: 2, pieces: 4 },
    ]);
  });

  it('is not needed where nothing is broken, and leaves to be decided what has none', () => {
    const asItIs = { facts, standIns: [], leftOut: 0 };
    expect(resolveBox(facts, ['gluten'], book.pieces)).toEqual({ ...asItIs, undecided: [], clear: true });
    expect(resolveBox(facts, ['alcohol'], book.pieces)).toEqual({ ...asItIs, undecided: [2], clear: false });
    expect(resolveBox(facts, ['alcohol', 'nuts'], book.pieces).clear).toBe(false);
  });

  it('that is missing leaves the cell empty where that was agreed', () => {
    const less = resolveBox(facts, ['alcohol'], book.pieces, true);
    expect(less).toMatchObject({ clear: true, leftOut: 2, undecided: [] });
    expect(less.facts.box.cells.map((each) => each?.pieceId ?? null)).toEqual(['nut', null, 'nut']);
  });

  it('keeps the weight of a box the sum of its pieces', () => {
    const { facts: without } = resolveBox(facts, ['nuts'], book.pieces);
    const sum = without.pieces.reduce(
      (total, { pieceId, count }) => total + count * (book.pieces.get(pieceId)?.weightGrams ?? 0),
      0,
    );
    expect(without.weightGrams).toBeCloseTo(sum, 9);
  });
});

describe('an order with an exclusion', () => {
  const ada = order('Ada', { mixed: 3 }, '2026-12-12', { exclusions: ['nuts'] });

  it('has nothing to decide when a stand-in is clear, and is made, packed and labelled with it', () => {
    expect(findingsOfOrder(ada, book, TODAY)).toEqual([]);
    const plan = planSeason(book, [ada, order('Bo', { mixed: 1 }, '2026-12-12')], TODAY);
    expect(plan.labels.map(({ without, count }) => [without, count])).toEqual([
      [['nuts'], 3],
      [[], 1],
    ]);
    const [ada12, bo12] = plan.handOvers.find(({ day }) => day === '2026-12-12')?.orders ?? [];
    expect(ada12).toMatchObject({ contents: [{ boxName: 'mixed', count: 3, without: ['nuts'] }], dueMinor: 6000 });
    expect(bo12?.contents[0]?.without).toEqual([]);
    const seeds = plan.runs.find(({ recipeId }) => recipeId === 'seed');
    expect(seeds?.usedGrams).toBeCloseTo(3 * 4 * 10, 6);
  });

  it('that is agreed to is packed as it is sold', () => {
    const agreed = { ...ada, agreed: [{ boxId: 'mixed', exclusion: 'nuts' }] };
    expect(boxFor(agreed, firstLine(agreed), book)?.standIns).toEqual([]);
  });

  it('that cannot be resolved has a message for the customer that promises nothing', () => {
    const [found] = findingsOfOrder({ ...ada, exclusions: ['alcohol'] }, book, TODAY);
    const copy = found?.waysOut.find(({ action }) => action.kind === 'copy')?.action;
    expect(copy).toMatchObject({
      text: expect.stringContaining('Dear Ada, you asked for no alcohol. The mixed has alcohol in it (rum).'),
    });
    expect(copy).toMatchObject({ text: expect.stringContaining('not promise that it is free of traces') });
  });
});

it('never breaks an exclusion in a box that counts as clear', () => {
  const codes = fc.uniqueArray(fc.constantFrom(...allergenCodes), { maxLength: 3 });
  fc.assert(
    fc.property(
      fc.array(codes, { minLength: 4, maxLength: 4 }),
      fc.array(fc.tuple(fc.nat(3), fc.uniqueArray(fc.nat(3), { maxLength: 3 })), { minLength: 1, maxLength: 6 }),
      fc.uniqueArray(fc.constantFrom(...exclusionCodes), { minLength: 1, maxLength: 3 }),
      fc.boolean(),
      (contains, cells, without, leaveOut) => {
        const made = bookOf({
          ingredients: contains.map((list, at) => ingredient(`i${at}`, { contains: list })),
          recipes: contains.map((_list, at) => recipe(`r${at}`, [line(`i${at}`, 100)])),
          pieces: contains.map((_list, at) => piece(`p${at}`, rolled(`r${at}`))),
          boxes: [
            box('b', ['p0'], {
              columns: cells.length,
              cells: cells.map(([at, standIns]) => cell(`p${at}`, ...standIns.map((other) => `p${other}`))),
            }),
          ],
        });
        const of = made.boxes.get('b');
        if (!of) throw new Error('no box');
        const { facts: resolved, clear } = resolveBox(of, without, made.pieces, leaveOut);
        const broken = without.some((code) => brokenBy(code, resolved).length > 0);
        expect(broken).toBe(!clear);
        if (leaveOut) expect(clear).toBe(true);
      },
    ),
    { numRuns: 80 },
  );
});
