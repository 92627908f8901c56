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
  | 'other'
  | 'alcohol'
  | 'animal';

interface AllergenFacts {
  readonly name: string;
  /** Two letters that stand beside the word, never instead of it. */
  readonly tag: string;
  readonly family: Family;
}

/**
 * What an ingredient can contain that somebody must avoid, or wants to.
 *
 * The nine US majors: FALCPA 2004 (Public Law 108-282, title II) and FASTER Act 2021 (Public Law 117-11, sesame).
 * Tree nuts are named by kind, fish and crustacean shellfish by species (FD&C Act s. 403(w)(1) and (2)); the kinds of tree nuts are those
 * of the FDA's guidance of January 2025, which coconut left (from memory); it stays a named ingredient. `fish` and `crustacean` stand for a
 * species that is not of this list. Barley, rye and oats are gluten cereals but not among the nine: they are shown all the same.
 * Sulphites count from 10 mg/kg (21 CFR 101.100(a)(4)). What follows from animals, and alcohol, is here for those who do without it.
 */
export const allergens = {
  milk: { name: 'Milk', tag: 'MI', family: 'milk' },
  egg: { name: 'Egg', tag: 'EG', family: 'egg' },
  fish: { name: 'Fish', tag: 'FI', family: 'fish' },
  anchovy: { name: 'Anchovy', tag: 'AN', family: 'fish' },
  bass: { name: 'Bass', tag: 'BS', family: 'fish' },
  cod: { name: 'Cod', tag: 'CD', family: 'fish' },
  flounder: { name: 'Flounder', tag: 'FL', family: 'fish' },
  haddock: { name: 'Haddock', tag: 'HD', family: 'fish' },
  pollock: { name: 'Pollock', tag: 'PO', family: 'fish' },
  salmon: { name: 'Salmon', tag: 'SA', family: 'fish' },
  tilapia: { name: 'Tilapia', tag: 'TI', family: 'fish' },
  tuna: { name: 'Tuna', tag: 'TU', family: 'fish' },
  crustacean: { name: 'Crustacean shellfish', tag: 'CR', family: 'crustacean shellfish' },
  crab: { name: 'Crab', tag: 'CB', family: 'crustacean shellfish' },
  crayfish: { name: 'Crayfish', tag: 'CF', family: 'crustacean shellfish' },
  lobster: { name: 'Lobster', tag: 'LO', family: 'crustacean shellfish' },
  shrimp: { name: 'Shrimp', tag: 'SH', family: 'crustacean shellfish' },
  almond: { name: 'Almonds', tag: 'AL', family: 'tree nuts' },
  'black-walnut': { name: 'Black walnuts', tag: 'BW', family: 'tree nuts' },
  brazil: { name: 'Brazil nuts', tag: 'BN', family: 'tree nuts' },
  'california-walnut': { name: 'California walnuts', tag: 'CW', family: 'tree nuts' },
  cashew: { name: 'Cashews', tag: 'CA', family: 'tree nuts' },
  hazelnut: { name: 'Hazelnuts', tag: 'HA', family: 'tree nuts' },
  heartnut: { name: 'Heartnuts (Japanese walnuts)', tag: 'HN', family: 'tree nuts' },
  macadamia: { name: 'Macadamia nuts', tag: 'MA', family: 'tree nuts' },
  pecan: { name: 'Pecans', tag: 'PC', family: 'tree nuts' },
  'pine-nut': { name: 'Pine nuts', tag: 'PT', family: 'tree nuts' },
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
  celery: { name: 'Celery', tag: 'CE', family: 'other' },
  mustard: { name: 'Mustard', tag: 'MU', family: 'other' },
  lupin: { name: 'Lupin', tag: 'LU', family: 'other' },
  mollusc: { name: 'Molluscs', tag: 'MO', family: 'other' },
  coconut: { name: 'Coconut', tag: 'CO', family: 'other' },
  alcohol: { name: 'Alcohol', tag: 'AC', family: 'alcohol' },
  'alcohol-carrier': { name: 'Alcohol of a flavouring', tag: 'AF', family: 'alcohol' },
  gelatin: { name: 'Gelatin', tag: 'GE', family: 'animal' },
  honey: { name: 'Honey', tag: 'HO', family: 'animal' },
  beeswax: { name: 'Beeswax', tag: 'BX', family: 'animal' },
  shellac: { name: 'Shellac', tag: 'SL', family: 'animal' },
  carmine: { name: 'Carmine', tag: 'CM', family: 'animal' },
  meat: { name: 'Meat or animal fat', tag: 'ME', family: 'animal' },
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

/** Codes of a family whose kind is not said: a US label wants the species. */
export const kindIsMissing = (code: Allergen): boolean => code === 'fish' || code === 'crustacean';

/** All codes of a family. */
export const ofFamily = (...families: readonly Family[]): Allergen[] =>
  allergenCodes.filter((code) => families.includes(allergens[code].family));
