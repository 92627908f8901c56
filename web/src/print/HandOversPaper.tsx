import Box from '@mui/material/Box';
import { packedKey, sayBreach } from '@usual-pantry/core/order';
import type { HandOver } from '@usual-pantry/core/plan';
import { sayCount, sayDay, sayList, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { useSearchParams } from 'react-router';
import { useBookQuery } from '../data/book';
import { useHandOversQuery, useLabelRunsQuery } from '../data/plan';
import { useNames } from '../data/useSeason';
import { sayExclusion, sayPacked } from '../parts/packedWords';
import { Waiting } from '../parts/Waiting';
import { PaperLine, PaperList, PaperPart, PaperWarning, sayContains, Sheet } from './Sheet';

interface OrderProps {
  readonly order: HandOver;
  readonly currency: string;
  /** When a box of this day, packed in some way, is best before; null where that is not known. */
  readonly bestBefore: (content: HandOver['contents'][number]) => string | null;
}

/** One order: boxes, what they contain, until when they are good, what is to be paid. */
function Order({ order, currency, bestBefore }: OrderProps) {
  const names = useNames();
  return (
    <PaperLine aside={order.dueMinor > 0 ? `${sayMoney(order.dueMinor, currency)} due` : 'paid'}>
      <strong>{order.customer}</strong> · {[order.way, order.place].filter(Boolean).join(', ')}
      {order.contents.map((each) => {
        const until = bestBefore(each);
        return (
          <Box key={packedKey(each.boxName, each)} sx={{ pl: 1 }}>
            {sayPacked(`${String(each.count)} × ${each.boxName}`, { ...each, without: [], ruledOut: [] }, names)}
            {each.changes.length > 0 && `: ${each.changes.join(', ')}`}
            {each.ruledOut.length > 0 && (
              <strong> · {sayList(each.ruledOut.map((code) => sayExclusion(code, names)))}</strong>
            )}
            {each.breaches.map((breach) => (
              <PaperWarning key={`${breach.exclusion} ${String(breach.asMade)}`}>{sayBreach(breach)}</PaperWarning>
            ))}
            <Box sx={{ color: '#333', pl: 1 }}>
              {sayContains(each.contains)}
              {until && `Best before ${sayShortDay(until)}. `}
              {each.travel !== 'travels' && (
                <strong>{each.travel === 'keep cool' ? 'Keep cool.' : 'Not for the post.'}</strong>
              )}
            </Box>
          </Box>
        );
      })}
    </PaperLine>
  );
}

/** What is handed over when, on paper: with money, dates, allergens, and what must be kept cool. */
export function HandOversPaper() {
  const [search] = useSearchParams();
  const only = search.get('day');
  const { data: days, error, refetch } = useHandOversQuery(only);
  const { data: labels } = useLabelRunsQuery();
  const kitchen = useBookQuery().data?.kitchen;
  if (!days || !labels || !kitchen) return <Waiting error={error} again={refetch} />;
  const due = days.flatMap(({ orders }) => orders).reduce((sum, { dueMinor }) => sum + dueMinor, 0);
  const untilOn = (day: string) => {
    const known = new Map(
      labels.filter(({ handOver }) => handOver === day).map((run) => [packedKey(run.boxName, run), run.bestBefore]),
    );
    return (content: HandOver['contents'][number]) => known.get(packedKey(content.boxName, content)) ?? null;
  };
  return (
    <Sheet
      title={`Hand-overs, ${kitchen.makerName}`}
      lead={`${sayCount(days.length, 'day')}, ${sayMoney(due, kitchen.currency)} still to be paid. Dates are planned until the batches are made.`}
      back="/orders/hand-overs"
    >
      {days.map(({ day, orders }) => (
        <PaperPart key={day} title={sayDay(day)} aside={sayCount(orders.length, 'order')}>
          <PaperList>
            {orders.map((order) => (
              <Order key={order.orderId} order={order} currency={kitchen.currency} bestBefore={untilOn(day)} />
            ))}
          </PaperList>
        </PaperPart>
      ))}
    </Sheet>
  );
}
