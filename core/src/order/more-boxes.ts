import type { Day } from '../quantity/index.js';
import { orderFiledSchema, type OrderFiled } from './schema.js';

/** Boxes for a day that nobody has ordered. */
export interface MoreBoxes {
  readonly boxes: readonly { readonly boxId: string; readonly count: number }[];
  readonly on: Day;
}

/** Boxes that nobody has ordered, as an order: to be tried in a plan, or to be taken into it. */
export const moreBoxes = ({ boxes, on }: MoreBoxes, id: string): OrderFiled =>
  orderFiledSchema.parse({
    id,
    customer: { name: 'More boxes' },
    lines: boxes.map(({ boxId, count }) => ({ boxId, count })),
    handOver: { on, way: 'pick-up' },
  });
