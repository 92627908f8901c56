import Button from '@mui/material/Button';
import type { PlanRuns } from '@usual-pantry/core/api';
import { finishedWith } from '@usual-pantry/core/plan';
import { runOf, type BenchTask } from '@usual-pantry/core/bench-day';
import type { Day } from '@usual-pantry/core/quantity';
import { useBatches } from '../data/useBatches';
import type { SeasonBook } from '../data/useSeason';
import { BeginButton } from './BeginButton';
import { MadeButton } from './MadeButton';

interface Props {
  readonly task: BenchTask;
  /** All strips of the day, in order. */
  readonly tasks: readonly BenchTask[];
  readonly day: Day;
  readonly plan: PlanRuns;
  readonly today: Day;
  readonly season: SeasonBook;
}

/** What says that a stretch of work is at its end: its batches are made, or its pieces are finished. */
export function EndOfTask({ task, tasks, day, plan, today, season }: Props) {
  const { finished } = useBatches();
  const { recipeId, pieceId } = task;
  if (recipeId !== null) {
    const isLast = tasks.findLast((each) => each.recipeId === recipeId && each.begun === task.begun) === task;
    const run = runOf(plan, task);
    const facts = season.book.recipes.get(recipeId);
    if (!isLast || run?.day !== day || !facts) return null;
    return (
      <>
        <BeginButton recipeId={recipeId} name={run.recipeName} size={run.batches[0]?.size ?? 1} on={today} />
        <MadeButton run={run} yieldGrams={facts.yieldGrams} today={today} />
      </>
    );
  }
  if (pieceId === null || tasks.findLast((each) => each.pieceId === pieceId && each.stage === task.stage) !== task)
    return null;
  const piece = season.book.pieces.get(pieceId)?.piece;
  const stage = task.stage ?? 0;
  const made = finishedWith(plan, pieceId, day, stage, season.book);
  if (!made || !piece) return null;
  const { isLastStage } = task;
  const name = isLastStage ? piece.name : task.name;
  return (
    <Button
      size="small"
      aria-label={isLastStage ? `${name} is finished` : `${name} is done`}
      onClick={() => void finished(name, made, today, isLastStage ? null : stage)}
    >
      {isLastStage ? 'Finished' : 'Done'}
    </Button>
  );
}
