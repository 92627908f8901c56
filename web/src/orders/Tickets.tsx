import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { packedKey } from '@usual-pantry/core/order';
import type { HandOverDays } from '@usual-pantry/core/api';
import { sayCount, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { memo } from 'react';
import { Link } from 'react-router';
import { FIGURES } from '../parts/theme';
import { useListKeys } from '../parts/useListKeys';
import { useNames } from '../data/useSeason';
import { useBookQuery } from '../data/book';
import { useHandOversQuery } from '../data/plan';
import { Waiting } from '../parts/Waiting';
import { sayPacked } from '../parts/packedWords';

/** So many tickets hang under one day; the others are in the table. */
const MOST_A_DAY = 24;

/** One order on a slip of paper under its day. */
function Ticket({ order, currency }: { order: DayProps['day']['orders'][number]; currency: string }) {
  const names = useNames();
  return (
    <Paper
      component={Link}
      to={`/orders/${order.orderId}`}
      variant="outlined"
      sx={{
        display: 'block',
        p: 1.25,
        textDecoration: 'none',
        color: 'text.primary',
        borderTop: 5,
        borderTopColor: order.toDecide ? 'warning.light' : 'rim',
        '&:hover': { bgcolor: 'action.hover' },
      }}
    >
      <Box sx={{ fontWeight: 650 }}>{order.customer}</Box>
      {order.contents.map((each) => (
        <Box key={packedKey(each.boxName, each)} sx={{ typography: 'note' }}>
          {sayPacked(`${String(each.count)} × ${each.boxName}`, each, names)}
        </Box>
      ))}
      <Box sx={{ typography: 'note', color: 'text.secondary', mt: 0.5 }}>
        {[order.way, order.place, order.state].filter(Boolean).join(' · ')}
      </Box>
      <Box sx={{ typography: 'figures' }}>
        {order.dueMinor > 0 ? `${sayMoney(order.dueMinor, currency)} due` : 'paid'}
        {order.toDecide && ' · to decide'}
      </Box>
    </Paper>
  );
}

interface DayProps {
  readonly day: HandOverDays[number];
  readonly currency: string;
}

function DayOfTickets({ day, currency }: DayProps) {
  const boxes = day.orders.reduce((sum, order) => sum + order.boxes, 0);
  const hidden = day.orders.length - MOST_A_DAY;
  return (
    <Box component="section" aria-label={sayShortDay(day.day)} sx={{ width: 236, flexShrink: 0 }}>
      <Typography variant="h3" sx={{ fontFamily: FIGURES }}>
        {sayShortDay(day.day)}
      </Typography>
      <Box sx={{ color: 'text.secondary', typography: 'note', mb: 0.75 }}>
        {sayCount(day.orders.length, 'order')}, {sayCount(boxes, 'box', 'boxes')}
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75 }}>
        {day.orders.slice(0, MOST_A_DAY).map((order) => (
          <li key={order.orderId}>
            <Ticket order={order} currency={currency} />
          </li>
        ))}
      </Box>
      {hidden > 0 && (
        <Box sx={{ mt: 0.75, color: 'text.secondary', typography: 'note' }}>
          {sayCount(hidden, 'more')} in the table
        </Box>
      )}
    </Box>
  );
}

/** The rail: a day beside the other, its orders hanging under it. j and k walk along, Enter opens. */
export const Tickets = memo(function Tickets() {
  const { data: days, error, refetch } = useHandOversQuery(null);
  const currency = useBookQuery().data?.kitchen.currency;
  useListKeys(
    '/orders',
    days?.flatMap(({ orders }) => orders.slice(0, MOST_A_DAY).map(({ orderId }) => orderId)) ?? [],
    undefined,
  );
  if (!days || currency === undefined) return <Waiting error={error} again={refetch} />;
  return (
    <Box
      role="region"
      aria-label="Tickets"
      tabIndex={0}
      sx={{
        display: 'flex',
        gap: 2,
        overflowX: 'auto',
        pb: 1.5,
        alignItems: 'flex-start',
        borderTop: 4,
        borderColor: 'rim',
        pt: 1,
      }}
    >
      {days.map((day) => (
        <DayOfTickets key={day.day} day={day} currency={currency} />
      ))}
    </Box>
  );
});
