import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { openBook } from '@usual-pantry/core/book';
import { ingredientSchema } from '@usual-pantry/core/ingredient';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import type { Happening, MakingEvent } from '@usual-pantry/core/making';
import { pieceSchema } from '@usual-pantry/core/piece';
import { recipeSchema } from '@usual-pantry/core/recipe';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { store } from '../data/store';
import type { SeasonBook } from '../data/useSeason';
import { cookOf } from './cook';
import { StepStage } from './StepStage';
import { Timers } from './Timers';
import { benchOf, type Bench } from './useBench';
import { useNow } from './useNow';
import { useReadings } from './useReadings';
import { WeighStage } from './WeighStage';
import { whoseTurn } from './whoseTurn';

const parts = (of: object) => ({
  composition: {
    ...Object.fromEntries(
      ['water', 'sucrose', 'glucose', 'fructose', 'lactose', 'maltose', 'dextrin', 'otherCarbohydrate'].map((name) => [
        name,
        0,
      ]),
    ),
    ...{ fat: 0, cocoaButter: 0, milkFat: 0, protein: 0, ethanol: 0, ash: 0, source: '', ...of },
  },
});
const ingredient = (id: string, more: object = {}) =>
  ingredientSchema.parse({ id, version: 1, name: id, declaration: { labelName: id }, ...more });
const recipe = (id: string, lines: object[], steps: object[]) =>
  recipeSchema.parse({
    id,
    version: 1,
    name: id,
    lines,
    steps,
    yield: { by: 'loss', lossPercent: 0 },
    batchSizes: [1],
    handsMinutes: 1,
    keepsDays: 9,
    restDays: 0,
  });
const line = (id: string, amount: number, more: object = {}) => ({
  uses: { kind: 'ingredient', id },
  amount,
  unit: 'g',
  ...more,
});

const data = {
  kitchen: { ...kitchenDraftSchema.parse({ makerName: 'M', handsRateMinorPerHour: 0 }), version: 1 },
  ingredients: [
    ingredient('Butter', {
      contains: ['milk'],
      onHandGrams: 900,
      lots: [
        { grams: 300, useBy: '2026-12-09' },
        { grams: 400, useBy: '2027-01-02' },
      ],
      ...parts({ water: 18, fat: 82 }),
    }),
    ingredient('Sugar', parts({ sucrose: 100 })),
    ingredient('Sesame', { contains: ['sesame'] }),
    ingredient('Couverture', { ...parts({ fat: 40, sucrose: 50, protein: 10 }), chocolate: 'dark' }),
  ],
  recipes: [
    recipe(
      'Toffee',
      [line('Butter', 450), line('Sugar', 400), line('Sesame', 100, { afterCook: true })],
      [
        {
          text: 'Boil to hard crack.',
          target: { celsius: 149, kind: 'limit', boils: true },
          effect: { kind: 'cook' },
          doneWhen: 'it snaps',
          ifWrong: 'Butter runs out: stir in hot water.',
        },
        { text: 'Stir in the sesame; pour.', rest: { typicalMinutes: 40, safeMinutes: 60, kind: 'guess' } },
      ],
    ),
    recipe(
      'Coating',
      [line('Couverture', 1000)],
      [{ text: 'Temper the chocolate.', target: { celsius: 31, upToCelsius: 32, kind: 'window', boils: false } }],
    ),
    recipe(
      'Praline',
      [line('Sugar', 100)],
      [
        { text: 'Stir together.' },
        { text: 'Leave it over night.', rest: { typicalMinutes: 480, safeMinutes: 600, kind: 'guess' } },
      ],
    ),
  ],
  pieces: [
    pieceSchema.parse({
      id: 'Dome',
      version: 1,
      name: 'Dome',
      form: {
        kind: 'moulded',
        cavities: 24,
        cavityMl: 9,
        shell: { recipeId: 'Coating', shellPercent: 35, capPercent: 10 },
        layers: [{ recipeId: 'Praline', grams: 5 }],
      },
      handSeconds: 5,
      travel: 'travels',
      colour: '#8a5630',
    }),
  ],
  boxes: [],
  batches: [],
};
const season = { data, book: openBook(data) } as unknown as SeasonBook;

let events: MakingEvent[];
let nextStage: number;
beforeEach(() => {
  events = [];
  nextStage = 0;
  localStorage.clear();
  // The bench stands without the server: nobody answers.
  globalThis.fetch = () => new Promise(() => undefined);
});
afterEach(cleanup);

let count = 0;
const happened = (happening: Happening): MakingEvent => ({
  id: `e${String(count++)}`,
  at: new Date().toISOString(),
  ...happening,
});

/** A batch at the bench that lives in the test alone. */
function useLocalBench(recipeId: string, before: readonly MakingEvent[]): Bench {
  const [mine, setMine] = useState(before);
  const facts = season.book.recipes.get(recipeId);
  const making = {
    id: 'm',
    recipeId,
    size: 1,
    on: '2026-11-25',
    startedAt: new Date().toISOString(),
    state: 'open',
  } as const;
  const kept = { events: mine, waiting: 0, isReached: true, isThere: true, making: 'open', refused: null } as const;
  const bench =
    facts &&
    benchOf({ making, season, facts, store: kept }, (happening, at) => {
      const event = { ...happened(happening), ...(at ? { at: at.toISOString() } : {}) };
      events.push(event);
      setMine((all) => [...all, event]);
    });
  if (!bench) throw new Error('no bench');
  return bench;
}

const Page = ({ recipeId, before }: { recipeId: string; before: readonly MakingEvent[] }) => {
  const bench = useLocalBench(recipeId, before);
  const now = useNow();
  const readings = useReadings(bench, now);
  const cook = cookOf(bench, readings);
  return bench.stage.kind === 'weigh' ? (
    <WeighStage
      bench={bench}
      onNext={() => {
        nextStage += 1;
      }}
    />
  ) : (
    <StepStage bench={bench} cook={cook} readings={readings} now={now} />
  );
};
const open = (recipeId: string, ...before: MakingEvent[]) => {
  render(
    <Provider store={store}>
      <MemoryRouter>
        <Page recipeId={recipeId} before={before} />
      </MemoryRouter>
    </Provider>,
  );
  return userEvent.setup();
};
const press = (user: ReturnType<typeof open>, name: string | RegExp) =>
  user.click(screen.getByRole('button', { name }));

describe('weighing out', () => {
  it('goes from line to line, takes the lot that must be used first, and tells the error so far', async () => {
    const user = open('Toffee');
    expect(screen.getByRole('heading', { name: 'Butter: weigh 450 g' })).toBeDefined();
    expect(screen.getByText(/from the lot to use by Wed 9 Dec/)).toBeDefined();
    await user.type(screen.getByLabelText('Or type what it weighs'), '454');
    await press(user, /^Weighed: next line/);
    expect(events).toMatchObject([{ kind: 'weighed', line: 0, grams: 454, useBy: '2026-12-09' }]);
    expect(screen.getByTestId('running-error').textContent).toBe('So far +4.0 g, +0.9 %');
    expect(screen.getByRole('heading', { name: 'Sugar: weigh 400 g' })).toBeDefined();
  });

  it('says in words what is no weight, and keeps what was typed', async () => {
    const user = open('Toffee');
    await press(user, /^Weighed: next line/);
    expect(screen.getByRole('alert').textContent).toContain('Type what it weighs');
    await user.type(screen.getByLabelText('Or type what it weighs'), 'a cup{Enter}');
    expect(screen.getByRole('alert')).toBeDefined();
    expect(screen.getByRole('alert').textContent).toContain('“a cup” is no weight');
    await press(user, 'Scale the rest');
    expect(screen.getByRole('alert').textContent).toContain('“a cup” is no weight');
    expect(screen.getByDisplayValue('a cup')).toBeDefined();
    expect(events).toEqual([]);
  });

  it('scales the rest to what was poured, and not to what is no batch any more', async () => {
    const user = open('Toffee');
    const typed = screen.getByLabelText('Or type what it weighs');
    await user.type(typed, '9');
    await press(user, 'Scale the rest');
    expect(screen.getByRole('alert').textContent).toContain('cannot follow');
    await user.clear(typed);
    await user.type(typed, '495');
    await press(user, 'Scale the rest');
    expect(screen.getByRole('heading', { name: 'Sugar: weigh 440 g' })).toBeDefined();
    expect(screen.getByTestId('running-error').textContent).toContain('all × 1.10');
  });

  it('takes another lot by a tap or by what a scanner types, and none that is not there', async () => {
    const user = open('Toffee');
    await press(user, 'Another lot');
    const code = screen.getByLabelText(/^Scan the pack/);
    await user.type(code, '271224{Enter}');
    expect(screen.getByText(/No lot of Butter has that day/)).toBeDefined();
    await user.clear(code);
    await user.type(code, '(01)09501101530003(17)270102{Enter}');
    expect(screen.getByText(/from the lot to use by Sat 2 Jan/)).toBeDefined();
    await press(user, 'Another lot');
    await press(user, 'A pack without a day');
    await user.type(screen.getByLabelText('Or type what it weighs'), '450{Enter}');
    expect(events.at(-1)).toMatchObject({ useBy: null });
  });

  it('lets a line be weighed again, and says when all is weighed', async () => {
    const before = [0, 1, 2].map((index) => happened({ kind: 'weighed', line: index, grams: 100, useBy: null }));
    const user = open('Toffee', ...before);
    expect(screen.getByRole('heading', { name: 'All is weighed' })).toBeDefined();
    await press(user, /^All weighed/);
    expect(nextStage).toBe(1);
    await press(user, /Sugar/);
    expect(events).toMatchObject([{ kind: 'not weighed', line: 1 }]);
    expect(screen.getByRole('heading', { name: 'Sugar: weigh 400 g' })).toBeDefined();
  });

  it('shows what something else changes before it is said to have gone in', async () => {
    const user = open('Toffee');
    await press(user, 'Used something else');
    const panel = screen.getByRole('region', { name: 'Something else' });
    await user.type(within(panel).getByRole('combobox'), 'Sesame');
    await user.click(screen.getByRole('option', { name: 'Sesame' }));
    expect(within(panel).getByRole('list', { name: 'What changes' }).textContent).toContain('allergens');
    await user.click(within(panel).getByRole('button', { name: 'It went in' }));
    expect(events).toMatchObject([{ kind: 'swapped', line: 0, withId: 'Sesame', ratio: 1 }]);
    await press(user, 'Used something else');
    await press(user, 'The recipe’s after all');
    expect(events.at(-1)).toMatchObject({ kind: 'swapped', withId: null });
  });
});

describe('a step', () => {
  const at = (stage: number) => happened({ kind: 'stage', stage });

  it('shows its target, the kind of its number, what to judge by and to beware of', () => {
    open('Toffee', at(1));
    expect(screen.getByText(/a limit: never past it/)).toBeDefined();
    const judging = screen.getByRole('region', { name: 'Judging' }).textContent;
    expect(judging).toContain('it snaps');
    expect(judging).toContain('In cold water');
    expect(judging).toContain('Hot sugar burns worse');
    expect(judging).toContain('Butter runs out');
  });

  it('takes a reading by hand, and no temperature that no pot has', async () => {
    const user = open('Toffee', at(1));
    await user.type(screen.getByLabelText('The thermometer shows'), '999{Enter}');
    expect(screen.getByRole('alert').textContent).toContain('no temperature of a pot');
    expect(events).toEqual([]);
    await user.clear(screen.getByLabelText('The thermometer shows'));
    await user.type(screen.getByLabelText('The thermometer shows'), '118{Enter}');
    expect(events).toMatchObject([{ kind: 'readings', stage: 1, values: [[0, 118, 'tapped']] }]);
  });

  it('notes with one tap what happened, with what the thermometer shows', async () => {
    const read = happened({ kind: 'readings', stage: 1, values: [[0, 118, 'tapped']] });
    const user = open('Toffee', at(1), read);
    await press(user, 'Stirred');
    await user.type(screen.getByLabelText(/^A word of your own/), 'smells of nuts{Enter}');
    expect(events).toMatchObject([
      { kind: 'note', note: 'stirred', celsius: 118, stage: 1 },
      { kind: 'note', note: null, text: 'smells of nuts' },
    ]);
    expect(screen.getByRole('list', { name: 'Noted' }).textContent).toContain('Stirred at 118 C');
  });

  it('says what goes in, and starts a timer for the usual and for the safe figure', async () => {
    const user = open('Toffee', at(2));
    expect(screen.getByRole('region', { name: 'Goes in' }).textContent).toContain('Sesame');
    await press(user, 'It is in');
    await press(user, /^Usual 40 min: ready/);
    await press(user, /^Safe 1 h: ready/);
    expect(events).toMatchObject([
      { kind: 'note', note: 'something went in', text: 'Sesame' },
      { kind: 'timer', stage: 2, seconds: 2400 },
      { kind: 'timer', stage: 2, seconds: 3600 },
    ]);
  });

  it('leaves what rests over night to the plan', () => {
    open('Praline', at(2));
    expect(screen.getByText(/It rests over night: the plan goes on with it/)).toBeDefined();
  });

  it('tempers by a school, and says what to do at what was read', async () => {
    const user = open('Coating', at(1));
    const panel = screen.getByRole('region', { name: 'Tempering' });
    expect(panel.textContent).toContain('Keep 250 g of 1,000 g back as seed');
    await user.click(within(panel).getByRole('button', { name: 'cocoa butter' }));
    expect(panel.textContent).toContain('10 g of tempered cocoa butter');
    for (const celsius of ['47', '31.5'])
      await user.type(screen.getByLabelText('The thermometer shows'), `${celsius}{Enter}`);
    expect(within(panel).getByRole('status').textContent).toContain('Work it now');
    await user.type(screen.getByLabelText('The thermometer shows'), '36{Enter}');
    expect(within(panel).getByRole('status').textContent).toContain('lost its temper');
  });

  it('lets a filling into its shells only when it is cool enough', async () => {
    const user = open('Praline', at(2));
    const gate = screen.getByRole('region', { name: 'Into the shells' });
    expect(gate.textContent).toContain('Into the shells of Dome below 30.0 C');
    await user.type(screen.getByLabelText('The thermometer shows'), '33{Enter}');
    expect(within(gate).getByRole('status').textContent).toContain('wait');
    await user.type(screen.getByLabelText('The thermometer shows'), '27{Enter}');
    expect(within(gate).getByRole('status').textContent).toContain('fill now');
  });
});

describe('timers', () => {
  it('say when they are ready, ring when they are, and are answered with one tap', async () => {
    const now = Date.parse('2026-11-25T18:00:00.000Z');
    const answered: string[] = [];
    const timers = [
      { id: 'a', name: 'Pecans', stage: 1, from: now - 90_000, to: now - 30_000, of: null },
      { id: 'b', name: 'Sets', stage: 2, from: now, to: now + 94_000, of: 'Fudge' },
    ];
    render(<Timers timers={timers} now={now} onAnswer={({ id }) => answered.push(id)} />);
    expect(screen.getByText('1:34')).toBeDefined();
    await userEvent.setup().click(screen.getByRole('button', { name: 'Pecans rings: answer' }));
    expect(answered).toEqual(['a']);
    expect(screen.getByRole('button', { name: /^Fudge: Sets, ready at/ })).toBeDefined();
  });

  it('tell in words whose turn it is', () => {
    const stage = (kind: 'weigh' | 'step' | 'end') =>
      ({ kind, stage: 2, rest: null }) as unknown as Parameters<typeof whoseTurn>[0]['stage'];
    const state = { timers: [] } as unknown as Parameters<typeof whoseTurn>[0]['state'];
    const says = (kind: 'weigh' | 'step' | 'end') => whoseTurn({ state, stage: stage(kind) }, 0).says;
    expect([says('weigh'), says('step'), says('end')]).toEqual(['weighing out', 'step 2', 'to be weighed']);
  });
});
