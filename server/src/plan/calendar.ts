import { getVtimezoneComponent } from '@touch4it/ical-timezones';
import type { Plan, SeasonDay } from '@usual-pantry/core/plan';
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
    ...plan.finishings
      .filter((each) => each.day === day.day)
      .map(({ pieceName, count }) => `Finish ${sayCount(count, 'piece')} of ${pieceName}`),
    ...day.packs.map(({ boxName, count }) => `Pack ${String(count)} × ${boxName}`),
  ].join('\n');
}

/** Every line ended by CRLF, the last one too. Source: RFC 5545, 3.1. */
const inLines = (text: string): string => `${text.trimEnd().replace(/\r?\n/g, '\r\n')}\r\n`;

/** The bench days and the hand-overs as a calendar. The same day keeps its UID, so that a second import changes and does not add. */
export function calendarOf(plan: Plan, maker: string): string {
  const calendar = ical({ name: `${maker}: bench days`, prodId: { company: 'Usual Pantry', product: 'Season plan' } });
  calendar.timezone({ name: ZONE, generator: (zone) => getVtimezoneComponent(zone) ?? null });
  for (const day of plan.days) {
    if (day.bookedMinutes > 0)
      calendar.createEvent({
        id: `bench-${day.day}@usual-pantry`,
        start: new Date(`${day.day}T00:00:00`),
        allDay: true,
        timezone: null,
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
  return inLines(calendar.toString());
}
