/** A kitchen small enough to work out by hand: two toffees, a coating, two boxes. */
export const grams = {
  pound: 453.59237,
  toffeeSugar: 400,
  sugarOnHand: 100,
  sugarBag: 2 * 453.59237,
  plainShard: 14,
  dippedCentre: 12,
  coatingBatch: 500,
} as const;

export const cents = {
  sugarBag: 300,
  butter: 500,
  chocolateKilo: 2000,
  tray: 85,
  rateAnHour: 1800,
  plainBox: 1200,
} as const;

export const shares = { toffeeLoss: 0.12, crumbs: 0.1, coating: 0.25, pool: 1.5 } as const;

const pack = (name: string, amount: number, unit: string, priceMinor: number) => ({ name, amount, unit, priceMinor });
const uses = (kind: string, id: string, amount: number, unit: string) => ({ uses: { kind, id }, amount, unit });
const recipe = (
  id: string,
  name: string,
  lossPercent: number,
  batchSizes: number[],
  handsMinutes: number,
  lines: object[],
) => ({
  id,
  name,
  lines,
  yield: { by: 'loss', lossPercent },
  batchSizes,
  handsMinutes,
  keepsDays: 90,
  restDays: 0,
});
const broken = (recipeId: string, servingGrams: number) => ({
  kind: 'broken',
  recipeId,
  crumbsPercent: shares.crumbs * 100,
  servingGrams,
});
const piece = (id: string, name: string, form: object, handSeconds: number) => ({
  id,
  name,
  form,
  keepsDays: 21,
  handSeconds,
  travel: 'travels',
  colour: '#c07a20',
});

export const smallSeason = {
  format: 'usual-pantry-season',
  formatVersion: 1,
  writtenFor: '2026-11-25',
  kitchen: {
    makerName: 'Small kitchen',
    address: '1 Short Street',
    homeKitchenStatement: 'Made in a home kitchen.',
    handsRateMinorPerHour: cents.rateAnHour,
    packingLeadDays: 1,
    promisedDays: 5,
    benchWeek: [],
  },
  ingredients: [
    {
      id: 'sugar',
      name: 'Sugar',
      packs: [pack('2 lb bag', 2, 'lb', cents.sugarBag)],
      declaration: { labelName: 'sugar' },
      onHandGrams: grams.sugarOnHand,
    },
    {
      id: 'butter',
      name: 'Butter',
      packs: [pack('1 lb', 1, 'lb', cents.butter)],
      declaration: { labelName: 'butter', parts: [{ name: 'cream' }] },
      contains: ['milk'],
    },
    {
      id: 'sesame',
      name: 'Sesame',
      packs: [pack('1 lb bag', 1, 'lb', 600)],
      declaration: { labelName: 'sesame seeds' },
      contains: ['sesame'],
    },
    {
      id: 'chocolate',
      name: 'Dark chocolate',
      packs: [pack('1 kg bag', 1, 'kg', cents.chocolateKilo)],
      declaration: {
        labelName: 'semisweet chocolate',
        parts: [{ name: 'sugar' }, { name: 'chocolate liquor' }, { name: 'soy lecithin' }],
      },
      contains: ['soy'],
    },
  ],
  recipes: [
    recipe('toffee', 'Toffee', shares.toffeeLoss * 100, [1], 30, [
      uses('ingredient', 'sugar', grams.toffeeSugar, 'g'),
      uses('ingredient', 'butter', 1, 'lb'),
    ]),
    recipe('sesame-toffee', 'Sesame toffee', 12, [1], 30, [
      uses('ingredient', 'sugar', 400, 'g'),
      uses('ingredient', 'butter', 450, 'g'),
      uses('ingredient', 'sesame', 50, 'g'),
    ]),
    recipe('coating', 'Coating', 0, [0.5, 1, 2], 10, [uses('ingredient', 'chocolate', grams.coatingBatch, 'g')]),
  ],
  pieces: [
    piece('plain', 'Plain shard', broken('toffee', grams.plainShard), 6),
    piece('sesame', 'Sesame shard', broken('sesame-toffee', 14), 6),
    piece(
      'dipped',
      'Dipped shard',
      {
        kind: 'dipped',
        centre: broken('toffee', grams.dippedCentre),
        coatingRecipeId: 'coating',
        coatingPercent: shares.coating * 100,
        poolFactor: shares.pool,
      },
      30,
    ),
  ],
  boxes: [
    {
      id: 'sesame-box',
      name: 'Sesame box',
      foodName: 'Butter toffee',
      rows: 1,
      columns: 2,
      cells: [
        { pieceId: 'sesame', count: 2 },
        { pieceId: 'sesame', count: 2 },
      ],
      packMinutes: 4,
      priceMinor: 800,
    },
    {
      id: 'plain-box',
      name: 'Plain box',
      foodName: 'Butter toffee',
      rows: 2,
      columns: 1,
      cells: [
        { pieceId: 'plain', count: 3 },
        { pieceId: 'dipped', count: 3 },
      ],
      packaging: [{ name: 'Tray', costMinor: cents.tray }],
      packMinutes: 5,
      priceMinor: cents.plainBox,
    },
  ],
  orders: [],
};
