// Source: USDA FoodData Central, SR Legacy, household measures (grams of one US cup; restated in the design, from memory).
import { describe, expect, it } from '@jest/globals';
import { weigh } from '../src/quantity/index.js';
import type { SeasonFile } from '../src/season-file/index.js';
import { readFileSync } from 'node:fs';

const { ingredients } = JSON.parse(readFileSync('demo/season.json', 'utf8')) as SeasonFile;

describe('a cup from the pantry weighs what the household tables say', () => {
  it.each([
    ['granulated-sugar', 'level', 200],
    ['brown-sugar', 'packed', 220],
    ['unsalted-butter', 'plain', 227],
    ['heavy-cream', 'plain', 238],
    ['evaporated-milk', 'plain', 252],
    ['cocoa', 'spooned', 86],
  ])('%s, %s: %d g', (id, state, grams) => {
    const ingredient = ingredients.find((each) => each.id === id);
    if (!ingredient) throw new Error(`${id} is not in the demo`);
    const weight = weigh(1, 'cup', ingredient, state);
    expect('grams' in weight ? weight.grams : NaN).toBeCloseTo(grams, 0);
  });

  it('brown sugar packed and loose differ by a quarter or more', () => {
    const sugar = ingredients.find((each) => each.id === 'brown-sugar');
    const [packed, loose] = ['packed', 'loose'].map(
      (state) => sugar?.densities.find((each) => each.state === state)?.gramsPerMl ?? NaN,
    );
    expect((packed ?? NaN) / (loose ?? NaN)).toBeGreaterThan(1.25);
  });

  it('a stick of butter is 113.4 g, a quarter of a pound', () => {
    const butter = ingredients.find((each) => each.id === 'unsalted-butter');
    expect(butter?.pieceGrams).toBeCloseTo(453.59237 / 4, 1);
  });
});
