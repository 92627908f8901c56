import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import {
  boxFor,
  dueOf,
  findingsOfOrder,
  isOpen,
  orderDraftSchema,
  packedAs,
  packedKey,
  priceOfOrder,
  type Order,
} from '@usual-pantry/core/order';
import { sayGrams, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { useFormState, useWatch } from 'react-hook-form';
import { usePlanQuery } from '../app/api';
import { Findings } from '../parts/Findings';
import { Figure, FigureList } from '../parts/Figures';
import type { SeasonBook } from '../parts/useSeason';
import { PromiseLine } from './PromiseLine';

/** What the order comes to while it is typed, and what it breaks. Label dates are those of the stored plan. */
export function OrderSummary({ season, order }: { season: SeasonBook; order: Order | null }) {
  const values = useWatch();
  const { isDirty } = useFormState();
  const { data: plan } = usePlanQuery();
  const parsed = orderDraftSchema.safeParse(values);
  const { book, data } = season;
  const lines = parsed.success ? parsed.data.lines : (order?.lines ?? []);
  const wishes = parsed.success ? parsed.data : { lines, exclusions: [], agreed: [], leftOut: [] };
  const boxes = lines.flatMap(({ boxId, count }) => {
    const resolved = boxFor(wishes, boxId, book);
    return resolved ? [{ ...resolved, count }] : [];
  });
  const price = priceOfOrder(wishes, book);
  const grams = boxes.reduce((sum, { facts, count }) => sum + facts.weightGrams * count, 0);
  const pieces = boxes.reduce((sum, { facts, count }) => sum + facts.pieceCount * count, 0);
  const due = parsed.success ? dueOf(parsed.data, book) : price;
  const runs = plan?.labels.filter(
    (run) =>
      run.handOver === order?.handOver.on &&
      order.lines.some(
        ({ boxId }) =>
          boxId === run.boxId && packedKey(boxId, packedAs(order, boxId, book)) === packedKey(run.boxId, run),
      ),
  );
  const findings = parsed.success ? findingsOfOrder({ ...parsed.data, id: order?.id ?? 'new' }, book, data.today) : [];
  const settled = findings.map((each) => ({
    ...each,
    // Ways out change the stored order: with unsaved typing they would change it underneath.
    waysOut: order && !isDirty ? each.waysOut.filter((way) => way.action.kind !== 'open') : [],
  }));
  const nameOf = (pieceId: string) => book.pieces.get(pieceId)?.piece.name ?? pieceId;
  const money = (minor: number) => sayMoney(minor, data.kitchen.currency);
  return (
    <Box>
      {parsed.success && isOpen(parsed.data) && (isDirty || !order) && (
        <PromiseLine draft={parsed.data} id={order?.id} />
      )}
      <Findings findings={settled} />
      <Paper variant="outlined" sx={{ px: 2, py: 0.5 }}>
        <FigureList>
          <Figure name="Price">
            {money(price)}
            {due < price && `, ${money(due)} still to pay`}
          </Figure>
          <Figure name="Pieces, weight">
            {pieces} · {sayGrams(grams)}
          </Figure>
          {boxes.flatMap(({ facts, standIns }) =>
            standIns.map(({ fromId, toId, cells }) => (
              <Figure key={`${facts.box.id} ${fromId} ${toId}`} name={`Stand-in in ${facts.box.name}`}>
                {cells} × {nameOf(toId)} for {nameOf(fromId)}
              </Figure>
            )),
          )}
          {runs?.map((run) => (
            <Figure key={packedKey(run.boxId, run)} name={`Label of ${run.boxName}`}>
              made {sayShortDay(run.madeOn)} · best before {sayShortDay(run.bestBefore)}
            </Figure>
          ))}
        </FigureList>
      </Paper>
    </Box>
  );
}
