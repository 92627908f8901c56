import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { BoxCost } from '@usual-pantry/core/money';
import { sayMinutes, sayMoney } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { costWorking } from '../boxes/costWorking';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Empty } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { Worked } from '../parts/Worked';
import { sayPercent } from '../parts/words';
import { useBookQuery } from '../data/book';
import { useMoneyQuery } from '../data/boxes';

const parts = [
  { name: 'ingredients', of: (cost: BoxCost) => cost.ingredientsMinor, colour: 'hot.main' },
  { name: 'packaging', of: (cost: BoxCost) => cost.packagingMinor, colour: 'warning.light' },
  { name: 'hands', of: (cost: BoxCost) => cost.handsMinor, colour: 'primary.main' },
  { name: 'left', of: (cost: BoxCost) => Math.max(0, cost.profitMinor), colour: 'success.main' },
] as const;

/** The price as a bar of its parts; the table beside it has the figures. */
const PriceBar = ({ cost }: { cost: BoxCost }) => {
  const whole = Math.max(cost.priceMinor, cost.costMinor, 1);
  return (
    <Box
      aria-hidden
      sx={{
        display: 'flex',
        height: 16,
        width: '100%',
        minWidth: 120,
        border: 1,
        borderColor: 'divider',
        borderRadius: 0.5,
        overflow: 'hidden',
      }}
    >
      {parts.map(({ name, of, colour }) => (
        <Box key={name} title={name} sx={{ width: `${(of(cost) / whole) * 100}%`, bgcolor: colour }} />
      ))}
    </Box>
  );
};

const Key = () => (
  <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 1 }}>
    {parts.map(({ name, colour }) => (
      <Box key={name} component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75 }}>
        <Box component="span" sx={{ width: 12, height: 12, bgcolor: colour, borderRadius: 0.5 }} />
        {name}
      </Box>
    ))}
  </Box>
);

/** What each box costs and brings, the best for an hour at the bench first. */
export function Money() {
  const { data: costs, error, refetch } = useMoneyQuery();
  const { data: book } = useBookQuery();
  if (!costs || !book) return <Waiting error={error} again={refetch} />;
  const { currency, handsRateMinorPerHour: rate } = book.kitchen;
  const money = (minor: number) => sayMoney(minor, currency);
  const ranked = [...costs].sort((a, b) => (b.perBenchHourMinor ?? 0) - (a.perBenchHourMinor ?? 0));
  const [best] = ranked;
  const worst = ranked.at(-1);
  if (!best || !worst) return <Empty title="No boxes, so no costs.">Fill a box, and what it costs stands here.</Empty>;
  const losing = costs.filter((cost) => cost.profitMinor < 0);
  return (
    <>
      <AnswerLine>
        {best.name} brings <Mark tone="done">{money(best.perBenchHourMinor ?? 0)} a bench hour</Mark>
        {worst !== best && `, ${worst.name} ${money(worst.perBenchHourMinor ?? 0)}`}.
        {losing.length > 0 && (
          <>
            {' '}
            <Mark tone="stop">{losing.map((cost) => cost.name).join(', ')} costs more than it brings.</Mark>
          </>
        )}
      </AnswerLine>
      <Key />
      <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Cost of each box">
        <Table size="small" sx={{ '& td:not(:first-of-type)': { typography: 'figures' } }}>
          <TableHead>
            <TableRow>
              <TableCell>Box</TableCell>
              <TableCell sx={{ width: '24%' }}>Where the price goes</TableCell>
              {['Ingredients', 'Packaging', 'Hands', 'Cost', 'Price', 'Margin', 'Per bench hour'].map((head) => (
                <TableCell key={head} align="right">
                  {head}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {ranked.map((cost) => (
              <TableRow key={cost.boxId} hover>
                <TableCell>
                  <Link component={RouterLink} to={`/boxes/${cost.boxId}`} sx={{ fontWeight: 650 }}>
                    {cost.name}
                  </Link>
                  {cost.unpriced.length > 0 && (
                    <Box sx={{ color: 'error.main', typography: 'note' }}>
                      without a price: {cost.unpriced.join(', ')}
                    </Box>
                  )}
                </TableCell>
                <TableCell>
                  <PriceBar cost={cost} />
                </TableCell>
                <TableCell align="right">
                  <Worked working={costWorking(cost, 'ingredients', rate, currency)}>
                    {money(cost.ingredientsMinor)}
                  </Worked>
                </TableCell>
                <TableCell align="right">{money(cost.packagingMinor)}</TableCell>
                <TableCell align="right">
                  <Worked working={costWorking(cost, 'hands', rate, currency)}>{money(cost.handsMinor)}</Worked>
                  <br />
                  {sayMinutes(cost.handsMinutes)}
                </TableCell>
                <TableCell align="right">{money(cost.costMinor)}</TableCell>
                <TableCell align="right">{money(cost.priceMinor)}</TableCell>
                <TableCell align="right">
                  <Worked working={costWorking(cost, 'margin', rate, currency)}>
                    {sayPercent(cost.marginPercent)}
                  </Worked>
                </TableCell>
                <TableCell align="right">
                  {cost.perBenchHourMinor === null ? '–' : money(cost.perBenchHourMinor)}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </>
  );
}
