import { mdiPrinterOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { exclusionMeans, exclusionName } from '@usual-pantry/core/ingredient';
import {
  boxFor,
  breachesOf,
  changesOf,
  moneyOf,
  lineKey,
  packedAs,
  ruledOutOf,
  unitPrice,
  type Order,
  type OrderLine,
} from '@usual-pantry/core/order';
import { sayDay, sayList, sayMoney } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { sayExclusion, sayPacked } from '../parts/packedWords';
import { useOrderQuery } from '../data/orders';

/** One box of the order: what it is, what lies in it as it is packed, and its price. */
function SlipLine({ order, line, season }: { order: Order; line: OrderLine; season: SeasonBook }) {
  const { book, data } = season;
  const { count } = line;
  const resolved = boxFor(order, line, book);
  if (!resolved) return null;
  const changes = changesOf(resolved, book);
  const inside = resolved.facts.pieces.map(
    (each) => `${String(each.count)} × ${book.pieces.get(each.pieceId)?.piece.name ?? each.pieceId}`,
  );
  return (
    <Box component="li" sx={{ py: 1, borderBottom: 1, borderColor: 'divider', breakInside: 'avoid' }}>
      <Box sx={{ display: 'flex', gap: 2, justifyContent: 'space-between', fontWeight: 650 }}>
        <span>{sayPacked(`${String(count)} × ${resolved.facts.box.name}`, packedAs(order, line, book), book)}</span>
        <Box component="span" sx={{ fontFamily: FIGURES }}>
          {sayMoney(unitPrice(order, line, book) * count, data.kitchen.currency)}
        </Box>
      </Box>
      <Box sx={{ typography: 'note' }}>{inside.join(', ')}</Box>
      {changes.length > 0 && (
        <Box sx={{ typography: 'note', fontWeight: 650 }}>Changed for you: {changes.join(', ')}.</Box>
      )}
    </Box>
  );
}

/** What was ruled out, and what of it is in the boxes all the same. It promises nothing that a home kitchen cannot keep. */
function Wishes({ order, season }: { order: Order; season: SeasonBook }) {
  const breaches = breachesOf(order, season.book);
  const wished = [...new Set(order.lines.flatMap((line) => ruledOutOf(order, line)))];
  const kept = order.exclusions.filter((code) => breaches.every(({ exclusion }) => exclusion !== code));
  const nameOf = (boxId: string) => season.book.boxes.get(boxId)?.box.name ?? boxId;
  const means = wished.map((code) => [exclusionName(code, season.book), exclusionMeans(code)] as const);
  return (
    <Box sx={{ mt: 2 }}>
      You asked for {sayList(wished.map((code) => sayExclusion(code, season.book)))}.{' '}
      {means.map(([name, meaning]) => meaning && `Without ${name} means: ${meaning}. `)}
      {kept.length > 0 &&
        `No ingredient of these boxes has ${sayList(kept.map((code) => exclusionName(code, season.book)))} in it. `}
      {breaches.map(({ line, exclusion, what, pieceNames, agreed, asMade }) => (
        <Box key={`${lineKey(line)} ${exclusion} ${String(asMade)}`} sx={{ fontWeight: 650 }}>
          {nameOf(line.boxId)} does contain {sayList(what)} ({sayList(pieceNames)}),{' '}
          {agreed ? 'as you know and agree.' : 'which is still to be agreed with you.'}
        </Box>
      ))}
      All of it is made in one home kitchen that handles common allergens: it cannot be free of traces.
    </Box>
  );
}

/** What goes along with an order: the boxes, what is in them, what is paid and what is due. */
export function OrderSlip({ id }: { id: string }) {
  const { data: order, error, refetch } = useOrderQuery(id);
  const { season, error: bookError, again } = useSeasonBook();
  if (!season) return <Waiting error={bookError} again={again} />;
  if (!order) return <Waiting error={error} again={refetch} />;
  const { kitchen } = season.data;
  const money = (minor: number) => sayMoney(minor, kitchen.currency);
  const { price, paid, due, over } = moneyOf(order, season.book);
  const sums: [string, number][] = [
    ['Together', price],
    ['Paid', paid],
    over > 0 ? ['To be given back', over] : ['Still to pay', due],
  ];
  return (
    <Box sx={{ maxWidth: 640 }}>
      <Box sx={{ display: 'flex', gap: 1, mb: 1.5, displayPrint: 'none' }}>
        <Button
          variant="contained"
          startIcon={<Icon path={mdiPrinterOutline} />}
          onClick={() => {
            window.print();
          }}
        >
          Print the slip
        </Button>
        <Button component={RouterLink} to={`/orders/${id}`}>
          Back to the order
        </Button>
      </Box>
      <Paper component="article" variant="outlined" sx={{ p: 3 }}>
        <Typography variant="h2" component="h1">
          {kitchen.makerName}
        </Typography>
        {kitchen.address && <Box sx={{ color: 'text.secondary' }}>{kitchen.address}</Box>}
        <Typography variant="h3" component="p" sx={{ mt: 2, typography: 'large' }}>
          {order.customer.name}
        </Typography>
        <Box>
          {sayDay(order.handOver.on)}, {[order.handOver.way, order.handOver.place].filter(Boolean).join(', ')}
        </Box>
        {order.customer.contact && <Link href={`mailto:${order.customer.contact}`}>{order.customer.contact}</Link>}
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1.5, borderTop: 2, borderColor: 'rim' }}>
          {order.lines.map((line) => (
            <SlipLine key={lineKey(line)} order={order} line={line} season={season} />
          ))}
        </Box>
        <Box component="dl" sx={{ m: 0, mt: 1, display: 'grid', gridTemplateColumns: '1fr auto', fontFamily: FIGURES }}>
          {sums.map(([name, minor]) => (
            <Box key={name} sx={{ display: 'contents', fontWeight: name === 'Still to pay' ? 650 : 400 }}>
              <dt>{name}</dt>
              <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
                {money(minor)}
              </Box>
            </Box>
          ))}
        </Box>
        {order.lines.some((line) => ruledOutOf(order, line).length > 0) && <Wishes order={order} season={season} />}
        {order.notes && <Box sx={{ mt: 1.5, whiteSpace: 'pre-line' }}>{order.notes}</Box>}
      </Paper>
    </Box>
  );
}
