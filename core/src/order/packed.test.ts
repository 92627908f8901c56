import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, box, firstLine, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { nextEdition } from '../box/index.js';
import { planSeason } from '../plan/index.js';
import { boxFor, packedAs, priceOfOrder } from './packed.js';
import { filedOrder, leaveOutOf, renewBox, swapBox } from './edits.js';
import { findingsOfOrder } from './findings.js';
import { orderStates } from './schema.js';

const rolled = (recipeId: string) => ({ kind: 'rolled' as const, recipeId, centreGrams: 10 });
const pantry = {
  ingredients: [ingredient('rum', { contains: ['alcohol'] }), ingredient('plain')],
  recipes: [recipe('rum', [line('rum', 100)]), recipe('plain', [line('plain', 100)])],
  pieces: [piece('rum', rolled('rum')), piece('plain', rolled('plain'))],
};
const sold = box('night', ['rum', 'plain', 'plain', 'plain'], { priceMinor: 2000 });
const AT = '2026-11-25T10:00:00Z';

describe('a confirmed order', () => {
  const changed = nextEdition(
    sold,
    { ...sold, priceMinor: 2600, columns: 1, cells: sold.cells.slice(1, 2) },
    new Set([1]),
  );
  const book = bookOf({ ...pantry, boxes: [{ ...changed, id: 'night' }] });
  const ada = order('Ada', { night: 2 }, '2026-12-05', {
    state: 'confirmed',
    lines: [{ boxId: 'night', count: 2, edition: 1 }],
  });

  it('keeps the box and the price that it was sold', () => {
    expect(changed.edition).toBe(2);
    expect(boxFor(ada, firstLine(ada), book)?.facts.pieceCount).toBe(4);
    expect(priceOfOrder(ada, book)).toBe(4000);
    const plan = planSeason(book, [ada, order('Bo', { night: 1 }, '2026-12-05')], TODAY);
    expect(plan.labels.map(({ edition, count }) => [edition, count])).toEqual([
      [1, 2],
      [null, 1],
    ]);
    expect(plan.pieces).toBe(2 * 4 + 1);
  });

  it('says that the box has changed, and takes it as it is now when asked', () => {
    expect(findingsOfOrder(ada, book, TODAY)).toMatchObject([{ code: 'box-changed-since', severity: 'know' }]);
    const renewed = filedOrder(renewBox(ada, 'night'), ada, book.boxes, AT);
    expect(renewed.lines[0]?.edition).toBe(2);
    expect(priceOfOrder(renewed, book)).toBe(5200);
  });

  it('gets its number when it is confirmed, and loses it when it is only asked for again', () => {
    const asked = order('Bo', { night: 1 }, '2026-12-05');
    expect(filedOrder(asked, null, book.boxes, AT)).toMatchObject({
      lines: [{ edition: null }],
      history: [{ state: 'asked', at: AT }],
    });
    const confirmed = filedOrder({ ...asked, state: 'packed' }, asked, book.boxes, AT);
    expect(confirmed.lines[0]?.edition).toBe(2);
    expect(filedOrder({ ...confirmed, state: 'asked' }, confirmed, book.boxes, AT).lines[0]?.edition).toBeNull();
    expect(swapBox(confirmed, { boxId: 'night', without: [] }, 'other').lines[0]?.edition).toBeNull();
  });

  it('keeps the history of its states, one entry a change', () => {
    const states = fc.array(fc.constantFrom(...orderStates), { minLength: 1 });
    fc.assert(
      fc.property(states, (list) => {
        let before = filedOrder(order('Bo', { night: 1 }, '2026-12-05'), null, book.boxes, AT);
        for (const state of list) before = filedOrder({ ...before, state, history: [] }, before, book.boxes, AT);
        const expected = ['asked', ...list].filter((state, index, all) => state !== all[index - 1]);
        expect(before.history.map(({ state }) => state)).toEqual(expected);
      }),
    );
  });
});

describe('the number of a box', () => {
  it('stays as long as nobody has bought it, or nothing that is sold changes', () => {
    expect(nextEdition(sold, { ...sold, priceMinor: 9 }, new Set())).toMatchObject({
      edition: 1,
      editions: [],
      priceMinor: 9,
    });
    expect(nextEdition(sold, { ...sold, notes: 'ribbon' }, new Set([1]))).toMatchObject({
      edition: 1,
      notes: 'ribbon',
    });
  });

  it('comes back when an edit is taken back, and is forgotten with its last order', () => {
    const two = nextEdition(sold, { ...sold, priceMinor: 9 }, new Set([1]));
    const back = nextEdition(two, { ...two, priceMinor: 2000 }, new Set([1, 2]));
    expect(back).toMatchObject({ edition: 1, priceMinor: 2000, editions: [{ edition: 2 }] });
    expect(nextEdition(two, { ...two, priceMinor: 8 }, new Set()).editions).toEqual([]);
  });
});

describe('a piece that nothing replaces', () => {
  const book = bookOf({ ...pantry, boxes: [sold] });
  const ada = order('Ada', { night: 3 }, '2026-12-05', { exclusions: ['alcohol'] });

  it('may be left out for its share of the price', () => {
    const [found] = findingsOfOrder(ada, book, TODAY);
    const way = found?.waysOut.find(({ action }) => action.kind === 'leave-out');
    expect(way?.label).toBe('Leave 1 piece out, $5.00 less a box');
    const less = { ...ada, ...leaveOutOf(ada, 'night', ['alcohol'], 500) };
    expect(findingsOfOrder(less, book, TODAY)).toEqual([]);
    expect(packedAs(less, firstLine(less), book)).toEqual({
      edition: null,
      without: ['alcohol'],
      leaveOut: true,
      school: null,
      standIns: [],
    });
    expect(priceOfOrder(less, book)).toBe(3 * 1500);
    expect(planSeason(book, [less], TODAY)).toMatchObject({ pieces: 9, labels: [{ leaveOut: true, count: 3 }] });
  });

  it('is asked about again when more is ruled out than was agreed', () => {
    const less = { ...ada, ...leaveOutOf(ada, 'night', ['nuts'], 500) };
    expect(findingsOfOrder(less, book, TODAY).map(({ code }) => code)).toEqual(['exclusion-broken']);
    expect(priceOfOrder(less, book)).toBe(3 * 2000);
  });
});
