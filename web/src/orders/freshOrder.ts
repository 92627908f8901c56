import { orderDraftSchema, type OrderDraft } from '@usual-pantry/core/order';
import { addDays } from '@usual-pantry/core/quantity';
import type { SeasonBook } from '../data/useSeason';

/** An order as it starts: one of the first box, in two weeks. */
export const freshOrder = (season: SeasonBook): OrderDraft => ({
  ...orderDraftSchema.parse({
    customer: { name: 'new' },
    lines: [{ boxId: season.data.boxes[0]?.id ?? 'none', count: 1 }],
    handOver: { on: addDays(season.data.today, 14), way: 'pick-up' },
  }),
  customer: { name: '', contact: '' },
});
