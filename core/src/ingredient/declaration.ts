import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import { allergens, isUsMajor, kindIsMissing } from './allergen.js';
import { callsItChocolate, isCompound, undeclaredIn } from './declared.js';
import type { IngredientFiled } from './schema.js';
import { containedIn } from './substances.js';

/** Words of declarations that name what the contents lack, a kind that is not said, and what is called chocolate and is none. */
export function declarationFindings(ingredient: IngredientFiled): Finding[] {
  const about: Subject = { noun: 'ingredient', id: ingredient.id, name: ingredient.name };
  const { name } = ingredient;
  const found = undeclaredIn(ingredient).map(({ word, anyOf }) =>
    finding(
      anyOf.some(isUsMajor) ? 'stop' : 'decide',
      'allergen-undeclared',
      about,
      `The declaration of ${name} says “${word}”, but ${sayOneOf(anyOf.map((code) => allergens[code].name.toLowerCase()))} is not among what ${name} contains: it would be missing from every label.`,
      [openWayOut(about)],
    ),
  );
  if (containedIn(ingredient).some(kindIsMissing))
    found.push(
      finding(
        'decide',
        'kind-missing',
        about,
        `A US label names the kind of fish or shellfish: say which ${name} contains.`,
        [openWayOut(about)],
      ),
    );
  if (isCompound(ingredient) && callsItChocolate(ingredient.declaration.labelName))
    found.push(
      finding(
        'decide',
        'called-chocolate',
        about,
        `${name} is called chocolate on the label, but holds other fats than those of cocoa and milk: call it a compound or chocolate-flavored coating (21 CFR 163).`,
        [openWayOut(about)],
      ),
    );
  return found;
}

/** Names as one of several: `milk`, `almonds or one of 11 others`. */
function sayOneOf(names: readonly string[]): string {
  const [first = '', ...others] = names;
  if (others.length === 0) return first;
  return others.length <= 2 ? [first, ...others].join(' or ') : `${first} or one of ${String(others.length)} others`;
}
