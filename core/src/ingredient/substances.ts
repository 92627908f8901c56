import { inLabelOrder, type Allergen } from './allergen.js';
import type { IngredientDraft, IngredientTrait } from './schema.js';

/** What a trait says of the contents, whether the maker has ticked it there or not. */
const ofTrait: Partial<Record<IngredientTrait, Allergen>> = { honey: 'honey', gelatine: 'gelatin', 'raw egg': 'egg' };

/** Everything that an ingredient contains: what is ticked, and what follows from its traits. */
export const containedIn = ({ contains, traits }: Pick<IngredientDraft, 'contains' | 'traits'>): Allergen[] =>
  inLabelOrder([...contains, ...traits.flatMap((trait) => ofTrait[trait] ?? [])]);
