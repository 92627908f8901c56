import { memo } from 'react';
import { useSeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { OrderForm } from './OrderForm';
import { useOrderQuery } from '../data/orders';

/** One stored order, or a new one. Drawn again only when the order or the book changes. */
export const OrderPage = memo(function OrderPage({ id }: { id: string }) {
  const isNew = id === 'new';
  const { data, error, refetch } = useOrderQuery(id, { skip: isNew });
  const { season, error: bookError, again } = useSeasonBook();
  if (!season) return <Waiting error={bookError} again={again} />;
  if (!isNew && !data) return <Waiting error={error} again={refetch} />;
  return <OrderForm season={season} order={isNew ? null : (data ?? null)} />;
});
