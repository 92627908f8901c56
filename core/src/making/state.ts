import { clamp } from 'es-toolkit';
import type { RecipeFiled } from '../recipe/index.js';
import type { Day } from '../quantity/index.js';
import type { EventOf, MakingEvent } from './schema.js';

/** What was weighed of a line. */
export interface WeighedLine {
  readonly grams: number;
  readonly useBy: Day | null;
  readonly at: string;
}

/** What goes in instead of what the recipe says. */
export interface LineSwap {
  readonly withId: string;
  readonly ratio: number;
}

/** A timer as it was started. */
export interface Timer {
  readonly id: string;
  readonly name: string;
  readonly stage: number;
  /** When it was started and when it rings, ms since 1970. */
  readonly from: number;
  readonly to: number;
}

/** How a batch stands, by all that has happened to it. */
export interface MakingState {
  /** 0 weighs out, then the steps of the recipe, then the end. */
  readonly stage: number;
  readonly weighed: ReadonlyMap<number, WeighedLine>;
  readonly swapped: ReadonlyMap<number, LineSwap>;
  /** What is still to be weighed is so many times what the batch would take. */
  readonly factor: number;
  /** Those that nobody has answered. */
  readonly timers: readonly Timer[];
  readonly notes: readonly EventOf<'note'>[];
  readonly photos: readonly EventOf<'photo'>[];
  readonly room: EventOf<'room'> | null;
  /** When each stage was come to for the first time, ms since 1970. */
  readonly reached: ReadonlyMap<number, number>;
}

/** The last stage of a recipe: weighing what came out. */
export const endStage = ({ steps }: Pick<RecipeFiled, 'steps'>): number => steps.length + 1;

/**
 * Works out how a batch stands. The same events in the same order always come to the same; one that came twice counts once.
 * @param events in the order in which they were taken in
 */
export function stateOf(recipe: Pick<RecipeFiled, 'steps' | 'lines'>, events: readonly MakingEvent[]): MakingState {
  const seen = new Set<string>();
  const weighed = new Map<number, WeighedLine>();
  const swapped = new Map<number, LineSwap>();
  const timers = new Map<string, Timer>();
  const ended = new Set<string>();
  const reached = new Map<number, number>();
  const notes: EventOf<'note'>[] = [];
  const photos: EventOf<'photo'>[] = [];
  let room: EventOf<'room'> | null = null;
  let stage = 0;
  let factor = 1;
  const isLine = (line: number) => line < recipe.lines.length;
  for (const event of events) {
    if (seen.has(event.id)) continue;
    seen.add(event.id);
    switch (event.kind) {
      case 'stage':
        stage = clamp(event.stage, 0, endStage(recipe));
        if (!reached.has(stage)) reached.set(stage, Date.parse(event.at));
        break;
      case 'weighed':
        if (isLine(event.line)) weighed.set(event.line, { grams: event.grams, useBy: event.useBy, at: event.at });
        break;
      case 'not weighed':
        weighed.delete(event.line);
        break;
      case 'scaled':
        ({ factor } = event);
        break;
      case 'swapped':
        if (event.withId === null) swapped.delete(event.line);
        else if (isLine(event.line)) swapped.set(event.line, { withId: event.withId, ratio: event.ratio });
        break;
      case 'timer': {
        const from = Date.parse(event.at);
        timers.set(event.timerId, {
          id: event.timerId,
          name: event.name,
          stage: event.stage,
          from,
          to: from + event.seconds * 1000,
        });
        break;
      }
      case 'timer ended':
        ended.add(event.timerId);
        break;
      case 'note':
        notes.push(event);
        break;
      case 'photo':
        photos.push(event);
        break;
      case 'room':
        room = event;
        break;
      case 'readings':
        break;
    }
  }
  const running = [...timers.values()].filter(({ id }) => !ended.has(id)).sort((a, b) => a.to - b.to);
  return { stage, weighed, swapped, factor, timers: running, notes, photos, room, reached };
}

/** A temperature of a batch, and what is wrong with it. */
export interface TracePoint {
  /** ms since 1970. */
  readonly at: number;
  readonly celsius: number | null;
  readonly mark: EventOf<'readings'>['values'][number][2];
}

/** Whether a reading counts: one of a probe that nothing is wrong with, or one that somebody has read. */
export const isBelieved = (point: TracePoint): point is TracePoint & { readonly celsius: number } =>
  point.celsius !== null && (point.mark === null || point.mark === 'tapped');

/** Everything that was read of a batch in a stage, in order; what two devices have heard of one probe once. */
export const traceOf = (events: readonly MakingEvent[], stage: number): TracePoint[] =>
  events
    .flatMap((event) => {
      if (event.kind !== 'readings' || event.stage !== stage) return [];
      const from = Date.parse(event.at);
      return event.values.map(([after, celsius, mark]) => ({ at: from + after, celsius, mark }));
    })
    .sort((a, b) => a.at - b.at)
    .filter(({ at, celsius }, index, all) => all[index - 1]?.at !== at || all[index - 1]?.celsius !== celsius);

/** What a timer does at a moment. @param now ms since 1970 */
export const timerAt = (
  { from, to }: Timer,
  now: number,
): { readonly rings: boolean; readonly leftSeconds: number; readonly share: number } => ({
  rings: now >= to,
  leftSeconds: (to - now) / 1000,
  share: clamp((now - from) / Math.max(1, to - from), 0, 1),
});
