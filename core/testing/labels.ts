import { labelOf, schools, type Label, type LabelBlock } from '../src/label/index.js';
import type { Allergen } from '../src/ingredient/index.js';
import type { SchoolCode } from '../src/kitchen/index.js';
import { bookOf, box, ingredient, kitchen, line, piece, recipe, TODAY } from './kitchen.js';

/** An ingredient: grams of a batch, what the label calls it, its own parts, what is in it, what it may bring. */
export type Line = readonly [
  grams: number,
  labelName: string,
  parts?: string,
  contains?: readonly Allergen[],
  traces?: readonly Allergen[],
];

/** The same ingredient in another amount. */
export const of = (grams: number, [, ...rest]: Line): Line => [grams, ...rest];

export interface LabelledFood {
  readonly food: string;
  readonly foodFrench?: string;
  readonly lines: readonly Line[];
  /** Pieces, and grams of each. */
  readonly pieces: readonly [count: number, grams: number];
  /** Millimetres of the front of the package. */
  readonly panel: readonly [width: number, height: number];
  /** What of the batch is boiled off, percent. */
  readonly lossPercent?: number;
  readonly dates?: { readonly madeOn: string; readonly bestBefore: string };
}

/** The composition of water. */
export const ALL_WATER = {
  water: 100,
  sucrose: 0,
  glucose: 0,
  fructose: 0,
  lactose: 0,
  maltose: 0,
  otherCarbohydrate: 0,
  fat: 0,
  protein: 0,
  ethanol: 0,
  ash: 0,
};

/** The label of a box of pieces that are made of nothing but these. */
export function labelOfFood(school: SchoolCode, food: LabelledFood): Label {
  const { lines, pieces: [count, grams], panel: [widthMm, heightMm], lossPercent = 0, dates = null } = food; // prettier-ignore
  const ids = lines.map((_line, index) => `i${String(index)}`);
  const book = bookOf({
    kitchen: { ...kitchen, statementChecked: true },
    ingredients: lines.map(([, labelName, parts = '', contains = [], mayContain = []], index) =>
      ingredient(ids[index] ?? '', {
        name: labelName,
        declaration: { labelName, parts: parts === '' ? [] : parts.split(', ').map((name) => ({ name })) },
        contains: [...contains],
        mayContain: [...mayContain],
        composition: labelName === 'water' ? ALL_WATER : null,
      }),
    ),
    recipes: [recipe('r', lines.map(([weight], index) => line(ids[index] ?? '', weight)), { yield: { by: 'loss', lossPercent } })], // prettier-ignore
    pieces: [piece('p', { kind: 'rolled', recipeId: 'r', centreGrams: grams }, { name: food.food })],
    boxes: [
      box('b', ['p'], {
        foodName: food.food,
        foodNameFrench: food.foodFrench ?? '',
        panel: { widthMm, heightMm },
        cells: [{ pieceId: 'p', count, standIns: [] }],
      }),
    ],
  });
  const facts = book.boxes.get('b');
  if (!facts) throw new Error('no box');
  return labelOf(schools[school], facts, book, { dates, today: TODAY });
}

/** A paragraph with what stands out between stars: `*milk* chocolate`. */
export const starred = ({ spans }: Pick<LabelBlock, 'spans'>): string =>
  spans.map(({ text, strong }) => (strong ? `*${text}*` : text)).join('');
