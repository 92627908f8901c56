import { exclusions } from '@usual-pantry/core/ingredient';
import type { PackedAs } from '@usual-pantry/core/order';

/** `no sesame`, as the order says it. */
export const sayExclusion = (code: string): string => `no ${exclusions[code]?.name ?? code}`;

/** A box and how it is packed: `Table box, no sesame`. */
export const sayPacked = (boxName: string, { edition, without, leaveOut }: PackedAs): string =>
  [
    boxName,
    ...(edition === null ? [] : ['as it was sold']),
    ...without.map(sayExclusion),
    ...(leaveOut ? ['some left out'] : []),
  ].join(', ');
