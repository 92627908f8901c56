import { describe, expect, it } from '@jest/globals';
import { bookOf, order, TODAY } from '../../testing/kitchen.js';
import { realBench, realPantry } from '../../testing/real-kitchen.js';
import { solver } from '../../testing/solver.js';
import { moreBoxes } from '../order/index.js';
import { PromiseDesk } from './index.js';

const deskOf = (
  orders: Parameters<typeof order>[2][],
  more: Partial<typeof realBench> & { closures?: { from: string; to: string; reason: string }[] } = {},
) =>
  new PromiseDesk({
    book: bookOf({ ...realPantry, kitchen: { ...realBench, ...more } }),
    orders: orders.map((on, index) => order(`o${String(index)}`, { fine: 14, plain: 20 }, on)),
    today: TODAY,
    guide: null,
  });

describe('a week to come', () => {
  it('says how many boxes of each kind could still be promised, and the promise says the same', async () => {
    const desk = deskOf(['2026-12-12']);
    const week = await desk.week(6);
    expect(week).toMatchObject({
      from: '2027-01-04',
      to: '2027-01-10',
      benchMinutes: 840,
      bookedMinutes: 0,
      orders: 0,
    });
    expect(week.handOver).toBe('2027-01-10');
    for (const { boxId, most } of week.boxes) {
      expect(most).toBeGreaterThan(0);
      const asked = moreBoxes({ boxes: [{ boxId, count: most }], on: '2027-01-10' }, 'asked');
      expect((await desk.check(asked, { solver, work: 0, laterWork: 0 })).verdict).not.toBe('not feasible');
    }
  }, 60_000);

  it('takes fewer the more is ordered, and begins with today', async () => {
    const [empty, full] = await Promise.all([deskOf([]).week(2), deskOf(['2026-12-12', '2026-12-13']).week(2)]);
    for (const [at, { most }] of full.boxes.entries()) expect(most).toBeLessThanOrEqual(empty.boxes[at]?.most ?? 0);
    expect((await deskOf([]).week(0)).from).toBe(TODAY);
    expect(full.orders).toBe(2);
  }, 60_000);

  it('takes none while the kitchen is closed, and asks for the last open day else', async () => {
    const closures = [{ from: '2026-12-12', to: '2026-12-20', reason: 'away' }];
    const desk = deskOf([], { closures });
    const [before, closed] = [await desk.week(2), await desk.week(3)];
    expect(before.handOver).toBe('2026-12-11');
    expect(closed).toMatchObject({ handOver: null, boxes: [], closures, benchMinutes: 0 });
  }, 60_000);
});
