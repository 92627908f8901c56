import type { Book } from '../book/index.js';
import { blocks } from '../finding/index.js';
import type { OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import { breachesOf, newBreaches } from './breaches.js';
import type { Guide, Pin } from './guide.js';
import { guideOf, moveRun, whyNotTo } from './move.js';
import { planSeason } from './plan.js';
import type { Plan } from './shape.js';

/**
 * Why a run that could be made on a day is not moved there: what the plan would then break that it does not break now.
 * @param pins those that hold now
 * @returns each reason as a sentence, and the decisions with the move where there is none
 */
export function tryMove(
  { plan, recipeId, from, to, pins }: { plan: Plan; recipeId: string; from: Day; to: Day; pins: readonly Pin[] },
  orders: readonly OrderFiled[],
  book: Book,
  today: Day,
): { readonly why: readonly string[]; readonly guide: Guide | null } {
  const why = whyNotTo(plan, recipeId, from, to, book, today);
  if (why.length > 0) return { why, guide: null };
  const guide = moveRun(guideOf(plan, pins), recipeId, from, to, plan);
  const moved = planSeason(book, orders, today, guide);
  const broken = newBreaches(breachesOf(plan, book), breachesOf(moved, book));
  const left = moved.leftOut.filter((id) => !plan.leftOut.includes(id));
  const late = moved.findings.filter((each) => blocks(each, 'order') && left.includes(each.about.id));
  const messages = [...broken, ...late].map(({ message }) => message);
  return messages.length > 0 ? { why: messages, guide: null } : { why: [], guide };
}
