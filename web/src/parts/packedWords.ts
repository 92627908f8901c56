import { exclusionName, type NamedThings } from '@usual-pantry/core/ingredient';
import { schoolNames } from '@usual-pantry/core/kitchen';
import type { PackedAs } from '@usual-pantry/core/order';

/** `no sesame`, as the order says it. */
export const sayExclusion = (code: string, names: NamedThings): string => `no ${exclusionName(code, names)}`;

/** A box, how it is packed, and what its order rules out even where nothing had to be changed for that: `Table box, no sesame`. */
export const sayPacked = (
  boxName: string,
  { edition, without, leaveOut, school, ruledOut = [] }: PackedAs & { readonly ruledOut?: readonly string[] },
  names: NamedThings,
): string =>
  [
    boxName,
    ...(edition === null ? [] : ['as it was sold']),
    ...[...new Set([...without, ...ruledOut])].map((code) => sayExclusion(code, names)),
    ...(leaveOut ? ['some left out'] : []),
    ...(school === null ? [] : [`label for ${schoolNames[school]}`]),
  ].join(', ');
