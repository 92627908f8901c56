import { describe, expect, it } from '@jest/globals';
import { bookOf, ingredient, line, recipe } from '../../testing/kitchen.js';
import { daysOfWork, leastMinutesOf, nightsAfterWork, stretchesOf, workingMinutesOf } from './stretches.js';
import type { RecipeFacts } from './book.js';

type Steps = NonNullable<Parameters<typeof recipe>[2]>['steps'];
const rest = (typicalMinutes: number, safeMinutes: number, kind: 'guess' | 'limit' | 'minimum' = 'guess') => ({
  typicalMinutes,
  safeMinutes,
  kind,
});
const factsOf = (steps: Steps, more: Parameters<typeof recipe>[2] = {}): RecipeFacts => {
  const facts = bookOf({
    ingredients: [ingredient('sugar')],
    recipes: [recipe('toffee', [line('sugar', 100)], { handsMinutes: 30, ...more, steps })],
  }).recipes.get('toffee');
  if (!facts) throw new Error('it is in the book');
  return facts;
};
const cook = { kind: 'cook' as const };
const boiling = { celsius: 149, kind: 'target' as const, boils: true };

describe('the stretches of a batch', () => {
  it('are one for a recipe without steps', () => {
    expect(stretchesOf(factsOf([]))).toEqual([
      { minutes: 30, restMinutes: 0, uses: [{ what: 'hands', name: '', offset: 0, minutes: 30 }] },
    ]);
    expect(stretchesOf(factsOf([], { restDays: 1 }))[0]?.restMinutes).toBe(Infinity);
  });

  it('weigh out first, hold the pot and the burner while they cook, and the pan while it rests', () => {
    const facts = factsOf([
      { text: 'Boil', handsMinutes: 12, target: boiling, effect: cook, equipment: ['Pot', 'thermometer'] },
      { text: 'Pour', handsMinutes: 4, rest: rest(40, 60), equipment: ['Sheet'] },
    ]);
    expect(stretchesOf(facts)).toEqual([
      {
        minutes: 30,
        restMinutes: 60,
        uses: [
          { what: 'hands', name: '', offset: 0, minutes: 14 },
          { what: 'equipment', name: 'Pot', offset: 14, minutes: 12 },
          { what: 'burner', name: '', offset: 14, minutes: 12 },
          { what: 'hands', name: '', offset: 14, minutes: 12 },
          { what: 'equipment', name: 'Sheet', offset: 26, minutes: 64 },
          { what: 'hands', name: '', offset: 26, minutes: 4 },
        ],
      },
    ]);
    expect([workingMinutesOf(facts), leastMinutesOf(facts)]).toEqual([30, 90]);
  });

  it('come apart at a rest that may wait, and stay together at one that may not', () => {
    const steps = (kind: 'guess' | 'limit') => [
      { text: 'Cook', handsMinutes: 10, rest: rest(15, 20, kind) },
      { text: 'Beat', handsMinutes: 20 },
    ];
    expect(stretchesOf(factsOf(steps('guess'))).map(({ minutes, restMinutes }) => [minutes, restMinutes])).toEqual([
      [10, 20],
      [20, 0],
    ]);
    // A limit is a rest of its usual length, and the hands are there when it ends.
    expect(stretchesOf(factsOf(steps('limit'))).map(({ minutes, restMinutes }) => [minutes, restMinutes])).toEqual([
      [45, 0],
    ]);
    expect(workingMinutesOf(factsOf(steps('guess')))).toBe(50);
  });

  it('hold the oven as long as it bakes, and are done when it comes out', () => {
    const [bake] = stretchesOf(factsOf([{ text: 'Bake', handsMinutes: 5, rest: rest(25, 35), equipment: ['oven'] }]));
    expect(bake).toMatchObject({ minutes: 55, restMinutes: 0 });
    expect(bake?.uses).toContainEqual({ what: 'equipment', name: 'oven', offset: 25, minutes: 30 });
  });

  it('stand over night when they rest for days or for many hours', () => {
    const [set] = stretchesOf(factsOf([{ text: 'Set', handsMinutes: 5, rest: rest(480, 720), equipment: ['pan'] }]));
    expect(set?.restMinutes).toBe(Infinity);
    expect(set?.uses).toContainEqual({ what: 'equipment', name: 'pan', offset: 25, minutes: Infinity });
    expect(leastMinutesOf(factsOf([{ text: 'Set', handsMinutes: 5 }], { restDays: 1 }))).toBe(30);
  });

  it('are shortened in proportion when the steps say more than the recipe as a whole', () => {
    const steps = [
      { text: 'One', handsMinutes: 20 },
      { text: 'Two', handsMinutes: 40 },
    ];
    const [only] = stretchesOf(factsOf(steps));
    expect(only?.uses.map(({ minutes }) => minutes)).toEqual([10, 20]);
  });

  it('hold the pot through a wait in it, until what is in it is poured, and the burner while it simmers', () => {
    const usesOf = (steps: Steps, what: string) =>
      stretchesOf(factsOf(steps)).flatMap((stretch) =>
        stretch.uses.filter((use) => use.what === what).map(({ name, minutes }) => [name, minutes]),
      );
    const steps: Steps = [
      { text: 'Boil the jam.', handsMinutes: 5, equipment: ['jam pot'], rest: rest(20, 30), target: boiling },
      { text: 'Leave it to stand and skim it.', handsMinutes: 5, rest: rest(40, 60) },
      { text: 'Pour it into jars.', handsMinutes: 5 },
    ];
    // While it waits for whatever time it may need, the pot is in use.
    expect(usesOf(steps, 'equipment')).toEqual([
      ['jam pot', 35],
      ['jam pot', 65],
    ]);
    // Nobody takes it off the heat: it simmers on.
    expect(usesOf(steps, 'burner')).toEqual([['', 35]]);
    const off = steps.map((step, index) =>
      index === 0 ? { ...step, text: 'Boil, then take it off the heat.' } : step,
    );
    expect(usesOf(off, 'burner')).toEqual([['', 5]]);
  });

  it('go on after a night on a day of their own, with the hands of each', () => {
    const over = { typicalMinutes: 1440 * 2, safeMinutes: 1440 * 2, kind: 'minimum' as const };
    const facts = factsOf([
      { text: 'Soak.', handsMinutes: 5, rest: over },
      { text: 'Boil.', handsMinutes: 10 },
    ]);
    expect(daysOfWork(facts).map(({ nightsBefore, handsMinutes }) => [nightsBefore, handsMinutes])).toEqual([
      [0, 20],
      [2, 10],
    ]);
    expect(facts.recipe.restDays).toBe(2);
    expect(nightsAfterWork(facts)).toBe(0);
  });
});
