import { describe, expect, it } from '@jest/globals';
import { recipeDraftSchema } from '../recipe/index.js';
import { starterIngredients } from '../starter/index.js';
import { readRecipe } from '../format/index.js';
import { noAnswers, recipesOf } from './drafts.js';
import { withSteps } from './goes-in.js';
import { pantryItems, readIngredientLines } from './line.js';
import { readSteps } from './steps.js';

const ingredients = starterIngredients();
const pantry = pantryItems(ingredients, []);
const fresh = recipeDraftSchema.parse({
  name: 'fresh',
  yield: { by: 'loss', lossPercent: 5 },
  batchSizes: [1],
  handsMinutes: 30,
  keepsDays: 14,
  restDays: 0,
});
const read = (text: string) => readRecipe(text, pantry, ingredients, 'US');
const drafted = (text: string) => recipesOf(read(text), noAnswers, fresh, { ingredients, recipes: [] });

/** When each of these goes in, by amounts of 100. */
const times = (names: readonly string[], steps: readonly string[]) =>
  withSteps(
    names.map((name) => ({
      name,
      line: { uses: { kind: 'ingredient' as const, id: name }, amount: 100, unit: 'g' as const, state: null, note: '', afterCook: false, atStep: null, alcohol: null }, // prettier-ignore
    })),
    steps,
  ).map(({ uses, amount, atStep }) => `${uses.id} ${String(amount)} @${String(atStep)}`);

describe('when a line goes in', () => {
  it('is before the first step that names it', () => {
    expect(
      times(['sugar', 'butter', 'vanilla extract'], ['Boil the sugar.', 'Stir in the butter.', 'Add vanilla.']),
    ).toEqual(['sugar 100 @null', 'butter 100 @1', 'vanilla extract 100 @2']);
  });

  it('is in several shares where the steps part it', () => {
    const steps = [
      'Toast the almonds.',
      'Cook to 150 C.',
      'Stir in half of the almonds.',
      'Scatter the remaining almonds over it.',
    ];
    expect(times(['almonds'], steps)).toEqual(['almonds 50 @2', 'almonds 50 @3']);
    expect(
      times(['dark chocolate'], ['Melt two thirds of the dark chocolate.', 'Stir in the rest of the chocolate.']),
    ).toEqual(['dark chocolate 66.6667 @null', 'dark chocolate 33.3333 @1']);
  });

  it('is not taken from another thing of the same noun', () => {
    const steps = ['Melt the butter with the salt.', 'Stir in the peanut butter.', 'Scatter with flaked salt.'];
    expect(times(['butter', 'peanut butter', 'salt', 'flaked sea salt'], steps)).toEqual([
      'butter 100 @null',
      'peanut butter 100 @1',
      'salt 100 @null',
      'flaked sea salt 100 @2',
    ]);
  });

  it('is the beginning for all that is put together, and for what no step names', () => {
    expect(
      times(['sugar', 'cream', 'nuts'], ['Put all ingredients but the nuts into a pot.', 'Add the nuts.']),
    ).toEqual(['sugar 100 @null', 'cream 100 @null', 'nuts 100 @null']);
    expect(times(['sugar'], ['Cook to 118 C.'])).toEqual(['sugar 100 @null']);
  });

  it('adds up to the whole, however it is parted', () => {
    const words = ['half of the nuts', 'a third of the nuts', 'the remaining nuts', 'the nuts', 'nothing'];
    for (const one of words)
      for (const two of words)
        for (const three of words) {
          const sum = times(
            ['nuts'],
            [one, two, three].map((each) => `Stir in ${each}.`),
          )
            .map((each) => Number(each.split(' ')[1]))
            .reduce((total, each) => total + each, 0);
          expect(sum).toBeCloseTo(100, 3);
        }
  });
});

const brickle = `Almond brickle

My family makes this every winter. It never fails!
Preheat the oven to 350 F and toast the almonds for 8 minutes.

2 cups whole almonds
1 cup sugar
3 tbsp water
1 tsp vanilla

1 Melt the sugar with the water.
2 Cook to 300 F, stirring.
3 Off the heat stir in the vanilla and half of the almonds.
4 Scatter with the remaining almonds.
5 Chill overnight.
Makes about 1 lb. Keeps 3 weeks.`;

describe('a recipe as people write it', () => {
  it('begins with a story, which is a note, and has its list without a heading', () => {
    const { parts, steps, notes } = read(brickle);
    expect(parts[0]?.lines).toHaveLength(4);
    expect(steps.map(({ text }) => text)).toContain('Chill overnight.');
    expect(notes.join(' ')).toContain('My family');
  });

  it('says how much it makes and how long it keeps in one line', () => {
    const { recipe } = drafted(brickle);
    expect(recipe.yield).toEqual({ by: 'weighed', grams: 454 });
    expect(recipe.keepsDays).toBe(21);
  });

  it('that says it makes more than goes in has that as a note, and is no recipe that gives more than that', () => {
    const { recipe } = drafted(
      'Bark\nMakes 900 g\n\n200 g sugar\n100 g almonds\n\n1. Melt the sugar and stir in the almonds.',
    );
    expect(recipe.yield).not.toMatchObject({ by: 'weighed' });
    expect(recipe.method).toContain('only 300 g goes in');
  });

  it('names a part of itself with an amount, which is that part and not once more all of it', () => {
    const { recipe, components } = drafted(`Espresso bars

8 oz espresso caramel
200 g oats

For the espresso caramel:
300 g sugar
100 ml double cream

Method
1. For the espresso caramel, boil the sugar and the cream to 118 C.
2. Mix the espresso caramel with the oats.`);
    const [caramel] = components;
    expect(recipe.lines.filter(({ uses }) => uses.kind === 'recipe')).toEqual([
      expect.objectContaining({ uses: { kind: 'recipe', id: caramel?.id }, amount: 8, unit: 'oz' }),
    ]);
  });
});

describe('a line as people write it', () => {
  it.each([
    ['12 dates (180 g)', 180, 'g'],
    ['3 egg whites (about 90 g)', 90, 'g'],
    ['2 EL Honig', 2, 'tbsp'],
    ['1 c. à soupe de miel', 1, 'tbsp'],
    ['1 TL salt', 1, 'tsp'],
  ])('has the amount that is meant: %s', (text, amount, unit) => {
    expect(readIngredientLines(text, pantry, 'US')[0]?.sure).toMatchObject({ amount, unit });
  });
});

describe('a step as people write it', () => {
  it.each([
    ['Put in the fridge for 3 hours.', 'waits 3 h'],
    [
      'Cook until it leaves the sides of the pan, 20 minutes, stirring.',
      '20 min of hands | done when it leaves the sides of the pan',
    ],
    ['Chill overnight.', 'waits overnight'],
    ['Take off 1 °C for every 300 m.', ''],
    ['Boil to 10 °F above boiling.', 'cooks to 106 C / 222 F'],
    ['Cook until a candy thermometer reads 300 F.', 'cooks to 149 C / 300 F'],
    ['Stir every 5 minutes until cool.', 'done when cool'],
    ['Toast the nuts in a dry pan for 6 minutes.', '6 min of hands'],
    ['Age for 3 weeks in a dark place.', 'waits 3 weeks'],
    ['The temperature will drop by 6 F when the butter goes in.', ''],
  ])('says what it takes: %s', (text, said) => {
    const steps = readSteps(text);
    expect(steps.flatMap(({ readings }) => readings.map(({ says }) => says)).join(' | ')).toBe(said);
    expect(steps.flatMap(({ questions }) => questions)).toEqual([]);
  });
});
