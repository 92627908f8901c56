import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Order } from '@usual-pantry/core/order';
import type { HandOver } from '@usual-pantry/core/plan';
import { sayMoney, type Day } from '@usual-pantry/core/quantity';
import { said } from '../data/notices';
import { useHandOverMutation, useLazyOrdersQuery } from '../data/orders';
import { useAppDispatch } from '../data/store';
import { useAttempt } from '../parts/useAttempt';

/** So many orders come at a time. */
const MOST = 200;

interface Props {
  readonly day: Day;
  /** Orders of that day: one, or all of them. */
  readonly orders: readonly HandOver[];
  readonly currency: string;
}

/** Notes in one press that orders were handed over, and that what was due was paid. */
export function HandOverButtons({ day, orders, currency }: Props) {
  const dispatch = useAppDispatch();
  const [find] = useLazyOrdersQuery();
  const [handOver, { isLoading }] = useHandOverMutation();
  const { attempt, trouble } = useAttempt();
  const due = orders.reduce((sum, { dueMinor }) => sum + dueMinor, 0);
  const [only] = orders;
  const who = orders.length === 1 ? `${only?.customer ?? ''}’s order` : `All ${String(orders.length)} orders`;
  /** Every order of the day that is still open, however many pages they fill. */
  const openOrders = async (): Promise<Order[]> => {
    const found: Order[] = [];
    for (let page = 1; ; page++) {
      const { items, total } = await find({ page, size: MOST, sort: 'handOverOn', direction: 'asc', search: '', show: 'open', on: day }).unwrap(); // prettier-ignore
      found.push(...items);
      if (items.length === 0 || found.length >= total) return found;
    }
  };
  const press = (paid: boolean) =>
    attempt(async () => {
      const wanted = new Set(orders.map(({ orderId }) => orderId));
      const found = (await openOrders()).flatMap(({ id, version }) => (wanted.has(id) ? [{ id, version }] : []));
      if (found.length < wanted.size) {
        dispatch(said({ text: 'Somebody handed these over already. Look at the list again.', tone: 'trouble' }));
        return;
      }
      const label = `${who} handed over${paid && due > 0 ? `, ${sayMoney(due, currency)} paid` : ''}.`;
      await handOver({ orders: found, paid, dueMinor: due, way: 'cash', label }).unwrap();
    });
  const all = orders.length > 1 ? `All ${String(orders.length)} h` : 'H';
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 0.5,
        flexWrap: 'wrap',
        justifyContent: 'flex-end',
        width: { xs: '100%', sm: 'auto' },
        displayPrint: 'none',
      }}
    >
      {trouble && <Alert severity="error">{trouble}</Alert>}
      <Button size="small" variant="outlined" disabled={isLoading} onClick={() => void press(true)}>
        {due > 0 ? `${all}anded over, paid ${sayMoney(due, currency)}` : `${all}anded over`}
      </Button>
      {due > 0 && (
        <Button size="small" disabled={isLoading} onClick={() => void press(false)}>
          {orders.length > 1 ? 'Handed over, not paid' : 'Not paid yet'}
        </Button>
      )}
    </Box>
  );
}
