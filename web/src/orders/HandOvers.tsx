import { mdiPrinterOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { packedKey, sayBreach } from '@usual-pantry/core/order';
import type { HandOver } from '@usual-pantry/core/plan';
import { sayCount, sayDay, sayMoney, type Day } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Empty, Panel } from '../parts/Panel';
import { useNames } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { sayExclusion, sayPacked } from '../parts/packedWords';
import { useHandOversQuery } from '../data/plan';
import { HandOverButtons } from './HandOverButtons';
import { useBookQuery } from '../data/book';

const ways = ['stall', 'pick-up', 'courier'] as const;

/** One order on the list, with a box to tick on paper. */
function Line({ order, day, currency }: { order: HandOver; day: Day; currency: string }) {
  const names = useNames();
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        gap: 1.5,
        rowGap: 0.75,
        py: 0.75,
        borderBottom: 1,
        borderColor: 'divider',
        breakInside: 'avoid',
      }}
    >
      <Box aria-hidden sx={{ width: 18, height: 18, border: 2, borderRadius: 0.5, flexShrink: 0, mt: 0.25 }} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Link component={RouterLink} to={`/orders/${order.orderId}`} sx={{ fontWeight: 650 }}>
          {order.customer}
        </Link>
        {order.place && `, ${order.place}`}
        {order.contents.map((each) => (
          <div key={packedKey(each.boxName, each)}>
            {sayPacked(`${String(each.count)} × ${each.boxName}`, each, names)}
            {each.changes.length > 0 && <Box sx={{ pl: 2, typography: 'note' }}>{each.changes.join(', ')}</Box>}
            {each.breaches.map((breach) => (
              <Box
                key={`${breach.exclusion} ${String(breach.asMade)}`}
                sx={{ pl: 2, fontWeight: 650, color: 'error.main' }}
              >
                {sayExclusion(breach.exclusion, names)}. {sayBreach(breach)}
              </Box>
            ))}
          </div>
        ))}
      </Box>
      {/* On a phone the money stands beside the boxes, and the buttons have a row of their own. */}
      <Box sx={{ display: { xs: 'contents', sm: 'block' }, textAlign: 'right' }}>
        <Box sx={{ fontFamily: FIGURES, fontWeight: 650, whiteSpace: 'nowrap' }}>
          {order.dueMinor > 0 ? `${sayMoney(order.dueMinor, currency)} due` : 'paid'}
        </Box>
        <HandOverButtons day={day} orders={[order]} currency={currency} />
      </Box>
    </Box>
  );
}

/** What is handed over on which day and how, to be printed and ticked off. */
export function HandOvers() {
  const { data: days, error, refetch } = useHandOversQuery(null);
  const currency = useBookQuery().data?.kitchen.currency;
  if (!days || currency === undefined) return <Waiting error={error} again={refetch} />;
  const due = days.flatMap(({ orders }) => orders).reduce((sum, { dueMinor }) => sum + dueMinor, 0);
  const [next] = days;
  if (!next) return <Empty title="Nothing to hand over." />;
  return (
    <>
      <AnswerLine>
        {sayCount(days.length, 'hand-over day')}; next,{' '}
        <Mark tone="hot">
          {sayCount(next.orders.length, 'order')} on {sayDay(next.day)}
        </Mark>
        . {sayMoney(due, currency)} still to be paid.
      </AnswerLine>
      <Button
        startIcon={<Icon path={mdiPrinterOutline} />}
        component={RouterLink}
        to="/print/hand-overs"
        sx={{ mb: 1.5 }}
      >
        On paper
      </Button>
      <Box sx={{ display: 'grid', gap: 2 }}>
        {days.map(({ day, orders: all }) => (
          <Panel key={day} title={sayDay(day)}>
            {all.length > 1 && <HandOverButtons day={day} orders={all} currency={currency} />}
            {ways.map((way) => {
              const orders = all.filter((each) => each.way === way);
              if (orders.length === 0) return null;
              return (
                <Box key={way} component="section" aria-label={way} sx={{ mb: 1 }}>
                  <Typography variant="h3">{way}</Typography>
                  <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
                    {orders.map((order) => (
                      <Line key={order.orderId} order={order} day={day} currency={currency} />
                    ))}
                  </Box>
                </Box>
              );
            })}
          </Panel>
        ))}
      </Box>
    </>
  );
}
