import { groupBy } from 'es-toolkit/array';
import { foldText } from '../record/index.js';
import { starterGroups, starterIngredients } from '../starter/index.js';
import { indexNames, matchName, sameAs, singular } from './names.js';

const starters = starterIngredients();
const index = indexNames(starters.map((each) => ({ ...each, kind: 'ingredient' as const })));
const MOST = 3;

/** A plain ingredient that a name may mean. */
export type Starter = ReturnType<typeof starterIngredients>[number];

/**
 * The plain ingredients that a name may mean, the best first: the very one, by any of its names, alone.
 * @example startersNamed('bicarb').map(({ name }) => name) // ['Baking soda']
 */
export function startersNamed(name: string): Starter[] {
  const { found, certain, candidates } = matchName(name, index);
  const plain = ({ kind: _kind, ...starter }: (typeof candidates)[number]): Starter => starter;
  if (found && certain) return [plain(found)];
  return [...new Set([...(found ? [found] : []), ...candidates])].slice(0, MOST).map(plain);
}

/** The plain ingredient that a name is a name of; null where there is any doubt. */
export function starterCalled(name: string): Starter | null {
  const { found, certain } = matchName(name, index);
  return certain ? (starters.find(({ id }) => id === found?.id) ?? null) : null;
}

/** Plain ingredients of one group. */
export interface FoundStarters {
  readonly title: string;
  readonly starters: readonly Starter[];
}

const byName = groupBy(starters, ({ name }) => name);
const groups = starterGroups.map(({ title, words, names }) => ({
  title,
  entries: names.flatMap((name) =>
    (byName[name] ?? []).map((starter) => ({
      starter,
      words: foldText([name, starter.declaration.labelName, ...sameAs(name), words].join(' ')).split(/[^\p{L}\d]+/u),
    })),
  ),
}));

/**
 * The plain ingredients by group whose names, other names, or group begin with every word that is looked for; all without one.
 * @example searchStarters('powdered').flatMap(({ starters }) => starters.map(({ name }) => name)) // ['Icing sugar', …]
 */
export function searchStarters(text: string): FoundStarters[] {
  const wanted = foldText(text)
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean)
    .map(singular);
  return groups.flatMap(({ title, entries }) => {
    const found = entries.filter(({ words }) => wanted.every((each) => words.some((word) => word.startsWith(each))));
    return found.length === 0 ? [] : [{ title, starters: found.map(({ starter }) => starter) }];
  });
}
