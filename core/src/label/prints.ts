import { packedKey } from '../order/index.js';
import type { LabelRun } from '../plan/index.js';
import type { LabelBlock } from './label.js';
import type { LabelPrint } from './schema.js';

/** Everything that a label says, a paragraph a line. */
export const wordsOnLabel = (blocks: readonly Pick<LabelBlock, 'heading' | 'text'>[]): string =>
  blocks.map(({ heading, text }) => `${heading} ${text}`.trim()).join('\n');

/** What was printed of the labels of a run. */
export interface Printed {
  readonly count: number;
  /** Those that said something else than the label says now. */
  readonly changed: number;
  /** When the last ones were printed; null when none were. */
  readonly lastAt: string | null;
}

/** The prints of a run. */
export const printsOf = <Print extends Pick<LabelPrint, 'handOver' | 'packedKey'>>(
  run: LabelRun,
  prints: readonly Print[],
): Print[] => {
  const key = packedKey(run.boxId, run);
  return prints.filter((print) => print.handOver === run.handOver && print.packedKey === key);
};

/** @param words what the label says now */
export function printedOf(run: LabelRun, prints: readonly LabelPrint[], words: string): Printed {
  const own = printsOf(run, prints);
  const sum = (list: readonly LabelPrint[]) => list.reduce((total, { count }) => total + count, 0);
  return {
    count: sum(own),
    changed: sum(own.filter((print) => print.words !== words)),
    lastAt: own.reduce<string | null>((last, { at }) => (last === null || at > last ? at : last), null),
  };
}

/** Whether so many more would be more than there are boxes: then it must be said why. */
export const isReprint = (run: LabelRun, prints: readonly LabelPrint[], count: number): boolean =>
  printsOf(run, prints).reduce((sum, print) => sum + print.count, count) > run.count;
