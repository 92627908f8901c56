import { turnOf } from '@usual-pantry/core/making';
import { sayAt } from './sayTimes';
import type { Bench } from './useBench';

/** Whether a batch wants the maker now, and how that is said. */
export function whoseTurn(
  { state, stage }: Pick<Bench, 'state' | 'stage'>,
  now: number,
): { readonly wants: boolean; readonly says: string } {
  const turn = turnOf(state, stage, now);
  if (!turn.wants) return { wants: false, says: `rests until ${sayAt(turn.until)}` };
  if (turn.ringing) return { wants: true, says: `${turn.ringing.name} is ready` };
  if (stage.kind === 'weigh') return { wants: true, says: 'weighing out' };
  return { wants: true, says: stage.kind === 'end' ? 'to be weighed' : `step ${String(stage.stage)}` };
}
