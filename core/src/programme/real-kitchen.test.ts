import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { batch, bookOf, box, different, order, TODAY } from '../../testing/kitchen.js';
import { anyRealBench, anyRealOrders, dome, realBench, realPantry, twoEvenings } from '../../testing/real-kitchen.js';
import { solver } from '../../testing/solver.js';
import { verifyBench } from '../../testing/verify-bench.js';
import { verifyPlan } from '../../testing/verify-plan.js';
import { benchDay, timelineOf } from '../bench-day/index.js';
import { addDays, sayDay } from '../quantity/index.js';
import {
  breachesOf,
  finishingLitres,
  guideOf,
  mouldsHeld,
  mouldsOf,
  planSeason,
  thawsFrom,
  tryMoveStage,
  type Plan,
} from '../plan/index.js';
import { solveProgramme } from './solve.js';

const pantryWith = (more: Partial<typeof realBench> = {}, pieces = realPantry.pieces) =>
  bookOf({ ...realPantry, pieces, kitchen: { ...realBench, ...more } });
const solved = async (book: ReturnType<typeof bookOf>, orders: Parameters<typeof planSeason>[1]) => {
  const { guide, status } = await solveProgramme({ book, orders, today: TODAY }, solver, { work: 1.5 });
  return { status, plan: planSeason(book, orders, TODAY, guide ?? undefined) };
};
const domesOf = ({ finishings }: Plan) => finishings.filter(({ pieceId }) => pieceId === 'dome');

describe('a season in a real kitchen', () => {
  it('breaks no rule that it does not report, as it is drafted and as it is solved', async () => {
    await fc.assert(
      fc.asyncProperty(anyRealBench, anyRealOrders(), async (kitchen, orders) => {
        const book = bookOf({ ...realPantry, kitchen });
        const draft = planSeason(book, orders, TODAY);
        expect(verifyPlan(draft, book, orders, TODAY).filter((each) => !/minutes$/.test(each))).toEqual([]);
        const { status, plan } = await solved(book, orders);
        if (status === 'impossible' || status === 'none') return;
        expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
        expect(breachesOf(plan, book).filter(({ key }) => !key.startsWith('buy-late')).map(({ message }) => message)).toEqual([]); // prettier-ignore
      }),
      { numRuns: runs(12, 40) },
    );
  }, 120_000);
});

describe('domes in two moulds over two evenings', () => {
  const orders = [order('a', { fine: 20 }, '2026-12-12'), order('b', { fine: 20 }, '2026-12-19')];

  it('are shelled and filled on one day and capped on a later one, each with its hands, and no mould is full twice', async () => {
    const book = pantryWith();
    const { plan } = await solved(book, orders);
    expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
    const domes = domesOf(plan);
    expect(domes.reduce((sum, { count }) => sum + count, 0)).toBe(80);
    for (const { work, count, begun, day } of domes) {
      expect(work.map(({ stages }) => stages)).toEqual([
        ['shell', 'fill'],
        ['cap', 'knock out'],
      ]);
      expect(begun < day).toBe(true);
      expect(work.map(({ handsMinutes }) => handsMinutes)).toEqual([(count * 35) / 60, (count * 15) / 60]);
    }
    // 46 domes hold in two moulds: 40 for each hand-over.
    for (const { day } of plan.days) {
      const held = domes
        .filter((each) => each.begun <= day && day < each.day)
        .reduce((sum, { count }) => sum + count, 0);
      expect(held).toBeLessThanOrEqual(2 * 24 * 0.96 + 1e-6);
    }
    for (const { day } of plan.days) expect(verifyBench(benchDay(plan, day, book), plan, day, book)).toEqual([]);
    const first = domes[0];
    const names = benchDay(plan, first?.begun ?? '', book).tasks.map(({ name }) => name);
    expect(names).toContain('Shell and fill dome');
    expect(benchDay(plan, first?.day ?? '', book).tasks.map(({ name }) => name)).toContain('Cap and knock out dome');
  });

  it('take the coating of their shells and of their caps on the days on which these are made', async () => {
    const { plan } = await solved(pantryWith(), orders);
    const [first] = domesOf(plan);
    const pegs = [...plan.runs].flatMap((run) => (run.recipeId === 'coating' ? run.pegs : []));
    const shells = pegs.filter(({ id, role, on }) => id === 'dome' && role === 'shell' && on === first?.begun);
    const caps = pegs.filter(({ id, role, on }) => id === 'dome' && role === 'shell' && on === first?.day);
    expect(shells.length).toBeGreaterThan(0);
    expect(caps.length).toBeGreaterThan(0);
  });

  it('are finished in one go where nothing sets over night', () => {
    const book = pantryWith(
      {},
      realPantry.pieces.map((each) => (each.id === 'dome' ? dome({ handSeconds: 50 }, []) : each)),
    );
    const plan = planSeason(book, orders, TODAY);
    for (const { work } of domesOf(plan)) expect(work).toHaveLength(1);
  });

  it('can have a stage moved to another day, or are told why not', async () => {
    const book = pantryWith();
    const { plan } = await solved(book, orders);
    const [first] = domesOf(plan);
    if (!first) throw new Error('no domes');
    const move = { plan, pins: [], pieceId: 'dome', stage: 1, from: first.day, handOver: first.handOver };
    const [early, closed] = [first.begun, '2026-12-02'].map((to) => tryMoveStage({ ...move, to }, orders, book, TODAY));
    expect(early?.why.join()).toMatch(/it has to rest or set until then/);
    expect(closed?.why).toContain('Wednesday 2 December is no bench day.');
    expect(tryMoveStage({ ...move, to: '2026-12-31' }, orders, book, TODAY).why.join()).toMatch(
      /must have this done by/,
    );
    expect(tryMoveStage({ ...move, stage: 7, to: first.day }, orders, book, TODAY).why).toEqual([
      'That is not in the plan any more.',
    ]);
    const later = plan.days.find(({ day, makerMinutes }) => day > first.day && makerMinutes > 0)?.day ?? '';
    const moved = tryMoveStage({ ...move, to: later }, orders, book, TODAY);
    if (moved.guide) {
      const then = planSeason(book, orders, TODAY, moved.guide);
      expect(domesOf(then).find((each) => each.handOver === first.handOver && each.madeOn === first.madeOn)?.day).toBe(
        later,
      );
      expect(guideOf(then, []).stagePins).toMatchObject([{ pieceId: 'dome', stage: 1, day: later }]);
      expect(verifyPlan(then, book, orders, TODAY)).toEqual([]);
    } else expect(moved.why.length).toBeGreaterThan(0);
  });

  it('that were filled at the bench are capped after their night, whatever was planned', () => {
    const made = batch('x', 'ganache', '2026-12-01', { stageDays: ['2026-12-03'] });
    const then = bookOf({ ...realPantry, kitchen: realBench, batches: [made] });
    const plan = planSeason(then, orders, '2026-12-03');
    const capped = domesOf(plan).filter(({ madeOn }) => madeOn === '2026-12-01');
    expect(capped.length).toBeGreaterThan(0);
    for (const { work, begun } of capped) {
      expect(begun).toBe('2026-12-03');
      expect(work.map(({ stages, day }) => [stages, day >= '2026-12-05'])).toEqual([[['cap', 'knock out'], true]]);
    }
    expect(verifyPlan(plan, then, orders, '2026-12-03')).toEqual([]);
    // The stage before is done, and its night is still to come.
    const [{ handOver, day: from } = { handOver: '', day: '' }] = capped;
    const move = { plan, pins: [], pieceId: 'dome', stage: 1, from, handOver };
    const { why, guide } = tryMoveStage({ ...move, to: '2026-12-03' }, orders, then, '2026-12-03');
    expect(guide).toBeNull();
    expect(why).toContain('dome can be worked on from Friday 4 December on: it has to rest or set until then.');
  });

  it('share their moulds with others, in each part of a day by its nuts', async () => {
    const pale = { ...dome(), id: 'pale', name: 'pale' };
    const { form } = pale;
    if (form.kind !== 'moulded') throw new Error('no dome');
    const noNuts = { ...pale, form: { ...form, layers: [{ recipeId: 'ganache', grams: 6.5, gramsPerMl: 1.2 }] } };
    const book = bookOf({
      ...realPantry,
      pieces: [...realPantry.pieces, noNuts],
      boxes: [...realPantry.boxes, box('pale', ['pale'])],
      kitchen: realBench,
    });
    const [mould] = mouldsOf(book);
    if (!mould) throw new Error('no mould');
    const at = (pieceId: string, begun: string, day: string) => ({ pieceId, begun, day, count: 24 * 0.96 * 2 });
    const both = (first: string, then: string) =>
      mouldsHeld(
        [at(first, '2026-12-01', '2026-12-03'), at(then, '2026-12-03', '2026-12-05')],
        '2026-12-03',
        mould,
        book,
      );
    // What has nuts is capped after what has none is filled: the moulds are wanted twice.
    expect(both('dome', 'pale')).toBeCloseTo(4);
    expect(both('pale', 'dome')).toBeCloseTo(2);
    expect(both('dome', 'dome')).toBeCloseTo(2);
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            pale: fc.integer({ min: 1, max: 60 }),
            fine: fc.integer({ min: 1, max: 14 }),
            days: fc.integer({ min: 9, max: 20 }),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        async (list) => {
          const wanted = list.map(({ days, ...lines }, index) =>
            order(`o${String(index)}`, lines, addDays(TODAY, days)),
          );
          const draft = planSeason(book, wanted, TODAY);
          const { status, plan } = await solved(book, wanted);
          expect(verifyPlan(draft, book, wanted, TODAY).filter((each) => !/minutes$/.test(each))).toEqual([]);
          for (const each of status === 'impossible' || status === 'none' ? [draft] : [draft, plan])
            for (const { day } of each.days)
              expect(verifyBench(benchDay(each, day, book), each, day, book)).toEqual([]);
          if (status !== 'impossible' && status !== 'none') expect(verifyPlan(plan, book, wanted, TODAY)).toEqual([]);
        },
      ),
      { numRuns: runs(4, 10) },
    );
  }, 120_000);

  it('with the same stages, have their order checked as they are typed', () => {
    expect(() => dome({}, [...twoEvenings].reverse())).toThrow(/in their order/);
    expect(() =>
      dome(
        {},
        twoEvenings.map((each) => ({ ...each, nightsAfter: 1 })),
      ),
    ).toThrow(/must not set after the last/);
  });
});

describe('the air of a day', () => {
  const orders = [order('a', { fine: 6 }, '2026-12-12')];

  it('moves the dipping from a hot day to the next, and says why where none is left', () => {
    const before = planSeason(pantryWith(), orders, TODAY);
    const dipped = before.finishings.find(({ pieceId }) => pieceId === 'truffle')?.day ?? '';
    const hot = pantryWith({ dayChanges: [different(dipped, { roomCelsius: 27 })] });
    const after = planSeason(hot, orders, TODAY);
    expect(after.finishings.filter(({ pieceId }) => pieceId === 'truffle').map(({ day }) => day)).not.toContain(dipped);
    expect(verifyPlan(after, hot, orders, TODAY)).toEqual([]);
    // The plan that was decided is told.
    const decided = planSeason(hot, orders, TODAY, guideOf(before, []));
    expect(verifyPlan(decided, hot, orders, TODAY)).toEqual([]);
    const all = before.days.map(({ day }) => different(day, { roomCelsius: 27 }));
    expect(planSeason(pantryWith({ dayChanges: all }), orders, TODAY).findings.map(({ code }) => code)).toContain(
      'too-late',
    );
  });

  it('lets what is set in the fridge be finished on a hot day, and says so', () => {
    const pieces = realPantry.pieces.map((each) => (each.id === 'truffle' ? { ...each, setsInFridge: true } : each));
    const before = planSeason(pantryWith({}, pieces), orders, TODAY);
    const dipped = before.finishings.find(({ pieceId }) => pieceId === 'truffle')?.day ?? '';
    const hot = pantryWith({ dayChanges: [different(dipped, { roomCelsius: 27 })] }, pieces);
    const plan = planSeason(hot, orders, TODAY);
    expect(plan.finishings.find(({ pieceId }) => pieceId === 'truffle')?.day).toBe(dipped);
    expect(plan.findings.filter(({ code }) => code === 'set-in-fridge').map(({ message }) => message)).toEqual([
      expect.stringMatching(/^truffle is finished on .*, a warm day: set it in the fridge\.$/),
    ]);
    const strip = benchDay(plan, dipped, hot).tasks.find(({ pieceId }) => pieceId === 'truffle');
    expect(strip?.hold?.text).toBe('sets in the fridge');
  });

  it('says over which days something stands that the room spoils, unless it stands cold', () => {
    const shards = [order('a', { plain: 4 }, '2026-12-12')];
    const made = planSeason(pantryWith(), shards, TODAY).finishings.find(({ pieceId }) => pieceId === 'shard');
    if (!made) throw new Error('no shards');
    const damp = [
      different(addDays(made.day, 1), { humidityPercent: 70 }),
      different('2026-12-13', { roomCelsius: 30 }),
    ];
    const kept = (pieces = realPantry.pieces) =>
      planSeason(pantryWith({ dayChanges: damp }, pieces), shards, TODAY).findings.flatMap(({ code, message }) =>
        code === 'unfit-air-to-keep' ? [message] : [],
      );
    expect(kept()).toEqual([
      `shard stands over ${sayDay(addDays(made.day, 1))} (70 % humidity are expected, and it wants 55 % at most). Keep it tightly closed.`,
    ]);
    const cold = { kind: 'cool' as const, litres: 1 };
    expect(kept(realPantry.pieces.map((each) => (each.id === 'shard' ? { ...each, stands: cold } : each)))).toEqual([]);
  });

  it('goes by the number where there is one, and by the word where there is none', () => {
    const made = (change: Parameters<typeof different>[1]) => {
      const day = planSeason(pantryWith(), [order('a', { plain: 4 }, '2026-12-12')], TODAY).runs.find(({ recipeId }) => recipeId === 'toffee')?.day ?? ''; // prettier-ignore
      const book = pantryWith({ dayChanges: [different(day, change)] });
      return planSeason(book, [order('a', { plain: 4 }, '2026-12-12')], TODAY).runs.find(({ recipeId }) => recipeId === 'toffee')?.day === day; // prettier-ignore
    };
    expect(made({ humid: true })).toBe(false);
    expect(made({ humid: true, humidityPercent: 45 })).toBe(true);
    expect(made({ humidityPercent: 51 })).toBe(false);
    expect(made({ roomCelsius: 29 })).toBe(true);
  });
});

describe('the cold', () => {
  const orders = [order('a', { fine: 12 }, '2026-12-12'), order('b', { fine: 12 }, '2026-12-19')];

  it('has room in every night for what the programme puts there, and is reported where it has not', async () => {
    const { plan } = await solved(pantryWith(), orders);
    expect(plan.findings.filter(({ code }) => code === 'cold-short')).toEqual([]);
    const tight = pantryWith({ coldPlaces: [{ name: 'Shelf', kind: 'fridge', litres: 0.2, celsius: 4 }] });
    expect((await solved(tight, orders)).status).toBe('impossible');
    const drafted = planSeason(tight, orders, TODAY);
    const [short] = drafted.findings.filter(({ code }) => code === 'cold-short');
    expect(short?.message).toMatch(
      /^\d\.\d L would stand in the fridge in the night after .*, and there are 0\.2 L\.$/,
    );
    // The paste keeps for weeks, and stands in the fridge all the same.
    const half = pantryWith({
      coldPlaces: [{ name: 'Shelf', kind: 'fridge', litres: 0.5, celsius: 4 }],
      moulds: [{ name: 'Dome mould', cavities: 24, cavityMl: 9, count: 1 }],
    });
    const few = [order('a', { fine: 8 }, '2026-12-04'), order('b', { fine: 4 }, '2026-12-06')];
    const { plan: full } = await solved(half, few);
    expect(full.findings.filter(({ code }) => code === 'cold-short')).toEqual([]);
    // A kitchen that names no fridge has none that could be full.
    expect((await solved(pantryWith({ coldPlaces: [] }), orders)).status).not.toBe('impossible');
  });
});

describe('what is frozen', () => {
  const frozen = [order('a', { plain: 12 }, '2026-12-17')];

  it('is taken out for its last nights, stands in the fridge in them, and it is said', () => {
    const book = pantryWith();
    const plan = planSeason(book, frozen, TODAY);
    expect(plan.findings.flatMap(({ code, message }) => (code === 'take-out' ? [message] : []))).toEqual([
      'square: take 12 out of the freezer into the fridge on Tuesday 15 December; they thaw for Thursday 17 December.',
    ]);
    const squares = plan.finishings.find(({ pieceId }) => pieceId === 'square');
    if (!squares) throw new Error('no squares');
    const early = { ...squares, begun: '2026-12-10', day: '2026-12-10' };
    const taken = (kind: 'fridge' | 'freezer', night: string) => finishingLitres([early], night, kind, book);
    expect([taken('freezer', '2026-12-14'), taken('fridge', '2026-12-14')]).toEqual([expect.closeTo(0.12, 9), 0]);
    expect([taken('freezer', '2026-12-16'), taken('fridge', '2026-12-16')]).toEqual([0, expect.closeTo(0.12, 9)]);
    expect(taken('fridge', '2026-12-17')).toBe(0);
    const [only] = frozen;
    expect(only && timelineOf(only, plan, book)).toContainEqual(
      expect.objectContaining({ day: '2026-12-15', kind: 'take out', text: 'square' }),
    );
  });

  it('goes straight into the fridge where it is finished within those nights', () => {
    const facts = pantryWith().pieces.get('square');
    if (!facts) throw new Error('no squares');
    expect(thawsFrom(facts, '2026-12-11', '2026-12-12')).toBe('2026-12-11');
    expect(thawsFrom({ ...facts, piece: { ...facts.piece, thawNights: 0 } }, '2026-12-01', '2026-12-12')).toBeNull();
  });
});

describe('what is not there yet', () => {
  const orders = [order('a', { plain: 6 }, '2026-12-12')];
  const ordered = (leadDays: number, onHandGrams = 0) =>
    bookOf({
      ...realPantry,
      kitchen: realBench,
      ingredients: realPantry.ingredients.map((each) =>
        each.id === 'cream'
          ? { ...each, onHandGrams, packs: each.packs.map((pack) => ({ ...pack, leadDays, supplier: 'Post' })) }
          : each,
      ),
    });

  it('is waited for by the programme, and what is in the pantry is used before that', async () => {
    const soon = await solved(ordered(0), orders);
    const late = await solved(ordered(8), orders);
    const dayOf = ({ plan }: typeof soon) => plan.runs.find(({ recipeId }) => recipeId === 'fudge')?.day ?? '';
    expect(dayOf(late) >= '2026-12-03').toBe(true);
    expect(late.plan.findings.map(({ code }) => code)).not.toContain('buy-late');
    expect(dayOf(soon) <= dayOf(late)).toBe(true);
    const never = await solved(ordered(30), orders);
    expect(breachesOf(never.plan, ordered(30)).map(({ key }) => key)).toEqual([expect.stringMatching(/^buy-late/)]);
    expect((await solved(ordered(30, 500), orders)).plan.findings.map(({ code }) => code)).not.toContain('buy-late');
  });

  it('comes on a day on which its shop is there', () => {
    const plan = planSeason(pantryWith(), orders, TODAY);
    const [cream] = plan.shopping.filter(({ ingredientId }) => ingredientId === 'cream');
    // Fridays, ordered the day before.
    expect(new Date(`${cream?.buyBy ?? ''}T00:00:00Z`).getUTCDay()).toBe(4);
  });
});

it('nothing is made, finished or packed while the kitchen is closed, and a hand-over then is asked about', async () => {
  const closures = [{ from: '2026-12-04', to: '2026-12-09', reason: 'a wedding' }];
  const book = pantryWith({ closures });
  const orders = [order('a', { fine: 4, plain: 4 }, '2026-12-12'), order('b', { plain: 1 }, '2026-12-06')];
  const { plan } = await solved(book, orders);
  expect(verifyPlan(plan, book, orders, TODAY)).toEqual([]);
  const closed = plan.findings.filter(({ code }) => code === 'closed-day');
  expect(closed.map(({ message }) => message)).toEqual([
    'b is to be handed over on Sunday 6 December, when the kitchen is closed: a wedding.',
  ]);
  expect(closed[0]?.waysOut.map(({ label }) => label)).toEqual([
    'Move it to Thursday 3 December',
    'Move it to Thursday 10 December',
    'Open the order',
  ]);
});
