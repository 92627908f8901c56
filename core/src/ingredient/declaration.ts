import { finding, type Finding, type Subject } from '../finding/index.js';
import { allergens, isUsMajor, kindIsMissing } from './allergen.js';
import { callsItChocolate, isCompound, undeclaredIn } from './declared.js';
import type { IngredientFiled } from './schema.js';
import { containedIn } from './substances.js';

/** Words of declarations that name what the contents lack, a kind that is not said, and what is called chocolate and is none. */
export function declarationFindings(ingredient: IngredientFiled): Finding[] {
  const about: Subject<'ingredient'> = { noun: 'ingredient', id: ingredient.id, name: ingredient.name };
  const found = undeclaredIn(ingredient).map(({ word, anyOf }) =>
    finding(anyOf.some(isUsMajor) ? 'allergen-undeclared' : 'substance-undeclared', about, {
      word,
      anyOf: sayOneOf(anyOf.map((code) => allergens[code].name.toLowerCase())),
    }),
  );
  if (containedIn(ingredient).some(kindIsMissing)) found.push(finding('kind-missing', about, {}));
  if (isCompound(ingredient) && callsItChocolate(ingredient.declaration.labelName))
    found.push(finding('coating-called-chocolate', about, {}));
  return found;
}

/** Names as one of several: `milk`, `almonds or one of 11 others`. */
function sayOneOf(names: readonly string[]): string {
  const [first = '', ...others] = names;
  if (others.length === 0) return first;
  return others.length <= 2 ? [first, ...others].join(' or ') : `${first} or one of ${String(others.length)} others`;
}
