import type { Stage } from './stages.js';
import { timerAt, type MakingState, type Timer } from './state.js';

/** Whether a batch wants the maker, or rests by itself. */
export type Turn =
  { readonly wants: true; readonly ringing: Timer | null } | { readonly wants: false; readonly until: number };

/**
 * Whether a batch wants the maker now: what rests has a timer of its step, what has none is being worked on.
 * @param now ms since 1970
 * @returns with the timer that rings, or the moment until which it rests, ms since 1970
 */
export function turnOf(
  { timers }: Pick<MakingState, 'timers'>,
  { stage, rest }: Pick<Stage, 'stage' | 'rest'>,
  now: number,
): Turn {
  const own = timers.filter((timer) => timer.stage === stage);
  const ringing = own.find((timer) => timerAt(timer, now).rings);
  if (ringing) return { wants: true, ringing };
  const [next] = own;
  return next && rest ? { wants: false, until: next.to } : { wants: true, ringing: null };
}
