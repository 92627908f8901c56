import { describe, expect, it } from '@jest/globals';
import { afterRemoval, afterSwap } from './stepLines';

const lines = [null, 0, 1, 2, 3].map((atStep) => ({ atStep }));
const steps = (list: readonly { atStep: number | null }[]) => list.map(({ atStep }) => atStep);

describe('lines that go in at a step', () => {
  it('stay with it when it changes places', () => {
    expect(steps(afterSwap(lines, 1, 2))).toEqual([null, 0, 2, 1, 3]);
  });

  it('go in at the next one when it is gone', () => {
    expect(steps(afterRemoval(lines, 1))).toEqual([null, 0, 1, 1, 2]);
  });
});
