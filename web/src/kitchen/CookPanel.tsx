import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { sayGrams, sayNumber, sayTemperature, toFahrenheit } from '@usual-pantry/core/quantity';
import { FIGURES } from '../parts/theme';
import { CookChart } from './CookChart';
import { sayAt, saySeconds } from './sayTimes';
import { TapTemperature } from './TapTemperature';
import type { Bench } from './useBench';
import type { Cook } from './cook';
import { useDevices } from './useDevices';

/** One temperature in the maker's own scale, with the figure apart from the unit. */
function Now({ celsius, first }: { celsius: number | null; first: 'C' | 'F' }) {
  const value = celsius === null || first === 'C' ? celsius : toFahrenheit(celsius);
  const [whole = '–', tenth] = value === null ? [] : sayNumber(value, 1).split(/[.,]/);
  return (
    <Box
      sx={{ display: 'flex', alignItems: 'baseline', fontFamily: FIGURES, fontWeight: 700, lineHeight: 0.95 }}
      data-testid="shows"
    >
      <Box component="span" sx={{ fontSize: 'clamp(64px, 21vw, 118px)' }}>
        {whole}
      </Box>
      {tenth !== undefined && (
        <Box component="span" sx={{ fontSize: 'clamp(28px, 8vw, 46px)' }}>
          .{tenth}
        </Box>
      )}
      <Box component="span" sx={{ fontSize: 'clamp(28px, 8vw, 46px)', ml: 1.5 }}>
        {first}
      </Box>
    </Box>
  );
}

/** When it is to be taken off, with the band around it. */
function TakeOff({ cook }: { cook: Cook }) {
  const { forecast, call } = cook;
  if (call === 'take it off' || call === 'too far')
    return (
      <Box
        sx={{ color: 'error.main', fontWeight: 700, fontSize: 'clamp(28px, 8vw, 44px)', lineHeight: 1.05 }}
        role="alert"
      >
        {call === 'too far' ? 'Past its target: off, now' : 'Take it off now'}
      </Box>
    );
  if (!forecast)
    return (
      <Typography sx={{ typography: 'large', color: 'text.secondary' }}>
        {cook.good.length === 0 ? 'Nothing read yet.' : 'A few more readings, then it says when.'}
      </Typography>
    );
  const { value, low, high } = forecast.takeOff;
  return (
    <Box sx={{ textAlign: { sm: 'right' } }}>
      <Box sx={{ typography: 'large', fontWeight: 650 }}>Take it off in</Box>
      <Box
        data-testid="take-off"
        sx={{
          fontFamily: FIGURES,
          fontWeight: 700,
          fontSize: 'clamp(44px, 13vw, 68px)',
          lineHeight: 1,
          color: call === 'get ready' ? 'error.main' : 'hot.main',
        }}
      >
        {saySeconds(value)}
      </Box>
      <Box sx={{ typography: 'large', fontWeight: 650 }}>
        between {saySeconds(low)} and {saySeconds(high)}
      </Box>
    </Box>
  );
}

/** What the curve does now, in words. */
function sayCurve({ forecast, call }: Cook): string {
  if (!forecast || call === 'take it off' || call === 'too far') return '';
  const { risePerMinute, hangs, waterToGo, window } = forecast;
  return [
    `${risePerMinute >= 0 ? 'rising' : 'falling'} ${sayNumber(Math.abs(risePerMinute), 1)} K a minute`,
    hangs
      ? `it hangs: the heat goes into ${sayGrams(waterToGo)} of water that must boil off first`
      : `${sayGrams(waterToGo)} of water to go`,
    `once it is there, it is right for ${saySeconds(Math.max(1, window.to - window.from))}`,
  ].join('; ');
}

/** The readings minute by minute, for whoever cannot see the curve. */
function Minutes({ cook }: { cook: Cook }) {
  const { from, good } = cook;
  if (from === null) return null;
  const minutes = good.filter(
    ({ seconds }, index) => Math.floor(seconds / 60) !== Math.floor((good[index - 1]?.seconds ?? -60) / 60),
  );
  return (
    <Box component="details" sx={{ mt: 1 }}>
      <Box component="summary" sx={{ minHeight: 32, cursor: 'pointer' }}>
        Minute by minute
      </Box>
      <Table size="small">
        <TableBody>
          {minutes.map(({ seconds, celsius }) => (
            <TableRow key={seconds}>
              <TableCell>{sayAt(from + seconds * 1000)}</TableCell>
              <TableCell>{sayTemperature(celsius)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

/** The pot: what it shows, what it is to show, when it is to be taken off, and the curve. */
export function CookPanel({ bench, cook, isPractice = false }: { bench: Bench; cook: Cook; isPractice?: boolean }) {
  const { devices } = useDevices();
  const { stage, state } = bench;
  const first = bench.season.data.kitchen.temperatureFirst;
  const marks = state.notes
    .filter((each) => each.stage === stage.stage && each.note !== null)
    .map(({ at, note }) => ({ at: Date.parse(at), text: note ?? '' }));
  return (
    <Paper variant="outlined" sx={{ p: { xs: 1.5, md: 2.5 } }} component="section" aria-label="The pot">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'flex-end', justifyContent: 'space-between' }}>
        <Now celsius={cook.shows} first={first} />
        <Box sx={{ typography: 'title', flex: '0 1 auto' }}>
          of{' '}
          <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 700, color: 'hot.main' }}>
            {sayTemperature(cook.target)}
          </Box>
        </Box>
        <TakeOff cook={cook} />
      </Box>
      <Typography sx={{ typography: 'large', mt: 1 }}>{sayCurve(cook)}</Typography>
      {cook.doubted > 0 && (
        <Typography sx={{ typography: 'large', color: 'warning.main', fontWeight: 650 }}>
          {cook.doubted} of the last readings cannot be true and count for nothing. Does the bulb touch the pot?
        </Typography>
      )}
      {cook.isAway && (
        <Typography role="alert" sx={{ typography: 'large', color: 'error.main', fontWeight: 650 }}>
          The probe says nothing. Watch the pot, and read the thermometer in.
        </Typography>
      )}
      {cook.points.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <CookChart points={cook.points} target={cook.target} forecast={cook.forecast} marks={marks} height={220} />
        </Box>
      )}
      {!isPractice && (devices.probe === 'none' || cook.isAway) && <TapTemperature first={first} onTap={cook.tapped} />}
      <Minutes cook={cook} />
    </Paper>
  );
}
