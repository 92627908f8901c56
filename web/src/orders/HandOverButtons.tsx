import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { HandOver } from '@usual-pantry/core/plan';
import { sayMoney, type Day } from '@usual-pantry/core/quantity';
import { said } from '../data/notices';
import { useHandOverMutation, useLazyOrdersQuery } from '../data/orders';
import { useAppDispatch } from '../data/store';
import { useAttempt } from '../parts/useAttempt';

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
  const press = (paid: boolean) =>
    attempt(async () => {
      const { items } = await find({ page: 1, size: 200, sort: 'handOverOn', direction: 'asc', search: '', show: 'open', on: day }).unwrap(); // prettier-ignore
      const wanted = new Set(orders.map(({ orderId }) => orderId));
      const found = items.flatMap(({ id, version }) => (wanted.has(id) ? [{ id, version }] : []));
      const label = `${who} handed over${paid && due > 0 ? `, ${sayMoney(due, currency)} paid` : ''}.`;
      if (found.length === 0) {
        dispatch(said({ text: 'These are handed over already.' }));
        return;
      }
      await handOver({ orders: found, paid, way: 'cash', label }).unwrap();
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
