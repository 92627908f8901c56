import type { Book } from '../book/index.js';
import { sayDay, sayMinutes, type Day } from '../quantity/index.js';
import { benchDay } from './bench-day.js';
import { NOTICED, type Breach, type Plan, makerHours } from '../plan/index.js';

/** Days of a plan whose work, with its rests and the equipment that there is, ends after their hours and their overtime. */
export const endsLate = (plan: Plan, book: Book, days: readonly Day[]): Breach[] =>
  days.flatMap((day): Breach[] => {
    const { kitchen } = book;
    if (kitchen.benchWeek.length === 0) return [];
    const most = makerHours(day, kitchen) * 60 + kitchen.overtimeMinutes;
    const { spanMinutes, lacking } = benchDay(plan, day, book, most);
    if (spanMinutes <= most + NOTICED && lacking.length === 0) return [];
    return [
      {
        key: `end day ${day}`,
        amount: lacking.length > 0 ? Infinity : spanMinutes - most,
        noticed: NOTICED,
        message:
          lacking.length > 0
            ? `There is too little for what falls on ${sayDay(day)}: ${lacking.join(', ')}.`
            : `The work of ${sayDay(day)}, with its rests and the equipment that there is, would end ${sayMinutes(spanMinutes - most)} too late.`,
      },
    ];
  });
