import { describe, expect, it } from '@jest/globals';
import { bookOf, ingredient, kitchen, line, recipe } from '../../testing/kitchen.js';
import { cookUntil, type Reading } from '../cooking/index.js';
import { noParts } from '../ingredient/index.js';
import { callAt, cookSetup, cookStateOf, forecastAtBench, showsNow } from './cook.js';
import type { NoteKind } from './schema.js';
import { stagesOf } from './stages.js';
import type { TracePoint } from './state.js';
import { startTogether } from './together.js';

const made = (parts: object) => ({ composition: { ...noParts, cocoaButter: 0, milkFat: 0, source: '', ...parts } });
const step = {
  text: 'Boil to hard crack.',
  target: { celsius: 149, kind: 'target' as const, boils: true },
  effect: { kind: 'cook' as const },
};
const book = bookOf({
  ingredients: [
    ingredient('sugar', made({ sucrose: 100 })),
    ingredient('water', made({ water: 100 })),
    ingredient('unknown'),
    ingredient('cacao', { ...made({ fat: 40, sucrose: 50, protein: 10 }), chocolate: 'dark' }),
  ],
  recipes: [
    recipe('brittle', [line('sugar', 400), line('water', 120)], { yield: { by: 'steps' }, steps: [step] }),
    recipe('guess', [line('sugar', 400), line('unknown', 120)], { steps: [step] }),
    recipe('coating', [line('cacao', 900)], {
      steps: [
        { text: 'Temper the chocolate.', target: { celsius: 31, kind: 'window', upToCelsius: 32, boils: false } },
        { text: 'Let it set over night.', rest: { typicalMinutes: 480, safeMinutes: 600, kind: 'guess' } },
      ],
    }),
  ],
});
const factsOf = (id: string) => {
  const facts = book.recipes.get(id);
  if (!facts) throw new Error(id);
  return facts;
};
const facts = factsOf('brittle');
const setup = (() => {
  const found = cookSetup(facts, 0, 1, book, kitchen);
  if (!found) throw new Error('no setup');
  return found;
})();

/** What a probe without faults shows of a pot with so much more heat than is believed. */
function readings(until: number, share = 1.3): Reading[] {
  const read: Reading[] = [];
  const heating = { ...setup.heating, watts: setup.heating.watts * share };
  const start = { seconds: 0, celsius: 21, contents: setup.contents, boils: false };
  cookUntil(start, heating, { step: 0.5, most: 3600 }, ({ celsius }) => celsius >= until, (state) => {
    read.push({ seconds: state.seconds, celsius: state.celsius });
  }); // prettier-ignore
  return read;
}

describe('the pot of a batch', () => {
  it('is known by what is in it at its step, and not at all where a composition is missing', () => {
    expect(setup.contents).toMatchObject({ water: 120, sugars: 400, fat: 0 });
    expect(cookSetup(factsOf('guess'), 0, 1, book, kitchen)).toBeNull();
    expect(cookSetup(facts, 0, 2, book, kitchen)?.contents.sugars).toBe(800);
  });

  it('is foretold from its readings though its heat is another than was believed', () => {
    const good = readings(135);
    const whole = readings(148);
    const left = (whole.at(-1)?.seconds ?? 0) - (good.at(-1)?.seconds ?? 0);
    const forecast = forecastAtBench(good, [], step_(), setup, kitchen);
    expect(Math.abs((forecast?.takeOff.value ?? 0) - left)).toBeLessThan(0.15 * left);
  });

  it('is not foretold from a few seconds of readings', () => {
    const few = readings(120).slice(-20);
    expect(forecastAtBench(few, [], step_(), setup, kitchen)).toBeNull();
    expect(showsNow([])).toBeNull();
  });

  it('rings in time: by the forecast or by what is shown, whichever comes first, and never by one wild reading', () => {
    const at = (celsius: number) => Array.from({ length: 6 }, (_, seconds) => ({ seconds, celsius }));
    const { atBench } = kitchen;
    expect(callAt([], null, 149, atBench)).toBe('wait');
    expect(callAt(at(140), { alarmSeconds: 90 }, 149, atBench)).toBe('wait');
    expect(callAt(at(144), { alarmSeconds: 20 }, 149, atBench)).toBe('get ready');
    expect(callAt(at(146), { alarmSeconds: 0 }, 149, atBench)).toBe('take it off');
    expect(callAt(at(148.2), null, 149, atBench)).toBe('take it off');
    expect(callAt(at(153), null, 149, atBench)).toBe('too far');
  });
});

const step_ = () => {
  const [first] = facts.recipe.steps;
  if (!first) throw new Error('no step');
  return first;
};

describe('the readings of a stage', () => {
  const [, boiling] = stagesOf(facts, 1, book, kitchen, [{ line: 0, stage: 1 }]);
  const start = Date.parse('2026-11-25T18:00:00.000Z');
  const pointsOf = (read: readonly Reading[]): TracePoint[] =>
    read.map(({ seconds, celsius }) => ({ at: start + seconds * 1000, celsius, mark: null }));
  const stateWith = (...notes: readonly [note: NoteKind, seconds: number][]) => ({
    room: null,
    notes: notes.map(([note, seconds]) => ({
      id: note,
      kind: 'note' as const,
      at: new Date(start + seconds * 1000).toISOString(),
      note,
      text: '',
      celsius: null,
      stage: 1,
    })),
  });
  const come = (points: readonly TracePoint[], state = stateWith()) => {
    if (!boiling) throw new Error('no stage');
    return cookStateOf({ facts, size: 1, stage: boiling, state }, points, book, kitchen);
  };

  it('come to what is shown, what it is to show, and when', () => {
    const state = come(pointsOf(readings(135)));
    expect(state?.shows).toBeGreaterThan(133);
    expect(state?.target).toBeCloseTo(149, 1);
    expect(state?.forecast).not.toBeNull();
    expect(state).toMatchObject({ call: 'wait', doubted: 0, from: start });
  });

  it('say nothing while there are none', () => {
    expect(come([])).toMatchObject({ shows: null, forecast: null, call: 'wait', from: null });
  });

  it('leave out what is not believed, and count how much of the last that is', () => {
    const good = pointsOf(readings(120));
    const last = good.at(-1)?.at ?? 0;
    const bad = [1, 2, 3].map((seconds): TracePoint => ({ at: last + seconds * 500, celsius: 170, mark: 'jump' }));
    const state = come([...good, ...bad]);
    expect(state).toMatchObject({ doubted: 3, call: 'wait' });
    expect(state?.good).toHaveLength(good.length);
    // A reading that did not come is nothing to doubt.
    expect(come([...good, { at: last + 500, celsius: null, mark: null }])?.doubted).toBe(0);
  });

  it('count what somebody has read', () => {
    const tapped = [0, 30, 60, 90, 120, 150, 180].map((seconds): TracePoint => ({
      at: start + seconds * 1000,
      celsius: 100 + seconds / 20,
      mark: 'tapped',
    }));
    expect(come(tapped)).toMatchObject({ doubted: 0 });
    expect(come(tapped)?.good).toHaveLength(7);
  });

  it('begin anew where the flame was changed or something went in, and not where it was stirred', () => {
    const points = pointsOf(readings(135));
    const seconds = ((points.at(-1)?.at ?? 0) - start) / 1000;
    const justNow = come(points, stateWith(['heat down', seconds - 5]));
    expect(justNow?.forecast).toBeNull();
    expect(come(points, stateWith(['stirred', seconds - 5]))?.forecast).not.toBeNull();
  });

  it('are nothing where nothing is cooked', () => {
    const [weigh] = stagesOf(facts, 1, book, kitchen, []);
    if (!weigh) throw new Error('no stage');
    expect(cookStateOf({ facts, size: 1, stage: weigh, state: stateWith() }, [], book, kitchen)).toBeNull();
  });
});

describe('two pots', () => {
  const first = {
    takeOff: { value: 300, low: 280, high: 320 },
    curve: [0, 100, 200, 300].map((seconds) => ({ seconds, celsius: 110 + seconds / 10 })),
  };

  it('end together when the second goes on as long before the end as it needs', () => {
    const quick = { ...setup, heating: { ...setup.heating, watts: 4000 } };
    const together = startTogether(first, quick, 120);
    expect(together?.seconds).toBeGreaterThan(0);
    expect(together?.shows).toBeGreaterThanOrEqual(110);
    const slow = startTogether(first, { ...setup, heating: { ...setup.heating, watts: 500 } }, 140);
    expect(slow).toMatchObject({ shows: null });
    expect(slow?.seconds).toBeLessThan(0);
    expect(startTogether(first, { ...setup, heating: { ...setup.heating, watts: 20 } }, 140)).toBeNull();
  });
});

describe('stages', () => {
  const of = (id: string) => stagesOf(factsOf(id), 1, book, kitchen, [{ line: 0, stage: 1 }]);

  it('begin with weighing out and end with weighing what came out', () => {
    expect(of('brittle').map(({ kind }) => kind)).toEqual(['weigh', 'step', 'end']);
    expect(of('brittle')[1]).toMatchObject({ cooks: true, tempers: null });
    expect(of('brittle')[1]?.coldWater).toContain('snap');
  });

  it('know chocolate that is tempered, and a rest that goes over night', () => {
    const [, temper, set] = of('coating');
    expect(temper).toMatchObject({ cooks: false, tempers: { chocolate: 'dark' } });
    expect(set).toMatchObject({ tempers: null, rest: { nights: 1 } });
  });
});
