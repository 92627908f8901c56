import type { LabelRun } from '../plan/index.js';

/**
 * The code of the boxes of one run: the day on which the oldest piece is made, and a short sum over which box, for when and how packed, so that
 * no two runs share one by their names.
 * @example lotOf(run) // 'L261128-7K3'
 */
export function lotOf(run: Pick<LabelRun, 'madeOn' | 'handOver' | 'boxId'> & { readonly key: string }): string {
  // FNV-1a, 32 bit (published: Fowler, Noll, Vo; from memory).
  let hash = 0x811c9dc5;
  for (const letter of `${run.boxId} ${run.handOver} ${run.key}`)
    hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  const short = (hash >>> 0).toString(32).toUpperCase().padStart(7, '0').slice(-4);
  return `L${run.madeOn.slice(2).replaceAll('-', '')}-${short}`;
}
