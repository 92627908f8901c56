import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, order, TODAY } from '../../testing/kitchen.js';
import { bench, trufflePantry } from '../../testing/truffles.js';
import { moreBoxes } from '../order/index.js';
import { breachesOf, planSeason } from '../plan/index.js';
import { costsNoBatch, gainOf, handOverDays, largestFor } from './offers.js';
import { PromiseDesk } from './promise.js';

const book = bookOf({ ...trufflePantry, kitchen: bench });
const orders = [order('a', { mixed: 6 }, '2026-12-05'), order('b', { bag: 5 }, '2026-12-12')];
const ground = { book, orders, today: TODAY, guide: null };
const before = planSeason(book, orders, TODAY);

describe('what is left over', () => {
  it('is offered as further boxes, as many as can be packed without one batch more', async () => {
    const offers = await new PromiseDesk(ground).offers();
    expect(offers.length).toBeGreaterThan(0);
    for (const { boxes, on } of offers) {
      const after = planSeason(book, [...orders, moreBoxes({ boxes, on }, 'more')], TODAY);
      expect(costsNoBatch(before, after, book)).toBe(true);
      expect(breachesOf(after, book)).toEqual([]);
      expect(after.leftOut).toEqual([]);
    }
    const single = offers.filter(({ boxes }) => boxes.length === 1);
    const gains = single.map(gainOf);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
  });

  it('is offered as several kinds together where that brings more than any kind for itself', async () => {
    const two = [order('a', { mixed: 4 }, '2026-12-05'), order('b', { bag: 3 }, '2026-12-05')];
    const [first, ...others] = await new PromiseDesk({ ...ground, orders: two }).offers();
    if (!first) throw new Error('nothing is offered');
    expect(first.boxes.length).toBeGreaterThan(1);
    expect(new Set(first.boxes.map(({ boxId }) => boxId)).size).toBe(first.boxes.length);
    for (const each of others) expect(gainOf(first)).toBeGreaterThan(gainOf(each));
  });

  it('is offered at what it costs and brings: the price, less packaging and what must be bought', async () => {
    const packed = bookOf({
      ...trufflePantry,
      kitchen: bench,
      boxes: trufflePantry.boxes.map((box) => ({
        ...box,
        packaging: [{ name: 'tin', kind: 'packaging' as const, costMinor: 150, grams: 0 }],
      })),
    });
    for (const offer of await new PromiseDesk({ ...ground, book: packed }).offers()) {
      const count = offer.boxes.reduce((sum, each) => sum + each.count, 0);
      expect(offer).toMatchObject({ priceMinor: 2000 * count, packagingMinor: 150 * count });
      expect(gainOf(offer)).toBe(count * 1850 - offer.boughtMinor);
    }
  });

  it('is not offered where nothing is left, for a day that has passed, or when it would be given up', async () => {
    expect(await new PromiseDesk({ ...ground, orders: [] }).offers()).toEqual([]);
    expect(handOverDays(orders, '2026-12-06')).toEqual(['2026-12-12']);
    const forgotten = new PromiseDesk(ground).offers({ between: () => Promise.reject(new Error('given up')) });
    await expect(forgotten).rejects.toThrow('given up');
  });
});

it('the largest number is found with few questions', async () => {
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 0, max: 120 }), fc.integer({ min: 1, max: 100 }), async (limit, most) => {
      let asked = 0;
      const holds = (count: number) => {
        asked += 1;
        return Promise.resolve(count <= limit);
      };
      expect(await largestFor(holds, most)).toBe(Math.min(limit, most));
      expect(asked).toBeLessThanOrEqual(15);
    }),
  );
});
