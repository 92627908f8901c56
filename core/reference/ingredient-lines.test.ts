// Lines of our own, written in the habits of three regions, with the reading that a confectioner expects.
import { describe, expect, it } from '@jest/globals';
import type { MeasureHabit } from '../src/kitchen/index.js';
import type { UnitCode } from '../src/quantity/index.js';
import { readIngredientLines, type PantryItem, type ReadLine } from '../src/reading/index.js';
import { starterIngredients } from '../src/starter/index.js';

const pack = (name: string, amount: number, unit: UnitCode) => ({
  name,
  amount,
  unit,
  priceMinor: 100,
  supplier: '',
  leadDays: 0,
});
const packs: Partial<Record<string, PantryItem['packs']>> = {
  'evaporated-milk': [pack('can', 354, 'ml')],
  'dark-chocolate-70': [pack('4 oz bar', 4, 'oz')],
  'cream-cheese': [pack('8 oz block', 8, 'oz')],
};
const pantry: PantryItem[] = starterIngredients().map((each) => ({
  ...each,
  kind: 'ingredient',
  packs: packs[each.id] ?? [],
}));

/** A line, its amount and unit, the id of its ingredient, and the state that applies. */
type Row = readonly [line: string, amount: number, unit: UnitCode, id: string, state?: string];

const us: readonly Row[] = [
  ['2 cups granulated sugar', 2, 'cup', 'granulated-sugar'],
  ['2 c. sugar', 2, 'cup', 'granulated-sugar'],
  ['1 1/2 cups packed brown sugar', 1.5, 'cup', '?'],
  ['1 1/2 cups packed light brown sugar', 1.5, 'cup', 'light-brown-sugar', 'packed'],
  ['1½ cups firmly packed dark brown sugar', 1.5, 'cup', 'dark-brown-sugar', 'packed'],
  ['1 cup light brown sugar, packed', 1, 'cup', 'light-brown-sugar', 'packed'],
  ['3/4 cup light corn syrup', 0.75, 'cup', 'light-corn-syrup'],
  ['¾ cup light corn syrup', 0.75, 'cup', 'light-corn-syrup'],
  ['2-3 tbsp heavy cream', 2, 'tbsp', 'heavy-cream'],
  ['2 to 3 tablespoons heavy cream', 2, 'tbsp', 'heavy-cream'],
  ['2 – 3 Tbsp. heavy whipping cream', 2, 'tbsp', 'heavy-cream'],
  ['half a stick unsalted butter', 56.7, 'g', 'unsalted-butter'],
  ['1 stick unsalted butter, softened', 113.4, 'g', 'unsalted-butter'],
  ['2 sticks (8 oz) salted butter', 226.8, 'g', 'salted-butter'],
  ['1 can (354 mL) evaporated milk', 354, 'ml', 'evaporated-milk'],
  ['1 (14-oz) can sweetened condensed milk', 14, 'oz', 'sweetened-condensed-milk'],
  ['2 (14 oz) cans sweetened condensed milk', 28, 'oz', 'sweetened-condensed-milk'],
  ['1 14-ounce can sweetened condensed milk', 14, 'oz', 'sweetened-condensed-milk'],
  ['1 can evaporated milk', 354, 'ml', 'evaporated-milk'],
  ['2 cans evaporated milk', 708, 'ml', 'evaporated-milk'],
  ['1 (8 oz) package cream cheese, softened', 8, 'oz', 'cream-cheese'],
  ['1 teaspoon vanilla extract', 1, 'tsp', 'vanilla-extract'],
  ['1 tsp. vanilla extract', 1, 'tsp', 'vanilla-extract'],
  ['1/2 t vanilla extract', 0.5, 'tsp', 'vanilla-extract'],
  ['1 T heavy cream', 1, 'tbsp', 'heavy-cream'],
  ['a pinch of salt', 0.0625, 'tsp', 'table-salt'],
  ['1 pinch table salt', 0.0625, 'tsp', 'table-salt'],
  ['dash of cinnamon', 0, 'tsp', '?'],
  ['1 dash ground cinnamon', 0.125, 'tsp', 'ground-cinnamon'],
  ['1 lb unsalted butter', 1, 'lb', 'unsalted-butter'],
  ['1 pound unsalted butter, cubed', 1, 'lb', 'unsalted-butter'],
  ['1 lb 4 oz granulated sugar', 20, 'oz', 'granulated-sugar'],
  ['12 oz. milk chocolate, chopped', 12, 'oz', 'milk-chocolate'],
  ['8 ounces dark chocolate 70 %', 8, 'oz', 'dark-chocolate-70'],
  ['1 cup pecans, chopped', 1, 'cup', 'pecans', 'chopped'],
  ['1 cup chopped pecans', 1, 'cup', 'pecans', 'chopped'],
  ['1 cup pecan halves', 1, 'cup', 'pecans', 'halves'],
  ['1 1/4 cups coarsely chopped walnuts', 1.25, 'cup', 'walnuts', 'chopped'],
  ['1 cup whole almonds, toasted', 1, 'cup', 'almonds', 'whole'],
  ['1/2 cup sliced almonds', 0.5, 'cup', 'almonds', 'sliced'],
  ['1 cup finely ground hazelnuts', 1, 'cup', 'hazelnuts', 'ground'],
  ['2 cups powdered sugar, sifted', 2, 'cup', 'icing-sugar', 'sifted'],
  ["1 cup confectioners' sugar", 1, 'cup', 'icing-sugar'],
  ['1/4 teaspoon baking soda', 0.25, 'tsp', 'baking-soda'],
  ['1 quart whole milk', 1, 'quart', 'whole-milk'],
  ['6 imperial quarts sugar', 6, 'imperial-quart', 'granulated-sugar'],
  ['1 pint heavy cream', 1, 'pint', 'heavy-cream'],
  ['4 fl oz heavy cream', 4, 'floz', 'heavy-cream'],
  ['1 gallon water', 1, 'gallon', 'water'],
  ['2 large egg whites', 2, 'count', 'egg-white'],
  ['3 egg yolks', 3, 'count', 'egg-yolk'],
  ['one cup honey', 1, 'cup', 'honey'],
  ['1 cup of honey', 1, 'cup', 'honey'],
  ['one and a half cups honey', 1.5, 'cup', 'honey'],
  ['1 and 1/2 cups honey', 1.5, 'cup', 'honey'],
  ['a quarter cup honey', 0.25, 'cup', 'honey'],
  ['• 2 cups pumpkin seeds', 2, 'cup', 'pumpkin-seeds'],
  ['- 1 cup sesame seeds (toasted)', 1, 'cup', 'sesame-seeds'],
  ['1 cup (200 g) granulated sugar', 1, 'cup', 'granulated-sugar'],
  ['about 2 cups crisped rice', 2, 'cup', 'crisped-rice'],
  ['1 dozen dates', 12, 'count', 'dates'],
  ['10 dates, pitted', 10, 'count', 'dates'],
  ['1.5 cups rolled oats', 1.5, 'cup', 'rolled-oats'],
  ['1/3 cup maple syrup, plus more for brushing', 1 / 3, 'cup', 'maple-syrup'],
  ['1 cup peanut butter (smooth)', 1, 'cup', 'peanut-butter'],
  ['2 cups milk chocolate or more', 2, 'cup', 'milk-chocolate'],
  ['3 tablespoons cornstarch', 3, 'tbsp', 'cornstarch'],
  ['1 cup all-purpose flour, sifted', 1, 'cup', 'plain-flour', 'sifted'],
  ['2 (4 oz) bars dark chocolate 70 %', 8, 'oz', 'dark-chocolate-70'],
  ['1 metric cup honey', 1, 'metric-cup', 'honey'],
  ['20 marshmallows', 20, 'count', 'marshmallows'],
];
const uk: readonly Row[] = [
  ['200g caster sugar', 200, 'g', 'caster-sugar'],
  ['200 g caster sugar', 200, 'g', 'caster-sugar'],
  ['1.2kg granulated sugar', 1.2, 'kg', 'granulated-sugar'],
  ['200g/7oz caster sugar', 200, 'g', 'caster-sugar'],
  ['200 g (7 oz) caster sugar', 200, 'g', 'caster-sugar'],
  ['300ml double cream', 300, 'ml', 'double-cream'],
  ['1/2 pint double cream', 0.5, 'imperial-pint', 'double-cream'],
  ['½ pt whole milk', 0.5, 'imperial-pint', 'whole-milk'],
  ['5 fl oz whole milk', 5, 'imperial-floz', 'whole-milk'],
  ['2 tbsp golden syrup', 2, 'metric-tbsp', 'golden-syrup'],
  ['1 dessertspoon honey', 1, 'dessertspoon', 'honey'],
  ['1 tsp bicarbonate of soda', 1, 'metric-tsp', 'baking-soda'],
  ['1 level tsp bicarbonate of soda', 1, 'metric-tsp', 'baking-soda'],
  ['100g ground almonds', 100, 'g', 'almonds'],
  ['50g flaked almonds', 50, 'g', 'almonds'],
  ['150g icing sugar, sifted', 150, 'g', 'icing-sugar'],
  ['2 x 100g bars dark chocolate 55 %', 200, 'g', 'dark-chocolate-55'],
  ['400g tin sweetened condensed milk', 400, 'g', 'sweetened-condensed-milk'],
  ['1 x 397g tin sweetened condensed milk', 397, 'g', 'sweetened-condensed-milk'],
  ['1 tbsp cornflour', 1, 'metric-tbsp', 'cornstarch'],
  ['150g plain flour', 150, 'g', 'plain-flour'],
  ['75g desiccated coconut', 75, 'g', 'desiccated-coconut'],
  ['200g digestive biscuit crumbs', 200, 'g', 'digestive-biscuit-crumbs'],
  ['1kg demerara sugar', 1, 'kg', 'demerara-sugar'],
  ['4oz unsalted butter', 4, 'oz', 'unsalted-butter'],
  ['1lb 2oz icing sugar', 18, 'oz', 'icing-sugar'],
  ['100ml liquid glucose', 100, 'ml', 'glucose-syrup'],
  ['1 litre whole milk', 1, 'l', 'whole-milk'],
  ['5cl plum brandy', 50, 'ml', 'plum-brandy'],
  ['2dl coconut milk', 200, 'ml', 'coconut-milk'],
  ['30g cocoa powder', 30, 'g', 'cocoa-powder'],
  ['a third of a pint of stout', 1 / 3, 'imperial-pint', 'stout'],
];
const australia: readonly Row[] = [
  ['1 cup caster sugar', 1, 'metric-cup', 'caster-sugar'],
  ['2 tablespoons golden syrup', 2, 'australian-tbsp', 'golden-syrup'],
  ['1 tbs honey', 1, 'australian-tbsp', 'honey'],
  ['2 tsp vanilla extract', 2, 'metric-tsp', 'vanilla-extract'],
  ['1½ cups desiccated coconut', 1.5, 'metric-cup', 'desiccated-coconut'],
  ['250g unsalted butter, chopped', 250, 'g', 'unsalted-butter'],
  ['395g can sweetened condensed milk', 395, 'g', 'sweetened-condensed-milk'],
  ['1 cup (140g) macadamias', 1, 'metric-cup', 'macadamias'],
  ['1 cup self-raising flour', 1, 'metric-cup', 'self-raising-flour'],
  ['⅓ cup cocoa powder', 1 / 3, 'metric-cup', 'cocoa-powder'],
  ['180 g white chocolate, roughly chopped', 180, 'g', 'white-chocolate'],
  ['1 tablespoon lemon juice', 1, 'australian-tbsp', 'lemon-juice'],
];
/** Lines that no one could read for certain: each must be asked about. */
const askedAbout: readonly string[] = [
  '1 cup brown sugar',
  '1 cup dark chocolate',
  'salt to taste',
  'a knob of butter',
  'a handful of pecans',
  'a few drops of peppermint oil',
  '1 tin golden syrup',
  '1 stick dark chocolate',
  '2 heaped tbsp cocoa powder',
  '1 scant cup honey',
  '1 cup condensed milk powder blend',
  '1 cup unicorn dust',
  '1 cup chocolate',
  '3 lemons',
  '0 g honey',
  '1 cup sifted honey',
  '2 cups cream',
  '1 jar honey',
  'butter',
  '100 g nuts',
];

const read = (line: string, habit: MeasureHabit): ReadLine => {
  const [first] = readIngredientLines(line, pantry, habit);
  if (!first) throw new Error(`nothing was read of ${line}`);
  return first;
};

const regions: readonly (readonly [MeasureHabit, readonly Row[]])[] = [
  ['US', us],
  ['UK', uk],
  ['Australia', australia],
];
const rows = regions.flatMap(([habit, list]) => list.map((row) => ({ habit, row, got: read(row[0], habit) })));
const isRight = ({ row: [, amount, unit, id, state], got }: (typeof rows)[number]): boolean =>
  got.questions.length === 0 &&
  got.line !== null &&
  Math.abs(got.line.amount - amount) < 1e-6 * Math.max(1, amount) &&
  got.line.unit === unit &&
  got.line.uses.id === id &&
  (state === undefined || got.line.state === state);

describe('ingredient lines as people write them', () => {
  it('has a table of at least 120 lines', () => {
    expect(rows.length + askedAbout.length).toBeGreaterThanOrEqual(120);
  });

  it('reads none wrong in silence', () => {
    const wrong = rows.filter((each) => !isRight(each) && each.got.questions.length === 0);
    expect(wrong.map(({ row, got }) => [row[0], got.line, got.remarks])).toEqual([]);
  });

  it('reads every line that can be read: at least 95 % is asked for', () => {
    const readable = rows.filter(({ row }) => row[3] !== '?');
    const missed = readable.filter((each) => !isRight(each)).map(({ row, got }) => [row[0], ...got.questions]);
    expect(missed).toEqual([]);
  });

  it.each(askedAbout)('asks about "%s"', (line) => {
    expect(read(line, 'US').questions.length).toBeGreaterThan(0);
  });
});
