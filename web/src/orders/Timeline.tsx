import { timelineOf } from '@usual-pantry/core/bench-day';
import type { Order } from '@usual-pantry/core/order';
import { usePlanRunsQuery } from '../data/plan';
import type { SeasonBook } from '../data/useSeason';
import { Backwards } from '../parts/Backwards';
import { OpensLater } from '../parts/OpensLater';
import { Waiting } from '../parts/Waiting';

function Planned({ order, season }: { order: Order; season: SeasonBook }) {
  const { data: plan, error, refetch } = usePlanRunsQuery();
  return plan ? <Backwards steps={timelineOf(order, plan, season.book)} /> : <Waiting error={error} again={refetch} />;
}

/** Everything that leads to the hand-over of an order, backwards from it; worked out when it is asked for. */
export const Timeline = ({ order, season }: { order: Order; season: SeasonBook }) => (
  <OpensLater title="When everything for it is done">
    <Planned order={order} season={season} />
  </OpensLater>
);
