import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { packedKey } from '@usual-pantry/core/order';
import type { HandOverDays } from '@usual-pantry/core/api';
import { sayCount, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { arrowKeys } from '../parts/arrowKeys';
import { FIGURES } from '../parts/theme';
import { useNames } from '../data/useSeason';
import { useBookQuery } from '../data/book';
import { useHandOversQuery } from '../data/plan';
import { Waiting } from '../parts/Waiting';
import { sayPacked } from '../parts/packedWords';

/** So many tickets of a day hang under each other, and so many are shown before one asks for the others. */
const DEEP = 2;
const AT_FIRST = 3 * DEEP;

/** A lower edge as torn off a roll. */
const TORN = 'conic-gradient(from -45deg at bottom, #0000, #000 1deg 89deg, #0000 90deg) 50% / 14px 100%';

/** One order on a slip of paper, pinned to the rail. */
function Ticket({ order, currency }: { order: DayProps['day']['orders'][number]; currency: string }) {
  const names = useNames();
  return (
    <Box
      component={Link}
      to={`/orders/${order.orderId}`}
      sx={{
        display: 'block',
        width: 178,
        p: 1.25,
        pt: 0.75,
        pb: 2.25,
        bgcolor: 'slip',
        mask: TORN,
        textDecoration: 'none',
        color: 'text.primary',
        '&:hover': { textDecoration: 'underline' },
        // An outline would be torn off with the edge.
        '&:focus-visible': { outline: 'none', boxShadow: 'inset 0 0 0 3px var(--mui-palette-warning-light)' },
      }}
    >
      <Box aria-hidden sx={{ width: 9, height: 9, borderRadius: '50%', bgcolor: 'rim', mx: 'auto', mb: 0.5 }} />
      <Typography variant="h3" component="div">
        {order.customer}
      </Typography>
      {order.contents.map((each) => (
        <Box key={packedKey(each.boxName, each)} sx={{ typography: 'figures' }}>
          {sayPacked(`${String(each.count)} ${each.boxName}`, each, names)}
        </Box>
      ))}
      <Box sx={{ typography: 'note', color: 'text.secondary', mt: 0.5 }}>
        {[
          order.way,
          order.place,
          `${order.state}, ${order.dueMinor > 0 ? `${sayMoney(order.dueMinor, currency)} due` : 'paid'}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Box>
      {order.toDecide && (
        <Box sx={{ typography: 'note', fontWeight: 650, color: 'error.main', mt: 0.25 }}>to decide</Box>
      )}
    </Box>
  );
}

interface DayProps {
  readonly day: HandOverDays[number];
  readonly currency: string;
}

/** The tickets of a day side by side; many wait folded until they are asked for. */
function DayOfTickets({ day, currency }: DayProps) {
  const [isWhole, setWhole] = useState(false);
  const boxes = day.orders.reduce((sum, order) => sum + order.boxes, 0);
  const shown = isWhole ? day.orders : day.orders.slice(0, AT_FIRST);
  const folded = day.orders.length - AT_FIRST;
  return (
    <Box component="section" aria-label={sayShortDay(day.day)} sx={{ flexShrink: 0 }}>
      <Typography variant="h3" sx={{ fontFamily: FIGURES, whiteSpace: 'nowrap', mb: 0.75 }}>
        {sayShortDay(day.day)} · {sayCount(boxes, 'box', 'boxes')}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <Box
          component="ul"
          sx={{
            listStyle: 'none',
            m: 0,
            p: 0,
            display: 'grid',
            gap: 1,
            alignItems: 'start',
            gridAutoFlow: 'column',
            gridTemplateRows: `repeat(${String(Math.min(DEEP, shown.length))}, auto)`,
          }}
        >
          {shown.map((order) => (
            <li key={order.orderId}>
              <Ticket order={order} currency={currency} />
            </li>
          ))}
        </Box>
        {folded > 0 && (
          <ButtonBase
            aria-expanded={isWhole}
            onClick={() => {
              setWhole(!isWhole);
            }}
            sx={{
              writingMode: 'vertical-rl',
              minWidth: 34,
              minHeight: 88,
              py: 1,
              borderRadius: 1,
              typography: 'note',
              fontWeight: 650,
              color: 'primary.main',
              '&:hover': { bgcolor: 'action.hover' },
            }}
          >
            {isWhole ? 'fewer' : `${String(folded)} more`}
          </ButtonBase>
        )}
      </Box>
    </Box>
  );
}

/** The rail: a day beside the other, its orders hanging under it. Arrows walk along, Enter opens. */
export const Tickets = memo(function Tickets() {
  const { data: days, error, refetch } = useHandOversQuery(null);
  const currency = useBookQuery().data?.kitchen.currency;
  if (!days || currency === undefined) return <Waiting error={error} again={refetch} />;
  return (
    <>
      <Box
        aria-hidden
        sx={{
          height: 10,
          borderRadius: 5,
          mb: 1.25,
          background: 'linear-gradient(var(--mui-palette-divider), var(--mui-palette-text-secondary))',
          opacity: 0.55,
        }}
      />
      <Box
        role="region"
        aria-label="Tickets"
        tabIndex={0}
        onKeyDown={arrowKeys}
        sx={{ display: 'flex', gap: 2.5, overflowX: 'auto', pb: 1.5, alignItems: 'flex-start' }}
      >
        {days.map((day) => (
          <DayOfTickets key={day.day} day={day} currency={currency} />
        ))}
      </Box>
    </>
  );
});
