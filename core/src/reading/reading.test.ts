import { describe, expect, it } from '@jest/globals';
import { matchName, indexNames, nameWords } from './names.js';
import { readIngredientLines, type PantryItem } from './line.js';
import { readSteps, stepOf } from './steps.js';

const item = (id: string, name: string, more: Partial<PantryItem> = {}): PantryItem => ({
  kind: 'ingredient',
  id,
  name,
  densities: [{ state: 'plain', gramsPerMl: 1 }],
  pieceGrams: null,
  packs: [],
  composition: null,
  ...more,
});
const pantry = [
  item('honey', 'Honey'),
  item('salted', 'Salted butter'),
  item('unsalted', 'Unsalted butter'),
  item('sugar', 'Brown sugar', {
    densities: [
      { state: 'packed', gramsPerMl: 0.93 },
      { state: 'loose', gramsPerMl: 0.61 },
    ],
  }),
  item('ganache', 'Plum ganache', { kind: 'recipe', densities: [] }),
];

describe('names', () => {
  it('are the same in any order, singular or plural, by synonym', () => {
    expect(nameWords('Fresh Cherries')).toEqual(['cherry']);
    expect(nameWords('Bicarbonate of soda')).toEqual(nameWords('baking soda'));
    expect(matchName('butter, salted', indexNames(pantry))).toMatchObject({ certain: true, found: { id: 'salted' } });
  });

  it('that may mean several things are not decided', () => {
    const { found, candidates } = matchName('butter', indexNames(pantry));
    expect(found).toBeNull();
    expect(candidates.map(({ id }) => id)).toEqual(['salted', 'unsalted']);
  });
});

describe('lines', () => {
  it('leave headings and empty lines out, and keep what was pasted', () => {
    const read = readIngredientLines('For the filling:\n\n  2 tbsp honey\n', pantry, 'US');
    expect(read.map(({ kind, source, name }) => [kind, source, name])).toEqual([
      ['heading', 'For the filling:', 'For the filling'],
      ['line', '2 tbsp honey', 'honey'],
    ]);
  });

  it('show what was taken for granted: a state, a range, the lower end', () => {
    expect(readIngredientLines('1 to 2 cups brown sugar', pantry, 'US')[0]).toMatchObject({
      line: { amount: 1, unit: 'cup', state: 'packed' },
      remarks: ['No state is said: taken as packed.', 'A range, up to 2: the lower end was taken.'],
      questions: [],
    });
  });

  it('take a recipe of that very name as a component', () => {
    expect(readIngredientLines('300 g plum ganache', pantry, 'US')[0]?.line?.uses).toEqual({
      kind: 'recipe',
      id: 'ganache',
    });
  });
});

it('asks about an amount that no kitchen has', () => {
  expect(readIngredientLines('99999999 kg honey', pantry, 'US')[0]).toMatchObject({
    line: null,
    sure: { amount: null },
    questions: ['That is absurdly much: how much is meant?'],
  });
});

describe('steps', () => {
  it('get their temperatures, waits and cooking', () => {
    const [first, second, third] = readSteps(
      '1. Cook to 300 F (149 C), stirring.\n2) Bake in the oven at 175 C for 20 minutes.\n\n- Leave overnight.',
    ).map((step) => stepOf(step));
    expect(first).toMatchObject({
      text: 'Cook to 300 F (149 C), stirring.',
      effect: { kind: 'cook' },
      target: { boils: true },
    });
    expect(first?.target?.celsius).toBeCloseTo(148.9, 1);
    expect(second).toMatchObject({ effect: { kind: 'none' }, target: null, equipment: ['oven'] });
    expect(third).toMatchObject({ rest: { typicalMinutes: 480, safeMinutes: 720, kind: 'minimum' }, target: null });
  });

  it('keep what the maker did not drop, and take what was answered', () => {
    const [step] = readSteps('Heat to 150 degrees for 5 minutes.');
    if (!step) throw new Error('no step');
    expect(step.questions.map(({ choices }) => choices.length)).toEqual([2]);
    expect(stepOf(step)).toMatchObject({ target: null, handsMinutes: 5 });
    expect(stepOf(step, new Set(['hands']), [1])).toMatchObject({
      target: { celsius: expect.closeTo(65.6, 1) },
      handsMinutes: 0,
    });
  });
});
