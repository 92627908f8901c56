import { describe, expect, it } from '@jest/globals';
import { bookOf, ingredient, kitchen, line, recipe } from '../../testing/kitchen.js';
import { boilingPointAt, seeded } from '../cooking/index.js';
import { noParts } from '../ingredient/index.js';
import type { PotSetup } from './pot.js';
import { actInRun, practiceRun, runOn, type PracticeRun } from './run.js';
import { coldButter, cookables, potSetupOf, type PotChoice } from './setup.js';

const parts = (of: object) => ({ composition: { ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...of } });
const boil = (celsius: number) => ({
  text: 'Boil.',
  target: { celsius, kind: 'target' as const, boils: true },
  effect: { kind: 'cook' as const },
});
const book = bookOf({
  ingredients: [
    ingredient('sugar', parts({ sucrose: 100 })),
    ingredient('butter', parts({ water: 18, fat: 82 })),
    ingredient('mystery'),
  ],
  recipes: [
    recipe('toffee', [line('sugar', 450), line('butter', 450)], { steps: [boil(149)], foaming: 'boils with dairy' }),
    recipe('brittle', [line('sugar', 450), line('mystery', 50)], { steps: [boil(150)] }),
    recipe('bark', [line('sugar', 450)], { steps: [{ text: 'Spread.' }] }),
    recipe('melt', [line('butter', 450)], { steps: [boil(110)] }),
  ],
});
const [toffee] = cookables(book);
const choice: PotChoice = {
  potLitres: 7.5,
  watts: 1100,
  altitudeMetres: 1420,
  humidity: 45,
  faults: [],
  isSurprise: false,
};
const setupOf = (more: Partial<PotChoice> = {}, random = () => 0.5): PotSetup => {
  const setup = toffee && potSetupOf(toffee, book, kitchen, { ...choice, ...more }, random);
  if (!setup) throw new Error('no setup');
  return setup;
};

describe('what can be practised on', () => {
  it('is whatever is cooked to a temperature and holds known sugar and water', () => {
    expect(cookables(book).map(({ facts }) => facts.recipe.id)).toEqual(['toffee']);
  });

  it('boils and is right as high as the kitchen that was chosen lets it', () => {
    const high = setupOf({ altitudeMetres: 3000 });
    expect(high.waterBoils).toBe(boilingPointAt(3000));
    expect(149 - high.target).toBeCloseTo(100 - boilingPointAt(3000), 6);
    expect(setupOf().contents).toMatchObject({ sugars: 450, fat: 369 });
    expect(setupOf().goesIn).toBe(coldButter);
  });

  it('is damp on a wet day, and has one fault more as a surprise, never one twice', () => {
    expect(setupOf({ faults: ['wet day'] }).humidity).toBeGreaterThan(60);
    expect(setupOf({ faults: ['wet day'], humidity: 90 }).humidity).toBe(90);
    expect(setupOf({ isSurprise: true }).faults).toHaveLength(1);
    expect(setupOf({ isSurprise: true, faults: ['too hot'] }, () => 0).faults).toEqual(['too hot']);
    expect(setupOf().faults).toEqual([]);
  });
});

const kelvins = { offsetKelvin: 1.5, carryOverKelvin: 1 };
const begin = (fromCelsius: number | null = null, setup = setupOf()): PracticeRun =>
  practiceRun(setup, kelvins, fromCelsius, 1_000_000, seeded(3));

/** Lets it cook, stirred, until its thermometer shows so much; then takes it off, and waits for the debrief. */
function cookTo(shows: number, run = begin()): PracticeRun {
  const random = seeded(4);
  let now = run;
  for (let turn = 0; turn < 4000 && !now.debrief; turn++) {
    now = runOn(now, 1, random);
    if (turn % 30 === 0) now = actInRun(now, 'stir');
    const read = now.points.at(-1)?.celsius ?? 0;
    if (now.offAt === null && read >= shows && read < 200) now = actInRun(now, 'take it off');
  }
  return now;
}

describe('a practice run', () => {
  it('reads every half second, by the thermometer of the kitchen, and never changes what was before', () => {
    const before = begin();
    const after = runOn(before, 30, seeded(1));
    expect(before.points).toEqual([]);
    // Some readings do not come.
    expect(after.points.length).toBeGreaterThan(50);
    expect(after.points.length).toBeLessThanOrEqual(60);
    const last = after.points.at(-1);
    expect(last?.at).toBeLessThanOrEqual(1_000_000 + 30_000);
    expect(last?.celsius).toBeGreaterThan(after.pot.pot.celsius - 2);
  });

  it('goes on by itself off the heat, and ends with what it would have been', () => {
    const run = cookTo(setupOf().target + 0.5);
    expect(run.debrief).not.toBeNull();
    expect(run.offAt).not.toBeNull();
    expect(run.pot.pot.seconds - (run.offAt ?? 0)).toBeGreaterThan(45);
    expect(run.dueAt).not.toBeNull();
    expect(run.debrief?.score).toBeGreaterThan(80);
  });

  it('is worse the later it is taken off', () => {
    const target = setupOf().target + kelvins.offsetKelvin;
    const [right, late] = [cookTo(target - 1), cookTo(target + 12)];
    expect(late.debrief?.score).toBeLessThan(right.debrief?.score ?? 0);
    expect((late.offAt ?? 0) - (late.dueAt ?? 0)).toBeGreaterThan((right.offAt ?? 0) - (right.dueAt ?? 0));
  });

  it('stays as it is once it is at its end', () => {
    const over = cookTo(120);
    expect(runOn(over, 30, seeded(1)).pot).toBe(over.pot);
    expect(actInRun(over, 'stir')).toBe(over);
  });

  it('can begin shortly before its moment, clean of what nobody could have done', () => {
    const from = setupOf().target - 18;
    const run = begin(from);
    expect(run.pot.pot.celsius).toBeGreaterThanOrEqual(from);
    expect(run.pot.pot.celsius).toBeLessThan(from + 3);
    expect(run.pot).toMatchObject({ scorched: 0, separated: 0, boiledOver: false });
    expect(run.points).toEqual([]);
  });

  it('comes to an end of its waiting where the heat never brings it there', () => {
    const weak = setupOf({ watts: 30 });
    expect(begin(weak.target - 18, weak).pot.pot.seconds).toBeGreaterThanOrEqual(7200);
  });

  it('takes off once: a second press changes nothing', () => {
    const first = actInRun(runOn(begin(), 60, seeded(1)), 'take it off');
    const second = actInRun(runOn(first, 5, seeded(1)), 'take it off');
    expect(second.offAt).toBe(first.offAt);
  });
});
