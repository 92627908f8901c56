import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { faultsOf } from '../../testing/schedule.js';
import { bestSchedule } from './best.js';
import { boundsOf } from './bounds.js';
import { placeInOrder } from './serial.js';
import { predecessorsFirst, type Activity, type Project } from './project.js';

const activity = (key: string, minutes: number, on: string[], after: string[] = [], lag = 0): Activity => ({
  key,
  minutes,
  uses: on.map((each) => ({ offset: 0, minutes, anyOf: each.split('|') })),
  after: after.map((each) => ({ key: each, lag })),
});
const starts = (project: Project) =>
  Object.fromEntries(bestSchedule(project)?.placed.map(({ activity: { key }, start }) => [key, start]) ?? []);

describe('a schedule', () => {
  it('does other work while something rests', () => {
    const activities = [
      activity('cook', 20, ['hands']),
      activity('cut', 10, ['hands'], ['cook'], 40),
      activity('pack', 30, ['hands']),
    ];
    expect(starts({ activities, resources: [{ key: 'hands', capacity: 1 }] })).toEqual({ cook: 0, pack: 20, cut: 60 });
  });

  it('never has two pots on one burner, and has on two what two can hold', () => {
    const activities = ['a', 'b', 'c'].map((key) => activity(key, 30, ['burner']));
    const span = (capacity: number) =>
      bestSchedule({ activities, resources: [{ key: 'burner', capacity }] })?.span ?? 0;
    expect([span(1), span(2), span(3)]).toEqual([90, 60, 30]);
  });

  it('gives to a second pair of hands what it may do, while it is there', () => {
    const activities = [activity('cook', 60, ['maker']), activity('dip', 30, ['maker|helper'])];
    const resources = [
      { key: 'maker', capacity: 1 },
      { key: 'helper', capacity: 1, from: 20, until: 55 },
    ];
    const best = bestSchedule({ activities, resources });
    expect(best?.span).toBe(60);
    expect(best?.placed.at(-1)?.uses).toEqual([{ resource: 'helper', from: 20, until: 50 }]);
    const short = bestSchedule({ activities, resources: [{ key: 'maker', capacity: 1 }] });
    expect(short?.span).toBe(90);
  });

  it('keeps the stretches of one activity together: the oven waits for the hands', () => {
    const bake: Activity = {
      key: 'bake',
      minutes: 40,
      uses: [
        { offset: 0, minutes: 10, anyOf: ['hands'] },
        { offset: 10, minutes: 20, anyOf: ['oven'] },
        { offset: 30, minutes: 10, anyOf: ['hands'] },
      ],
      after: [],
    };
    const project = {
      activities: [bake, { ...bake, key: 'again' }, activity('weigh', 10, ['hands'])],
      resources: ['hands', 'oven'].map((key) => ({ key, capacity: 1 })),
    };
    const best = bestSchedule(project);
    // One oven: the second goes in when the first comes out; weighing falls into the wait before it.
    expect(best?.span).toBe(60);
    expect(best && faultsOf(best, project)).toEqual([]);
  });

  it('says so when something never fits, and when things wait for one another', () => {
    expect(bestSchedule({ activities: [activity('bake', 5, ['oven'])], resources: [] })).toBeNull();
    const gone = [{ key: 'helper', capacity: 1, from: 0, until: 4 }];
    expect(placeInOrder([activity('dip', 5, ['helper'])], { resources: gone })).toBeNull();
    const circle = [activity('a', 1, [], ['b']), activity('b', 1, [], ['a'])];
    expect(() => predecessorsFirst(circle)).toThrow('"a" would have to be done before itself');
  });

  const anyProject = fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 12 }),
        on: fc.constantFrom('hands', 'oven', 'burner', 'hands|helper'),
        after: fc.array(fc.nat(10), { maxLength: 2 }),
        lag: fc.nat(15),
      }),
      { minLength: 1, maxLength: 9 },
    )
    .map((list): Project => ({
      activities: list.map(({ minutes, on, after, lag }, index) =>
        activity(
          `a${String(index)}`,
          minutes,
          [on],
          after.filter((each) => each < index).map((each) => `a${String(each)}`),
          lag,
        ),
      ),
      resources: [
        { key: 'hands', capacity: 1 },
        { key: 'helper', capacity: 1, from: 5, until: 60 },
        { key: 'oven', capacity: 1 },
        { key: 'burner', capacity: 2 },
      ],
    }));

  it('breaks no rule and beats no bound, whatever has to be done', () => {
    fc.assert(
      fc.property(anyProject, (project) => {
        const best = bestSchedule(project, 50);
        if (!best) throw new Error('it always fits');
        expect(faultsOf(best, project)).toEqual([]);
        expect(best.span).toBeGreaterThanOrEqual(best.bounds.leastMinutes - 1e-6);
        expect(best.span).toBeLessThanOrEqual(placeInOrder(project.activities, project)?.span ?? 0);
      }),
      { numRuns: 150 },
    );
  });

  it('changes the bench over before what cannot stand what was there, whatever has to be done', () => {
    const kinds = fc.array(fc.constantFrom('', 'a', 'b', 'a b', undefined), { minLength: 9, maxLength: 9 });
    fc.assert(
      fc.property(anyProject, kinds, (project, kindOf) => {
        const withKinds: Project = {
          ...project,
          activities: project.activities.map((each, index) => {
            const kind = kindOf[index];
            return kind === undefined ? each : { ...each, kind };
          }),
          changeover: {
            hands: ['hands', 'helper'],
            by: 'hands',
            minutes: 3,
            isNeeded: (from, to) => from.split(' ').some((each) => !to.includes(each)),
          },
        };
        const best = bestSchedule(withKinds, 50);
        if (!best) throw new Error('it always fits');
        expect(faultsOf(best, withKinds)).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  it('is as short as the best of all orders, where there are few', () => {
    const orders = <T>(list: readonly T[]): T[][] =>
      list.length === 0
        ? [[]]
        : list.flatMap((each, index) => orders(list.filter((_, at) => at !== index)).map((rest) => [each, ...rest]));
    fc.assert(
      fc.property(anyProject, (project) => {
        const few: Project = { ...project, activities: project.activities.slice(0, 5) };
        const spans = orders(few.activities).map(
          (order) => placeInOrder(predecessorsFirst(order), few)?.span ?? Infinity,
        );
        expect(bestSchedule(few, 400)?.span).toBeCloseTo(Math.min(...spans), 6);
      }),
      { numRuns: 40 },
    );
  });

  it('is caught when it is wrong', () => {
    const project = {
      activities: [activity('a', 5, ['hands']), activity('b', 5, ['hands'], ['a'])],
      resources: [{ key: 'hands', capacity: 1, from: 2 }],
    };
    const [a, b] = project.activities;
    if (!a || !b) throw new Error('two of them');
    const wrong = faultsOf(
      {
        span: 8,
        changeovers: [],
        placed: [
          { activity: a, start: 0, end: 5, uses: [{ resource: 'hands', from: 0, until: 5 }] },
          { activity: b, start: 3, end: 8, uses: [{ resource: 'hands', from: 3, until: 8 }] },
        ],
      },
      project,
    );
    expect(wrong).toEqual(['b begins before a', 'hands is not there', 'hands is used 2 times at once, 1 are there']);
    expect(faultsOf({ placed: [], changeovers: [], span: 0 }, project)).toEqual(['a is not placed', 'b is not placed']);
  });
});

it('bounds the span by the longest chain and by what each resource must do, with the waits before and after it', () => {
  const project: Project = {
    activities: [
      activity('mix', 10, ['hands']),
      activity('bake 1', 30, ['oven'], ['mix'], 5),
      activity('bake 2', 30, ['oven'], ['mix'], 5),
      activity('trim', 4, ['hands'], ['bake 1', 'bake 2'], 20),
    ],
    resources: [
      { key: 'hands', capacity: 1 },
      { key: 'oven', capacity: 1 },
    ],
  };
  // Chain: 15 until the oven is needed, twice 30 in it, then 4. Oven: 15 before it, 60 in it, 24 after it.
  expect(boundsOf(project)).toEqual({
    chainMinutes: 79,
    resources: [
      { key: 'hands', minutes: 14 },
      { key: 'oven', minutes: 99 },
    ],
    leastMinutes: 99,
  });
  expect(bestSchedule(project)?.span).toBe(99);
});
