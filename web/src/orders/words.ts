import { exclusions } from '@usual-pantry/core/ingredient';

/** `no sesame`, as the order says it. */
export const sayExclusion = (code: string): string => `no ${exclusions[code]?.name ?? code}`;
