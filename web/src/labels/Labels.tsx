import type { LabelRun } from '@usual-pantry/core/plan';
import type { NamedThings } from '@usual-pantry/core/ingredient';
import { AS_IT_IS, type PackedAs } from '@usual-pantry/core/order';
import { sayCount, sayShortDay } from '@usual-pantry/core/quantity';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { Link, useParams, useSearchParams } from 'react-router';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Empty } from '../parts/Panel';
import { SplitView } from '../parts/SplitView';
import { useNames } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { labelAddress, readPacked } from '../parts/addresses';
import { sayPacked } from '../parts/packedWords';
import { LabelSheet } from './LabelSheet';
import { useBookQuery } from '../data/book';
import { useLabelRunsQuery } from '../data/plan';

interface Row {
  readonly boxId: string;
  readonly name: string;
  readonly handOver: string | null;
  readonly packed: PackedAs;
  readonly text: string;
}

/** A label for each box and hand-over, then each box without dates. */
const rowsOf = (
  runs: readonly LabelRun[],
  boxes: readonly { id: string; name: string }[],
  names: NamedThings,
): Row[] => [
  ...runs.map((run) => ({
    boxId: run.boxId,
    name: sayPacked(run.boxName, run, names),
    handOver: run.handOver,
    packed: run,
    text: `${sayCount(run.count, 'label')} for ${sayShortDay(run.handOver)} · made ${sayShortDay(run.madeOn)}, best before ${sayShortDay(run.bestBefore)}`,
  })),
  ...boxes.map(({ id, name }) => ({ boxId: id, name, handOver: null, packed: AS_IT_IS, text: 'without dates' })),
];

const addressOf = ({ boxId, handOver, packed }: Row): string => labelAddress(boxId, handOver, packed);

function RunList({ rows, open }: { rows: readonly Row[]; open: Row | undefined }) {
  return (
    <Box component="ul" aria-label="Labels" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75 }}>
      {rows.map((row) => (
        <li key={addressOf(row)}>
          <Paper
            variant="outlined"
            component={Link}
            to={addressOf(row)}
            aria-current={row === open ? 'true' : undefined}
            sx={{
              display: 'block',
              p: 1,
              px: 1.25,
              textDecoration: 'none',
              color: 'text.primary',
              borderColor: row === open ? 'hot.main' : 'divider',
              boxShadow: row === open ? 'inset 4px 0 0 var(--mui-palette-hot-main)' : 'none',
            }}
          >
            <Box sx={{ fontWeight: 650 }}>{row.name}</Box>
            <Box sx={{ typography: 'note', color: 'text.secondary' }}>{row.text}</Box>
          </Paper>
        </li>
      ))}
    </Box>
  );
}

/** Which labels the orders need, and the open one at true size. */
export function Labels() {
  const { boxId } = useParams();
  const [search] = useSearchParams();
  const { data: runs, error, refetch } = useLabelRunsQuery();
  const { data: book } = useBookQuery();
  const names = useNames();
  if (!runs || !book) return <Waiting error={error} again={refetch} />;
  const rows = rowsOf(runs, book.boxes, names);
  if (rows.length === 0) return <Empty title="No boxes, so no labels.">Fill a box, and its label stands here.</Empty>;
  const handOver = search.get('handOver');
  const packed = readPacked(search);
  const address = boxId === undefined ? '' : labelAddress(boxId, handOver, packed);
  const open = rows.find((row) => addressOf(row) === address);
  const labels = runs.reduce((sum, run) => sum + run.count, 0);
  return (
    <>
      {!boxId && (
        <AnswerLine>
          {labels === 0 ? (
            'No open orders; labels without dates are below.'
          ) : (
            <>
              <Mark tone="hot">{sayCount(labels, 'label')}</Mark> to print, of {sayCount(runs.length, 'kind')} by box
              and hand-over.
            </>
          )}
        </AnswerLine>
      )}
      <SplitView
        list={<RunList rows={rows} open={open} />}
        detail={
          boxId && (
            <LabelSheet
              key={address}
              boxId={boxId}
              handOver={handOver}
              packed={packed}
              count={runs.find((run) => labelAddress(run.boxId, run.handOver, run) === address)?.count ?? 1}
            />
          )
        }
      />
    </>
  );
}
