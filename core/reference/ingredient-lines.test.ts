// Lines of our own, written in the habits of three regions, with the reading that a confectioner expects.
import { describe, expect, it } from '@jest/globals';
import { parseIngredient } from 'parse-ingredient';
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
  ['dash of cinnamon', 0.125, 'tsp', 'ground-cinnamon'],
  ['1 dash ground cinnamon', 0.125, 'tsp', 'ground-cinnamon'],
  ['1 lb unsalted butter', 1, 'lb', 'unsalted-butter'],
  ['1 pound unsalted butter, cubed', 1, 'lb', 'unsalted-butter'],
  ['1 lb 4 oz granulated sugar', 20, 'oz', 'granulated-sugar'],
  ['12 oz. milk chocolate, chopped', 12, 'oz', 'milk-chocolate'],
  ['8 ounces dark chocolate 70 %', 8, 'oz', 'dark-chocolate-70'],
  ['1 cup pecans, chopped', 1, 'cup', 'pecans', 'halves'],
  ['1 cup chopped pecans', 1, 'cup', 'pecans', 'chopped'],
  ['1 cup pecan halves', 1, 'cup', 'pecans', 'halves'],
  ['1 1/4 cups coarsely chopped walnuts', 1.25, 'cup', 'walnuts', 'chopped'],
  ['1 cup whole almonds, toasted', 1, 'cup', 'almonds', 'whole'],
  ['1/2 cup sliced almonds', 0.5, 'cup', 'almonds', 'sliced'],
  ['1 cup finely ground hazelnuts', 1, 'cup', 'hazelnuts', 'ground'],
  ['2 cups powdered sugar, sifted', 2, 'cup', 'icing-sugar', 'spooned'],
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
  ['1 cup (200 g) granulated sugar', 200, 'g', 'granulated-sugar'],
  ['about 2 cups crisped rice', 2, 'cup', 'crisped-rice'],
  ['1 dozen dates', 12, 'count', 'dates'],
  ['10 dates, pitted', 10, 'count', 'dates'],
  ['1.5 cups rolled oats', 1.5, 'cup', 'rolled-oats'],
  ['1/3 cup maple syrup, plus more for brushing', 1 / 3, 'cup', 'maple-syrup'],
  ['1 cup peanut butter (smooth)', 1, 'cup', 'peanut-butter'],
  ['2 cups milk chocolate or more', 2, 'cup', 'milk-chocolate'],
  ['3 tablespoons cornstarch', 3, 'tbsp', 'cornstarch'],
  ['1 cup all-purpose flour, sifted', 1, 'cup', 'plain-flour', 'spooned'],
  ['2 (4 oz) bars dark chocolate 70 %', 8, 'oz', 'dark-chocolate-70'],
  ['1 metric cup honey', 1, 'metric-cup', 'honey'],
  ['20 marshmallows', 20, 'count', 'marshmallows'],
  ['1,5 cups granulated sugar', 1.5, 'cup', 'granulated-sugar'],
  ['1-1/4 cups granulated sugar', 1.25, 'cup', 'granulated-sugar'],
  ['2-1/2 cups light corn syrup', 2.5, 'cup', 'light-corn-syrup'],
  ['half a cup of honey', 0.5, 'cup', 'honey'],
  ['three quarter cup honey', 0.75, 'cup', 'honey'],
  ['three-quarters of a cup of honey', 0.75, 'cup', 'honey'],
  ['a couple of tablespoons honey', 2, 'tbsp', 'honey'],
  ['a cup and a half of honey', 1.5, 'cup', 'honey'],
  ['1/3 cup + 1 tbsp heavy cream', 16 / 3 + 1, 'tbsp', 'heavy-cream'],
  ['1 cup plus 2 tablespoons heavy cream', 18, 'tbsp', 'heavy-cream'],
  ['1 cup minus nothing honey', 0, 'cup', '?'],
  ['2 tbsp + 1 tsp vanilla extract', 7, 'tsp', 'vanilla-extract'],
  ['2 cups (400 g) granulated sugar, divided', 400, 'g', 'granulated-sugar'],
  ['400 g (2 cups) granulated sugar', 400, 'g', 'granulated-sugar'],
  ['1 cup (240 mL) heavy cream', 240, 'ml', 'heavy-cream'],
  ['1 cup/240 ml whole milk', 240, 'ml', 'whole-milk'],
  ['1 cup (2 sticks / 226 g) unsalted butter', 226.8, 'g', 'unsalted-butter'],
  ['1 cup (2 sticks) unsalted butter', 226.8, 'g', 'unsalted-butter'],
  ['1 cup [200g] sugar', 200, 'g', 'granulated-sugar'],
  ['1 cup = 200 g sugar', 200, 'g', 'granulated-sugar'],
  ['1/2 cup (1 stick; 113 g) salted butter', 113.4, 'g', 'salted-butter'],
  ['1 cup sifted powdered sugar', 1, 'cup', 'icing-sugar', 'sifted'],
  ['1 cup powdered sugar, sifted', 1, 'cup', 'icing-sugar', 'spooned'],
  ['1 cup loosely packed light brown sugar', 1, 'cup', 'light-brown-sugar', 'loose'],
  ['1 cup lightly packed dark brown sugar', 1, 'cup', 'dark-brown-sugar', 'loose'],
  ['1 cup dark brown sugar, not packed', 1, 'cup', 'dark-brown-sugar', 'loose'],
  ['1 c packed dk brown sugar', 0, 'cup', '?'],
  ['1 cup walnuts, finely chopped', 1, 'cup', 'walnuts', 'halves'],
  ['1 cup finely chopped walnuts', 1, 'cup', 'walnuts', 'chopped'],
  ['1 cup slivered almonds, toasted', 1, 'cup', 'almonds', 'slivered'],
  ['1 1/2 c. chopped hazelnuts', 1.5, 'cup', 'hazelnuts', 'chopped'],
  ['2 CUPS SUGAR', 2, 'cup', 'granulated-sugar'],
  ['Granulated sugar: 2 cups', 2, 'cup', 'granulated-sugar'],
  ['Granulated sugar – 450 g', 450, 'g', 'granulated-sugar'],
  ['Sugar 450g', 450, 'g', 'granulated-sugar'],
  ['Honey (2 tbsp)', 2, 'tbsp', 'honey'],
  ['heavy cream, 1 cup', 1, 'cup', 'heavy-cream'],
  ['Unsalted butter.... 4 oz', 4, 'oz', 'unsalted-butter'],
  ['▢ 2 cups sugar', 2, 'cup', 'granulated-sugar'],
  ['* 1 tsp. salt', 1, 'tsp', 'table-salt'],
  ['1) 2 cups sugar', 0, 'cup', '?'],
  ['1/8 tsp cream of tartar', 0.125, 'tsp', 'cream-of-tartar'],
  ['1/16 tsp citric acid', 0.0625, 'tsp', 'citric-acid'],
  ['1 scant teaspoon salt', 0, 'tsp', '?'],
  ['12 tbsp. unsalted butter', 12, 'tbsp', 'unsalted-butter'],
  ['1 stick (1/2 cup) unsalted butter', 113.4, 'g', 'unsalted-butter'],
  ['1½ sticks salted butter', 170.1, 'g', 'salted-butter'],
  ['1 8-oz. package cream cheese', 8, 'oz', 'cream-cheese'],
  ['two 14-oz cans sweetened condensed milk', 28, 'oz', 'sweetened-condensed-milk'],
  ['2 x 14 oz cans sweetened condensed milk', 28, 'oz', 'sweetened-condensed-milk'],
  ['1 (10 1/2-ounce) bag marshmallows', 10.5, 'oz', 'marshmallows'],
  ['1 bag (12 oz) milk chocolate', 12, 'oz', 'milk-chocolate'],
  ['12-oz bag white chocolate', 12, 'oz', 'white-chocolate'],
  ['1 pkg (8 ounces) cream cheese', 8, 'oz', 'cream-cheese'],
  ['6 (1.55 oz) bars milk chocolate', 9.3, 'oz', 'milk-chocolate'],
  ['1 1/4-ounce package gelatine powder', 0, 'oz', '?'],
  ['½ lb. pecan halves', 0.5, 'lb', 'pecans'],
  ['2# granulated sugar', 2, 'lb', 'granulated-sugar'],
  ['2½ lbs granulated sugar', 2.5, 'lb', 'granulated-sugar'],
  ['1 lb. 8 oz. dark chocolate 55 %', 24, 'oz', 'dark-chocolate-55'],
  ['1 lb + 2 oz pistachios', 18, 'oz', 'pistachios'],
  ['ten ounces milk chocolate', 10, 'oz', 'milk-chocolate'],
  ['twenty-four marshmallows', 24, 'count', 'marshmallows'],
  ['half a dozen egg whites', 6, 'count', 'egg-white'],
  ['2 dozen dates', 24, 'count', 'dates'],
  ['a dozen egg yolks', 12, 'count', 'egg-yolk'],
  ['one dozen marshmallows', 12, 'count', 'marshmallows'],
  ['1 egg yolk', 1, 'count', 'egg-yolk'],
  ['4 - 5 Tbsp water', 4, 'tbsp', 'water'],
  ['4 or 5 tbsp water', 4, 'tbsp', 'water'],
  ['from 1/4 to 1/2 tsp ground cinnamon', 0, 'tsp', '?'],
  ['1/4–1/2 tsp ground cinnamon', 0.25, 'tsp', 'ground-cinnamon'],
  ['2T honey', 2, 'tbsp', 'honey'],
  ['2t honey', 2, 'tsp', 'honey'],
  ['3 Tbs. cornstarch', 3, 'tbsp', 'cornstarch'],
  ['1 tblsp cornstarch', 1, 'tbsp', 'cornstarch'],
  ['1 quart and 1 cup whole milk', 5, 'cup', 'whole-milk'],
  ['1 pt. heavy cream', 1, 'pint', 'heavy-cream'],
  ['2 Canadian quarts whole milk', 2, 'imperial-quart', 'whole-milk'],
  ['8 fl. oz. heavy cream', 8, 'floz', 'heavy-cream'],
  ['8 fluid ounces honey', 8, 'floz', 'honey'],
  ['1,000 g granulated sugar', 1000, 'g', 'granulated-sugar'],
  ['1 000 g granulated sugar', 1000, 'g', 'granulated-sugar'],
  ['1.000 g granulated sugar', 0, 'g', '?'],
  ['1,500 kg granulated sugar', 0, 'kg', '?'],
  ['.5 cup honey', 0.5, 'cup', 'honey'],
  ['0.25 tsp table salt', 0.25, 'tsp', 'table-salt'],
  ['1/2 cup dried sour cherries, roughly chopped', 0.5, 'cup', 'dried-sour-cherries'],
  ['approx. 3 cups crisped rice', 3, 'cup', 'crisped-rice'],
  ['~3 cups crisped rice', 3, 'cup', 'crisped-rice'],
  ['one and three quarters cups rolled oats', 1.75, 'cup', 'rolled-oats'],
  ['two thirds cup maple syrup', 2 / 3, 'cup', 'maple-syrup'],
  ['a third of a cup of maple syrup', 1 / 3, 'cup', 'maple-syrup'],
  ['a quarter of a teaspoon baking soda', 0.25, 'tsp', 'baking-soda'],
  ['¼ t. baking soda', 0.25, 'tsp', 'baking-soda'],
  ['one-half cup raisins', 0.5, 'cup', 'raisins'],
  ['1½c sugar', 1.5, 'cup', 'granulated-sugar'],
  ['sugar, 2 c', 2, 'cup', 'granulated-sugar'],
  ['2 Cups All-Purpose Flour', 2, 'cup', 'plain-flour'],
  ['2 cups (spooned and leveled) all purpose flour', 2, 'cup', 'plain-flour', 'spooned'],
  ['1 cup tahini (well stirred)', 1, 'cup', 'tahini'],
  ['1 cup smooth peanut butter', 0, 'cup', '?'],
  ['1 cup (packed) light brown sugar', 1, 'cup', 'light-brown-sugar', 'packed'],
  ['1 tablespoon dark rum or water', 1, 'tbsp', 'dark-rum'],
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
  ['1,5 kg granulated sugar', 1.5, 'kg', 'granulated-sugar'],
  ['2,25 kg granulated sugar', 2.25, 'kg', 'granulated-sugar'],
  ['1,5 dl whole milk', 150, 'ml', 'whole-milk'],
  ['2 dl double cream', 200, 'ml', 'double-cream'],
  ['0,5 l whole milk', 0.5, 'l', 'whole-milk'],
  ['2½dl coconut milk', 250, 'ml', 'coconut-milk'],
  ['4 cl dark rum', 40, 'ml', 'dark-rum'],
  ['250 gr. unsalted butter', 250, 'g', 'unsalted-butter'],
  ['250gr caster sugar', 250, 'g', 'caster-sugar'],
  ['250 grammes caster sugar', 250, 'g', 'caster-sugar'],
  ['250gms caster sugar', 250, 'g', 'caster-sugar'],
  ['Caster sugar 225 g / 8 oz', 225, 'g', 'caster-sugar'],
  ['8oz/225g caster sugar', 8, 'oz', 'caster-sugar'],
  ['225g (8oz) caster sugar', 225, 'g', 'caster-sugar'],
  ['150ml/¼ pint double cream', 150, 'ml', 'double-cream'],
  ['¼ pint (150ml) double cream', 150, 'ml', 'double-cream'],
  ['1 pint less nothing milk', 0, 'ml', '?'],
  ['3 tbsp golden syrup, plus extra for drizzling', 3, 'metric-tbsp', 'golden-syrup'],
  ['2 dessertspoons cocoa powder', 2, 'dessertspoon', 'cocoa-powder'],
  ['1 dsp cocoa powder', 1, 'dessertspoon', 'cocoa-powder'],
  ['100g icing sugar, sifted, plus extra for dusting', 100, 'g', 'icing-sugar'],
  ['50 g/2 oz flaked almonds, toasted', 50, 'g', 'almonds'],
  ['1 tsp bicarb', 1, 'metric-tsp', 'baking-soda'],
  ['75g desiccated coconut, lightly toasted', 75, 'g', 'desiccated-coconut'],
  ['397g can sweetened condensed milk', 397, 'g', 'sweetened-condensed-milk'],
  ['1 x 397 g can of sweetened condensed milk', 397, 'g', 'sweetened-condensed-milk'],
  ['2 x 397g tins sweetened condensed milk', 794, 'g', 'sweetened-condensed-milk'],
  ['4 x 100 g bars milk chocolate', 400, 'g', 'milk-chocolate'],
  ['3 × 50 g milk chocolate', 150, 'g', 'milk-chocolate'],
  ['1 kg 250 g granulated sugar', 1250, 'g', 'granulated-sugar'],
  ['1 kilo of granulated sugar', 1, 'kg', 'granulated-sugar'],
  ['half a kilo demerara sugar', 0.5, 'kg', 'demerara-sugar'],
  ['quarter of a pint of stout', 0.25, 'imperial-pint', 'stout'],
  ['1 imperial pint stout', 1, 'imperial-pint', 'stout'],
  ['1 US cup honey', 1, 'cup', 'honey'],
  ['1 quart whole milk', 1, 'imperial-quart', 'whole-milk'],
  ['500 mg citric acid', 0.5, 'g', 'citric-acid'],
  ['2.5g flaked sea salt', 2.5, 'g', 'flaked-sea-salt'],
  ['a pinch of flaked sea salt', 0.0625, 'metric-tsp', 'flaked-sea-salt'],
  ['two pinches of table salt', 0.125, 'metric-tsp', 'table-salt'],
  ['120g raspberries (fresh or frozen)', 120, 'g', 'raspberries'],
  ['120 g of the best dark chocolate 70 %', 120, 'g', 'dark-chocolate-70'],
  ['120g dark chocolate 70%, broken into pieces', 120, 'g', 'dark-chocolate-70'],
  ['20 cl. cream liqueur', 200, 'ml', 'cream-liqueur'],
  ['30-40 ml whisky', 30, 'ml', 'whisky'],
  ['30ml (2 tbsp) whisky', 30, 'ml', 'whisky'],
  ['2 tbsp (30ml) whisky', 30, 'ml', 'whisky'],
  ['liquid glucose 60g', 60, 'g', 'glucose-syrup'],
  ['60g of liquid glucose', 60, 'g', 'glucose-syrup'],
  ['1 egg white', 1, 'count', 'egg-white'],
  ['25 g. cocoa butter', 25, 'g', 'cocoa-butter'],
];
const australia: readonly Row[] = [
  ['1 cup caster sugar', 1, 'metric-cup', 'caster-sugar'],
  ['2 tablespoons golden syrup', 2, 'australian-tbsp', 'golden-syrup'],
  ['1 tbs honey', 1, 'australian-tbsp', 'honey'],
  ['2 tsp vanilla extract', 2, 'metric-tsp', 'vanilla-extract'],
  ['1½ cups desiccated coconut', 1.5, 'metric-cup', 'desiccated-coconut'],
  ['250g unsalted butter, chopped', 250, 'g', 'unsalted-butter'],
  ['395g can sweetened condensed milk', 395, 'g', 'sweetened-condensed-milk'],
  ['1 cup (140g) macadamias', 140, 'g', 'macadamias'],
  ['1 cup self-raising flour', 1, 'metric-cup', 'self-raising-flour'],
  ['⅓ cup cocoa powder', 1 / 3, 'metric-cup', 'cocoa-powder'],
  ['180 g white chocolate, roughly chopped', 180, 'g', 'white-chocolate'],
  ['1 tablespoon lemon juice', 1, 'australian-tbsp', 'lemon-juice'],
  ['1 1/3 cups (295g) caster sugar', 295, 'g', 'caster-sugar'],
  ['½ cup (125ml) double cream', 125, 'ml', 'double-cream'],
  ['1 tablespoon (20ml) lemon juice', 20, 'ml', 'lemon-juice'],
  ['2 cups (200g) rolled oats', 0, 'g', '?'],
  ['1 cup (90g) desiccated coconut', 90, 'g', 'desiccated-coconut'],
  ['125g unsalted butter, at room temperature', 125, 'g', 'unsalted-butter'],
  ['3 teaspoons gelatine powder', 3, 'metric-tsp', 'gelatine-powder'],
  ['1 quarter cup golden syrup', 0.25, 'metric-cup', 'golden-syrup'],
  ['2 tbs cornflour', 2, 'australian-tbsp', 'cornstarch'],
  ['1 metric cup macadamias', 1, 'metric-cup', 'macadamias'],
  ['300ml thickened cream', 0, 'ml', '?'],
  ['1 dozen marshmallows', 12, 'count', 'marshmallows'],
];
/** Units of the library by the units of a recipe, whatever the region. */
const sameUnit = {
  cup: 'cup',
  tablespoon: 'tbsp',
  teaspoon: 'tsp',
  gram: 'g',
  kilogram: 'kg',
  ounce: 'oz',
  pound: 'lb',
  milliliter: 'ml',
  liter: 'l',
} as const;
const plainUnit = (unit: UnitCode): string => unit.replace(/^(?:metric|imperial|australian)-/, '');

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
  '1 cup (150 g) granulated sugar',
  '8 oz honey',
  '12 oz can evaporated milk',
  '4 sheets gelatine',
  '1 cup plus 5 g unicorn dust',
  '2 cups 2 cups honey',
  '1/2/3 cups honey',
  '1 1 1 cups honey',
  '1..5 cups honey',
  '½½ cup honey',
  '5 honey',
  'honey 5',
  '1 smidgen honey',
  '3 glugs of honey',
  '200 honey',
  '1 packet gelatine powder',
  '1 cup of the good stuff',
  '1 rounded tsp baking soda',
  '1 generous cup pecan halves',
  '1 cup chopped honey',
  '2 inches ginger',
  '20% honey',
  '1 cup / 500 g honey',
  'zero cups honey',
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
  it('has a table of at least 300 lines', () => {
    expect(rows.length + askedAbout.length).toBeGreaterThanOrEqual(300);
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

  it.each([
    ['1 cup sugar and 2 tbsp honey', ['1 cup granulated-sugar', '2 tbsp honey']],
    ['100 g each of sugar and unsalted butter', ['100 g granulated-sugar', '100 g unsalted-butter']],
    ['Sugar and honey, 50 g each', ['50 g granulated-sugar', '50 g honey']],
    ['1 tsp vanilla extract & 1/4 tsp salt', ['1 tsp vanilla-extract', '0.25 tsp table-salt']],
    ['2 tbsp cocoa powder; 1 tbsp icing sugar', ['2 tbsp cocoa-powder', '1 tbsp icing-sugar']],
    ['1 cup honey + 2 cups heavy cream', ['1 cup honey', '2 cup heavy-cream']],
  ] as const)('finds the two ingredients of "%s"', (line, expected) => {
    const lines = readIngredientLines(line, pantry, 'US').map((each) => each.line);
    expect(lines.map((each) => each && `${each.amount} ${each.unit} ${each.uses.id}`)).toEqual(expected);
  });

  it.each(askedAbout)('asks about "%s"', (line) => {
    expect(read(line, 'US').questions.length).toBeGreaterThan(0);
  });

  it('agrees with a general library on the numbers of the lines that both read', () => {
    const both = rows.flatMap(({ row: [text], got }) => {
      const [other] = parseIngredient(text);
      const unit = (other?.unitOfMeasureID ?? '') as keyof typeof sameUnit;
      // Decimal commas, brackets and sums are beyond the library: only what has one plain amount is compared.
      const isPlain =
        !/[,([=/+;]|plus|and|dozen|doz|half|stick|pinch|dash|level|tin|can|bag|box|pack|bar|lb\.? \d|lb ?\d|kg \d|quarter|third|couple|\d ?[x×]/i.test(
          text.replace(/,? \p{L}+$/u, ''),
        );
      return got.line && isPlain && unit in sameUnit && other?.quantity
        ? [{ text, ours: [got.line.amount, plainUnit(got.line.unit)], theirs: [other.quantity, sameUnit[unit]] }]
        : [];
    });
    expect(both.length).toBeGreaterThan(60);
    expect(both.map(({ text, ours }) => [text, ...ours])).toEqual(
      both.map(({ text, theirs: [amount, unit] }) => [text, expect.closeTo(Number(amount), 2), unit]),
    );
  });
});
