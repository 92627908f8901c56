import fc from 'fast-check';
import { shelfOf, type Shelf } from '../src/intake/index.js';

/** What a generated line of an order is made of, and what it says. */
export interface TypedOrder {
  readonly text: string;
  readonly customer: string;
  readonly boxes: Readonly<Record<string, number>>;
  readonly on: string;
  readonly way: 'pick-up' | 'stall' | 'courier';
  /** Each wish to be spared something: the codes that it stands for. */
  readonly exclusions: readonly (readonly string[])[];
}

/** A shelf with names that are near to each other and that hold words of diet, of days and of numbers. */
export const typedShelf: Shelf = shelfOf(
  [
    { id: 'sampler', name: 'Pinwheel sampler' },
    { id: 'night', name: 'Longest Night box' },
    { id: 'table', name: 'Table box' },
    { id: 'bag', name: 'Bag of toffee shards' },
    { id: 'dozen', name: 'Winter dozen' },
  ],
  {
    ingredients: [
      { id: 'plum-brandy', name: 'Plum brandy', declaration: { labelName: 'plum brandy', french: '', parts: [] } },
      { id: 'ginger', name: 'Candied ginger', declaration: { labelName: 'candied ginger', french: '', parts: [] } },
    ],
    pieces: [{ id: 'dome', name: 'Hazelnut praline dome' }],
  },
);

const names = [
  'Jo',
  'Mara Quill',
  'Odile Marchetti',
  'Jan Hazel',
  'April Nutley',
  'Mrs. Vale',
  'Tam',
  'Bea & Ivo',
  "Nell O'Dell",
];

const boxes: readonly (readonly [words: (count: number) => string, id: string])[] = [
  [(count) => (count === 1 ? 'sampler' : 'samplers'), 'sampler'],
  [() => 'Pinwheel sampler', 'sampler'],
  [(count) => (count === 1 ? 'longest night' : 'longest nights'), 'night'],
  [() => 'Longest Night box', 'night'],
  [(count) => (count === 1 ? 'table box' : 'table boxes'), 'table'],
  [(count) => (count === 1 ? 'bag of toffee shards' : 'bags of toffee shards'), 'bag'],
  [() => 'winter dozen', 'dozen'],
  [(count) => (count === 1 ? 'tin of winter dozen' : 'tins of winter dozen'), 'dozen'],
];

const counts: readonly (readonly [words: string, count: number])[] = [
  ['1', 1],
  ['2', 2],
  ['3 x', 3],
  ['4x', 4],
  ['two', 2],
  ['one', 1],
  ['half a dozen', 6],
  ['½ dz', 6],
  ['a dozen', 12],
  ['a couple of', 2],
];

const days: readonly (readonly [words: string, day: string])[] = [
  ['12 Dec', '2026-12-12'],
  ['Dec 12th', '2026-12-12'],
  ['Sat 12 December', '2026-12-12'],
  ['on the 12th', '2026-12-12'],
  ['19/12', '2026-12-19'],
  ['2026-12-19', '2026-12-19'],
  ['thurs', '2026-11-26'],
  ['tomorrow', '2026-11-26'],
];

const ways: readonly (readonly [words: string, way: TypedOrder['way']])[] = [
  ['pickup', 'pick-up'],
  ['pick-up', 'pick-up'],
  ['pick up', 'pick-up'],
  ['will collect', 'pick-up'],
  ['courier', 'courier'],
  ['post pls', 'courier'],
  ['stall', 'stall'],
];

const substances: readonly (readonly [words: string, code: string])[] = [
  ['nuts', 'nuts'],
  ['nut', 'nuts'],
  ['tree nuts', 'tree-nuts'],
  ['peanuts', 'peanut'],
  ['walnuts', 'walnut'],
  ['coconut', 'coconut'],
  ['egg', 'egg'],
  ['eggs', 'egg'],
  ['dairy', 'milk'],
  ['milk', 'milk'],
  ['gluten', 'gluten'],
  ['sesame', 'sesame'],
  ['soya', 'soy'],
  ['sulphites', 'sulfites'],
  ['alcohol', 'alcohol'],
  ['gelatine', 'gelatin'],
  ['honey', 'honey'],
  ['plum brandy', 'ingredient:plum-brandy'],
  ['candied ginger', 'ingredient:ginger'],
  ['hazelnut praline dome', 'piece:dome'],
];

const phrasings: readonly ((words: string) => string)[] = [
  (words) => `no ${words}`,
  (words) => `without ${words}`,
  (words) => `w/o ${words}`,
  (words) => `(no ${words})`,
  (words) => `${words} free`,
  (words) => `${words}-free`,
  (words) => `allergic to ${words}`,
  (words) => `${words} allergy`,
  (words) => `must not contain ${words}`,
  (words) => `can't have ${words}`,
  (words) => `hold the ${words}`,
  (words) => `NO ${words.toUpperCase()}!`,
  (words) => `please no ${words}`,
];

const wish: fc.Arbitrary<readonly [string, readonly string[]]> = fc.oneof(
  fc
    .tuple(fc.constantFrom(...substances), fc.constantFrom(...phrasings))
    .map(([[words, code], phrase]) => [phrase(words), [code]] as const),
  fc
    .tuple(fc.constantFrom(...substances), fc.constantFrom(...substances), fc.constantFrom(' or ', ', ', ' and ', '/'))
    .map(([[first, a], [second, b], between]) => [`no ${first}${between}${second}`, [a, b]] as const),
  fc.constantFrom(
    ['vegan', ['vegan']] as const,
    ['vegetarian please', ['vegetarian']] as const,
    ['GF', ['gluten']] as const,
    ['coeliac', ['gluten']] as const,
    ['nutfree', ['nuts']] as const,
    ['🚫🥜', ['nuts']] as const,
  ),
);

/** Lines of orders: their parts in any order, with what people put between them. */
export const typedOrders: fc.Arbitrary<TypedOrder> = fc
  .record({
    name: fc.constantFrom(...names),
    boxes: fc.array(fc.tuple(fc.constantFrom(...counts), fc.constantFrom(...boxes)), { minLength: 1, maxLength: 3 }),
    day: fc.constantFrom(...days),
    way: fc.constantFrom(...ways),
    wishes: fc.array(wish, { maxLength: 3 }),
    naming: fc.constantFrom(
      (name: string) => `for ${name}`,
      (name: string) => name,
      (name: string) => `from ${name}`,
      (name: string) => `${name} here`,
      (name: string) => `name: ${name}`,
      (name: string) => `it's ${name}`,
      (name: string) => `thanks, ${name}`,
    ),
    greeting: fc.constantFrom('', '', 'Hi! ', 'hello Odile, ', 'Good morning, could I get please: ', '🎄 '),
    ending: fc.constantFrom('', '', ' thanks!', ' xx', ' please 🙏', ' after 5pm', ', no rush', ', call 555 0101 2222'),
    behind: fc.boolean(),
    order: fc.array(fc.nat(1000), { minLength: 10, maxLength: 10 }),
    between: fc.constantFrom(', ', '; ', ' - ', '\n', '. '),
    beside: fc.boolean(),
  })
  .map(({ name, boxes: asked, day, way, wishes, naming, order, between, beside, greeting, ending, behind }) => {
    const total: Record<string, number> = {};
    const said = asked.map(([[words, count], [box, id]]) => {
      total[id] = (total[id] ?? 0) + count;
      return behind ? `${box(count)} x ${String(count)}` : `${words} ${box(count)}`;
    });
    // A wish may stand right beside a box, nothing between.
    const first = beside && wishes[0] ? `${said[0] ?? ''} ${wishes[0][0]}` : said[0];
    const parts = [
      naming(name),
      [first, ...said.slice(1)].join(' + '),
      `${way[0]} ${day[0]}`,
      ...wishes.slice(beside ? 1 : 0).map(([words]) => words),
    ];
    const text = parts
      .map((part, index) => ({ part, at: order[index] ?? 0 }))
      .sort((a, b) => a.at - b.at)
      .map(({ part }) => part)
      .join(between);
    return {
      text: `${greeting}${text}${ending}`,
      customer: name,
      boxes: total,
      on: day[1],
      way: way[1],
      exclusions: wishes.map(([, codes]) => codes),
    };
  });
