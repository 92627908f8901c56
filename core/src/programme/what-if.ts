import type { BookData } from '../book/index.js';
import { blocks, type WayOut } from '../finding/index.js';
import { daySchema, idSchema } from '../record/index.js';
import { type KitchenDraft, usualDay } from '../kitchen/index.js';
import { moreBoxes, type OrderFiled } from '../order/index.js';
import type { Day } from '../quantity/index.js';
import { isSameMould, type Plan } from '../plan/index.js';
import { z } from 'zod';

/** What may be different: lost days, hands that are hired, moulds that are bought, boxes that are added. */
export const whatIfSchema = z
  .strictObject({
    loseDays: z.array(daySchema).max(60).default([]),
    helpers: z
      .array(
        z.strictObject({
          day: daySchema,
          hours: z.number('must be a number').positive('must be more than zero').max(40),
        }),
      )
      .max(60)
      .default([]),
    moulds: z
      .array(z.strictObject({ pieceId: idSchema, count: z.int('must be a whole number').min(1).max(50) }))
      .max(20)
      .default([]),
    boxes: z
      .array(
        z.strictObject({
          boxId: idSchema,
          count: z.int('must be a whole number').min(1, 'must be one or more').max(500),
          on: daySchema,
        }),
      )
      .max(20)
      .default([]),
  })
  .meta({ id: 'WhatIf' });

export type WhatIf = z.infer<typeof whatIfSchema>;

/** The kitchen with days lost and hands hired. */
export function kitchenIf(kitchen: KitchenDraft, { loseDays, helpers }: WhatIf): KitchenDraft {
  const changes = new Map(kitchen.dayChanges.map((each) => [each.day, each] as const));
  const change = (day: Day, more: Partial<KitchenDraft['dayChanges'][number]>) =>
    changes.set(day, { ...(changes.get(day) ?? usualDay(day)), ...more });
  for (const day of loseDays) change(day, { hours: 0, helperHours: 0 });
  for (const { day, hours } of helpers) change(day, { helperHours: (changes.get(day)?.helperHours ?? 0) + hours });
  return { ...kitchen, dayChanges: [...changes.values()].sort((a, b) => (a.day < b.day ? -1 : 1)) };
}

/** What there is with further moulds in hand: where the kitchen lists moulds of a kind there are more of them, else the piece says so. */
export function withMoulds<Piece extends BookData['pieces'][number]>(
  pieces: readonly Piece[],
  kitchen: KitchenDraft,
  { moulds }: Pick<WhatIf, 'moulds'>,
): { readonly pieces: Piece[]; readonly kitchen: KitchenDraft } {
  let listed = kitchen.moulds;
  const more = pieces.map((piece) => {
    const count = moulds.find(({ pieceId }) => pieceId === piece.id)?.count ?? 0;
    const { form } = piece;
    if (count === 0 || form.kind !== 'moulded') return piece;
    const at = listed.findIndex(isSameMould(form));
    if (at < 0) return { ...piece, form: { ...form, moulds: form.moulds + count } };
    listed = listed.map((mould, place) => (place === at ? { ...mould, count: mould.count + count } : mould));
    return piece;
  });
  return { pieces: more, kitchen: { ...kitchen, moulds: listed } };
}

/** The boxes that are added, as orders. */
export const ordersIf = ({ boxes }: WhatIf): OrderFiled[] =>
  boxes.map(({ on, ...each }, index) => moreBoxes({ boxes: [each], on }, `what-if-${String(index)}`));

/** Gives the records of the book and the orders as they would be. */
export const seasonIf = (
  data: BookData,
  orders: readonly OrderFiled[],
  change: WhatIf,
): { data: BookData; orders: readonly OrderFiled[] } => ({
  data: { ...data, ...withMoulds(data.pieces, kitchenIf(data.kitchen, change), change) },
  orders: [...orders, ...ordersIf(change)],
});

/** What a plan comes to, to be compared with another. */
export interface PlanSum {
  readonly batches: number;
  readonly handsMinutes: number;
  /** Minutes beyond the hours of their days. */
  readonly overMinutes: number;
  readonly shoppingMinor: number;
  readonly leftOverGrams: number;
  /** Customers whose order cannot be kept. */
  readonly broken: readonly string[];
  readonly runs: readonly { readonly recipeName: string; readonly day: Day }[];
}

export const sumOfPlan = (plan: Plan): PlanSum => ({
  batches: plan.batches,
  handsMinutes: plan.days.reduce((sum, day) => sum + day.bookedMinutes, 0),
  overMinutes: plan.days.reduce((sum, day) => sum + Math.max(0, day.bookedMinutes - day.benchMinutes), 0),
  shoppingMinor: plan.shoppingCostMinor,
  leftOverGrams: plan.leftOverGrams,
  broken: plan.findings.filter((each) => blocks(each, 'hand-over')).map(({ about }) => about.name),
  runs: plan.runs.map(({ recipeName, day }) => ({ recipeName, day })),
});

/** How far a long solve is, or what came of the last one. */
export interface PlanJob {
  readonly state: 'idle' | 'running' | 'done' | 'stopped' | 'failed';
  readonly kind: 'plan' | 'what-if';
  readonly startedAt: string | null;
  readonly objective: number | null;
  readonly bound: number | null;
  readonly message: string;
  readonly clash: readonly string[];
  readonly waysOut: readonly WayOut[];
}

/** What a change would do to the season. */
export interface WhatIfAnswer {
  readonly before: PlanSum;
  readonly after: PlanSum | null;
  readonly clash: readonly string[];
  readonly waysOut: readonly WayOut[];
}
