import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { bookOf, box, ingredient, kitchen, line, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { starred } from '../../testing/labels.js';
import { allergenCodes, allergens, type Allergen } from '../ingredient/index.js';
import { declaringWays, schoolCodes, type SchoolCode } from '../kitchen/index.js';
import { labelOf, type Label } from './label.js';
import { schools } from './schools/index.js';

/** How many books are made up; many more by night: LABEL_BOOKS=100000. */
const BOOKS = runs(200, 2000);

/** Names that hide what is in it, name it, name something else, or are in another script. */
const names = fc.oneof(
  fc.constantFrom('stout', 'butter', 'mixed nuts', 'Milk chocolate', 'wafer', 'İnce fıstık', 'cocoa butter', 'egg-free cake', 'peanut butter', 'sweets'), // prettier-ignore
  fc.string({ minLength: 1, maxLength: 12, unit: 'grapheme' }).map((text) => text.trim() || 'x'),
);
const codes = fc.subarray([...allergenCodes], { maxLength: 6 });
const drawn = fc.record({
  labelName: names,
  parts: fc.array(names, { maxLength: 3 }),
  contains: codes,
  traces: codes,
  grams: fc.integer({ min: 1, max: 500 }),
  /** Under how many components it lies. */
  depth: fc.integer({ min: 0, max: 3 }),
});

/** A box in which each ingredient lies under components, one of them in a variant that puts another in its place. */
function bookWith(
  list: readonly (typeof drawn extends fc.Arbitrary<infer T> ? T : never)[],
  declared: (typeof declaringWays)[number],
) {
  const ingredients = list.map(({ labelName, parts, contains, traces }, index) =>
    ingredient(`i${String(index)}`, {
      declaration: { labelName, parts: parts.map((name) => ({ name })) },
      contains,
      mayContain: traces,
    }),
  );
  const recipes = list.flatMap(({ grams, depth }, index) =>
    Array.from({ length: depth + 1 }, (_, level) =>
      recipe(`r${String(index)}-${String(level)}`, [
        level === 0 ? line(`i${String(index)}`, grams) : line(`:r${String(index)}-${String(level - 1)}`, grams),
      ]),
    ),
  );
  const whole = recipe(
    'whole',
    list.map(({ grams, depth }, index) => line(`:r${String(index)}-${String(depth)}`, grams)),
  );
  return bookOf({
    kitchen: { ...kitchen, label: { ...kitchen.label, declared } },
    ingredients,
    recipes: [...recipes, whole],
    pieces: [
      piece('p', { kind: 'rolled', recipeId: 'whole', centreGrams: 10 }),
      piece('q', { kind: 'rolled', recipeId: 'r0-0', centreGrams: 5 }),
    ],
    boxes: [box('b', ['p', 'q'])],
  });
}

/** All allergens that a label warns of, the traces apart. */
const warnedOf = ({ blocks }: Label): Set<Allergen> =>
  new Set(
    blocks.filter(({ kind }) => kind !== 'may').flatMap(({ spans }) => spans.flatMap(({ allergen }) => allergen ?? [])),
  );

describe('whatever is in a box', () => {
  it('no allergen of any ingredient is missing at any depth in any school, whatever its words are', () => {
    fc.assert(
      fc.property(
        fc.array(drawn, { minLength: 1, maxLength: 5 }),
        fc.constantFrom(...declaringWays),
        (list, declared) => {
          const book = bookWith(list, declared);
          const facts = book.boxes.get('b');
          if (!facts) throw new Error('no box');
          const inIt = new Set(list.flatMap(({ contains }) => contains));
          const traces = new Set(list.flatMap((each) => each.traces).filter((code) => !inIt.has(code)));
          for (const code of schoolCodes) {
            const school = schools[code];
            const label = labelOf(school, facts, book, { dates: null, today: TODAY });
            const warned = warnedOf(label);
            // One name may stand for several codes, such as walnuts of any kind: then one of them is warned of.
            const missing = [...inIt].filter((each) => !warned.has(each) && !sharesName(code, each, warned));
            expect([code, missing]).toEqual([code, []]);
            const may = label.blocks
              .filter(({ kind }) => kind === 'may')
              .flatMap(({ spans }) => spans.flatMap(({ allergen }) => allergen ?? []));
            expect([...traces].filter((each) => !may.includes(each) && !sharesName(code, each, new Set(may)))).toEqual(
              [],
            );
          }
        },
      ),
      { numRuns: BOOKS },
    );
  }, 3_600_000);

  it('a list is ordered by weight in every school, sugars of Canada apart', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 900 }), { minLength: 2, maxLength: 8 }), (grams) => {
        const ids = grams.map((_each, index) => `food ${'abcdefgh'[index] ?? ''}`);
        const book = bookOf({
          ingredients: ids.map((name) => ingredient(name.replace(' ', '-'), { declaration: { labelName: name } })),
          recipes: [
            recipe(
              'r',
              ids.map((name, index) => line(name.replace(' ', '-'), grams[index] ?? 1)),
            ),
          ],
          pieces: [piece('p', { kind: 'rolled', recipeId: 'r', centreGrams: 10 })],
          boxes: [box('b', ['p'])],
        });
        const facts = book.boxes.get('b');
        if (!facts) throw new Error('no box');
        const expected = [...ids].sort((a, b) => (grams[ids.indexOf(b)] ?? 0) - (grams[ids.indexOf(a)] ?? 0));
        for (const code of schoolCodes) {
          const [list] = labelOf(schools[code], facts, book, { dates: null, today: TODAY }).blocks.filter(
            ({ kind }) => kind === 'ingredients',
          );
          const said = list ? starred(list).replace('contains 2% or less of: ', '') : '';
          expect(said.split(', ')).toEqual(expected);
        }
      }),
      { numRuns: 200 },
    );
  });
});

/** Whether another of those that are warned of goes by the same name in a school. */
function sharesName(code: SchoolCode, allergen: Allergen, warned: ReadonlySet<Allergen>): boolean {
  const { family } = allergens[allergen];
  const kin = [...warned].filter((each) => allergens[each].family === family);
  const isWalnut = (each: Allergen) => each.includes('walnut') || each === 'heartnut';
  if (isWalnut(allergen)) return kin.some(isWalnut);
  // Australia and New Zealand name fish and crustaceans as such.
  return code === 'anz' && (family === 'fish' || family === 'crustacean shellfish') && kin.length > 0;
}
