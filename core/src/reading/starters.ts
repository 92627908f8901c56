import { starterIngredients } from '../starter/index.js';
import { indexNames, matchName } from './names.js';

const index = indexNames(starterIngredients().map((each) => ({ ...each, kind: 'ingredient' as const })));
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
