import { A_YEAR_OF_WEEKS, addDays, type Day } from '../quantity/index.js';
import type { OrderFiled } from './schema.js';

/**
 * What was handed over in the last 52 weeks, as orders for the same weekdays of the next: a draft of a season, to be asked of each customer.
 * What a customer must not get stays; nothing of it is agreed, paid or packed, and boxes are as they are composed now.
 * @returns each under an id that it always has, so that taking them twice adds none
 */
export const ordersYearLater = (orders: readonly OrderFiled[], today: Day): OrderFiled[] =>
  orders
    .filter(
      ({ state, handOver: { on } }) => state === 'handed over' && on >= addDays(today, -A_YEAR_OF_WEEKS) && on < today,
    )
    .map((order) => {
      const on = addDays(order.handOver.on, A_YEAR_OF_WEEKS);
      return {
        ...order,
        id: `${order.id} again ${on}`,
        state: 'asked',
        depositMinor: 0,
        payments: [],
        history: [],
        agreed: [],
        leftOut: [],
        handOver: { ...order.handOver, on },
        lines: order.lines.map((line) => ({ ...line, edition: null })),
      };
    });
