import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { TODAY } from '../../testing/kitchen.js';
import { addDays, weekday } from '../quantity/index.js';
import { lastArrival, orderBy, thereFrom } from './index.js';

const kitchen = (...weekdays: number[]) => ({ shops: weekdays.length > 0 ? [{ name: 'Market', weekdays }] : [] });
const pack = (leadDays: number, supplier = 'market ') => ({ supplier, leadDays });

describe('when something can be there', () => {
  it('is after its days, on a day of its shop; a shop without days is there on any', () => {
    // Wednesday; the market is on Fridays and Mondays.
    expect(thereFrom(pack(0), TODAY, kitchen(5, 1))).toBe('2026-11-27');
    expect(thereFrom(pack(3), TODAY, kitchen(5, 1))).toBe('2026-11-30');
    expect(thereFrom(pack(3), TODAY, kitchen())).toBe('2026-11-28');
    expect(thereFrom(pack(3, 'Post'), TODAY, kitchen(5))).toBe('2026-11-28');
    expect(lastArrival(pack(0), '2026-12-03', kitchen(5, 1))).toBe('2026-11-30');
    expect(orderBy(pack(2), '2026-12-03', kitchen(5, 1))).toBe('2026-11-28');
  });

  it('fits what is ordered on the last day to order it, and no later one', () => {
    const shopDays = fc.subarray([0, 1, 2, 3, 4, 5, 6]);
    fc.assert(
      fc.property(shopDays, fc.nat(9), fc.nat(40), (weekdays, leadDays, ahead) => {
        const by = addDays(TODAY, ahead);
        const latest = orderBy(pack(leadDays), by, kitchen(...weekdays));
        const arrives = thereFrom(pack(leadDays), latest, kitchen(...weekdays));
        expect(arrives <= by).toBe(true);
        if (weekdays.length > 0) expect(weekdays).toContain(weekday(arrives));
        expect(thereFrom(pack(leadDays), addDays(latest, 1), kitchen(...weekdays)) > by).toBe(true);
      }),
    );
  });
});
