import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import {
  afterWayOut,
  boxFor,
  changesOf,
  moneyOf,
  sayOwed,
  findingsOfOrder,
  isOpen,
  lineKey,
  orderDraftSchema,
  packedAs,
  packedKey,
  priceOfOrder,
  type Order,
  type OrderAction,
  type OrderDraft,
} from '@usual-pantry/core/order';
import { gravestFirst } from '@usual-pantry/core/finding';
import { sayGrams, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { pieceCosts } from '@usual-pantry/core/money';
import { useFormContext, useFormState, useWatch } from 'react-hook-form';
import { RecordFindings } from '../findings/Findings';
import { Figure, FigureList } from '../parts/Figures';
import type { SeasonBook } from '../data/useSeason';
import { PromiseLine } from './PromiseLine';
import { Timeline } from './Timeline';
import { useLabelRunsQuery } from '../data/plan';

/** What the order comes to while it is typed, and what it breaks. Label dates are those of the stored plan. */
export function OrderSummary({ season, order }: { season: SeasonBook; order: Order | null }) {
  const values = useWatch();
  const { isDirty } = useFormState();
  const { setValue } = useFormContext<OrderDraft>();
  const { data: labels } = useLabelRunsQuery();
  const parsed = orderDraftSchema.safeParse(values);
  const { book, data } = season;
  const lines = parsed.success ? parsed.data.lines : (order?.lines ?? []);
  const wishes = parsed.success ? parsed.data : { lines, exclusions: [], agreed: [], leftOut: [], standIns: [] };
  const boxes = lines.flatMap((line) => {
    const resolved = boxFor(wishes, line, book);
    return resolved ? [{ ...resolved, line }] : [];
  });
  const price = priceOfOrder(wishes, book);
  const grams = boxes.reduce((sum, { facts, line }) => sum + facts.weightGrams * line.count, 0);
  const pieces = boxes.reduce((sum, { facts, line }) => sum + facts.pieceCount * line.count, 0);
  const owed = parsed.success ? moneyOf(parsed.data, book) : { due: price, over: 0 };
  const runs = labels?.filter(
    (run) =>
      order !== null &&
      run.handOver === order.handOver.on &&
      order.lines.some(
        (line) =>
          line.boxId === run.boxId && packedKey(run.boxId, packedAs(order, line, book)) === packedKey(run.boxId, run),
      ),
  );
  const findings = parsed.success
    ? gravestFirst(findingsOfOrder({ ...parsed.data, id: order?.id ?? 'new' }, book, data.today, pieceCosts(book)))
    : [];
  const decided = findings.map((each) => ({
    ...each,
    waysOut: each.waysOut.filter((way) => way.action.kind !== 'open'),
  }));
  // With unsaved typing a way out changes what is typed, never the stored order underneath.
  const change = (action: OrderAction) => {
    if (!parsed.success) return;
    const { lines: changed, agreed, leftOut, standIns, handOver } = afterWayOut(parsed.data, action);
    for (const [name, value] of Object.entries({ lines: changed, agreed, leftOut, standIns, handOver }))
      setValue(name as keyof OrderDraft, value as never, { shouldDirty: true, shouldValidate: true });
  };
  const money = (minor: number) => sayMoney(minor, data.kitchen.currency);
  return (
    <Box>
      {parsed.success && isOpen(parsed.data) && (isDirty || !order) && (
        <PromiseLine
          draft={parsed.data}
          id={order?.id}
          onDay={(day) => {
            setValue('handOver.on', day, { shouldDirty: true, shouldValidate: true });
          }}
        />
      )}
      <RecordFindings findings={decided} onOrder={order && !isDirty ? undefined : change} />
      <Paper variant="outlined" sx={{ px: 2, py: 0.5 }}>
        <FigureList>
          <Figure name="Price">
            {money(price)}
            {(owed.due < price || owed.over > 0) &&
              `, ${sayOwed(owed, parsed.success && parsed.data.state === 'cancelled', data.kitchen.currency)}`}
          </Figure>
          <Figure name="Pieces, weight">
            {pieces} · {sayGrams(grams)}
          </Figure>
          {boxes.map((resolved) => {
            const changes = changesOf(resolved, book);
            return changes.length === 0 ? null : (
              <Figure key={lineKey(resolved.line)} name={`Changed in ${resolved.facts.box.name}`}>
                {changes.join(', ')}
              </Figure>
            );
          })}
          {runs?.map((run) => (
            <Figure key={packedKey(run.boxId, run)} name={`Label of ${run.boxName}`}>
              made {sayShortDay(run.madeOn)} · best before {sayShortDay(run.bestBefore)}
            </Figure>
          ))}
        </FigureList>
      </Paper>
      {order && isOpen(order) && <Timeline order={order} season={season} />}
    </Box>
  );
}
