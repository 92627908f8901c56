import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { isBelieved, traceOf } from '@usual-pantry/core/making';
import { sayCount, sayExact, sayGrams, sayNumber, sayShortDay, sayTemperature } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import { useParams } from 'react-router';
import { AnswerLine } from '../parts/AnswerLine';
import { Empty, Panel } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { sideBySide, stack } from './looks';
import { CookChart } from './CookChart';
import { Noted } from './Notes';
import { sayAt, saySeconds } from './sayTimes';
import { useBench, type Bench } from './useBench';

/** What came out, where the batch was written down. */
function Outcome({ bench }: { bench: Bench }) {
  const batch = bench.season.data.batches.find(({ log }) => log?.makingId === bench.making.id);
  if (!batch?.log) return <Typography>It was not written down as made.</Typography>;
  const { log, grams, state } = batch;
  const rows = [
    [
      'Came out',
      state === 'failed' ? 'it failed' : grams === null ? 'not weighed' : `${sayGrams(grams)} that can be given away`,
    ],
    ...(log.pieces === null ? [] : [['Good pieces', String(log.pieces)]]),
    ...log.rejects.map(({ reason, count }) => [`Rejected: ${reason}`, String(count)]),
    ...(log.grade === null ? [] : [['Grade', `${String(log.grade)} of 5`]]),
    ...(log.finalCelsius === null ? [] : [['Last read', sayTemperature(log.finalCelsius)]]),
    ...(log.cookSeconds === null ? [] : [['Cooked for', saySeconds(log.cookSeconds)]]),
    ...(log.roomCelsius === null
      ? []
      : [['Room', `${sayTemperature(log.roomCelsius)}, ${sayNumber(log.humidity ?? 0, 0)} %`]]),
  ];
  return (
    <Table size="small">
      <TableBody>
        {rows.map(([what, value]) => (
          <TableRow key={what}>
            <TableCell component="th">{what}</TableCell>
            <TableCell>{value}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** What really went in, line by line. */
const WentIn = ({ bench }: { bench: Bench }) => (
  <Table size="small">
    <TableBody>
      {bench.sheet.lines.map(({ line, name, weighed, wanted, swap }) => (
        <TableRow key={line}>
          <TableCell component="th">
            {name}
            {swap && ' (something else)'}
          </TableCell>
          <TableCell>
            {weighed ? `${sayExact(weighed.grams)} g of ${sayExact(wanted)}` : `${sayGrams(wanted)}, not weighed`}
          </TableCell>
          <TableCell>{weighed?.useBy ? `to use by ${sayShortDay(weighed.useBy)}` : ''}</TableCell>
        </TableRow>
      ))}
    </TableBody>
  </Table>
);

/** The curve of each step that was read. */
function Curves({ bench }: { bench: Bench }) {
  const read = bench.stages.flatMap((stage) => {
    const points = traceOf(bench.events, stage.stage);
    return points.length > 1 && stage.step ? [{ stage, points }] : [];
  });
  if (read.length === 0) return <Typography>Nothing was read.</Typography>;
  return read.map(({ stage, points }) => (
    <Box key={stage.stage} sx={{ mb: 1.5 }}>
      <Typography variant="h3">{stage.step?.text}</Typography>
      <CookChart
        points={points}
        target={stage.target?.here[0] ?? points.at(-1)?.celsius ?? 0}
        forecast={null}
        marks={bench.state.notes
          .filter((note) => note.stage === stage.stage && note.note !== null)
          .map(({ at, note }) => ({ at: Date.parse(at), text: note ?? '' }))}
        height={200}
      />
      <span>
        {sayCount(points.length, 'reading')}, {points.filter((point) => !isBelieved(point)).length} of them not believed
      </span>
    </Box>
  ));
}

/** Everything that was kept of a batch while it was made. */
export function MadeBatch() {
  const { id = '' } = useParams();
  const { bench, trouble } = useBench(id);
  if (trouble !== null) return <Empty title={trouble} />;
  if (!bench) return <Waiting error={null} again={() => undefined} />;
  const { facts, making, size, state } = bench;
  return (
    <>
      <AnswerLine>
        {sayBatches([{ size, count: 1 }])} of {facts.recipe.name}, {sayShortDay(making.on)}, begun{' '}
        {sayAt(Date.parse(making.startedAt))}
      </AnswerLine>
      <Box sx={sideBySide}>
        <Box sx={stack}>
          <Panel title="The pot">
            <Curves bench={bench} />
          </Panel>
          <Panel title="What went in">
            <WentIn bench={bench} />
          </Panel>
        </Box>
        <Box sx={stack}>
          <Panel title="What came out">
            <Outcome bench={bench} />
          </Panel>
          <Panel title="Noted">
            {state.notes.length + state.photos.length === 0 ? (
              <Typography>Nothing was noted.</Typography>
            ) : (
              <Noted bench={bench} most={200} />
            )}
          </Panel>
        </Box>
      </Box>
    </>
  );
}
