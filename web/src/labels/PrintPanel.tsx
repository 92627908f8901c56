import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { LabelRunState, PrintJob } from '@usual-pantry/core/api';
import type { LabelSettings, OwnSheet } from '@usual-pantry/core/kitchen';
import { cellsOf, fitsPaper, gridNamed, sheetGrids, type SheetGrid, type TicketKind } from '@usual-pantry/core/label';
import { packingOf } from '@usual-pantry/core/order';
import { sayCount, sayShortDay } from '@usual-pantry/core/quantity';
import { useState, type ReactNode } from 'react';
import { useBookQuery } from '../data/book';
import { useLabelPrintsQuery, usePrintJob, usePrintLabelsMutation, useStopPrintMutation } from '../data/labels';
import { apiAt } from '../parts/kitchenAt';
import { Panel } from '../parts/Panel';
import { sayMoment } from '../parts/words';
import { readNumber } from '../parts/readNumber';
import type { Refusal } from '../parts/refusal';
import { LengthField } from './LengthField';
import { SettledField } from './SettledField';
import { SheetMap } from './SheetMap';
import { useLabelSettings } from './useLabelSettings';

/** What is printed: the chosen labels of boxes, or tickets of a kind. */
const whats = {
  boxes: 'Labels of boxes',
  tapes: 'Tapes of batches',
  shelf: 'Shelf tickets of pieces',
  allergens: 'Allergen cards of boxes',
  tags: 'Hand-over tags',
} as const satisfies Record<TicketKind | 'boxes', string>;
type What = keyof typeof whats;

const firstOwn: OwnSheet = { paper: 'A4', columns: 2, rows: 4, widthMm: 99, heightMm: 67, gapXMm: 2, gapYMm: 0 };

/** The sheet that the kitchen has chosen; null for one label a page. */
const gridOf = ({ sheet, ownSheet }: LabelSettings): SheetGrid | null => gridNamed(sheet, ownSheet) ?? null;

interface SettingsProps {
  readonly settings: LabelSettings;
  readonly change: (part: Partial<LabelSettings>, label: string) => Promise<boolean>;
}

function OwnSheetFields({ settings, change }: SettingsProps) {
  const own = settings.ownSheet ?? firstOwn;
  const length = (key: 'widthMm' | 'heightMm' | 'gapXMm' | 'gapYMm', label: string) => (
    <LengthField
      key={key}
      label={label}
      mm={own[key]}
      onSettle={(mm) => change({ ownSheet: { ...own, [key]: mm } }, label)}
    />
  );
  const number = (key: 'columns' | 'rows', label: string) => (
    <SettledField
      key={key}
      label={label}
      value={String(own[key])}
      onSettle={(typed) => change({ ownSheet: { ...own, [key]: readNumber(typed) } }, label)}
    />
  );
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(120px, 1fr))', mt: 1 }}>
      <TextField
        select
        size="small"
        label="Paper"
        value={own.paper}
        onChange={(event) =>
          void change({ ownSheet: { ...own, paper: event.target.value as OwnSheet['paper'] } }, 'Paper')
        }
      >
        <MenuItem value="A4">A4</MenuItem>
        <MenuItem value="Letter">Letter</MenuItem>
      </TextField>
      {number('columns', 'Beside each other')}
      {number('rows', 'Below each other')}
      {length('widthMm', 'Width')}
      {length('heightMm', 'Height')}
      {length('gapXMm', 'Gap across')}
      {length('gapYMm', 'Gap down')}
    </Box>
  );
}

/** The sheet, its test page, and how far the printer is off. */
function SheetChoice({ settings, change }: SettingsProps) {
  const grid = gridOf(settings);
  const query = new URLSearchParams({
    sheet: settings.sheet,
    ...(settings.sheet === 'own' && settings.ownSheet ? { own: JSON.stringify(settings.ownSheet) } : {}),
  });
  const offset = (key: 'offsetXMm' | 'offsetYMm', label: string) => (
    <LengthField label={label} mm={settings[key]} onSettle={(mm) => change({ [key]: mm }, label)} sx={{ width: 150 }} />
  );
  return (
    <Box>
      <TextField
        select
        size="small"
        label="Sheet"
        sx={{ width: { xs: '100%', sm: 300 } }}
        value={settings.sheet}
        onChange={(event) => {
          const sheet = event.target.value;
          const own = sheet === 'own' && !settings.ownSheet ? { ownSheet: firstOwn } : {};
          void change(
            { sheet, ...own },
            `Sheet: ${sheetGrids.find(({ id }) => id === sheet)?.name ?? (sheet === 'own' ? 'your own' : 'one label a page')}`,
          );
        }}
      >
        <MenuItem value="single">One label a page</MenuItem>
        {sheetGrids.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
        <MenuItem value="own">A sheet of your own</MenuItem>
      </TextField>
      {settings.sheet === 'own' && <OwnSheetFields settings={settings} change={change} />}
      {grid && !fitsPaper(grid) && <Alert severity="error">So many do not fit on the paper.</Alert>}
      {grid && (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center', mt: 1 }}>
          {offset('offsetXMm', 'Move right')}
          {offset('offsetYMm', 'Move down')}
          <Button href={apiAt(`/labels/test-page.pdf?${query.toString()}`)} target="_blank" rel="noopener">
            Test page
          </Button>
        </Box>
      )}
    </Box>
  );
}

function JobState({ job, onStop }: { job: PrintJob; onStop: () => void }) {
  if (job.state === 'idle') return null;
  if (job.state === 'running')
    return (
      <Box role="status">
        <LinearProgress
          variant="determinate"
          value={job.of > 0 ? (job.done / job.of) * 100 : 0}
          aria-label="Setting the labels"
        />
        {job.done} of {sayCount(job.of, 'page')}.{' '}
        <Button size="small" onClick={onStop}>
          Stop
        </Button>
      </Box>
    );
  return (
    <Alert severity={job.state === 'done' ? 'success' : job.state === 'stopped' ? 'info' : 'error'} role="status">
      {job.message} {job.state === 'done' && sayCount(job.sheets, 'page')}
      {job.state === 'done' && job.nextCell !== null && `, the next print can begin at label ${String(job.nextCell)}`}
      {job.state === 'done' && '. '}
      {job.file && (
        <Link href={apiAt(`/labels/printed/${job.file}`)} target="_blank" rel="noopener">
          Open the PDF
        </Link>
      )}
    </Alert>
  );
}

/** What was printed, the newest first, and why where it was not for the first time. */
function PrintedSoFar() {
  const { data: prints = [] } = useLabelPrintsQuery();
  const { data: book } = useBookQuery();
  if (prints.length === 0) return null;
  const nameOf = (id: string) => book?.boxes.find((box) => box.id === id)?.name ?? id;
  return (
    <Box component="details">
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        Printed so far:{' '}
        {sayCount(
          prints.reduce((sum, { count }) => sum + count, 0),
          'label',
        )}
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxHeight: 240, overflow: 'auto' }}>
        {prints.map(({ id, at, boxId, handOver, lot, count, reason }) => (
          <li key={id}>
            {sayMoment(at)}: {count} × {nameOf(boxId)} for {sayShortDay(handOver)}, lot {lot}
            {reason !== '' && <>, again: {reason}</>}
          </li>
        ))}
      </Box>
    </Box>
  );
}

/** Prints the chosen labels, or tickets, on sheets in one go. */
export function PrintPanel({ chosen, children }: { chosen: readonly LabelRunState[]; children: ReactNode }) {
  const { settings, change, trouble } = useLabelSettings();
  const [what, setWhat] = useState<What>('boxes');
  const [start, setStart] = useState(1);
  const [reason, setReason] = useState('');
  const [print, { error }] = usePrintLabelsMutation();
  const [stop] = useStopPrintMutation();
  const job = usePrintJob();
  if (!settings) return null;
  const grid = gridOf(settings);
  const labels = chosen.reduce((sum, { count }) => sum + count, 0);
  const again = chosen.filter(({ printed }) => printed > 0);
  const isAgain = what === 'boxes' && again.length > 0;
  const first = grid && start > cellsOf(grid) ? 1 : start;
  const go = () =>
    void print({
      runs: what === 'boxes' ? chosen.map((run) => ({ boxId: run.boxId, handOver: run.handOver, ...packingOf(run), without: [...run.without], standIns: [...run.standIns], count: run.count })) : [], // prettier-ignore
      tickets: what === 'boxes' ? null : what,
      sheet: settings.sheet,
      ownSheet: settings.ownSheet,
      startCell: grid ? first : 1,
      reason,
    });
  const refusal = error as Refusal | undefined;
  return (
    <Panel title="Print">
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        {trouble && <Alert severity="error">{trouble}</Alert>}
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
          <TextField
            select
            size="small"
            label="What"
            value={what}
            sx={{ width: { xs: '100%', sm: 240 } }}
            onChange={(event) => {
              setWhat(event.target.value as What);
            }}
          >
            {Object.entries(whats).map(([key, name]) => (
              <MenuItem key={key} value={key}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          {what === 'boxes' && children}
          <SheetChoice settings={settings} change={change} />
          <Button
            variant="contained"
            sx={{ height: 40 }}
            onClick={go}
            disabled={job?.state === 'running' || (what === 'boxes' && labels === 0)}
          >
            {what === 'boxes' ? `Print ${sayCount(labels, 'label')}` : `Print ${whats[what].toLowerCase()}`}
          </Button>
        </Box>
        {grid && (
          <SheetMap grid={grid} start={first} onStart={setStart} count={what === 'boxes' ? labels : cellsOf(grid)} />
        )}
        {isAgain && (
          <TextField
            size="small"
            label="Why again"
            value={reason}
            helperText={`${sayCount(again.length, 'kind')} of these ${again.length === 1 ? 'is' : 'are'} printed already`}
            onChange={(event) => {
              setReason(event.target.value);
            }}
          />
        )}
        {refusal && (
          <Alert severity="error">
            {refusal.message}
            {refusal.wrong && refusal.wrong.length > 0 && (
              <ul style={{ margin: 0, paddingLeft: 20 }}>
                {refusal.wrong.map(({ message }) => (
                  <li key={message}>{message}</li>
                ))}
              </ul>
            )}
          </Alert>
        )}
        {job && <JobState job={job} onStop={() => void stop()} />}
        <PrintedSoFar />
      </Box>
    </Panel>
  );
}
