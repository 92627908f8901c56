import { allergenCodes, allergens, inLabelOrder, ofFamily, type Allergen } from './allergen.js';

interface ExclusionFacts {
  readonly name: string;
  readonly covers: readonly Allergen[];
  /** What it means where the name alone may be taken for more or for less; '' where it cannot. */
  readonly means: string;
}

const nuts = ofFamily('tree nuts');
const fish = [...ofFamily('fish', 'crustacean shellfish'), 'mollusc'] as const;

const groups: readonly (readonly [code: string, facts: ExclusionFacts])[] = [
  ['tree-nuts', { name: 'tree nuts', covers: nuts, means: 'every kind of tree nut; peanuts are not among them' }],
  ['nuts', { name: 'nuts (tree nuts and peanuts)', covers: [...nuts, 'peanut'], means: '' }],
  ['gluten', { name: 'gluten', covers: ['wheat', ...ofFamily('other gluten')], means: 'wheat, barley, rye and oats' }],
  ['shellfish', { name: 'shellfish', covers: [...ofFamily('crustacean shellfish'), 'mollusc'], means: '' }],
  [
    'vegan',
    {
      name: 'anything from animals (vegan)',
      covers: ['milk', 'egg', ...fish, ...ofFamily('animal')],
      means: 'no milk, egg, fish, gelatin, honey, beeswax, shellac, carmine, meat or animal fat',
    },
  ],
  [
    'vegetarian',
    {
      name: 'meat, fish or gelatin (vegetarian)',
      covers: [...fish, 'gelatin', 'shellac', 'carmine', 'meat'],
      means: 'no meat or animal fat, fish, gelatin, shellac or carmine',
    },
  ],
  [
    'any-alcohol',
    { name: 'any alcohol', covers: ofFamily('alcohol'), means: 'not even what a flavouring extract is made with' },
  ],
];

/** Codes that stand for more than themselves: a species that is not said, and what is a kind of the same nut. */
const wider: Partial<Record<Allergen, readonly Allergen[]>> = {
  fish: ofFamily('fish'),
  crustacean: ofFamily('crustacean shellfish'),
  walnut: ['walnut', 'black-walnut', 'california-walnut', 'heartnut'],
};

const means: Partial<Record<Allergen, string>> = {
  alcohol:
    'no spirits, wine, beer or liqueur; a flavouring extract may still bring a trace of the alcohol it is made with',
};

const known: ReadonlyMap<string, ExclusionFacts> = new Map([
  ...groups,
  ...allergenCodes.map((code): readonly [string, ExclusionFacts] => [
    code,
    { name: allergens[code].name.toLowerCase(), covers: wider[code] ?? [code], means: means[code] ?? '' },
  ]),
]);

/** Every group and substance that a customer may rule out: the groups first. Single ingredients and pieces come on top. */
export const exclusionCodes: readonly string[] = [...known.keys()];

/** A single ingredient or piece that is ruled out, as a code. */
export const ruledOut = (noun: 'ingredient' | 'piece', id: string): string => `${noun}:${id}`;

const NAMED = /^(ingredient|piece):([A-Za-z0-9][A-Za-z0-9_-]{0,63})$/;

/** What a code of a single thing stands for; null for a group or a substance. */
export function namedExclusion(code: string): { readonly noun: 'ingredient' | 'piece'; readonly id: string } | null {
  const [, noun, id] = NAMED.exec(code) ?? [];
  return (noun === 'ingredient' || noun === 'piece') && id !== undefined ? { noun, id } : null;
}

/** Whether a code is one that can be ruled out; whether its ingredient or piece is there is not looked at. */
export const isExclusion = (code: string): boolean => known.has(code) || namedExclusion(code) !== null;

/** What is in a piece or a box, through all components. */
export interface Contents {
  readonly contains: readonly Allergen[];
  readonly ingredientIds: ReadonlySet<string>;
  /** The pieces of a box; of a piece, itself alone. */
  readonly pieceIds: ReadonlySet<string>;
}

/** Substances alone, such as traces. */
export const substances = (contains: readonly Allergen[]): Contents => ({
  contains,
  ingredientIds: new Set(),
  pieceIds: new Set(),
});

/**
 * What of the contents an exclusion rules out: codes of substances, or the code of the one ingredient or piece.
 * @returns empty when it is kept or unknown
 */
export function brokenBy(exclusion: string, { contains, ingredientIds, pieceIds }: Contents): string[] {
  const named = namedExclusion(exclusion);
  if (named) return (named.noun === 'ingredient' ? ingredientIds : pieceIds).has(named.id) ? [exclusion] : [];
  const covers = known.get(exclusion)?.covers ?? [];
  return inLabelOrder(contains).filter((code) => covers.includes(code));
}

/** Whether all exclusions are kept. */
export const isClear = (without: readonly string[], contents: Contents): boolean =>
  without.every((code) => brokenBy(code, contents).length === 0);

/** Names of what can be ruled out one by one. */
export interface NamedThings {
  readonly ingredients: ReadonlyMap<string, { readonly name: string }>;
  readonly pieces: ReadonlyMap<string, { readonly piece: { readonly name: string } }>;
}

/** An exclusion, or what breaks one, in words: `tree nuts`, `plum brandy`. */
export function exclusionName(code: string, { ingredients, pieces }: NamedThings): string {
  const named = namedExclusion(code);
  if (!named) return known.get(code)?.name ?? code;
  const name = named.noun === 'ingredient' ? ingredients.get(named.id)?.name : pieces.get(named.id)?.piece.name;
  return (name ?? named.id).toLowerCase();
}

/** All that can be ruled out: groups and substances, then each ingredient and each piece. */
export const exclusionOptions = ({ ingredients, pieces }: NamedThings): string[] => [
  ...exclusionCodes,
  ...[...ingredients.keys()].map((id) => ruledOut('ingredient', id)),
  ...[...pieces.keys()].map((id) => ruledOut('piece', id)),
];

/** Under which heading an exclusion stands in a list. */
export function exclusionGroup(code: string): string {
  const named = namedExclusion(code);
  if (!named) return 'Allergens, diets and the like';
  return named.noun === 'ingredient' ? 'One ingredient' : 'One piece';
}

/** What an exclusion means, where its name may be taken for more or for less; '' where it cannot. */
export const exclusionMeans = (code: string): string => known.get(code)?.means ?? '';

/** What a group stands for; a substance stands for itself. */
export const coveredBy = (code: string): readonly Allergen[] => known.get(code)?.covers ?? [];
