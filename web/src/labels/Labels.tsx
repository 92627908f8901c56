import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import type { LabelRunState } from '@usual-pantry/core/api';
import { AS_IT_IS, type PackedAs } from '@usual-pantry/core/order';
import { sayCount, sayShortDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useBookQuery } from '../data/book';
import { useLabelRunsQuery } from '../data/plan';
import { useNames } from '../data/useSeason';
import { labelAddress, readPacked } from '../parts/addresses';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { sayPacked } from '../parts/packedWords';
import { Empty } from '../parts/Panel';
import { SplitView } from '../parts/SplitView';
import { Waiting } from '../parts/Waiting';
import { LabelSheet } from './LabelSheet';
import { PrintPanel } from './PrintPanel';

interface Row {
  readonly boxId: string;
  readonly name: string;
  readonly handOver: string | null;
  readonly packed: PackedAs;
  readonly text: string;
  /** Null for a box without a hand-over. */
  readonly run: LabelRunState | null;
}

const sayDates = ({ planned, madeOn, bestBefore }: LabelRunState): string =>
  `${planned ? 'planned' : 'made'} ${sayShortDay(madeOn)}, best before ${sayShortDay(bestBefore)}`;

/** What was printed of a run, in words; '' for nothing. */
function sayPrinted({ printed, changed, count }: LabelRunState): string {
  if (printed === 0) return '';
  const again = changed > 0 ? `, ${String(changed)} would say something else now` : '';
  return `${printed >= count ? 'printed' : `${String(printed)} printed`}${again}`;
}

const addressOf = ({ boxId, handOver, packed }: Pick<Row, 'boxId' | 'handOver' | 'packed'>): string =>
  labelAddress(boxId, handOver, packed);

interface RunListProps {
  readonly rows: readonly Row[];
  readonly open: Row | undefined;
  readonly isChosen: (row: Row) => boolean;
  readonly onChoose: (row: Row, chosen: boolean) => void;
}

function RunList({ rows, open, isChosen, onChoose }: RunListProps) {
  return (
    <Box component="ul" aria-label="Labels" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75 }}>
      {rows.map((row) => {
        const printed = row.run && sayPrinted(row.run);
        return (
          <Box component="li" key={addressOf(row)} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
            <Box sx={{ width: 42, flexShrink: 0 }}>
              {row.run && (
                <Checkbox
                  checked={isChosen(row)}
                  slotProps={{ input: { 'aria-label': `Print ${row.name}, ${row.handOver ?? ''}` } }}
                  onChange={(_event, chosen) => {
                    onChoose(row, chosen);
                  }}
                />
              )}
            </Box>
            <Paper
              variant="outlined"
              component={Link}
              to={addressOf(row)}
              aria-current={row === open ? 'true' : undefined}
              sx={{
                display: 'block',
                flex: 1,
                minWidth: 0,
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
              {printed && (
                <Box sx={{ typography: 'note', color: row.run.changed > 0 ? 'error.main' : 'success.main' }}>
                  {printed}
                </Box>
              )}
            </Paper>
          </Box>
        );
      })}
    </Box>
  );
}

/** Which labels the orders need, what is printed of them, and the open one at true size. */
export function Labels() {
  const { boxId } = useParams();
  const [search] = useSearchParams();
  const { data: runs, error, refetch } = useLabelRunsQuery();
  const { data: book } = useBookQuery();
  const names = useNames();
  /** What was ticked or left out by hand; the others are chosen as long as they are not printed. */
  const [day, setDay] = useState('');
  const [ticked, setTicked] = useState<Readonly<Record<string, boolean>>>({});
  if (!runs || !book) return <Waiting error={error} again={refetch} />;
  const days = [...new Set(runs.map(({ handOver }) => handOver))];
  const shown = day === '' ? runs : runs.filter(({ handOver }) => handOver === day);
  const rows: Row[] = [
    ...shown.map((run) => ({
      boxId: run.boxId,
      name: sayPacked(run.boxName, run, names),
      handOver: run.handOver,
      packed: run,
      text: `${sayCount(run.count, 'label')} for ${sayShortDay(run.handOver)} · ${sayDates(run)}`,
      run,
    })),
    ...(day === '' ? book.boxes : []).map(({ id, name }) => ({
      boxId: id,
      name,
      handOver: null,
      packed: AS_IT_IS,
      text: 'without dates',
      run: null,
    })),
  ];
  if (rows.length === 0) return <Empty title="No boxes, so no labels.">Fill a box, and its label stands here.</Empty>;
  const packed = readPacked(search);
  const address = boxId === undefined ? '' : labelAddress(boxId, search.get('handOver'), packed);
  const open = rows.find((row) => addressOf(row) === address);
  const isChosen = ({ run, ...row }: Row) => run !== null && (ticked[addressOf(row)] ?? run.printed < run.count);
  const chosen = rows.flatMap((row) => (row.run && isChosen(row) ? [row.run] : []));
  const wanted = runs.reduce((sum, run) => sum + run.count, 0);
  const printed = runs.reduce((sum, run) => sum + Math.min(run.count, run.printed), 0);
  const changed = runs.reduce((sum, run) => sum + run.changed, 0);
  return (
    <>
      {!boxId && (
        <AnswerLine>
          {wanted === 0 ? (
            'No open orders; labels without dates are below.'
          ) : (
            <>
              <Mark tone="hot">{sayCount(wanted - printed, 'label')}</Mark> to print, of {sayCount(runs.length, 'kind')}{' '}
              by box and hand-over{printed > 0 && `; ${String(printed)} printed`}
              {changed > 0 && (
                <>
                  , <Mark tone="stop">{changed} would say something else now</Mark>
                </>
              )}
              .
            </>
          )}
        </AnswerLine>
      )}
      {!boxId && runs.length > 0 && (
        <Box sx={{ mb: 2 }}>
          <PrintPanel chosen={chosen}>
            <TextField
              select
              size="small"
              label="Hand-over"
              value={day}
              sx={{ width: { xs: '100%', sm: 200 } }}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
              onChange={(event) => {
                setDay(event.target.value);
              }}
            >
              <MenuItem value="">all of the season</MenuItem>
              {days.map((each) => (
                <MenuItem key={each} value={each}>
                  {sayShortDay(each)}
                </MenuItem>
              ))}
            </TextField>
          </PrintPanel>
        </Box>
      )}
      <SplitView
        list={
          <RunList
            rows={rows}
            open={open}
            isChosen={isChosen}
            onChoose={(row, chosenNow) => {
              setTicked((before) => ({ ...before, [addressOf(row)]: chosenNow }));
            }}
          />
        }
        listWidth="370px"
        detail={
          boxId ? (
            <LabelSheet
              key={address}
              boxId={boxId}
              handOver={search.get('handOver')}
              packed={packed}
              count={open?.run?.count ?? 1}
              isPlanned={open?.run?.planned ?? false}
            />
          ) : null
        }
      />
    </>
  );
}
