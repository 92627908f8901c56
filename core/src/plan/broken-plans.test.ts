import { describe, expect, it } from '@jest/globals';
import { bookOf, different, order, TODAY } from '../../testing/kitchen.js';
import { realBench, realPantry } from '../../testing/real-kitchen.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { addDays } from '../quantity/index.js';
import { planSeason, type Plan } from './index.js';

const data = { ...realPantry, kitchen: realBench };
const book = bookOf(data);
const orders = [order('a', { fine: 12, plain: 6 }, '2026-12-12'), order('b', { fine: 10, plain: 8 }, '2026-12-19')];
const plan = planSeason(book, orders, TODAY);

type Run = Plan['runs'][number];
type Finishing = Plan['finishings'][number];
const set = <T, K extends keyof T>(
  list: readonly T[],
  isIt: (each: T) => boolean,
  change: (each: T) => Pick<T, K>,
): T[] => {
  let done = false;
  return list.map((each) => {
    if (done || !isIt(each)) return each;
    done = true;
    return { ...each, ...change(each) };
  });
};
const runs = (id: string, change: (run: Run) => Partial<Run>): Plan => ({
  ...plan,
  runs: set(
    plan.runs,
    ({ recipeId }) => recipeId === id,
    (run) => ({ ...run, ...change(run) }),
  ),
});
const finishings = (id: string, change: (each: Finishing) => Partial<Finishing>): Plan => ({
  ...plan,
  finishings: set(
    plan.finishings,
    ({ pieceId }) => pieceId === id,
    (each) => ({ ...each, ...change(each) }),
  ),
});
/** The same finishing with one of its stages changed. */
const stage = (
  id: string,
  at: number,
  change: (work: Finishing['work'][number]) => Partial<Finishing['work'][number]>,
): Plan =>
  finishings(id, (each) => {
    const work = each.work.map((one, index) => (index === at ? { ...one, ...change(one) } : one));
    return { work, begun: work[0]?.day ?? each.begun, day: work.at(-1)?.day ?? each.day };
  });
const later = (day: string, days: number) => addDays(day, days);
const pegs = (id: string, change: (peg: Run['pegs'][number]) => Partial<Run['pegs'][number]>): Plan =>
  runs(id, (run) => ({ pegs: run.pegs.map((peg, index) => (index === 0 ? { ...peg, ...change(peg) } : peg)) }));
const shopping = (id: string, change: (line: Plan['shopping'][number]) => Partial<Plan['shopping'][number]>): Plan => ({
  ...plan,
  shopping: set(
    plan.shopping,
    ({ ingredientId }) => ingredientId === id,
    (line) => ({ ...line, ...change(line) }),
  ),
});
const packed = (change: (pack: Plan['days'][number]['packs'][number]) => object): Plan => {
  let done = false;
  return {
    ...plan,
    days: plan.days.map((day) => {
      const [first, ...rest] = day.packs;
      if (!first || done) return day;
      done = true;
      return { ...day, packs: [{ ...first, ...change(first) }, ...rest] };
    }),
  };
};
/** The same with everything packed on the first day. */
const packedEarly: Plan = {
  ...plan,
  days: plan.days.map((day, index) => ({ ...day, packs: index === 0 ? plan.days.flatMap(({ packs }) => packs) : [] })),
};
const dayOf = (id: string) => plan.runs.find(({ recipeId }) => recipeId === id)?.day ?? '';
const finishedOn = (id: string) => plan.finishings.find(({ pieceId }) => pieceId === id)?.day ?? '';
const begunOn = (id: string) => plan.finishings.find(({ pieceId }) => pieceId === id)?.begun ?? '';

/** A plan that is broken in one way, and what must be said of it. */
const broken: readonly (readonly [what: string, plan: Plan, said: RegExp])[] = [
  // Whole pieces, for whom they are wanted, in their time.
  ['a piece too few', finishings('dome', ({ count }) => ({ count: count - 1 })), /pieces are made/],
  [
    'pieces of one hand-over forgotten',
    {
      ...plan,
      finishings: plan.finishings.filter(({ pieceId, handOver }) => pieceId !== 'shard' || handOver !== '2026-12-19'),
    },
    /0 of \d+ pieces/,
  ],
  [
    'pieces for a day on which nobody comes',
    finishings('shard', () => ({ handOver: '2026-12-15' })),
    /nobody wants it/,
  ],
  [
    'finished before its body has rested',
    finishings('square', ({ madeOn, work }) => ({
      begun: madeOn,
      day: madeOn,
      work: work.map((one) => ({ ...one, day: madeOn })),
    })),
    /before its body has rested/,
  ],
  ['finished too late to be packed', stage('shard', 0, () => ({ day: '2026-12-12' })), /too late to be packed/],
  ['finished in the past', stage('shard', 0, () => ({ day: '2026-11-21' })), /which has passed/],
  ['made in the past', finishings('shard', () => ({ madeOn: '2026-11-21' })), /made on 2026-11-21, which has passed/],
  [
    'too old for its promise',
    finishings('truffle', () => ({ madeOn: '2026-11-26', handOver: '2026-12-19' })),
    /too old for its promise/,
  ],
  // Stages.
  [
    'left in the freezer',
    { ...plan, findings: plan.findings.filter(({ code }) => code !== 'take-out') },
    /square .* nobody is told to take it out of the freezer/,
  ],
  ['a stage forgotten', finishings('dome', ({ work }) => ({ work: work.slice(1) })), /1 of 2 stages are planned/],
  ['the last stage forgotten', finishings('dome', ({ work }) => ({ work: work.slice(0, 1) })), /last stage is missing/],
  ['capped without its night', stage('dome', 1, () => ({ day: begunOn('dome') })), /too soon after/],
  ['capped before it is filled', stage('dome', 1, () => ({ day: later(begunOn('dome'), -2) })), /too soon after/],
  ['a stage on no bench day', stage('dome', 1, ({ day }) => ({ day: later(day, 1) })), /no bench day/],
  ['a stage in the past', stage('dome', 0, () => ({ day: '2026-11-24' })), /which has passed/],
  ['a stage without its hands', stage('dome', 0, () => ({ handsMinutes: 1 })), /minutes of hands/],
  [
    'said to be finished on another day',
    finishings('dome', ({ day }) => ({ day: later(day, 2) })),
    /is not finished on/,
  ],
  // Batches.
  [
    'a size that is not allowed',
    runs('ganache', ({ batches }) => ({ batches: batches.map((each) => ({ ...each, size: 0.7 })) })),
    /no allowed size/,
  ],
  [
    'half a batch counted',
    runs('fudge', ({ batches }) => ({ batches: batches.map((each) => ({ ...each, count: 0.5 })) })),
    /no number of batches/,
  ],
  [
    'mass out of nothing',
    runs('ganache', ({ leftOverGrams }) => ({ leftOverGrams: leftOverGrams + 50 })),
    /are accounted for/,
  ],
  ['mass that vanishes', runs('ganache', ({ usedGrams }) => ({ usedGrams: usedGrams - 50 })), /are accounted for/],
  ['more pieces than a batch gives', runs('fudge', (run) => ({ sparePieces: run.sparePieces + 500 })), /to spare/],
  [
    'a batch less than its pieces need',
    runs('toffee', ({ batches, ...run }) => ({
      batches: batches.map((each) => ({ ...each, count: 1 })),
      usedGrams: run.usedGrams,
      sparePieces: 200,
    })),
    /to spare|accounted for/,
  ],
  ['used before it has rested', pegs('paste', ({ on }) => ({ on: later(on, -30) })), /before it has rested/],
  ['used when it is too old', pegs('paste', ({ on }) => ({ on: later(on, 40) })), /too old on/],
  [
    'a component of which too little is given',
    pegs('paste', ({ grams }) => ({ grams: grams / 2 })),
    /g are used on .* are given/,
  ],
  [
    'a component of which too much is given',
    pegs('paste', ({ grams }) => ({ grams: grams * 2 })),
    /g are used on .* are given/,
  ],
  ['a shell without its coating', pegs('coating', () => ({ grams: 0 })), /g are used on .* are given/],
  // Days.
  [
    'more work than a day has',
    {
      ...plan,
      days: plan.days.map((day) => (day.runs.length > 0 ? { ...day, bookedMinutes: day.bookedMinutes + 900 } : day)),
    },
    /of \d+ minutes/,
  ],
  [
    'work on a day that is none',
    { ...plan, days: plan.days.map((day) => (day.day === '2026-11-27' ? { ...day, bookedMinutes: 90 } : day)) },
    /2026-11-27: 90 of 60 minutes/,
  ],
  // Packing and labels.
  ['packed before it is finished', packedEarly, /before its .* is finished/],
  ['packed for another day', packed(() => ({ handOver: '2026-12-19' })), /0 of \d+ are packed/],
  ['a box too few packed', packed(({ count }) => ({ count: count - 1 })), /are packed/],
  ['packed for nobody', packed(() => ({ handOver: '2026-12-15' })), /packed for nobody/],
  [
    'labels for nobody',
    { ...plan, labels: plan.labels.map((each, index) => (index === 0 ? { ...each, handOver: '2026-12-15' } : each)) },
    /nobody gets them/,
  ],
  // Shopping.
  [
    'something not bought',
    shopping('nut', ({ packs }) => ({ packs: packs.map((each) => ({ ...each, grams: 1 })) })),
    /are missing on/,
  ],
  [
    'bought after it is used',
    shopping('dark', ({ buyBy }) => ({ buyBy: later(buyBy, 20) })),
    /are missing on|comes on/,
  ],
  ['to be ordered in the past', shopping('cream', () => ({ buyBy: '2026-11-20' })), /which has passed/],
  [
    'from a shop that is not there on that day',
    shopping('cream', ({ firstUse }) => ({ buyBy: later(firstUse, -1) })),
    /it comes on/,
  ],
  ['bought before it keeps', shopping('cream', ({ buyBy }) => ({ notBefore: later(buyBy, 1) })), /not before/],
];

/** What is wrong with the same plan in another kitchen: nobody has told it. */
const elsewhere: readonly (readonly [what: string, more: object, said: RegExp])[] = [
  [
    'dipped on a hot day',
    { dayChanges: [different(finishedOn('truffle'), { roomCelsius: 26 })] },
    /truffle .* in an air that does not suit it/,
  ],
  [
    'kept over a hot day',
    { dayChanges: [different(finishedOn('shard'), { roomCelsius: 29 })] },
    /shard .* stands over .* in an air that does not suit it/,
  ],
  ['toffee on a humid day', { dayChanges: [different(dayOf('toffee'), { humid: true })] }, /toffee .* made in an air/],
  [
    'toffee on a day of 60 %',
    { dayChanges: [different(dayOf('toffee'), { humidityPercent: 60 })] },
    /toffee .* made in an air/,
  ],
  [
    'made while the kitchen is closed',
    { closures: [{ from: dayOf('fudge'), to: dayOf('fudge'), reason: '' }] },
    /fudge .* the kitchen is closed/,
  ],
  [
    'finished while the kitchen is closed',
    { closures: [{ from: finishedOn('shard'), to: finishedOn('shard'), reason: '' }] },
    /shard .* no bench day/,
  ],
  [
    'moulds that are gone',
    { moulds: [{ name: 'Dome mould', cavities: 24, cavityMl: 9, count: 0.5 }] },
    /moulds of 24\/9, 0.5 are there/,
  ],
  [
    'a smaller fridge',
    { coldPlaces: [{ name: 'Shelf', kind: 'fridge', litres: 0.1, celsius: 4 }] },
    /L in the fridge, 0.1 L are there/,
  ],
  [
    'a pan that is gone',
    { pans: [{ name: 'Square pan', lengthMm: 200, widthMm: 200, depthMm: 50, count: 0 }] },
    /full over night, 0 are there/,
  ],
];

describe('the verifier', () => {
  it('has nothing against the plan as it is', () => {
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
  });

  it.each(broken)('finds %s', (_what, mutant, said) => {
    expect(verifyPlan(mutant, book, orders, TODAY).join('\n')).toMatch(said);
  });

  it.each(elsewhere)('finds %s', (_what, more, said) => {
    const kitchen = { ...realBench, ...more };
    expect(verifyPlan(plan, { ...book, kitchen }, orders, TODAY).join('\n')).toMatch(said);
  });

  it('is told of at least forty broken plans', () => {
    expect(broken.length + elsewhere.length).toBeGreaterThanOrEqual(40);
  });
});
