import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, ingredient, line, piece, recipe } from '../../testing/kitchen.js';
import { batchDraftSchema } from '../batch/index.js';
import { fillingGate } from './filling.js';
import { draftOfMaking } from './log.js';
import { makingEndSchema, type Happening, type Making, type MakingEnd, type MakingEvent } from './schema.js';
import { stateOf } from './state.js';
import { turnOf } from './turn.js';
import { weighOut } from './weigh-out.js';

const at = (second: number) => new Date(Date.UTC(2026, 10, 25, 16, 0, second)).toISOString();
let count = 0;
const happened = (event: Happening, second = 0): MakingEvent => ({
  id: `e${String(count++)}`,
  at: at(second),
  ...event,
});

const book = bookOf({
  ingredients: ['butter', 'sugar', 'nuts', 'ghee'].map((id) => ingredient(id)),
  recipes: [
    recipe('toffee', [line('butter', 300), line('sugar', 400), line(':paste', 50), line('butter', 100)], {
      steps: [{ text: 'Boil.', target: { celsius: 149, kind: 'target', boils: true } }, { text: 'Pour.' }],
    }),
    recipe('paste', [line('nuts', 100)]),
    recipe('shell', [line('sugar', 100)]),
    recipe('foam', [line('sugar', 100)], { steps: [{ text: 'Whip the cream and fold it in.' }] }),
    recipe('praline', [line('nuts', 100)], { steps: [{ text: 'Stir together.' }] }),
  ],
  pieces: [
    piece('dome', {
      kind: 'moulded',
      cavities: 24,
      cavityMl: 9,
      shell: { recipeId: 'shell', shellPercent: 35, capPercent: 10 },
      layers: [
        { recipeId: 'praline', grams: 3 },
        { recipeId: 'foam', grams: 2 },
      ],
    }),
  ],
});
const factsOf = (id: string) => {
  const facts = book.recipes.get(id);
  if (!facts) throw new Error(id);
  return facts;
};
const facts = factsOf('toffee');
const making: Making = { id: 'm', recipeId: 'toffee', size: 1, on: '2026-11-25', startedAt: at(0) };
const good: MakingEnd = { state: 'done', grams: 800, pieces: null, rejects: [], grade: 4, notes: '' };
function draft(events: MakingEvent[], end: Partial<MakingEnd> = {}, size = 1) {
  const state = stateOf(facts.recipe, events);
  const sheet = weighOut(facts, size, state, book, 1);
  return draftOfMaking({ ...making, size }, facts, events, state, sheet, { ...good, ...end }, at(900));
}

describe('a batch that is at its end', () => {
  it('has what was weighed, of the lot that was picked, and what should have gone in where nobody weighed it', () => {
    const { log, size } = draft([happened({ kind: 'weighed', line: 0, grams: 310, useBy: '2026-12-24' })]);
    expect(size).toBe(1);
    expect(log?.weights).toEqual([
      { ingredientId: 'butter', grams: 310, useBy: '2026-12-24' },
      { ingredientId: 'sugar', grams: 400, useBy: null },
      { ingredientId: 'butter', grams: 100, useBy: null },
    ]);
  });

  it('is as large as what was poured made it', () => {
    const { size, log } = draft([
      happened({ kind: 'weighed', line: 0, grams: 330, useBy: null }),
      happened({ kind: 'scaled', factor: 1.1 }),
    ]);
    expect(size).toBeCloseTo(1.1, 9);
    expect(log?.weights[1]?.grams).toBeCloseTo(440, 9);
  });

  it('says of how much of an ingredient something else went in', () => {
    const { log } = draft([happened({ kind: 'swapped', line: 3, withId: 'ghee', ratio: 0.8 })]);
    expect(log?.swaps).toEqual([{ ingredientId: 'butter', withId: 'ghee', ratio: 0.8, share: 0.25 }]);
    expect(log?.weights.at(-1)).toEqual({ ingredientId: 'ghee', grams: 80, useBy: null });
  });

  it('counts only readings that are believed, from the first to the last', () => {
    const { log } = draft([
      happened({ kind: 'readings', stage: 1, values: [[0, 999, 'impossible'], [500, 100, null]] }, 10), // prettier-ignore
      happened({ kind: 'readings', stage: 1, values: [[0, 144, 'tapped'], [500, 200, 'jump'], [900, null, null]] }, 70), // prettier-ignore
      happened({ kind: 'readings', stage: 2, values: [[0, 40, null]] }, 200),
      happened({ kind: 'room', celsius: 22, humidity: 48 }, 5),
    ]);
    expect(log).toMatchObject({
      finalCelsius: 144,
      cookSeconds: 59.5,
      roomCelsius: 22,
      humidity: 48,
      endedAt: at(900),
    });
  });

  it('gives what can be given away, and nothing when it failed', () => {
    expect(draft([], { pieces: 45, rejects: [{ reason: 'broken', count: 5 }] }).grams).toBe(720);
    expect(draft([], { state: 'failed' }).grams).toBeNull();
  });

  it('keeps what was noted, in words, within what a record holds', () => {
    const notes = [
      happened({ kind: 'note', note: 'foamed', text: '', celsius: 110, stage: 1 }),
      happened({ kind: 'note', note: null, text: 'smells of nuts', celsius: null, stage: 1 }),
    ];
    expect(draft(notes, { notes: 'A little dark.' }).notes).toBe('A little dark.\nfoamed\nsmells of nuts');
    const many = Array.from({ length: 60 }, () =>
      happened({ kind: 'note', note: null, text: 'x'.repeat(400), celsius: null, stage: 1 }),
    );
    expect(batchDraftSchema.safeParse(draft(many)).success).toBe(true);
  });

  it('is a batch that can be stored, whatever happened', () => {
    const event = fc.oneof(
      fc
        .record({ line: fc.nat(5), grams: fc.double({ min: 0.1, max: 5000, noNaN: true }) })
        .map((weighed) => happened({ kind: 'weighed', useBy: null, ...weighed })),
      fc.double({ min: 0.25, max: 4, noNaN: true }).map((factor) => happened({ kind: 'scaled', factor })),
      fc.nat(5).map((index) => happened({ kind: 'swapped', line: index, withId: 'ghee', ratio: 1.2 })),
      fc.nat(70).map((stage) => happened({ kind: 'stage', stage })),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 30 }), fc.constantFrom(0.5, 1, 2), (events, size) => {
        const read = batchDraftSchema.safeParse(draft(events, {}, size));
        expect(read.error?.issues ?? []).toEqual([]);
      }),
    );
  });

  it.each([
    [{ ...good, pieces: -1 }],
    [{ ...good, pieces: 1.5 }],
    [{ ...good, grade: 6 }],
    [{ ...good, rejects: [{ reason: 'broken', count: 0 }] }],
    [{ ...good, state: 'perhaps' }],
  ])('is refused where a count or a grade is none', (end) => {
    expect(makingEndSchema.safeParse(end).success).toBe(false);
  });
});

describe('a filling before its shells', () => {
  it('has a limit, a lower one where it is foamed, and what fills no shell has none', () => {
    expect(fillingGate(factsOf('praline'), book)).toEqual({ pieces: ['dome'], below: 30 });
    expect(fillingGate(factsOf('foam'), book)).toEqual({ pieces: ['dome'], below: 28 });
    expect(fillingGate(factsOf('shell'), book)).toBeNull();
    expect(fillingGate(facts, book)).toBeNull();
  });
});

describe('whose turn it is', () => {
  const rest = { typicalMinutes: 40, safeMinutes: 60, nights: 0 };
  const timer = (stage: number) =>
    happened({ kind: 'timer', timerId: `t${String(stage)}`, name: 'Sets', stage, seconds: 60 });
  const turn = (events: MakingEvent[], stage: { stage: number; rest: typeof rest | null }, second: number) =>
    turnOf(stateOf(facts.recipe, events), stage, Date.parse(at(second)));

  it('is the maker’s as long as nothing rests', () => {
    expect(turn([], { stage: 1, rest }, 0)).toEqual({ wants: true, ringing: null });
    // A timer of something that is stirred does not rest by itself.
    expect(turn([timer(1)], { stage: 1, rest: null }, 10)).toMatchObject({ wants: true });
    // Nor does one of another step.
    expect(turn([timer(2)], { stage: 1, rest }, 10)).toMatchObject({ wants: true });
  });

  it('is the batch’s own while it rests, and the maker’s when it rings', () => {
    expect(turn([timer(1)], { stage: 1, rest }, 10)).toEqual({ wants: false, until: Date.parse(at(60)) });
    expect(turn([timer(1)], { stage: 1, rest }, 61)).toMatchObject({ wants: true, ringing: { name: 'Sets' } });
  });
});
