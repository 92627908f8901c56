import { getVtimezoneComponent } from '@touch4it/ical-timezones';
import { benchDay } from '@usual-pantry/core/bench-day';
import type { Book } from '@usual-pantry/core/book';
import { sayStage } from '@usual-pantry/core/piece';
import { beginsAt, type Plan, type SeasonDay } from '@usual-pantry/core/plan';
import { sayCount, sayMinutes } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import ical from 'ical-generator';

/** The maker's own time zone. */
const ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What is done on a day, a line each. */
function dayText(day: SeasonDay, plan: Plan): string {
  return [
    ...plan.runs
      .filter((run) => run.day === day.day)
      .map(({ recipeName, batches }) => `Make ${recipeName}: ${sayBatches(batches)}`),
    ...plan.finishings.flatMap(({ pieceName, count, work }) =>
      work
        .filter((each) => each.day === day.day)
        .map((each) => `${sayStage(each)} ${sayCount(count, 'piece')} of ${pieceName}`),
    ),
    ...day.packs.map(({ boxName, count }) => `Pack ${String(count)} × ${boxName}`),
  ].join('\n');
}

/** A moment in UTC. @example stampOf(new Date(0)) // '19700101T000000Z' */
const stampOf = (moment: Date): string => moment.toISOString().replace(/[-:]|\.\d+/g, '');

const isUtc = /^(?:Etc\/)?(?:UTC|GMT|Universal|Zulu)$/.test(ZONE);

/** Stamps are in UTC, and so are times where the server's zone is. Source: RFC 5545, 3.3.5 and 3.8.7.2. */
const inUtc = (text: string, now: Date): string => {
  const stamped = text.replace(/^DTSTAMP:.*$/gm, `DTSTAMP:${stampOf(now)}`);
  return isUtc ? stamped.replace(/^(DTSTART|DTEND):(\d{8}T\d{6})$/gm, '$1:$2Z') : stamped;
};

/** Every line ended by CRLF, the last one too. Source: RFC 5545, 3.1. */
const inLines = (text: string): string => `${text.trimEnd().replace(/\r?\n/g, '\r\n')}\r\n`;

/** When a bench day is: from its beginning to the end of its work, where it is known when it begins; else all day. */
function timesOf(day: SeasonDay, plan: Plan, book: Book) {
  const midnight = new Date(`${day.day}T00:00:00`);
  const begins = beginsAt(day.day, book.kitchen);
  if (begins === null) return { start: midnight, allDay: true, timezone: null };
  const at = (minutes: number) => new Date(midnight.getTime() + Math.round(minutes) * 60_000);
  const { spanMinutes } = benchDay(plan, day.day, book);
  return { start: at(begins), end: at(begins + Math.max(spanMinutes, day.bookedMinutes)), timezone: ZONE };
}

/** The bench days and the hand-overs as a calendar. The same day keeps its UID, so that a second import changes and does not add. */
export function calendarOf(plan: Plan, book: Book): string {
  const maker = book.kitchen.makerName;
  const calendar = ical({ name: `${maker}: bench days`, prodId: { company: 'Usual Pantry', product: 'Season plan' } });
  if (!isUtc) calendar.timezone({ name: ZONE, generator: (zone) => getVtimezoneComponent(zone) ?? null });
  for (const day of plan.days) {
    if (day.bookedMinutes > 0)
      calendar.createEvent({
        id: `bench-${day.day}@usual-pantry`,
        ...timesOf(day, plan, book),
        summary: `Bench: ${sayMinutes(day.bookedMinutes)}`,
        description: dayText(day, plan),
      });
  }
  for (const { day, orders } of plan.handOvers)
    for (const order of orders)
      calendar.createEvent({
        id: `hand-over-${order.orderId}@usual-pantry`,
        start: new Date(`${day}T00:00:00`),
        allDay: true,
        timezone: null,
        summary: `Hand over to ${order.customer}`,
        location: order.place,
        description: order.contents.map(({ boxName, count }) => `${String(count)} × ${boxName}`).join('\n'),
      });
  return inLines(inUtc(calendar.toString().replace(/\r\n/g, '\n'), new Date()));
}
