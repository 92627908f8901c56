import { massOf, partNames, scaleParts, type PartName, type Parts } from './parts.js';
import type { Composition } from './schema.js';

/** The parts that make up 100 g: a stored composition may add up to 99 or 101. */
export const partsOf = (composition: Composition): Parts => {
  const parts = Object.fromEntries(partNames.map((name) => [name, composition[name]])) as Record<PartName, number>;
  return scaleParts(parts, 100 / massOf(parts));
};
