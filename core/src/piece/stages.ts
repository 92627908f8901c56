import { sayList } from '../quantity/index.js';
import { oncePer } from '../record/index.js';
import { bodyForm } from './makeup.js';
import type { MouldStage } from './forms/index.js';
import type { PieceDraft, PieceFiled } from './schema.js';

/** What is done to finish a piece on one day: a piece that sets over night in its mould takes several. */
export interface FinishStage {
  /** Nights that it sets after the day before; 0 for the first. */
  readonly nightsBefore: number;
  /** Seconds of the maker's hands for each piece. */
  readonly handSeconds: number;
  /** What is done to a moulded piece; none where it is finished in one go. */
  readonly stages: readonly MouldStage[];
}

function stagesOf({ form, handSeconds }: Pick<PieceDraft, 'form' | 'handSeconds'>): readonly FinishStage[] {
  const body = bodyForm(form);
  if (body.kind !== 'moulded' || body.stages.length === 0) return [{ nightsBefore: 0, handSeconds, stages: [] }];
  const days: FinishStage[] = [];
  let nightsBefore = 0;
  for (const each of body.stages) {
    const before = days.at(-1);
    if (before && nightsBefore === 0)
      days[days.length - 1] = {
        ...before,
        handSeconds: before.handSeconds + each.handSeconds,
        stages: [...before.stages, each.stage],
      };
    else days.push({ nightsBefore, handSeconds: each.handSeconds, stages: [each.stage] });
    nightsBefore = each.nightsAfter;
  }
  return days;
}

/** The days of finishing a piece, in order: one, or one after each time that it sets over night. */
export const finishStages = oncePer((piece: PieceFiled) => stagesOf(piece));

/** Seconds of the maker's hands for each piece, over all its stages. */
export const handSecondsOf = (piece: Pick<PieceDraft, 'form' | 'handSeconds'>): number =>
  stagesOf(piece).reduce((sum, { handSeconds }) => sum + handSeconds, 0);

/** Nights that lie between the first day of finishing a piece and the last. */
export const nightsInFinishing = (piece: PieceFiled): number =>
  finishStages(piece).reduce((sum, { nightsBefore }) => sum + nightsBefore, 0);

/** Whether a piece stands in its mould over a night. */
export const setsOverNight = (piece: PieceFiled): boolean => finishStages(piece).length > 1;

/** What is done on one day of finishing, as a word for a strip: `Finish`, `Shell and fill`, `Cap and knock out`. */
export function sayStage({ stages }: Pick<FinishStage, 'stages'>): string {
  if (stages.length === 0) return 'Finish';
  const words = sayList(stages);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
