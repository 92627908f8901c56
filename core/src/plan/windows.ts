import { addDays, weekday, type Day } from '../quantity/index.js';
import { closureOn, type KitchenDraft } from '../kitchen/index.js';
import { oncePer } from '../record/index.js';
import { type Air, ANY_AIR, DAMP_FROM_PERCENT, tooDamp } from '../room/index.js';

/** The days on which something may be made, both ends included. Empty when `from` is after `to`. */
export interface Window {
  readonly from: Day;
  readonly to: Day;
}

/**
 * The make-day window of a piece for a hand-over: D - (S - R) to D - L - rest, never before today.
 * @param keepsDays shelf life S
 * @param restDays how long the body rests before it can be finished
 */
export function makeWindow(handOver: Day, keepsDays: number, restDays: number, kitchen: KitchenDraft): Window {
  return {
    from: addDays(handOver, -(keepsDays - kitchen.promisedDays)),
    to: addDays(handOver, -(kitchen.packingLeadDays + restDays)),
  };
}

const changesOf = oncePer(
  ({ dayChanges }: KitchenDraft) => new Map(dayChanges.map((each) => [each.day, each] as const)),
);

/** What is different about a day, if anything. */
const changeOf = (day: Day, kitchen: KitchenDraft) => changesOf(kitchen).get(day);

/** Hours of the maker on a day; 0 when it is no bench day. */
export function makerHours(day: Day, kitchen: KitchenDraft): number {
  if (closureOn(day, kitchen)) return 0;
  const usual = kitchen.benchWeek.find((each) => each.weekday === weekday(day))?.hours ?? 0;
  return changeOf(day, kitchen)?.hours ?? usual;
}

/** When the bench day begins, in minutes after midnight; null where nobody has said. */
export const beginsAt = (day: Day, kitchen: KitchenDraft): number | null =>
  changeOf(day, kitchen)?.begins ?? kitchen.benchWeek.find((each) => each.weekday === weekday(day))?.begins ?? null;

/** Hours of somebody who helps to finish and to pack on a day. */
export const helperHours = (day: Day, kitchen: KitchenDraft): number =>
  closureOn(day, kitchen) ? 0 : (changeOf(day, kitchen)?.helperHours ?? 0);

/** Hours of hands on a day, the helper's among them. */
export const benchHours = (day: Day, kitchen: KitchenDraft): number =>
  makerHours(day, kitchen) + helperHours(day, kitchen);

/** The air of the kitchen on a day, as far as anybody has said. */
export function airOn(day: Day, kitchen: KitchenDraft): Air {
  const change = changeOf(day, kitchen);
  return {
    celsius: change?.roomCelsius ?? null,
    humidityPercent: change?.humidityPercent ?? null,
    humid: change?.humid ?? false,
  };
}

/** Whether a day is too humid for what draws damp. */
export const isHumid = (day: Day, kitchen: KitchenDraft): boolean =>
  tooDamp({ ...ANY_AIR, mostHumidityPercent: DAMP_FROM_PERCENT }, airOn(day, kitchen));

/** Whether the maker works on a day. Without any bench days set, every day will do on which the kitchen is not closed. */
export const isBenchDay = (day: Day, kitchen: KitchenDraft): boolean =>
  kitchen.benchWeek.length === 0 ? !closureOn(day, kitchen) : benchHours(day, kitchen) > 0;

/** The last bench day up to `by`, at most three weeks back; `by` itself when there is none. */
export function lastBenchDayBefore(by: Day, kitchen: KitchenDraft): Day {
  for (let back = 0; back < 21; back++) if (isBenchDay(addDays(by, -back), kitchen)) return addDays(by, -back);
  return by;
}

/**
 * The last day of a window on which the maker works; the last day of the window when there is none.
 * Without any bench days set, every day will do.
 */
export function lastBenchDay(window: Window, kitchen: KitchenDraft): Day {
  if (kitchen.benchWeek.length === 0) return window.to;
  for (let back = 0; back < 7; back++) {
    const day = addDays(window.to, -back);
    if (day < window.from) break;
    if (benchHours(day, kitchen) > 0) return day;
  }
  return window.to;
}

/** Something needed, with the days on which it may be made. */
export interface Windowed {
  readonly window: Window;
}

/** Needs that can be made on one day, and the days on which that can be. */
export interface DayGroup<T> {
  readonly window: Window;
  readonly needs: readonly T[];
}

/**
 * The fewest runs such that every need is made within its window.
 *
 * Greedy by the latest day: optimal for intervals (common result on stabbing intervals with points).
 * An empty window is made on its last day; the caller reports it.
 */
export function groupByDay<T extends Windowed>(needs: readonly T[], kitchen: KitchenDraft): DayGroup<T>[] {
  const dated = needs
    .map((need) => ({ need, latest: lastBenchDay(need.window, kitchen) }))
    .sort((a, b) => (a.latest < b.latest ? -1 : a.latest > b.latest ? 1 : 0));
  const groups: { window: Window; needs: T[] }[] = [];
  for (const { need, latest } of dated) {
    const open = groups.at(-1);
    if (open && need.window.from <= open.window.to) {
      open.needs.push(need);
      if (need.window.from > open.window.from) open.window = { from: need.window.from, to: open.window.to };
    } else groups.push({ window: { from: need.window.from, to: latest }, needs: [need] });
  }
  return groups;
}

/** Minutes of hands booked so far, by day. */
export type Bookings = Map<Day, number>;

/**
 * The last bench day of a window that still has `minutes` free; when none has, the one that goes over by least.
 * The last day of the window when it holds no bench day.
 * @param hasRoom whether the moulds and pans of a day do, where that matters: days on which they do go before those on which they do not
 */
export function placeOnDay(
  window: Window,
  minutes: number,
  booked: Bookings,
  kitchen: KitchenDraft,
  hasRoom: (day: Day) => boolean = () => true,
): Day {
  let best = { day: window.to, room: false, free: -Infinity };
  for (let day = window.to; day >= window.from; day = addDays(day, -1)) {
    const hours = benchHours(day, kitchen);
    if (hours === 0) continue;
    const free = hours * 60 - (booked.get(day) ?? 0);
    const room = hasRoom(day);
    if (room && free >= minutes) return day;
    if ((room && !best.room) || (room === best.room && free > best.free)) best = { day, room, free };
  }
  return best.day;
}
