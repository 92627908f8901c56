import fc from 'fast-check';
import type { OrderFiled } from '../src/order/index.js';
import { addDays } from '../src/quantity/index.js';
import { box, different, ingredient, kitchen, line, order, piece, recipe, TODAY } from './kitchen.js';

/** Three evenings and a Saturday a week in a kitchen with two moulds, two pans, a small fridge and shops that are not there every day. */
export const realBench = {
  ...kitchen,
  benchWeek: [
    { weekday: 2, hours: 3.5, begins: 1080 },
    { weekday: 4, hours: 3.5, begins: 1080 },
    { weekday: 6, hours: 7, begins: 540 },
  ],
  overtimeMinutes: 60,
  setUpMinutes: 5,
  cleanMinutes: 10,
  moulds: [{ name: 'Dome mould', cavities: 24, cavityMl: 9, count: 2 }],
  pans: [{ name: 'Square pan', lengthMm: 200, widthMm: 200, depthMm: 50, count: 2 }],
  coldPlaces: [{ name: 'Shelf', kind: 'fridge' as const, litres: 6, celsius: 4 }],
  shops: [{ name: 'Market', weekdays: [5] }],
};

const bought = (id: string, more: Parameters<typeof ingredient>[1] = {}) =>
  ingredient(id, {
    packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 900, supplier: 'Corner shop' }],
    ...more,
  });

/** The stages of a dome over two evenings: shell and fill, then cap and knock out. */
export const twoEvenings = [
  { stage: 'shell' as const, handSeconds: 20, nightsAfter: 0 },
  { stage: 'fill' as const, handSeconds: 15, nightsAfter: 1 },
  { stage: 'cap' as const, handSeconds: 10, nightsAfter: 0 },
  { stage: 'knock out' as const, handSeconds: 5, nightsAfter: 0 },
];

export const dome = (more: Parameters<typeof piece>[2] = {}, stages: typeof twoEvenings = twoEvenings) =>
  piece(
    'dome',
    {
      kind: 'moulded',
      cavities: 24,
      cavityMl: 9,
      moulds: 9,
      turnsPerDay: 2,
      shell: { recipeId: 'coating', shellPercent: 30, capPercent: 10, gramsPerMl: 1.25, poolFactor: 2 },
      layers: [
        { recipeId: 'ganache', grams: 4.2, gramsPerMl: 1.2 },
        { recipeId: 'paste', grams: 2.3, gramsPerMl: 1.2 },
      ],
      breakagePercent: 4,
      stages,
    },
    { keepsDays: 24, handSeconds: 0, stands: { kind: 'fridge', litres: 2 }, ...more },
  );

/** Domes over two evenings, truffles that are dipped in a cool room, toffee in a dry one, squares that rest in their pans. */
export const realPantry = {
  ingredients: [
    bought('sugar', { onHandGrams: 2000 }),
    bought('dark', { packs: [{ name: 'bag', amount: 1, unit: 'kg', priceMinor: 1500, supplier: 'Corner shop' }] }),
    bought('nut', { contains: ['hazelnut'] }),
    bought('cream', {
      keepsDays: 8,
      packs: [{ name: 'tub', amount: 500, unit: 'g', priceMinor: 300, supplier: 'Market', leadDays: 1 }],
    }),
  ],
  recipes: [
    recipe('ganache', [line('dark', 300), line('cream', 200)], {
      handsMinutes: 20,
      keepsDays: 9,
      restDays: 1,
      batchSizes: [0.5, 1],
      stands: { kind: 'fridge', litres: 1 },
    }),
    recipe('paste', [line('nut', 300), line('sugar', 200)], {
      handsMinutes: 25,
      keepsDays: 20,
      stands: { kind: 'fridge', litres: 0.8 },
    }),
    recipe('coating', [line('dark', 800)], { handsMinutes: 10, keepsDays: 90 }),
    recipe('toffee', [line('sugar', 400)], { handsMinutes: 35, hygroscopic: true }),
    recipe('fudge', [line('sugar', 700), line('cream', 100)], { handsMinutes: 40, restDays: 1 }),
  ],
  pieces: [
    dome(),
    piece(
      'truffle',
      {
        kind: 'dipped',
        centre: { kind: 'rolled', recipeId: 'ganache', centreGrams: 12 },
        coatingRecipeId: 'coating',
        coatingPercent: 25,
      },
      {
        keepsDays: 21,
        handSeconds: 25,
        air: { mostCelsius: 24, mostHumidityPercent: null },
        stands: { kind: 'fridge', litres: 1.5 },
      },
    ),
    piece(
      'shard',
      { kind: 'broken', recipeId: 'toffee', crumbsPercent: 5, servingGrams: 15 },
      { handSeconds: 4, keepsAir: { mostCelsius: 27, mostHumidityPercent: 55 } },
    ),
    piece(
      'square',
      {
        kind: 'cut',
        recipeId: 'fudge',
        panLengthMm: 200,
        panWidthMm: 200,
        pansPerBatch: 1,
        pieceLengthMm: 25,
        pieceWidthMm: 25,
        edgeTrimMm: 0,
        kerfMm: 0,
      },
      { handSeconds: 4, stands: { kind: 'freezer', litres: 1 }, thawNights: 2 },
    ),
  ],
  boxes: [
    box('fine', ['dome', 'truffle', 'dome'], { packMinutes: 3 }),
    box('plain', ['shard', 'square', 'shard'], { packMinutes: 2 }),
  ],
};

/** Up to so many orders within four weeks. */
export const anyRealOrders = (most = 3): fc.Arbitrary<OrderFiled[]> =>
  fc
    .array(
      fc.record({
        fine: fc.integer({ min: 1, max: 14 }),
        plain: fc.integer({ min: 0, max: 10 }),
        days: fc.integer({ min: 9, max: 26 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((list) =>
      list.map(({ fine, plain, days }, index) =>
        order(`o${String(index)}`, { fine, ...(plain > 0 ? { plain } : {}) }, addDays(TODAY, days)),
      ),
    );

/** Any kitchen whose rooms, shops and days differ: warm and humid days, closed ones, more or less room in the cold. */
export const anyRealBench = fc
  .record({
    air: fc.array(
      fc.record({
        ahead: fc.nat(26),
        roomCelsius: fc.option(fc.integer({ min: 16, max: 30 })),
        humidityPercent: fc.option(fc.integer({ min: 30, max: 80 })),
        humid: fc.boolean(),
      }),
      { maxLength: 8 },
    ),
    closed: fc.option(fc.record({ ahead: fc.nat(20), length: fc.nat(4) })),
    litres: fc.constantFrom(0.5, 3, 6, 40),
    moulds: fc.integer({ min: 1, max: 3 }),
    weekdays: fc.subarray([1, 3, 5], { minLength: 1 }),
  })
  .map(({ air, closed, litres, moulds, weekdays }) => ({
    ...realBench,
    dayChanges: [
      ...new Map(
        air.map(({ ahead, ...more }) => [addDays(TODAY, ahead), different(addDays(TODAY, ahead), more)] as const),
      ).values(),
    ],
    closures:
      closed === null
        ? []
        : [{ from: addDays(TODAY, closed.ahead), to: addDays(TODAY, closed.ahead + closed.length), reason: 'away' }],
    coldPlaces: [
      { name: 'Shelf', kind: 'fridge' as const, litres, celsius: 4 },
      { name: 'Chest', kind: 'freezer' as const, litres: litres / 4, celsius: -18 },
    ],
    moulds: [{ name: 'Dome mould', cavities: 24, cavityMl: 9, count: moulds }],
    shops: [{ name: 'Market', weekdays }],
  }));
