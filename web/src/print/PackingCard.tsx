import Box from '@mui/material/Box';
import type { BoxFiled } from '@usual-pantry/core/box';
import {
  boxFor,
  breachesOf,
  changesOf,
  contentsFor,
  lineKey,
  packedAs,
  ruledOutOf,
  sayBreach,
} from '@usual-pantry/core/order';
import { sayDay, sayGrams, sayList } from '@usual-pantry/core/quantity';
import { useParams } from 'react-router';
import { useOrderQuery } from '../data/orders';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { sayExclusion, sayPacked } from '../parts/packedWords';
import { Waiting } from '../parts/Waiting';
import { PaperPart, PaperTick, PaperWarning, sayContains, Sheet } from './Sheet';

/** The tray from above, a layer below the other: what lies in which cell. */
function TrayMap({ box, season }: { box: BoxFiled; season: SeasonBook }) {
  const perLayer = box.rows * box.columns;
  return Array.from({ length: box.layers }, (_, layer) => (
    <Box key={layer} sx={{ breakInside: 'avoid', my: 1 }}>
      {box.layers > 1 && <strong>{layer === 0 ? 'Upper layer' : `Layer ${String(layer + 1)}`}</strong>}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: `repeat(${String(box.columns)}, minmax(0, 1fr))`,
          maxWidth: Math.min(620, box.columns * 120),
          border: '2px solid #111',
        }}
      >
        {box.cells.slice(layer * perLayer, (layer + 1) * perLayer).map((cell, index) => (
          <Box key={index} sx={{ border: '1px solid #999', p: 0.5, minHeight: 46, typography: 'fine', color: '#111' }}>
            {cell
              ? `${cell.count > 1 ? `${String(cell.count)} × ` : ''}${season.book.pieces.get(cell.pieceId)?.piece.name ?? cell.pieceId}`
              : 'empty'}
          </Box>
        ))}
      </Box>
    </Box>
  ));
}

/** What is packed for one order: a part a box, with the map of its tray. */
export function PackingCard() {
  const { id = '' } = useParams();
  const { data: order, error, refetch } = useOrderQuery(id);
  const { season, error: bookError, again } = useSeasonBook();
  if (!season) return <Waiting error={bookError} again={again} />;
  if (!order) return <Waiting error={error} again={refetch} />;
  const { book } = season;
  return (
    <Sheet
      title={`Packing for ${order.customer.name}`}
      lead={
        <>
          {sayDay(order.handOver.on)}, {[order.handOver.way, order.handOver.place].filter(Boolean).join(', ')}
          {order.notes && <Box sx={{ whiteSpace: 'pre-line' }}>{order.notes}</Box>}
        </>
      }
      back={`/orders/${id}`}
    >
      {order.lines.map((line) => {
        const resolved = boxFor(order, line, book);
        if (!resolved) return null;
        const { facts } = resolved;
        const changes = changesOf(resolved, book);
        const ruledOut = ruledOutOf(order, line).map((code) => sayExclusion(code, book));
        return (
          <PaperPart
            key={lineKey(line)}
            title={sayPacked(`${String(line.count)} × ${facts.box.name}`, packedAs(order, line, book), book)}
            aside={`${sayGrams(facts.weightGrams)} each`}
          >
            <Box
              sx={{ display: 'flex', gap: 1, my: 0.75, flexWrap: 'wrap' }}
              role="img"
              aria-label="One box to tick each"
            >
              {Array.from({ length: Math.min(line.count, 60) }, (_, index) => (
                <PaperTick key={index} />
              ))}
            </Box>
            {ruledOut.length > 0 && <strong>{sayList(ruledOut)}. </strong>}
            {changes.length > 0 && <strong>{changes.join(', ')}. </strong>}
            {breachesOf(order, book)
              .filter((breach) => lineKey(breach.line) === lineKey(line))
              .map((breach) => (
                <PaperWarning key={`${breach.exclusion} ${String(breach.asMade)}`}>{sayBreach(breach)}</PaperWarning>
              ))}
            {sayContains(contentsFor(order, line, book)?.contains ?? facts.contains)}
            {facts.travel === 'keep cool' && <strong>Keep cool.</strong>}
            <TrayMap box={facts.box} season={season} />
          </PaperPart>
        );
      })}
    </Sheet>
  );
}
