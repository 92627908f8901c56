/** Names that mean the same thing, the first one standing for all. */
const synonyms: readonly (readonly string[])[] = [
  ['granulated sugar', 'white sugar', 'white granulated sugar', 'sugar'],
  ['caster sugar', 'castor sugar', 'superfine sugar', 'baker sugar'],
  ['icing sugar', 'powdered sugar', 'confectioner sugar'],
  ['golden syrup', 'light treacle'],
  ['molasses', 'black treacle', 'treacle'],
  ['glucose syrup', 'liquid glucose', 'glucose'],
  ['dextrose powder', 'dextrose', 'glucose powder'],
  ['invert sugar syrup', 'invert sugar', 'invert syrup'],
  ['baking soda', 'bicarbonate of soda', 'bicarbonate soda', 'bicarb soda', 'bicarb', 'sodium bicarbonate'],
  ['cornstarch', 'cornflour', 'corn starch'],
  ['plain flour', 'all purpose flour', 'ap flour'],
  ['self raising flour', 'self rising flour'],
  ['rolled oat', 'porridge oat', 'old fashioned oat'],
  ['table salt', 'fine salt', 'salt'],
  ['flaked sea salt', 'sea salt flake', 'flaky sea salt', 'flaky salt', 'flaked salt'],
  ['heavy cream', 'heavy whipping cream', 'whipping cream'],
  ['whole milk', 'full fat milk', 'full cream milk'],
  ['whole milk powder', 'full cream milk powder', 'dried whole milk'],
  ['sweetened condensed milk', 'condensed milk'],
  ['unsalted butter', 'sweet butter'],
  ['cocoa powder', 'cocoa', 'unsweetened cocoa powder', 'unsweetened cocoa'],
  ['cocoa nib', 'cacao nib'],
  ['cocoa butter', 'cacao butter'],
  ['hazelnut', 'filbert', 'cobnut'],
  ['cashew', 'cashew nut'],
  ['macadamia', 'macadamia nut'],
  ['pumpkin seed', 'pepita'],
  ['hazelnut praline paste', 'praline paste', 'hazelnut praline'],
  ['desiccated coconut', 'fine dried coconut'],
  ['digestive biscuit crumb', 'digestive biscuit', 'crushed digestive biscuit'],
  ['gelatine powder', 'powdered gelatine', 'powdered gelatin', 'gelatin powder', 'gelatine', 'gelatin'],
  ['aquafaba', 'chickpea water'],
  ['vanilla extract', 'vanilla essence', 'vanilla'],
  ['whisky', 'whiskey'],
  ['stout', 'stout beer'],
  ['candied ginger', 'crystallised ginger', 'crystallized ginger'],
  ['candied orange peel', 'candied orange', 'candied orange zest'],
  ['dried sour cherry', 'dried tart cherry'],
  ['instant coffee', 'instant coffee granule', 'instant coffee powder'],
  ['ground cinnamon', 'cinnamon'],
  ['ground cardamom', 'cardamom powder'],
  ['cream of tartar', 'potassium bitartrate'],
];

/** Every word of a name that has synonyms. */
export const synonymWords: readonly string[] = synonyms.flatMap((names) => names.flatMap((name) => name.split(' ')));

/** Words that do not change what is bought. */
const neutral = new Set(
  'fresh cold warm hot good quality best pure organic the your favourite favorite of some extra very room temperature bought plus more'.split(
    ' ',
  ),
);

/** Words that alone name a whole kind of things, never one of them. */
const generic = new Set(
  'nut seed sugar syrup chocolate milk cream butter flour oil salt spirit fruit powder egg white'.split(' '),
);

/** A plural in its singular, by the rules of English spelling; other words as they are. */
export const singular = (word: string): string => {
  if (/(?:ss|us|is)$/.test(word) || word.length < 4) return word;
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(?:ches|shes|xes|oes)$/.test(word)) return word.slice(0, -2);
  return word.endsWith('s') ? word.slice(0, -1) : word;
};

/** A name as plain singular words, synonyms made one, words that change nothing left out. */
export function nameWords(name: string): string[] {
  const words = name
    .toLowerCase()
    .replace(/[’']s\b|[’']/g, '')
    .replace(/[^\p{L}\d%]+/gu, ' ')
    .replace(/(\d)%/g, '$1 %')
    .trim()
    .split(' ')
    .filter((word) => word !== '' && !neutral.has(word))
    .map(singular);
  const text = words.join(' ');
  const same = synonyms.find((names) => names.includes(text));
  return same?.[0] ? same[0].split(' ') : words;
}

/** The other names of what a name means. @example sameAs('Icing sugar') // ['icing sugar', 'powdered sugar', 'confectioner sugar'] */
export function sameAs(name: string): readonly string[] {
  const text = nameWords(name).join(' ');
  return synonyms.find((names) => names.includes(text)) ?? [];
}

/** Something that a line can use. */
export interface Usable {
  readonly kind: 'ingredient' | 'recipe';
  readonly id: string;
  readonly name: string;
}

/** What a name may mean, the best first; `certain` when there is no doubt. */
export interface NameMatch<U extends Usable> {
  readonly found: U | null;
  /** Whether the name is the very name of what was found. */
  readonly certain: boolean;
  readonly candidates: readonly U[];
}

const MOST_CANDIDATES = 6;

/** Names of the pantry made ready for many look-ups. */
export type NameIndex<U extends Usable> = readonly {
  readonly usable: U;
  readonly words: readonly string[];
  readonly key: string;
}[];

export const indexNames = <U extends Usable>(usables: readonly U[]): NameIndex<U> =>
  usables.map((usable) => {
    const words = nameWords(usable.name);
    return { usable, words, key: [...words].sort().join(' ') };
  });

/**
 * Looks a name up. The same words in any order are certain. A name that lacks a word of the pantry's is taken when only
 * one ingredient has all its words, and shown as such. A name that says more than the pantry's (brown sugar for sugar) is never
 * taken: it is asked about.
 */
export function matchName<U extends Usable>(name: string, index: NameIndex<U>): NameMatch<U> {
  const words = nameWords(name);
  const key = [...words].sort().join(' ');
  const exact = index.filter((each) => each.key === key);
  const [only] = exact;
  if (only && exact.length === 1) return { found: only.usable, certain: true, candidates: [only.usable] };
  const shared = index
    .map((each) => ({
      each,
      score: words.filter((word) => each.words.includes(word)).length / Math.max(words.length, each.words.length),
    }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score);
  const candidates = shared.slice(0, MOST_CANDIDATES).map(({ each }) => each.usable);
  const named = words.some((word) => !generic.has(word));
  const wider = index.filter(
    ({ usable, words: known }) => named && usable.kind === 'ingredient' && words.every((word) => known.includes(word)),
  );
  const [one] = wider;
  return { found: one && wider.length === 1 ? one.usable : null, certain: false, candidates };
}
