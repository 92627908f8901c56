import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { MeasureHabit } from '../kitchen/index.js';
import { mostStepCharacters, recipeDraftSchema } from '../recipe/index.js';
import { starterIngredients } from '../starter/index.js';
import { noAnswers, noStepAnswers, openQuestions, recipesOf, stepKeys, lineKeys } from './drafts.js';
import { pantryItems } from './line.js';
import { readRecipe } from '../format/index.js';
import { readSteps, stepOf } from './steps.js';

const ingredients = starterIngredients();
const pantry = pantryItems(ingredients, []);
const stored = { ingredients, recipes: [] };
const fresh = recipeDraftSchema.parse({
  name: 'fresh',
  yield: { by: 'loss', lossPercent: 5 },
  batchSizes: [1],
  handsMinutes: 30,
  keepsDays: 14,
  restDays: 0,
});
const read = (text: string, habit: MeasureHabit = 'UK') => readRecipe(text, pantry, ingredients, habit);

const bonbons = `Plum brandy bonbons

Makes 40

Ingredients
300g dark chocolate 55 %, for the shells

For the ganache:
200 g dark chocolate 70 %
150 ml double cream
2 tbsp plum brandy

For the caramel
200 g granulated sugar
100 ml double cream
pinch of salt

Method
1. Melt the chocolate to 45 C, cool to 27 C and rewarm to 31-32 C. Pour into the moulds and tip out the rest.
2. For the ganache, bring the cream to the boil, pour over the dark chocolate and stir until smooth.
3. Stir in the plum brandy when it has cooled to 40 C.
4. For the caramel, melt the sugar dry until deep amber, about 8 minutes. Carefully add the cream and cook to 116 degrees.
5. Fill the shells, leave to set overnight.

They keep for three weeks in a cool place.
Notes
Use a clean mould.
`;

describe('a whole recipe', () => {
  it('is parted into title, components, steps, what it makes, how long it rests and keeps', () => {
    const whole = read(bonbons);
    expect(whole.title).toBe('Plum brandy bonbons');
    expect(whole.parts.map(({ name, lines }) => [name, lines.length])).toEqual([
      ['', 1],
      ['Ganache', 3],
      ['Caramel', 3],
    ]);
    expect(whole.steps.map(({ part }) => part)).toEqual([0, 0, 0, 1, 1, 2, 0]);
    expect(whole.readings.map(({ says }) => says)).toEqual([
      'Makes 40',
      'boils with dairy',
      'rests 1 day before it can be used',
      'keeps 21 days',
      'any size from a quarter of it to twice as much: no sugar is cooked in it',
    ]);
    expect(whole.notes).toEqual(['They keep for three weeks in a cool place.', 'Use a clean mould.']);
    expect(openQuestions(whole, noAnswers)).toBe(0);
  });

  it('becomes a recipe with its components, each with its own steps', () => {
    const { recipe, components } = recipesOf(read(bonbons), noAnswers, fresh, stored);
    expect(components.map(({ id, draft }) => [id, draft.name, draft.lines.length, draft.steps.length])).toEqual([
      ['plum-brandy-bonbons-ganache', 'Plum brandy bonbons, ganache', 3, 2],
      ['plum-brandy-bonbons-caramel', 'Plum brandy bonbons, caramel', 3, 1],
    ]);
    expect(recipe).toMatchObject({
      name: 'Plum brandy bonbons',
      restDays: 1,
      keepsDays: 21,
      foaming: 'does not boil',
      method: 'Makes 40.\nThey keep for three weeks in a cool place.\nUse a clean mould.',
    });
    expect(recipe.lines.map(({ uses }) => uses.id)).toEqual([
      'dark-chocolate-55',
      'plum-brandy-bonbons-ganache',
      'plum-brandy-bonbons-caramel',
    ]);
    expect(components[1]?.draft).toMatchObject({
      foaming: 'boils with dairy',
      yield: { by: 'steps' },
      steps: [{ target: { celsius: 116 }, effect: { kind: 'cook' }, handsMinutes: 8, doneWhen: 'deep amber' }],
    });
  });

  it('does what the maker says: drops a reading, moves a step, leaves a line out', () => {
    const whole = read(bonbons);
    const [first = []] = lineKeys(whole);
    const last = stepKeys(whole).at(-1) ?? '';
    const { recipe, components } = recipesOf(
      whole,
      {
        lines: { [first[0] ?? '']: null },
        steps: { [last]: { ...noStepAnswers, part: 1, dropped: ['rest'] } },
        dropped: ['restDays', 'makes'],
      },
      fresh,
      stored,
    );
    expect(recipe).toMatchObject({ restDays: 0, lines: [{ uses: { kind: 'recipe' } }, { uses: { kind: 'recipe' } }] });
    expect(recipe.method).not.toContain('Makes 40');
    expect(components[0]?.draft.steps.at(-1)).toMatchObject({
      text: 'Fill the shells, leave to set overnight.',
      rest: null,
    });
  });

  it('is read from one paragraph, with a heading in capitals, and keeps nothing to itself', () => {
    const whole = read(
      `**PENUCHE**
Yield: 64 squares (about 2 lb)
Prep time: 15 min
Cook time: 25 min

2 cups packed light brown sugar
1/4 cup (1/2 stick) unsalted butter
1 c. pecans, chopped
Dash of salt

Combine sugar, butter and salt in a heavy 3-quart saucepan. Bring to a boil, then cook without stirring to 238°F, about 12 minutes. Cool, without stirring, to 110°F, one to one and a half hours. Beat until it loses its gloss, 8-10 minutes. Let stand until firm, about 2 hours, then cut. Keeps up to 2 weeks in a tin.`,
      'US',
    );
    expect(whole.title).toBe('PENUCHE');
    expect(whole.parts).toHaveLength(1);
    expect(whole.steps).toHaveLength(5);
    expect(whole.readings.map(({ says }) => says)).toEqual([
      'Yield: 64 squares (about 2 lb)',
      'boils with dairy',
      'keeps 14 days',
      '15 min of preparation',
      'whole batches only: cooked sugar is not doubled',
    ]);
    expect(whole.notes).toEqual(['Keeps up to 2 weeks in a tin.', 'Prep time: 15 min', 'Cook time: 25 min']);
    expect(recipesOf(whole, noAnswers, fresh, stored).recipe).toMatchObject({
      handsMinutes: 30,
      yield: { by: 'steps' },
      foaming: 'boils with dairy',
      keepsDays: 14,
    });
  });

  it.each([
    ['900 g white chocolate', '', 1, 0],
    ['Bark\n900 g white chocolate\n100 g pistachios', 'Bark', 2, 0],
    [
      '200g caster sugar\n1 tbsp bicarbonate of soda\n\nLine a tin.\nBoil to 150 until amber.\nLeave for an hour.',
      '',
      2,
      3,
    ],
    [
      '# Toffee\n## Ingredients\n- 200 g sugar\n- 100 g unsalted butter\n## Directions\n- Boil to 149 C.\n- Pour.',
      'Toffee',
      2,
      2,
    ],
    ['For the toffee:\n200 g sugar\n100 g unsalted butter', '', 2, 0],
    ['Cook to 118 C.\nPour.', '', 0, 2],
    ['butter', '', 1, 0],
  ])('of the text %j has its title, lines and steps', (text, title, lines, steps) => {
    const whole = read(text);
    expect([whole.title, whole.parts.flatMap((part) => part.lines).length, whole.steps.length]).toEqual([
      title,
      lines,
      steps,
    ]);
  });

  it('never loses a line of the text: each is a line, a step, a reading, a heading or a note', () => {
    const { title, parts, steps, readings, notes } = read(bonbons);
    const found = [
      title,
      ...parts.flatMap((part) => [part.name, ...part.lines.map(({ source }) => source)]),
      ...steps.map(({ text }) => text),
      ...readings.map(({ says }) => says),
      ...notes,
    ].map((text) => text.toLowerCase());
    const headings = /^(?:ingredients|method|notes)$/;
    for (const line of bonbons.split('\n').map((text) =>
      text
        .replace(/^\d+\. /, '')
        .toLowerCase()
        .trim(),
    ))
      if (line !== '' && !headings.test(line)) {
        const name = line.replace(/^for the |:$/g, '');
        expect([line, found.some((each) => each === name || each.startsWith(line.slice(0, 25)))]).toEqual([line, true]);
      }
  });

  it('that has open steps waits for an answer', () => {
    const whole = read('200 g honey\n\nHeat to 150 degrees and stir well.');
    const [key = ''] = stepKeys(whole);
    expect(openQuestions(whole, noAnswers)).toBe(1);
    const answers = { ...noAnswers, steps: { [key]: { ...noStepAnswers, choices: [1] } } };
    expect(openQuestions(whole, answers)).toBe(0);
    expect(recipesOf(whole, answers, fresh, stored).recipe.steps[0]?.target?.celsius).toBeCloseTo(65.6, 1);
  });
});

describe('a method in one long paragraph', () => {
  /** A step does not begin with a mere `and` or `then`. */
  const words = (text: string) =>
    (text.toLowerCase().match(/\p{L}+|\d+/gu) ?? []).filter((word) => word !== 'and' && word !== 'then');

  it('is parted so that no step is too long and no word is lost', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('Stir', 'the syrup', 'well', 'x'.repeat(90), 'and pour. Then', 'wait; then'), {
          minLength: 1,
          maxLength: 400,
        }),
        (pieces) => {
          const text = pieces.join(' ');
          const steps = readSteps(text).map((step) => stepOf(step));
          for (const step of steps) expect(step.text.length).toBeLessThanOrEqual(mostStepCharacters);
          expect(steps.flatMap((step) => words(step.text))).toEqual(words(text));
        },
      ),
    );
  });

  it('is parted within a word when it has no other place', () => {
    const steps = readSteps('x'.repeat(2500)).map((step) => stepOf(step).text);
    expect(steps.join('').toLowerCase()).toBe('x'.repeat(2500));
  });
});
