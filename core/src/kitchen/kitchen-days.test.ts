import { describe, expect, it } from '@jest/globals';
import { different, kitchen, TODAY } from '../../testing/kitchen.js';
import { weekday } from '../quantity/index.js';
import { closureOn, kitchenDraftSchema, usualDay, yearLater } from './index.js';

describe('closed days', () => {
  const closures = [{ from: '2026-12-24', to: '2026-12-26', reason: 'rest' }];

  it('are those from the first to the last, both among them', () => {
    const closed = ['2026-12-23', '2026-12-24', '2026-12-26', '2026-12-27'].map((day) => closureOn(day, { closures }));
    expect(closed.map(Boolean)).toEqual([false, true, true, false]);
  });

  it('cannot end before they begin', () => {
    const wrong = kitchenDraftSchema.safeParse({ ...kitchen, closures: [{ from: '2026-12-26', to: '2026-12-24' }] });
    expect(wrong.error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
      ['closures.0.to', 'must not be before the first day'],
    ]);
  });
});

describe('last season as a template', () => {
  const last = {
    ...kitchen,
    dayChanges: [
      different('2025-12-06', { helperHours: 2, humid: true, roomCelsius: 24 }),
      different('2025-12-09', { humid: true }),
      different('2025-12-13', { hours: 0 }),
      different('2026-12-12', { hours: 5 }),
    ],
    closures: [{ from: '2025-12-24', to: '2026-01-03', reason: 'rest' }],
  };
  const { kitchen: next, added } = yearLater(last, TODAY);

  it('has the same weekdays 52 weeks later, without their air, and leaves what is said already', () => {
    expect(added).toBe(2);
    expect(next.dayChanges.filter(({ day }) => day > TODAY)).toEqual([
      { ...usualDay('2026-12-05'), helperHours: 2 },
      different('2026-12-12', { hours: 5 }),
    ]);
    expect(weekday('2026-12-05')).toBe(weekday('2025-12-06'));
    expect(next.closures.at(-1)).toEqual({ from: '2026-12-23', to: '2027-01-02', reason: 'rest' });
  });

  it('adds nothing the second time', () => {
    expect(yearLater(next, TODAY).added).toBe(0);
  });
});
