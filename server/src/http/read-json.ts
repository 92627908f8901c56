import { cleanTexts, MOST_DEPTH, sayPath, type WrongValue } from '@usual-pantry/core/record';
import { depthOf } from './depth.js';
import type { ProblemCode } from '../refusal/problems.js';

/** Why a body is refused, as a thread tells it to the server. */
export interface RefusedBody {
  readonly code: ProblemCode;
  readonly detail: string;
  readonly wrong: readonly { readonly path: string; readonly message: string }[];
}

export const refusedBody = (
  code: ProblemCode,
  detail: string,
  wrong: readonly WrongValue[] = [],
): { readonly refused: RefusedBody } => ({
  refused: { code, detail, wrong: wrong.map(({ path, message }) => ({ path: sayPath(path), message })) },
});

/** Reads JSON as it was sent, for a thread of its own: its depth is looked at first, and every text is composed or refused. */
export function readJson(bytes: Uint8Array): { readonly value: unknown } | { readonly refused: RefusedBody } {
  if (depthOf(bytes) > MOST_DEPTH)
    return refusedBody('too-deep', `That is nested deeper than ${String(MOST_DEPTH)} levels. Nothing was changed.`);
  try {
    const { value, wrong } = cleanTexts(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
    if (wrong.length === 0) return { value };
    return refusedBody('wrong-values', 'There is text that cannot be stored. Nothing was changed.', wrong);
  } catch (error) {
    return refusedBody('not-json', `That is not well-formed JSON. Nothing was changed. ${(error as Error).message}`);
  }
}
