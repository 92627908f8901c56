/** The kind of food source, for the US list of nine and for exclusions. */
type Family =
  | 'milk'
  | 'egg'
  | 'fish'
  | 'crustacean shellfish'
  | 'tree nuts'
  | 'peanuts'
  | 'wheat'
  | 'soy'
  | 'sesame'
  | 'other gluten'
  | 'sulfites'
  | 'other';

interface AllergenFacts {
  readonly name: string;
  /** Two letters that stand beside the word, never instead of it. */
  readonly tag: string;
  readonly family: Family;
}

/**
 * What an ingredient can contain that somebody must avoid.
 *
 * The nine US majors: FALCPA 2004 (Public Law 108-282, title II) and FASTER Act 2021 (Public Law 117-11, sesame).
 * Tree nuts are named by kind (FD&C Act s. 403(w)(1)). Barley, rye and oats are gluten cereals but not among the nine:
 * they are shown all the same. Sulphites count from 10 mg/kg (21 CFR 101.100(a)(4)). Coconut left the FDA's tree-nut list
 * in January 2025 (from memory); it stays a named ingredient.
 */
export const allergens = {
  milk: { name: 'Milk', tag: 'MI', family: 'milk' },
  egg: { name: 'Egg', tag: 'EG', family: 'egg' },
  fish: { name: 'Fish', tag: 'FI', family: 'fish' },
  crustacean: { name: 'Crustacean shellfish', tag: 'CR', family: 'crustacean shellfish' },
  almond: { name: 'Almonds', tag: 'AL', family: 'tree nuts' },
  brazil: { name: 'Brazil nuts', tag: 'BN', family: 'tree nuts' },
  cashew: { name: 'Cashews', tag: 'CA', family: 'tree nuts' },
  hazelnut: { name: 'Hazelnuts', tag: 'HA', family: 'tree nuts' },
  macadamia: { name: 'Macadamias', tag: 'MA', family: 'tree nuts' },
  pecan: { name: 'Pecans', tag: 'PC', family: 'tree nuts' },
  pistachio: { name: 'Pistachios', tag: 'PI', family: 'tree nuts' },
  walnut: { name: 'Walnuts', tag: 'WA', family: 'tree nuts' },
  peanut: { name: 'Peanuts', tag: 'PN', family: 'peanuts' },
  wheat: { name: 'Wheat', tag: 'WH', family: 'wheat' },
  soy: { name: 'Soy', tag: 'SO', family: 'soy' },
  sesame: { name: 'Sesame', tag: 'SE', family: 'sesame' },
  barley: { name: 'Barley', tag: 'BA', family: 'other gluten' },
  rye: { name: 'Rye', tag: 'RY', family: 'other gluten' },
  oats: { name: 'Oats', tag: 'OA', family: 'other gluten' },
  sulfites: { name: 'Sulfites', tag: 'SU', family: 'sulfites' },
  alcohol: { name: 'Alcohol', tag: 'AC', family: 'other' },
  gelatin: { name: 'Gelatin', tag: 'GE', family: 'other' },
  coconut: { name: 'Coconut', tag: 'CO', family: 'other' },
} as const satisfies Record<string, AllergenFacts>;

/** The code of something that an ingredient contains. */
export type Allergen = keyof typeof allergens;

/** All codes, in the order in which a label names them. */
export const allergenCodes = Object.keys(allergens) as [Allergen, ...Allergen[]];

/** Codes in the order in which a label names them, each once. */
export const inLabelOrder = (codes: Iterable<Allergen>): Allergen[] => {
  const present = new Set(codes);
  return allergenCodes.filter((code) => present.has(code));
};

const US_MAJOR_FAMILIES: readonly Family[] = [
  'milk',
  'egg',
  'fish',
  'crustacean shellfish',
  'tree nuts',
  'peanuts',
  'wheat',
  'soy',
  'sesame',
];

/** Whether US law lists it among the nine majors (FALCPA 2004, FASTER Act 2021). */
export const isUsMajor = (code: Allergen): boolean => US_MAJOR_FAMILIES.includes(allergens[code].family);

/**
 * What follows "Contains:" on a US label: the majors among `codes`, tree nuts by kind.
 * Source: FALCPA 2004, FASTER Act 2021.
 * @returns '' when there is none
 * @example usContains(['pecan', 'milk']) // 'Milk, Tree Nuts (Pecans)'
 */
export function usContains(codes: Iterable<Allergen>): string {
  const majors = inLabelOrder(codes).filter(isUsMajor);
  const nuts = majors.filter((code) => allergens[code].family === 'tree nuts');
  const words: string[] = [];
  for (const code of majors) {
    if (allergens[code].family !== 'tree nuts') words.push(allergens[code].name);
    else if (code === nuts[0]) words.push(`Tree Nuts (${nuts.map((nut) => allergens[nut].name).join(', ')})`);
  }
  return words.join(', ');
}

/** Those among `codes` that the US nine leave out but that somebody must know: gluten cereals, sulphites, alcohol, gelatin, coconut. */
export const beyondUsMajors = (codes: Iterable<Allergen>): Allergen[] =>
  inLabelOrder(codes).filter((code) => !isUsMajor(code));

const all = (family: Family): Allergen[] => allergenCodes.filter((code) => allergens[code].family === family);

interface ExclusionFacts {
  readonly name: string;
  readonly covers: readonly Allergen[];
}

/** What a customer may rule out: one substance, or a group that stands for several. */
export const exclusions: Readonly<Record<string, ExclusionFacts>> = {
  'tree-nuts': { name: 'tree nuts', covers: all('tree nuts') },
  nuts: { name: 'nuts (tree nuts and peanuts)', covers: [...all('tree nuts'), 'peanut'] },
  gluten: { name: 'gluten', covers: ['wheat', ...all('other gluten')] },
  ...Object.fromEntries(
    allergenCodes.map((code) => [code, { name: allergens[code].name.toLowerCase(), covers: [code] }]),
  ),
};

/** All exclusion codes: the groups first, then each substance. */
export const exclusionCodes = Object.keys(exclusions);

/**
 * Which of `present` an exclusion rules out.
 * @returns the codes that break it, empty when it is kept or unknown
 */
export function brokenBy(exclusion: string, present: Iterable<Allergen>): Allergen[] {
  const covers = exclusions[exclusion]?.covers ?? [];
  return inLabelOrder(present).filter((code) => covers.includes(code));
}
