import Button from '@mui/material/Button';
import type { BenchTask, PlanAnswer } from '@usual-pantry/core/plan';
import type { Day } from '@usual-pantry/core/quantity';
import { useBatches } from '../parts/useBatches';
import type { SeasonBook } from '../parts/useSeason';
import { MadeButton } from './MadeButton';

interface Props {
  readonly task: BenchTask;
  /** All strips of the day, in order. */
  readonly tasks: readonly BenchTask[];
  readonly day: Day;
  readonly plan: PlanAnswer;
  readonly season: SeasonBook;
}

/** Batches whose pieces of a kind are finished on a day; null as long as some of them are not made. */
function toFinish(pieceId: string, day: Day, plan: PlanAnswer, { book }: SeasonBook) {
  const body = book.pieces.get(pieceId)?.parts.find(({ role }) => role === 'body')?.recipeId;
  const days = new Set(
    plan.finishings.filter((each) => each.pieceId === pieceId && each.day === day).map(({ madeOn }) => madeOn),
  );
  const made = plan.made.filter((each) => each.recipeId === body && days.has(each.day) && each.finishedOn === null);
  return made.length > 0 && made.length === days.size ? made : null;
}

/** What says that a stretch of work is at its end: its batches are made, or its pieces are finished. */
export function EndOfTask({ task, tasks, day, plan, season }: Props) {
  const { finished } = useBatches();
  const { recipeId, pieceId } = task;
  if (recipeId !== null) {
    const isLast = tasks.findLast((each) => each.recipeId === recipeId) === task;
    const making = plan.makings.find((each) => each.recipeId === recipeId && each.day === day);
    const facts = season.book.recipes.get(recipeId);
    if (!isLast || !making || !facts) return null;
    return <MadeButton making={making} yieldGrams={facts.yieldGrams} today={plan.today} />;
  }
  if (pieceId === null || tasks.findLast((each) => each.pieceId === pieceId) !== task) return null;
  const made = toFinish(pieceId, day, plan, season);
  const name = season.book.pieces.get(pieceId)?.piece.name ?? pieceId;
  if (!made) return null;
  return (
    <Button size="small" aria-label={`${name} is finished`} onClick={() => void finished(name, made, plan.today)}>
      Finished
    </Button>
  );
}
