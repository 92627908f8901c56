import { describe, expect, it } from '@jest/globals';
import { addDays } from '../quantity/index.js';
import { componentKey, guideSchema, moveGuide, pieceKey, type Guide } from './guide.js';
import { decisionSchema } from './decision.js';

const guide: Guide = {
  pieces: { [pieceKey('square', '2026-12-05')]: [{ day: '2026-12-01', amount: 8 }] },
  components: { [componentKey('base', '2026-12-01')]: [{ day: '2026-11-28', amount: 120.5 }] },
  batches: [{ recipeId: 'fudge', day: '2026-12-01', size: 0.5, count: 2 }],
  pins: [{ recipeId: 'fudge', day: '2026-12-01' }],
};
const wrongPaths = (value: unknown) => {
  const parsed = guideSchema.safeParse(value);
  return parsed.success ? [] : parsed.error.issues.map(({ path }) => path.join('.'));
};

describe('what was decided', () => {
  it('moves with every day in it, and back again', () => {
    const moved = moveGuide(guide, (day) => addDays(day, 7));
    expect(moved.pieces).toEqual({ 'square 2026-12-12': [{ day: '2026-12-08', amount: 8 }] });
    expect(moved.components).toEqual({ 'base 2026-12-08': [{ day: '2026-12-05', amount: 120.5 }] });
    expect([moved.batches[0]?.day, moved.pins[0]?.day]).toEqual(['2026-12-08', '2026-12-08']);
    expect(moveGuide(moved, (day) => addDays(day, -7))).toEqual(guide);
  });

  it('is refused where it cannot be, by its path', () => {
    expect(wrongPaths(guide)).toEqual([]);
    expect(wrongPaths({ ...guide, batches: [{ ...guide.batches[0], count: 0.5 }] })).toEqual(['batches.0.count']);
    expect(wrongPaths({ ...guide, pins: [{ recipeId: 'fudge', day: 'Saturday' }] })).toEqual(['pins.0.day']);
    expect(wrongPaths({ ...guide, pieces: { 'square 2026-12-05': [{ day: '2026-12-01', amount: 0 }] } })).toEqual([
      'pieces.square 2026-12-05.0.amount',
    ]);
  });

  it('keeps what the solver said of it, or that nothing was said', () => {
    const solved = { objective: 900, bound: 880, gap: 0.02, seconds: 3, at: '2026-11-25T12:00:00Z' };
    expect(decisionSchema.parse({ guide, solved })).toEqual({ guide, solved });
    expect(decisionSchema.parse({ guide, solved: null }).solved).toBeNull();
    expect(decisionSchema.safeParse({ guide, solved: { ...solved, gap: -1 } }).success).toBe(false);
  });
});
