import type { OrderDraft } from '@usual-pantry/core/order';
import { addDays } from '@usual-pantry/core/quantity';
import type { SeasonBook } from '../parts/useSeason';

/** An order as it starts: one of the first box, in two weeks. */
export const freshOrder = (season: SeasonBook): OrderDraft => ({
  customer: { name: '', contact: '' },
  lines: [{ boxId: season.data.boxes[0]?.id ?? '', count: 1, edition: null }],
  handOver: { on: addDays(season.data.today, 14), way: 'pick-up', place: '' },
  exclusions: [],
  agreed: [],
  leftOut: [],
  history: [],
  state: 'asked',
  depositMinor: 0,
  notes: '',
});
