import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { seeded } from '../cooking/index.js';
import { debriefOf } from './debrief.js';
import { questionsOf } from './drills.js';
import {
  actOn,
  lookOf,
  potFaults,
  practicePot,
  practiseFor,
  type PotFault,
  type PotSetup,
  type PracticePot,
} from './pot.js';

const toffee: PotSetup = {
  contents: { water: 90, sugars: 470, fat: 365, others: 10 },
  foaming: 'boils with dairy',
  potLitres: 7.5,
  watts: 1100,
  waterBoils: 95,
  target: 144,
  humidity: 45,
  faults: [],
  goesIn: { water: 12, sugars: 0, fat: 58, others: 0 },
};
const syrup: PotSetup = { ...toffee, contents: { water: 200, sugars: 600, fat: 0, others: 0 }, foaming: 'boils clear' };

/** Cooks until it is to be taken off, stirring now and then. */
function cook(setup: PotSetup, { off = setup.target, stirs = 40 }: { off?: number; stirs?: number } = {}) {
  const random = seeded(7);
  let pot = practicePot(setup);
  let dueAt: number | null = null;
  let highest = 0;
  for (let second = 0; second < 3000 && !(pot.isOff && second % 20 === 0); second++) {
    ({ pot } = practiseFor(pot, 1, random));
    if (dueAt === null && pot.pot.celsius >= setup.target) dueAt = pot.pot.seconds;
    if (stirs > 0 && second % stirs === 0) pot = actOn(pot, 'stir');
    if (pot.pot.celsius >= off) pot = actOn(pot, 'take it off');
    highest = Math.max(highest, pot.pot.celsius);
  }
  return { pot, debrief: debriefOf(pot, highest, dueAt, pot.pot.seconds) };
}
const with_ = (setup: PotSetup, ...faults: PotFault[]): PotSetup => ({ ...setup, faults });

describe('a practised cook', () => {
  it('is full marks when it is stirred and taken off at its target', () => {
    const { debrief } = cook(toffee);
    expect(debrief.score).toBeGreaterThanOrEqual(95);
    expect(debrief.verdict).toContain('as it should');
  });

  it('costs more the further it is off', () => {
    const scores = [144, 147, 150, 156].map((off) => cook(toffee, { off }).debrief.score);
    expect(scores).toEqual([...scores].sort((a, b) => b - a));
    expect(cook(toffee, { off: 156 }).debrief.points.join(' ')).toContain('too hot');
    expect(cook(toffee, { off: 130 }).debrief.points.join(' ')).toContain('too soon');
  });

  it.each([
    ['it is never stirred', toffee, 0, 'scorched'],
    ['the flame is too high', with_({ ...toffee, watts: 1500 }, 'too hot'), 40, 'parted'],
    ['the pot is too small', with_({ ...toffee, potLitres: 4 }, 'pot too small'), 40, 'boiled over'],
    ['a clear syrup is stirred', with_(syrup, 'crystals from stirring'), 30, 'grained'],
    ['the room is damp', { ...toffee, humidity: 75 }, 40, 'damp'],
    ['the bulb touches the pot', with_(toffee, 'probe on the bottom'), 40, 'hang free'],
    ['the flame is too weak', with_(toffee, 'power too low'), 40, 'too weak'],
  ] as const)('says what went wrong when %s', (_when, setup, stirs, says) => {
    expect(cook(setup, { stirs }).debrief.points.join(' ')).toContain(says);
  });

  it('parts when something cold goes in all at once', () => {
    const added = actOn(practicePot(with_(toffee, 'butter too fast')), 'add');
    const gently = actOn(practicePot(toffee), 'add');
    expect(added.separated).toBeGreaterThan(gently.separated);
  });

  it('reads too high where the bulb touches, and never shows a pot hotter than its heat makes it', () => {
    const random = seeded(3);
    let pot: PracticePot = practicePot(with_(toffee, 'probe on the bottom'));
    let read: number | null = null;
    for (let second = 0; second < 300; second++) {
      const next = practiseFor(pot, 1, random);
      ({ pot } = next);
      if (next.reads !== null && next.reads > 0 && next.reads < 200) read = next.reads;
    }
    expect(read).toBeGreaterThan(pot.pot.celsius + 3);
  });

  it('comes to a score from 0 to 100 whatever is done', () => {
    const act = fc.constantFrom('stir' as const, 'flame lower' as const, 'flame higher' as const, 'add' as const);
    fc.assert(
      fc.property(
        fc.subarray([...potFaults]),
        fc.array(act, { maxLength: 30 }),
        fc.nat(600),
        (faults, acts, seconds) => {
          let pot = practicePot(with_(toffee, ...faults));
          const random = seeded(1);
          for (let second = 0; second < seconds; second += 2) {
            ({ pot } = practiseFor(pot, 2, random));
            const next = acts[second % 40];
            if (next) pot = actOn(pot, next);
          }
          const { score } = debriefOf(pot, pot.pot.celsius, null, pot.pot.seconds);
          expect(score).toBeGreaterThanOrEqual(0);
          expect(score).toBeLessThanOrEqual(100);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('how a pot looks', () => {
  it('is darker and boils with larger bubbles the hotter it is', () => {
    const hot = [20, 100, 112, 120, 130, 140, 150, 165, 180].map(lookOf);
    const brightness = hot.map(({ colour }) =>
      [1, 3, 5].reduce((sum, at) => sum + parseInt(colour.slice(at, at + 2), 16), 0),
    );
    expect(brightness).toEqual([...brightness].sort((a, b) => b - a));
    expect(hot.map(({ bubbles }) => bubbles)).toEqual(hot.map(({ bubbles }) => bubbles).sort((a, b) => a - b));
  });
});

describe('drills', () => {
  it.each(['cold water', 'tempering', 'split ganache', 'seized chocolate'] as const)(
    'of %s ask with one right answer among others',
    (drill) => {
      for (let seed = 0; seed < 50; seed++) {
        const questions = questionsOf(drill, seed);
        expect(questions.length).toBeGreaterThanOrEqual(4);
        for (const { answers, right, why } of questions) {
          expect(answers.length).toBeGreaterThanOrEqual(3);
          expect(new Set(answers).size).toBe(answers.length);
          expect(answers[right]).toBeTruthy();
          expect(why).not.toBe('');
        }
      }
    },
  );
});
