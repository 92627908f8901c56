import { allergens, type Allergen } from './allergen.js';
import type { IngredientDraft } from './schema.js';
import { containedIn } from './substances.js';

/** Something in the words of a declaration, and what of it must be ticked: one of these. */
interface Sign {
  readonly words: RegExp;
  readonly anyOf: readonly Allergen[];
  /** A word before it that makes it something else: `cocoa` butter. */
  readonly notAfter?: RegExp;
  /** A word behind it that does: cream `of tartar`. */
  readonly notBefore?: RegExp;
}

/** What milk, butter and cream of plants are named after. */
const PLANTS =
  /\b(?:cocoa|cacao|shea|peanut|almond|cashew|hazelnut|pistachio|pecan|walnut|macadamia|nut|coconut|oat|soya?|rice|hemp|sesame|sunflower|pumpkin|seed|apple|mango|kokum|plant|vegan|dairy[- ]free|non[- ]?dairy)$/;
const GRAINS_WITHOUT_WHEAT =
  /\b(?:rice|corn|maize|almond|hazelnut|chestnut|coconut|oat|rye|barley|chickpea|gram|tapioca|potato|soya?|buckwheat|cassava|millet|sorghum|quinoa|lentil|pea|bean|peanut|arrowroot|teff|amaranth|lupine?|banana|sesame|gluten[- ]free)$/;

const of = (
  words: RegExp,
  anyOf: Allergen | readonly Allergen[],
  more: Pick<Sign, 'notAfter' | 'notBefore'> = {},
): Sign => ({
  words: new RegExp(words, 'g'),
  anyOf: typeof anyOf === 'string' ? [anyOf] : anyOf,
  ...more,
});

const treeNuts = (Object.keys(allergens) as Allergen[]).filter((code) => allergens[code].family === 'tree nuts');
const fishes = (Object.keys(allergens) as Allergen[]).filter((code) => allergens[code].family === 'fish');
const crustaceans = (Object.keys(allergens) as Allergen[]).filter(
  (code) => allergens[code].family === 'crustacean shellfish',
);
const spirits: readonly Allergen[] = ['alcohol', 'alcohol-carrier'];

/**
 * Words by which a list of ingredients names what somebody must avoid. Source: the names of the majors are those of FALCPA (from memory); what
 * is made of them is a fact of the trade (common practice, no source).
 */
const signs: readonly Sign[] = [
  of(/\b(?:milk|cream|butter)\b/, 'milk', {
    notAfter: PLANTS,
    notBefore: /^ (?:of tartar|of coconut|beans?\b|thistle)/,
  }),
  of(
    /\b(?:buttermilk|butterfat|butteroil|milkfat|ghee|whey|casein(?:ates?)?|lactose|lactalbumin|lactoglobulin|curds?|cheese|yogh?urt|kefir|mascarpone|ricotta|dulce de leche|half-and-half|custard)\b/,
    'milk',
    { notAfter: PLANTS },
  ),
  of(/\b(?:eggs?|albumen|albumin|ovalbumin|meringue|mayonnaise|advocaat|eggnog)\b/, 'egg', {
    notAfter: /\b(?:no|vegan)$/,
  }),
  of(/\b(?:fish|isinglass)\b/, fishes),
  of(/\banchov(?:y|ies)\b/, ['anchovy', 'fish']),
  ...fishes.filter((code) => code !== 'fish').map((code) => of(new RegExp(`\\b${code}\\b`), [code, 'fish'])),
  of(/\b(?:crustaceans?|prawns?|krill)\b/, crustaceans),
  ...crustaceans
    .filter((code) => code !== 'crustacean')
    .map((code) => of(new RegExp(`\\b${code}s?\\b`), [code, 'crustacean'], { notBefore: /^ apples?\b/ })),
  of(/\b(?:almonds?|marzipan|frangipane|amaretti)\b/, 'almond'),
  of(/\bbrazil ?nuts?\b/, 'brazil'),
  of(/\bcashews?\b/, 'cashew'),
  of(/\b(?:hazelnuts?|filberts?|gianduja)\b/, 'hazelnut'),
  of(/\bmacadamias?\b/, 'macadamia'),
  of(/\bpecans?\b/, 'pecan'),
  of(/\b(?:pine ?nuts?|pignolias?|pignoli|pinon nuts?)\b/, 'pine-nut'),
  of(/\bpistachios?\b/, 'pistachio'),
  of(/\bwalnuts?\b/, ['walnut', 'black-walnut', 'california-walnut', 'heartnut']),
  of(/\bheartnuts?\b/, ['heartnut', 'walnut']),
  of(/\bnuts?\b/, [...treeNuts, 'peanut'], { notAfter: /\b(?:tiger|kola|cola|betel|brazil|pine|pinon|ginger|no)$/ }),
  of(/\b(?:peanuts?|groundnuts?|arachis)\b/, 'peanut'),
  of(
    /\b(?:wheat|wheatgerm|semolina|durum|spelt|farro|einkorn|emmer|couscous|bulgh?ur|seitan|farina|graham|triticale|bread ?crumbs?|wafers?|feuilletine|pretzels?|cookies?|biscuits?|shortbread)\b/,
    'wheat',
    { notAfter: /\bgluten[- ]free$/ },
  ),
  of(/\bflours?\b/, 'wheat', { notAfter: GRAINS_WITHOUT_WHEAT }),
  of(/\bgluten\b/, ['wheat', 'barley', 'rye', 'oats'], { notAfter: /\bcorn$/ }),
  of(/\b(?:soya?|soybeans?|soyabeans?|tofu|edamame|miso|tempeh)\b/, 'soy'),
  of(/\b(?:sesame|tahini|halvah?|benne)\b/, 'sesame'),
  of(/\b(?:barley|malt(?:ed)?|beer|ale|stout)\b/, 'barley', { notAfter: /\b(?:ginger|root|corn|rice)$/ }),
  of(/\brye\b/, 'rye', { notBefore: /^ whiske?y/ }),
  of(/\b(?:oats?|oatmeal)\b/, 'oats'),
  of(/\b(?:sul(?:f|ph)ites?|(?:meta|bi)*sul(?:f|ph)ites?|sul(?:f|ph)ur dioxide|e ?22[0-8])\b/, 'sulfites'),
  of(/\b(?:celery|celeriac)\b/, 'celery'),
  of(/\bmustard\b/, 'mustard'),
  of(/\blupine?\b/, 'lupin'),
  of(/\b(?:oysters?|clams?|mussels?|squid|octopus|scallops?|molluscs?|mollusks?)\b/, 'mollusc'),
  of(/\b(?:coconuts?|copra)\b/, 'coconut'),
  of(
    /\b(?:rum|brandy|whiske?y|bourbon|vodka|gin|liqueurs?|wine|cognac|kirsch|tequila|ethyl alcohol|ethanol|alcohol)\b/,
    spirits,
    { notAfter: /\b(?:sugar|no)$/, notBefore: /^ (?:flavou?r|vinegar|extract flavou?r)/ },
  ),
  of(/\bgelatine?\b/, 'gelatin', { notAfter: /\b(?:vegan|vegetable|agar)$/ }),
  of(/\bhoney\b/, 'honey', { notAfter: /\bvegan$/ }),
  of(/\bbees ?wax\b/, 'beeswax'),
  of(/\b(?:shellac|confectioner['’]?s['’]? glaze|e ?904)\b/, 'shellac'),
  of(/\b(?:carmine|cochineal|e ?120)\b/, 'carmine'),
  of(/\b(?:lard|tallow|suet|bacon)\b/, 'meat'),
];

/** Made of these, in French, it is of the plant or no milk at all: `lait d'amande`, `beurre de cacao`, `crème de tartre`. */
const FRENCH_PLANTS =
  /^ (?:de |d['’] ?)(?:l['’])?(?:cacao|coco|karite|tartre|soja|soya|avoine|riz|amandes?|arachides?|noisettes?|cajou|pistaches?|chanvre|sesame|fruits?|marrons?|menthe|cassis)\b/;
const GLUTEN_FREE = /\b(?:gluten[- ]free|rice|corn|maize|almond|coconut|oat|buckwheat|chickpea|sans gluten)$/;
const PLANT_MADE = /\b(?:vegan|dairy[- ]free|non[- ]?dairy|plant|plant[- ]based|coconut|coco|oat|soya?|almond|cashew)$/;

/**
 * Words that name no allergen and stand for something that has one: dishes, sauces, sweets, baked things, spirits, additives. Common practice, no
 * source; where a thing is made in several ways, each of what it may be of will do.
 */
const carriers: readonly Sign[] = [
  of(
    /\b(?:creme fraiche|quark|skyr|labneh|paneer|half and half|creme anglaise|creme patissiere|bechamel|white chocolate|toffees?|butterscotch|fudge|dulce de leche|cajeta|milk solids|milk sugar|lactitol|rennet casein|cream liqueurs?|irish cream|tzatziki|stracciatella|ice cream)\b/,
    'milk',
    { notAfter: PLANT_MADE, notBefore: /^ flavou?r/ },
  ),
  of(/\b(?:lait|beurre|creme|fromage|yogourt|babeurre|petit[- ]lait|lactoserum|caseine)\b/, 'milk', {
    notBefore: FRENCH_PLANTS,
    notAfter: PLANT_MADE,
  }),
  of(
    /(?:\b(?:oeufs?|aioli|hollandaise|bearnaise|zabaglione|sabayon|lysozyme|ovomucoid|livetin|surimi)|œufs?)\b/,
    'egg',
    {
      notAfter: /\bvegan$/,
    },
  ),
  of(/\b(?:nougat|divinity|turron|torrone)\b/, ['egg', ...treeNuts, 'peanut']),
  of(
    /\b(?:worcester(?:shire)?|surimi|caviar|roe|garum|fumet|poissons?|sardines?|herrings?|mackerels?|trout|eels?|perch|halibut|snapper|whiting|hake|sprats?|swordfish|nam pla|bonito|dashi|saumon|thon|morue)\b/,
    fishes,
  ),
  of(/\b(?:scampi|langoustines?|crawfish|crevettes?|crabes?|homards?|ecrevisses?|shrimp paste)\b/, crustaceans),
  of(/\b(?:amaretto|orgeat|amandes?|massepain|mandel|ratafia|marzipans?)\b/, 'almond'),
  of(/\b(?:noisettes?|gianduia|nocciola|filberts?)\b/, 'hazelnut'),
  of(/\b(?:pralines?|nougatine|krokant|croquant|nut butter|pesto|baklava)\b/, [...treeNuts, 'peanut']),
  of(/\b(?:noix de cajou|cajou)\b/, 'cashew'),
  of(/\bnoix de grenoble\b/, ['walnut', 'black-walnut', 'california-walnut', 'heartnut']),
  of(/\b(?:pacanes?)\b/, 'pecan'),
  of(/\bpistaches?\b/, 'pistachio'),
  of(/\bnoix du bresil\b/, 'brazil'),
  of(/\bpignons?\b/, 'pine-nut'),
  of(/\bnoix\b/, [...treeNuts, 'peanut'], { notBefore: /^ de (?:coco|muscade|kola)\b/ }),
  of(/\bnoix de coco\b/, 'coconut'),
  of(/\b(?:arachides?|cacahuetes?|monkey nuts?|satay)\b/, 'peanut'),
  of(
    /\b(?:speculoos|speculaas|panko|filo|phyllo|pastry|pastries|croissants?|brioche|cakes?|crackers?|bread|crumbs?|pasta|noodles?|vermicelli|orzo|freekeh|kamut|atta|maida|matzoh?|digestives?|ladyfingers?|gingerbread|panettone|waffles?|cones?|cereal|roux|hydrolyzed wheat|ble|froment|farine|gaufrettes?|chapelure|biscuiterie|pain|pate feuilletee)\b/,
    'wheat',
    { notAfter: GLUTEN_FREE, notBefore: /^ (?:de riz|de mais|d['’]amande|fruit)/ },
  ),
  of(/\b(?:porter|lager|pilsner|shandy|maltose syrup|orge|biere|malt vinegar)\b/, 'barley'),
  of(/\bseigle\b/, 'rye'),
  of(/\b(?:avoine|granola|muesli)\b/, 'oats'),
  of(/\b(?:natto|okara|yuba|shoyu|tamari|teriyaki|hoisin|textured vegetable protein|tvp|soja)\b/, 'soy'),
  of(/\b(?:hydroly[sz]ed vegetable protein|hvp|hydroly[sz]ed plant protein)\b/, ['soy', 'wheat', 'barley']),
  of(/\b(?:lecithins?|lecithines?|e ?322)\b/, ['soy', 'egg'], {
    notAfter: /\b(?:sunflower|canola|rapeseed|tournesol|colza)(?: seed)?$/,
    notBefore: /^ (?:de |d['’])(?:tournesol|colza)|^[^,;]{0,3}\(?(?:sunflower|tournesol)/,
  }),
  of(/\b(?:hummus|hommus|houmous|za['’]?atar|gomasio|gingelly|sesamol|til oil)\b/, 'sesame'),
  of(/\bmoutarde\b/, 'mustard'),
  of(/\b(?:celeri|celeri[- ]rave)\b/, 'celery'),
  of(/\bso(?:2\b|₂)|\b(?:sul(?:f|ph)iting agents?|sul(?:f|ph)uring)\b/, 'sulfites'),
  of(/\b(?:escargots?|snails?|abalone|cuttlefish|calamari|whelks?|cockles?|huitres?|moules|petoncles?)\b/, 'mollusc'),
  of(
    /\b(?:sherry|port wine|vermouth|amaretto|prosecco|champagne|cider brandy|sake|mead|schnapps|absinthe|grappa|calvados|armagnac|limoncello|marsala|madeira|triple sec|cura[cç]ao|porter|lager|beers?|stout|ales?|biere|vin|rhum|advocaat|eggnog liqueur)\b/,
    spirits,
    { notAfter: /\b(?:ginger|root|sugar|no|alcohol[- ]free|non[- ]alcoholic)$/, notBefore: /^ (?:flavou?r|vinegar)/ },
  ),
];

/** What is said to be absent is not there: `egg-free`, `free from milk`, `no nuts`. */
const ABSENT_BEHIND = /^[- ]free\b/;
const ABSENT_BEFORE = /\b(?:no|without|free (?:from|of))(?: \w+,?){0,1}$/;

/** Something that the words of a declaration name. */
export interface Declared {
  /** The word, as it stands there in lower case. */
  readonly word: string;
  /** Where it begins in the text, each run of blanks taken for one. */
  readonly at: number;
  /** What it stands for: one of these is in it. */
  readonly anyOf: readonly Allergen[];
}

/** Finds what some signs stand for in a text. */
function found(text: string, among: readonly Sign[]): Declared[] {
  const words = text.toLowerCase().replace(/\s+/g, ' ');
  return among.flatMap(({ words: sign, anyOf, notAfter, notBefore }) =>
    [...words.matchAll(sign)].flatMap(({ 0: word, index }): Declared[] => {
      const before = words.slice(0, index).trimEnd();
      const behind = words.slice(index + word.length);
      const isOther =
        notAfter?.test(before) === true ||
        notBefore?.test(behind) === true ||
        ABSENT_BEHIND.test(behind) ||
        ABSENT_BEFORE.test(before);
      return isOther ? [] : [{ word, at: index, anyOf }];
    }),
  );
}

/** Finds what the words of a list of ingredients name of what somebody must avoid. */
export const declaredIn = (text: string): Declared[] => found(text, signs);

/** Finds what the words of a list of ingredients stand for without naming it; accents are nothing that tells two of these words apart. */
export const carriedIn = (text: string): Declared[] => found(text.normalize('NFD').replace(/\p{M}/gu, ''), carriers);

type Declaring = Pick<IngredientDraft, 'contains' | 'traits' | 'declaration'>;

/** What the words of an ingredient's declaration name, or stand for, and its contents lack, each once. */
export function undeclaredIn(ingredient: Declaring): Declared[] {
  const { labelName, parts } = ingredient.declaration;
  const there = new Set(containedIn(ingredient));
  const found = new Map<string, Declared>();
  for (const text of [labelName, ...parts.map(({ name }) => name)])
    for (const each of [...declaredIn(text), ...carriedIn(text)])
      if (!each.anyOf.some((code) => there.has(code))) found.set(each.anyOf.join(' '), each);
  return [...found.values()];
}

/** Fats that a chocolate of its standard does not hold. Source: 21 CFR 163 (as restated in the design; the fats from memory). */
const OTHER_FAT =
  /\b(?:palm(?: kernel)?|vegetable|coconut|shea|illipe|soy(?:a|bean)?|cottonseed|rapeseed|canola|sunflower|hydrogenated)\b[^,;]*\b(?:oil|fat|shortening|stearin)\b/i;
const CHOCOLATE = /\bchocolate\b/i;
/** Names that say that it is none: they are allowed. */
const NOT_QUITE =
  /\bchocolate[- ]flavou?red\b|\bchocolatey\b|\bcompound\b|\bimitation\b|\bcoating\b|\bvegetable fat\b/i;

/** Whether something that stands for chocolate is made with other fats than those of cocoa and milk. */
export const isCompound = ({ chocolate, declaration }: Pick<IngredientDraft, 'chocolate' | 'declaration'>): boolean =>
  (chocolate !== null ||
    /\b(?:chocolate|cocoa|cacao)\b/i.test(
      [declaration.labelName, ...declaration.parts.map(({ name }) => name)].join(', '),
    )) &&
  declaration.parts.some(({ name }) => OTHER_FAT.test(name));

/** Whether a name calls something chocolate without a word that takes it back. */
export const callsItChocolate = (name: string): boolean => CHOCOLATE.test(name) && !NOT_QUITE.test(name);

/**
 * A name that says chocolate of something in which all of it is compound coating.
 * Source: 21 CFR 163; Directive 2000/36/EC (from memory).
 * @param used ingredients of it
 * @returns the name; undefined when none of them is wrong
 */
export const misnamedChocolate = (
  names: readonly string[],
  used: readonly Pick<IngredientDraft, 'chocolate' | 'declaration'>[],
): string | undefined =>
  used.some(isCompound) && !used.some((each) => each.chocolate !== null && !isCompound(each))
    ? names.find(callsItChocolate)
    : undefined;
