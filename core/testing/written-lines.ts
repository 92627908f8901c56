import fc from 'fast-check';
import type { MeasureHabit } from '../src/kitchen/index.js';
import { units, type UnitCode } from '../src/quantity/index.js';

/** A generated ingredient line and what it means, known without reading it. */
export interface WrittenLine {
  readonly text: string;
  readonly habit: MeasureHabit;
  /** The names of the habits that it is written in. */
  readonly habits: readonly string[];
  readonly id: string;
  readonly measures: 'mass' | 'volume' | 'count';
  /** In g, mL or pieces. */
  readonly base: number;
  /** The state that it is measured in; null where the line says none. */
  readonly state: string | null;
}

/** A number as a whole and a fraction of it, or as hundredths. */
interface Value {
  readonly whole: number;
  readonly part: readonly [number, number] | null;
  readonly hundredths: number;
}

const valueOf = ({ whole, part, hundredths }: Value): number =>
  (100 * whole + hundredths) / 100 + (part ? part[0] / part[1] : 0);

const parts: readonly (readonly [number, number])[] = [
  [1, 2],
  [1, 3],
  [2, 3],
  [1, 4],
  [3, 4],
  [1, 8],
  [3, 8],
  [5, 8],
  [7, 8],
];
const signs: Readonly<Record<string, string>> = {
  '1/2': '½',
  '1/3': '⅓',
  '2/3': '⅔',
  '1/4': '¼',
  '3/4': '¾',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};
const partNames: Readonly<Record<string, string>> = {
  '1/2': 'half',
  '1/3': 'third',
  '2/3': 'thirds',
  '1/4': 'quarter',
  '3/4': 'quarters',
  '1/8': 'eighth',
};
const small = 'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen'.split(
  ' ',
);
const tens: Readonly<Record<number, string>> = { 20: 'twenty', 30: 'thirty', 40: 'forty', 50: 'fifty' };

const ascii = (value: Value): string | null => value.part && `${value.part[0]}/${value.part[1]}`;
const sign = (value: Value): string | null => (value.part ? (signs[ascii(value) ?? ''] ?? null) : null);
const partName = (value: Value): string | null => (value.part ? (partNames[ascii(value) ?? ''] ?? null) : null);
const isWhole = (value: Value): boolean => value.part === null && value.hundredths === 0;
const isMixed = (value: Value): boolean => value.whole > 0 && value.part !== null;
const isPart = (value: Value): boolean => value.whole === 0 && value.part !== null;
const word = (count: number): string | null =>
  count > 59
    ? null
    : (small[count] ??
      tens[count] ??
      (count > 20 ? `${tens[count - (count % 10)] ?? ''}-${small[count % 10] ?? ''}` : null));
const half = (value: Value): boolean => value.part?.[1] === 2;

/** How a number is written; null where this habit does not suit it. `of` stands where the unit follows with or without an article. */
type NumberHabit = readonly [name: string, write: (value: Value) => string | null];

const decimals = (value: Value): string => {
  const text = String(valueOf(value));
  return text.length > 7 ? '' : text;
};

const numberHabits: readonly NumberHabit[] = [
  ['figures', (v) => (isWhole(v) && v.whole < 1000 ? String(v.whole) : null)],
  ['decimal point', (v) => (isWhole(v) ? null : decimals(v) || null)],
  ['decimal comma', (v) => (isWhole(v) || /\.\d{3}$/.test(decimals(v)) ? null : decimals(v).replace('.', ',') || null)],
  ['point without a nought', (v) => (v.whole === 0 && v.hundredths > 0 ? decimals(v).slice(1) : null)],
  ['points and noughts', (v) => (isWhole(v) && v.whole < 100 ? `${v.whole}.0` : null)],
  ['fraction', (v) => (isPart(v) ? ascii(v) : null)],
  ['fraction with a sloping stroke', (v) => (isPart(v) ? (ascii(v)?.replace('/', '⁄') ?? null) : null)],
  ['mixed with a space', (v) => (isMixed(v) ? `${v.whole} ${ascii(v) ?? ''}` : null)],
  ['mixed with a hyphen', (v) => (isMixed(v) ? `${v.whole}-${ascii(v) ?? ''}` : null)],
  ['mixed with and', (v) => (isMixed(v) ? `${v.whole} and ${ascii(v) ?? ''}` : null)],
  ['mixed with &', (v) => (isMixed(v) ? `${v.whole} & ${ascii(v) ?? ''}` : null)],
  ['fraction sign', (v) => (isPart(v) ? sign(v) : null)],
  ['mixed with a sign', (v) => (isMixed(v) && sign(v) !== null ? `${v.whole}${sign(v) ?? ''}` : null)],
  ['mixed with a spaced sign', (v) => (isMixed(v) && sign(v) !== null ? `${v.whole} ${sign(v) ?? ''}` : null)],
  ['word', (v) => (isWhole(v) && v.whole > 0 ? word(v.whole) : null)],
  [
    'capital word',
    (v) => (isWhole(v) && v.whole > 0 ? (word(v.whole)?.replace(/^./, (a) => a.toUpperCase()) ?? null) : null),
  ],
  ['a', (v) => (isWhole(v) && v.whole === 1 ? 'a' : null)],
  ['a couple of', (v) => (isWhole(v) && v.whole === 2 ? 'a couple of' : null)],
  ['half a', (v) => (isPart(v) && half(v) ? 'half a' : null)],
  ['half', (v) => (isPart(v) && half(v) ? 'half' : null)],
  ['a half', (v) => (isPart(v) && half(v) ? 'a half' : null)],
  [
    'one third of a',
    (v) => (isPart(v) && v.part?.[0] === 1 && partName(v) !== null ? `one ${partName(v) ?? ''} of a` : null),
  ],
  ['one-third', (v) => (isPart(v) && v.part?.[0] === 1 && partName(v) !== null ? `one-${partName(v) ?? ''}` : null)],
  ['a quarter', (v) => (isPart(v) && v.part?.[0] === 1 && partName(v) !== null ? `a ${partName(v) ?? ''}` : null)],
  [
    'three quarters of a',
    (v) =>
      isPart(v) && (v.part?.[0] ?? 1) > 1 && partName(v) !== null
        ? `${word(v.part?.[0] ?? 0) ?? ''} ${partName(v) ?? ''} of a`
        : null,
  ],
  [
    'three quarter',
    (v) =>
      isPart(v) && v.part?.[0] === 3 && partName(v) !== null ? `three ${(partName(v) ?? '').replace(/s$/, '')}` : null,
  ],
  ['two and a half', (v) => (isMixed(v) && half(v) && v.whole < 13 ? `${word(v.whole) ?? ''} and a half` : null)],
  [
    'one and three quarters',
    (v) =>
      isMixed(v) && v.part?.[0] === 3 && v.part[1] === 4 && v.whole < 13
        ? `${word(v.whole) ?? ''} and three quarters`
        : null,
  ],
  ['thousands with a comma', (v) => (isWhole(v) && v.whole >= 1000 ? v.whole.toLocaleString('en-US') : null)],
  [
    'thousands with a space',
    (v) => (isWhole(v) && v.whole >= 1000 ? v.whole.toLocaleString('en-US').replace(',', ' ') : null),
  ],
  ['thousands without', (v) => (isWhole(v) && v.whole >= 1000 ? String(v.whole) : null)],
];

/** A unit, its spellings, and the regions in which they mean it. */
interface WrittenUnit {
  readonly unit: UnitCode;
  readonly times?: number;
  readonly in?: readonly MeasureHabit[];
  readonly spellings: readonly string[];
  readonly plural?: readonly string[];
}
const all: readonly MeasureHabit[] = ['US', 'UK', 'Australia', 'metric'];
const notUs: readonly MeasureHabit[] = ['UK', 'Australia', 'metric'];

const cup = { spellings: ['cup', 'c', 'c.', 'Cup', 'CUP'], plural: ['cups', 'c', 'c.', 'Cups', 'CUPS'] };
const tbsp = {
  spellings: ['tbsp', 'Tbsp.', 'tbs', 'T', 'tablespoon', 'TBSP'],
  plural: ['tbsp', 'tbsps', 'Tbsp.', 'T', 'tablespoons', 'tablespoonfuls'],
};
const tsp = { spellings: ['tsp', 'tsp.', 't', 'teaspoon'], plural: ['tsp', 'tsps', 't', 'teaspoons'] };

const writtenUnits: readonly WrittenUnit[] = [
  { unit: 'g', spellings: ['g', 'gr.', 'gr', 'gm', 'gram', 'grams', 'G'] },
  { unit: 'kg', spellings: ['kg', 'Kg', 'kilo', 'kilos', 'kilogram'] },
  { unit: 'oz', spellings: ['oz', 'oz.', 'ounce', 'OZ'], plural: ['oz', 'oz.', 'ounces', 'ozs'] },
  { unit: 'lb', spellings: ['lb', 'lb.', 'pound', 'LB'], plural: ['lb', 'lbs', 'lbs.', 'pounds'] },
  { unit: 'ml', spellings: ['ml', 'mL', 'millilitre', 'milliliter', 'ml.'] },
  { unit: 'ml', times: 10, spellings: ['cl', 'centilitre', 'cl.'] },
  { unit: 'ml', times: 100, spellings: ['dl', 'decilitre', 'dL'] },
  { unit: 'l', spellings: ['l', 'L', 'litre', 'liter'] },
  { unit: 'cup', in: ['US'], ...cup },
  { unit: 'metric-cup', in: notUs, ...cup },
  { unit: 'tbsp', in: ['US'], ...tbsp },
  { unit: 'metric-tbsp', in: ['UK', 'metric'], ...tbsp },
  { unit: 'australian-tbsp', in: ['Australia'], ...tbsp },
  { unit: 'tsp', in: ['US'], ...tsp },
  { unit: 'metric-tsp', in: notUs, ...tsp },
  {
    unit: 'floz',
    in: ['US'],
    spellings: ['fl oz', 'fl. oz.', 'fluid ounce', 'floz'],
    plural: ['fl oz', 'fl. oz.', 'fluid ounces'],
  },
  {
    unit: 'imperial-floz',
    in: ['UK', 'Australia'],
    spellings: ['fl oz', 'fluid ounce'],
    plural: ['fl oz', 'fluid ounces'],
  },
  { unit: 'pint', in: ['US'], spellings: ['pint', 'pt', 'pt.'], plural: ['pints', 'pt'] },
  { unit: 'imperial-pint', in: ['UK', 'Australia'], spellings: ['pint', 'pt'], plural: ['pints', 'pts'] },
  { unit: 'quart', in: ['US'], spellings: ['quart', 'qt', 'qt.'], plural: ['quarts', 'qts'] },
  { unit: 'cup', in: notUs, spellings: ['US cup', 'American cup'], plural: ['US cups'] },
  { unit: 'metric-cup', in: ['US'], spellings: ['metric cup'], plural: ['metric cups'] },
  { unit: 'imperial-pint', in: ['US'], spellings: ['imperial pint', 'UK pint'], plural: ['imperial pints'] },
  { unit: 'imperial-quart', in: ['US'], spellings: ['Canadian quart', 'imperial quart'], plural: ['imperial quarts'] },
  { unit: 'dessertspoon', spellings: ['dessertspoon', 'dsp'], plural: ['dessertspoons'] },
];

/** A name and how its state is said: before it, behind it, or not. */
interface WrittenName {
  readonly id: string;
  readonly liquid: boolean;
  /** Texts with the state that they say; the first is the one without. */
  readonly texts: readonly (readonly [habit: string, text: string, state: string | null])[];
}

const names: readonly WrittenName[] = [
  {
    id: 'granulated-sugar',
    liquid: false,
    texts: [
      ['name', 'granulated sugar', null],
      ['capital name', 'Granulated Sugar', null],
      ['synonym', 'white sugar', null],
      ['name behind a comma', 'sugar, granulated', null],
    ],
  },
  {
    id: 'light-brown-sugar',
    liquid: false,
    texts: [
      ['packed before', 'packed light brown sugar', 'packed'],
      ['firmly packed before', 'firmly packed light brown sugar', 'packed'],
      ['packed behind', 'light brown sugar, packed', 'packed'],
      ['packed in brackets', 'light brown sugar (packed)', 'packed'],
      ['loosely packed', 'loosely packed light brown sugar', 'loose'],
      ['lightly packed behind', 'light brown sugar, lightly packed', 'loose'],
      ['not packed', 'light brown sugar, not packed', 'loose'],
      ['unpacked', 'unpacked light brown sugar', 'loose'],
    ],
  },
  {
    id: 'icing-sugar',
    liquid: false,
    texts: [
      ['sifted before', 'sifted icing sugar', 'sifted'],
      ['sifted afterwards', 'icing sugar, sifted', 'spooned'],
      ['sifted afterwards, in brackets', 'powdered sugar (sifted)', 'spooned'],
      ['well sifted before', "well sifted confectioners' sugar", 'sifted'],
    ],
  },
  {
    id: 'plain-flour',
    liquid: false,
    texts: [
      ['spooned', 'all-purpose flour, spooned and levelled', 'spooned'],
      ['sifted before', 'sifted plain flour', 'sifted'],
      ['sifted afterwards', 'plain flour, sifted', 'spooned'],
    ],
  },
  {
    id: 'pecans',
    liquid: false,
    texts: [
      ['chopped before', 'chopped pecans', 'chopped'],
      ['coarsely chopped before', 'coarsely chopped pecans', 'chopped'],
      ['chopped afterwards', 'pecans, chopped', 'halves'],
      ['chopped and toasted afterwards', 'pecans, toasted and chopped', 'halves'],
      ['halves', 'pecan halves', 'halves'],
      ['toasted', 'toasted pecan halves', 'halves'],
    ],
  },
  {
    id: 'almonds',
    liquid: false,
    texts: [
      ['ground', 'ground almonds', 'ground'],
      ['sliced', 'sliced almonds', 'sliced'],
      ['flaked', 'slivered almonds', 'slivered'],
      ['whole', 'whole almonds', 'whole'],
      ['whole with a note', 'whole almonds, roughly chopped', 'whole'],
    ],
  },
  {
    id: 'unsalted-butter',
    liquid: false,
    texts: [
      ['name', 'unsalted butter', null],
      ['note behind', 'unsalted butter, softened', null],
      ['note in brackets', 'unsalted butter (at room temperature)', null],
      ['note before', 'softened unsalted butter', null],
      ['cut up', 'unsalted butter, cut into cubes', null],
    ],
  },
  {
    id: 'whole-milk',
    liquid: true,
    texts: [
      ['name', 'whole milk', null],
      ['note behind', 'whole milk, warmed', null],
    ],
  },
  {
    id: 'heavy-cream',
    liquid: true,
    texts: [
      ['name', 'heavy cream', null],
      ['synonym', 'heavy whipping cream', null],
      ['more for', 'heavy cream, plus more for brushing', null],
    ],
  },
  {
    id: 'honey',
    liquid: true,
    texts: [
      ['name', 'honey', null],
      ['capital name', 'Honey', null],
      ['with praise', 'good quality honey', null],
    ],
  },
];

/** How number, unit and name stand together. */
type Layout = readonly [name: string, write: (number: string, unit: string, name: string) => string];
const layouts: readonly Layout[] = [
  ['number unit name', (n, u, name) => `${n} ${u} ${name}`],
  ['of', (n, u, name) => `${n} ${u} of ${name}`],
  ['name: amount', (n, u, name) => `${name}: ${n} ${u}`],
  ['name, amount', (n, u, name) => `${name}, ${n} ${u}`],
  ['name – amount', (n, u, name) => `${name} – ${n} ${u}`],
  ['name amount', (n, u, name) => `${name} ${n} ${u}`],
  ['name (amount)', (n, u, name) => `${name} (${n} ${u})`],
  ['bullet', (n, u, name) => `• ${n} ${u} ${name}`],
  ['dash', (n, u, name) => `- ${n} ${u} ${name}`],
  ['box to tick', (n, u, name) => `[ ] ${n} ${u} ${name}`],
  ['about', (n, u, name) => `about ${n} ${u} ${name}`],
  ['level', (n, u, name) => `${n} level ${u} ${name}`],
  ['spaces of a typesetter', (n, u, name) => `${n}\u00a0${u}  ${name} `],
  ['stuck together', (n, u, name) => `${n}${u} ${name}`],
  ['hyphen', (n, u, name) => `${n}-${u} ${name}`],
];
/** Layouts that need a number in figures. */
const figuresOnly = new Set([
  'name: amount',
  'name, amount',
  'name – amount',
  'name amount',
  'name (amount)',
  'stuck together',
  'hyphen',
]);

const values: fc.Arbitrary<Value> = fc.oneof(
  fc.record({ whole: fc.integer({ min: 1, max: 12 }), part: fc.constant(null), hundredths: fc.constant(0) }),
  fc.record({ whole: fc.integer({ min: 13, max: 4000 }), part: fc.constant(null), hundredths: fc.constant(0) }),
  fc.record({ whole: fc.integer({ min: 0, max: 6 }), part: fc.constantFrom(...parts), hundredths: fc.constant(0) }),
  fc.record({
    whole: fc.integer({ min: 0, max: 20 }),
    part: fc.constant(null),
    hundredths: fc.integer({ min: 1, max: 99 }),
  }),
);

interface Written {
  readonly text: string;
  readonly habit: string;
  readonly value: number;
}
const written = (value: Value, pick: number): Written => {
  const able = numberHabits.flatMap(([habit, write]) => {
    const text = write(value);
    return text === null ? [] : [{ text, habit, value: valueOf(value) }];
  });
  const chosen = able[pick % able.length];
  if (!chosen) throw new Error(`no habit writes ${valueOf(value)}`);
  return chosen;
};

/** A second writing of the amount, or a sum, or a range: changes what is written, and perhaps what it is worth. */
const extras = [
  'none',
  'none',
  'none',
  'none',
  'range with a dash',
  'range with to',
  'mass in brackets',
  'mass behind a stroke',
  'plus',
  '+',
  'and a smaller one',
  'pack of a size',
  'so many times',
] as const;

const massOf = (grams: number): { readonly text: string; readonly base: number } => {
  const whole = Math.max(1, Math.round(grams));
  return { text: `${whole} g`, base: whole };
};

/** What a cup of each of these weighs in its state, g a mL: what stands in brackets must be near to it. */
const density: Readonly<Record<string, number>> = {
  'granulated-sugar': 0.8454,
  'whole-milk': 1.0313,
  'heavy-cream': 1.006,
  honey: 1.4329,
  'unsalted-butter': 0.9595,
};

const unitText = (unit: WrittenUnit, value: number, pick: number): string => {
  const list = value > 1 ? (unit.plural ?? unit.spellings) : unit.spellings;
  return list[pick % list.length] ?? '';
};

/** Lines with an amount whose worth is known, in many habits, units and states. */
export const writtenLines: fc.Arbitrary<WrittenLine> = fc
  .record({
    habit: fc.constantFrom(...all),
    name: fc.constantFrom(...names),
    value: values,
    second: values,
    layout: fc.constantFrom(...layouts),
    extra: fc.constantFrom(...extras),
    picks: fc.array(fc.nat(10_000), { minLength: 5, maxLength: 5 }),
  })
  .map(({ habit, name, value, second, layout, extra, picks }) => {
    const [one = 0, two = 0, three = 0, four = 0, five = 0] = picks;
    const text = name.texts[one % name.texts.length] ?? ['name', '', null];
    const usable = writtenUnits.filter((each) => each.in?.includes(habit) ?? true);
    // Ounces of what is poured are asked about: their worth is not known.
    const ofName = usable.filter(({ unit }) => !(name.liquid && unit === 'oz'));
    const isLarge = valueOf(value) > 40;
    const able = ofName.filter((each) => !isLarge || ((each.unit === 'g' || each.unit === 'ml') && !each.times));
    const unit = able[two % able.length] ?? { unit: 'g', spellings: ['g'] };
    const { base, measures } = units[unit.unit];
    const number = written(value, three);
    const word = unitText(unit, number.value, four);
    const worth = number.value * base * (unit.times ?? 1);
    const inFigures = /^[\d½⅓⅔¼¾⅛⅜⅝⅞.]/u.test(number.text);
    const suits = !figuresOnly.has(layout[0]) || (inFigures && !(layout[0] === 'hyphen' && / |-|&/.test(number.text)));
    const [layoutName, write] = suits ? layout : (layouts[0] ?? layout);
    const plain = (amount: string, unitWord: string, total: number, more: readonly string[]): WrittenLine => ({
      text: write(amount, unitWord, text[1]),
      habit,
      habits: [number.habit, layoutName, text[0], ...more],
      id: name.id,
      measures,
      base: total,
      state: measures === 'mass' ? null : text[2],
    });
    const asMass = (amount: string, unitWord: string, grams: number, more: string): WrittenLine => ({
      ...plain(amount, unitWord, grams, [more]),
      measures: 'mass',
      state: null,
    });
    const gramsPerMl = density[name.id];
    const other = written(second, five);
    switch (extra) {
      case 'range with a dash':
      case 'range with to': {
        const up = valueOf(second);
        if (up <= number.value || !inFigures || !/^[\d½⅓⅔¼¾⅛⅜⅝⅞.]/u.test(other.text) || other.value >= 1000) break;
        return plain(
          `${number.text}${extra === 'range with to' ? ' to ' : '–'}${other.text}`,
          unitText(unit, up, four),
          worth,
          [extra],
        );
      }
      case 'mass in brackets': {
        if (measures !== 'volume' || gramsPerMl === undefined) break;
        const mass = massOf(worth * gramsPerMl);
        if (Math.abs(mass.base / (worth * gramsPerMl) - 1) > 0.1) break;
        return asMass(number.text, `${word} (${mass.text})`, mass.base, extra);
      }
      case 'mass behind a stroke': {
        if (measures !== 'volume' || gramsPerMl === undefined) break;
        const mass = massOf(worth * gramsPerMl);
        if (Math.abs(mass.base / (worth * gramsPerMl) - 1) > 0.1) break;
        return asMass(number.text, `${word} / ${mass.text}`, mass.base, extra);
      }
      case 'plus':
      case '+': {
        const spoons: UnitCode = habit === 'US' ? 'tbsp' : habit === 'Australia' ? 'australian-tbsp' : 'metric-tbsp';
        const more = (five % 4) + 1;
        if (measures !== 'volume' || / /.test(word) || layoutName === 'stuck together' || layoutName === 'hyphen')
          break;
        return plain(number.text, `${word} ${extra} ${more} tbsp`, worth + more * units[spoons].base, [extra]);
      }
      case 'and a smaller one': {
        if (unit.unit !== 'lb' || !isWhole(value)) break;
        const more = (five % 15) + 1;
        return plain(number.text, `${word} ${more} oz`, worth + more * units.oz.base, [extra]);
      }
      case 'pack of a size': {
        if (measures !== 'mass' || !isWhole(value) || unit.unit === 'oz' || number.habit !== 'figures') break;
        const count = (five % 4) + 2;
        return {
          ...plain('', '', worth * count, [extra]),
          text: `${count} (${number.text}-${word}) packages ${text[1]}`,
          habits: [extra, text[0]],
        };
      }
      case 'so many times': {
        if (measures !== 'mass' || !isWhole(value) || number.habit !== 'figures' || unit.unit === 'oz') break;
        const count = (five % 4) + 2;
        return {
          ...plain('', '', worth * count, [extra]),
          text: `${count} x ${number.text}${word} ${text[1]}`,
          habits: [extra, text[0]],
        };
      }
      case 'none':
        break;
    }
    return plain(number.text, word, worth, []);
  });

/** How many habits the lines are written in. */
export const habitCount: number = new Set([
  ...numberHabits.map(([name]) => name),
  ...layouts.map(([name]) => name),
  ...names.flatMap(({ texts }) => texts.map(([name]) => name)),
  ...extras,
]).size;
