import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { MOST_AHEAD, MOST_WEEKS, type WeekAhead } from '@usual-pantry/core/promise';
import { sayCount, sayDay, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { useEffect, useState } from 'react';
import { WEEK, WEEK_SOON } from '../data/plan';
import { useAsked } from '../data/useAsked';
import { useSeasonBook } from '../data/useSeason';
import { Empty } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { WorkingOut } from '../parts/WorkingOut';
import { TryAgain, usePlanGround } from './TryAgain';

const small = { typography: 'fine', color: 'text.secondary' } as const;
/** So many weeks are shown at first, and so many more each time. */
const SOME_WEEKS = 8;

/** How many boxes; where more than that were not tried, or other plans not looked at, that it may be more. */
const sayMost = (most: number, isFinal: boolean): string => {
  if (most === 0) return isFinal ? 'none' : 'none yet';
  return `${String(most)}${!isFinal || most >= MOST_AHEAD ? ' or more' : ''}`;
};

/** Why nothing is taken in a week, or what its hours are. */
function sayHours({ benchMinutes, bookedMinutes, closures, handOver }: WeekAhead): string {
  const closed = closures.map(
    ({ from, to, reason }) =>
      `closed ${from === to ? sayShortDay(from) : `from ${sayShortDay(from)} to ${sayShortDay(to)}`}${reason ? `: ${reason}` : ''}`,
  );
  if (handOver === null) return closed.join('; ');
  return [`${sayMinutes(bookedMinutes)} of ${sayMinutes(benchMinutes)} booked`, ...closed].join('; ');
}

interface WeekProps {
  readonly index: number;
  /** So many weeks are shown. */
  readonly shown: number;
  readonly boxes: readonly string[];
  /** Whether other plans are looked for now: one week after another. */
  readonly isTurn: boolean;
  /** Is told when the last week that is shown stands there. */
  readonly onAll: (shown: number) => void;
}

/** One week of the calendar, and those after it: as the plan stands, the next one when this one is there; then, one by one, with other plans. */
function Weeks({ index, shown, boxes, isTurn, onAll }: WeekProps) {
  const { ground, again } = usePlanGround();
  const soon = useAsked(WEEK_SOON, index, ground);
  const better = useAsked(WEEK, isTurn ? index : null, ground);
  const isLast = index + 1 === shown && soon.data !== null;
  useEffect(() => {
    if (isLast) onAll(shown);
  }, [isLast, onAll, shown]);
  const across = boxes.length + 1;
  const error = soon.error ?? better.error;
  if (error)
    return (
      <TableRow>
        <TableCell colSpan={across} role="alert">
          <TryAgain error={error} again={again} />
        </TableCell>
      </TableRow>
    );
  const week = better.data ?? soon.data;
  if (!week)
    return (
      <TableRow>
        <TableCell colSpan={across}>
          <WorkingOut>
            Trying boxes for week {index + 1} of {shown} …
          </WorkingOut>
        </TableCell>
      </TableRow>
    );
  return (
    <>
      <Week week={week} boxes={boxes} isLooking={isTurn && !better.isOver} />
      {index + 1 < shown && (
        <Weeks index={index + 1} shown={shown} boxes={boxes} isTurn={isTurn && better.isOver} onAll={onAll} />
      )}
    </>
  );
}

function Week({ week, boxes, isLooking }: { week: WeekAhead; boxes: readonly string[]; isLooking: boolean }) {
  const { from, to, orders, handOver } = week;
  return (
    <TableRow sx={{ '& > *': { verticalAlign: 'top' } }}>
      <TableCell component="th" scope="row" sx={{ minWidth: 190 }}>
        <Box sx={{ fontWeight: 650 }}>
          {sayShortDay(from)} to {sayShortDay(to)}
        </Box>
        <Box sx={small}>
          {orders > 0 && `${sayCount(orders, 'order')}; `}
          {sayHours(week)}
        </Box>
        {isLooking && (
          <Box sx={small}>
            <WorkingOut>Looking for more room…</WorkingOut>
          </Box>
        )}
        {handOver !== null && handOver !== to && <Box sx={small}>for {sayDay(handOver)}</Box>}
      </TableCell>
      {boxes.map((boxId) => {
        const { most, isTight } = week.boxes.find((each) => each.boxId === boxId) ?? { most: 0, isTight: false };
        return (
          <TableCell
            key={boxId}
            align="right"
            sx={{ typography: 'figures', color: most === 0 ? 'text.secondary' : 'inherit' }}
          >
            {handOver === null ? 'closed' : sayMost(most, week.isFinal)}
            {isTight && <Box sx={small}>tight</Box>}
          </TableCell>
        );
      })}
    </TableRow>
  );
}

/** What each week to come could still take in boxes of each kind, before anybody has ordered them. */
export function Ahead() {
  const [shown, setShown] = useState(SOME_WEEKS);
  // Other plans are looked for once every week stands there as the plan is.
  const [all, setAll] = useState(0);
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  const kinds = [...season.book.boxes.values()].filter(({ complete }) => complete).map(({ box }) => box);
  if (kinds.length === 0)
    return <Empty title="No boxes yet.">Fill a box, and what each week could take of it stands here.</Empty>;
  return (
    <>
      <Box sx={{ mb: 1.5 }}>
        The most boxes of one kind that could be promised for the last open day of each week, each kind for itself.
      </Box>
      <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Weeks to come">
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Week</TableCell>
              {kinds.map(({ id, name }) => (
                <TableCell key={id} align="right">
                  {name}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            <Weeks index={0} shown={shown} boxes={kinds.map(({ id }) => id)} isTurn={all >= shown} onAll={setAll} />
          </TableBody>
        </Table>
      </TableContainer>
      <Box sx={{ ...small, mt: 1, maxWidth: '90ch' }}>
        Beside everything that is already ordered: what one kind takes, another cannot have. “Or more” fits into the
        plan as it stands; more room is looked for one week after another. Tight: a day would run past its hours.
      </Box>
      {shown < MOST_WEEKS && (
        <Button
          variant="outlined"
          sx={{ mt: 1.5 }}
          onClick={() => {
            setShown(Math.min(MOST_WEEKS, shown + SOME_WEEKS));
          }}
        >
          Show {SOME_WEEKS} more weeks
        </Button>
      )}
    </>
  );
}
