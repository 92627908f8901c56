import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { thermometerOffset } from '@usual-pantry/core/cooking';
import type { Cookable, PotAct, PotSetup, PracticeRun } from '@usual-pantry/core/practice';
import { useEffect, useRef } from 'react';
import { Link as RouterLink } from 'react-router';
import { useAddPracticeMutation } from '../data/makings';
import type { SeasonBook } from '../data/useSeason';
import { BigButton } from './BigButton';
import { cookOf, type Cook } from './cook';
import { CookChart } from './CookChart';
import { sideBySide } from './looks';
import { CookPanel } from './CookPanel';
import { PotDrawing } from './PotDrawing';
import type { PracticeChoice } from './PracticeForm';
import { useRing } from './ring';
import { saySeconds } from './sayTimes';
import { benchOf } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import { usePracticePot } from './usePracticePot';

const acts: readonly {
  readonly act: PotAct;
  readonly name: string;
  readonly note: 'stirred' | 'heat down' | 'heat up' | 'something went in';
}[] = [
  { act: 'stir', name: 'Stir', note: 'stirred' },
  { act: 'add', name: 'Butter in', note: 'something went in' },
  { act: 'flame lower', name: 'Flame lower', note: 'heat down' },
  { act: 'flame higher', name: 'Flame higher', note: 'heat up' },
];

interface PracticePotScreenProps {
  readonly kind: 'cook' | 'pull now';
  readonly season: SeasonBook;
  readonly cookable: Cookable;
  readonly setup: PotSetup;
  readonly choice: PracticeChoice;
  readonly onAgain: () => void;
  readonly onOther: () => void;
}

/** The last degrees of the pull drill begin so far under the target, K. */
const BEFORE = 18;

/** What the batch would have been, with its curve and when acting was due. */
function Debriefed({ run, target }: { run: PracticeRun; target: number }) {
  const { debrief, points } = run;
  if (!debrief) return null;
  const marks = [
    ...(debrief.dueAt === null ? [] : [{ at: run.began + debrief.dueAt * 1000, text: 'due' }]),
    { at: run.began + debrief.offAt * 1000, text: 'taken off' },
  ];
  const late = debrief.dueAt === null ? null : debrief.offAt - debrief.dueAt;
  return (
    <Paper
      variant="outlined"
      sx={{ p: 2, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 }}
      component="section"
      aria-label="How it went"
    >
      <Typography variant="h1">
        {debrief.score} of 100. {debrief.verdict}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 3, typography: 'large' }}>
        {debrief.points.map((point) => (
          <li key={point}>{point}</li>
        ))}
        {late !== null && (
          <li>
            {Math.abs(late) < 2
              ? 'Taken off at its moment.'
              : late > 0
                ? `Acting was due ${saySeconds(late)} before it was taken off.`
                : `It was taken off ${saySeconds(-late)} before it was due.`}
          </li>
        )}
      </Box>
      <CookChart points={points} target={target} forecast={null} marks={marks} height={220} />
    </Paper>
  );
}

/** A pot that is practised on, on the same screen as at the bench. */
export function PracticePotScreen({ kind, season, cookable, setup, choice, onAgain, onOther }: PracticePotScreenProps) {
  const { kitchen } = season.data;
  const offset = thermometerOffset(kitchen);
  const { facts, step } = cookable;
  const here = {
    ...season,
    data: {
      ...season.data,
      kitchen: { ...kitchen, altitudeMetres: choice.altitudeMetres, boilingReadingCelsius: setup.waterBoils + offset },
    },
  };
  const { run, events, act, note } = usePracticePot(
    setup,
    { offsetKelvin: offset, carryOverKelvin: kitchen.atBench.carryOverKelvin },
    kind === 'pull now' ? setup.target - BEFORE : null,
    choice.speed,
  );
  const [addPractice] = useAddPracticeMutation();
  const making = {
    id: 'practice',
    recipeId: facts.recipe.id,
    size: 1,
    on: '2000-01-01',
    startedAt: new Date(0).toISOString(),
    state: 'open',
  } as const;
  const stageEvent = { id: 'practice-stage', at: new Date(0).toISOString(), kind: 'stage', stage: step + 1 } as const;
  const store = {
    events: [stageEvent, ...events],
    waiting: 0,
    isReached: true,
    isThere: true,
    making: 'open',
    refused: null,
  } as const;
  const bench = benchOf({ making, season: here, facts, store }, note);
  const readings = {
    points: run.points,
    isAway: false,
    at: () => new Date(run.points.at(-1)?.at ?? 0),
    tapped: () => undefined,
  };
  const read = bench && cookOf(bench, readings);
  // Whoever practises to see the moment is not told it.
  const cook: Cook | null = read && kind === 'pull now' ? { ...read, forecast: null, call: 'wait' } : read;
  const isOff = run.pot.isOff;
  useRing(!isOff && cook?.call === 'take it off' ? 'Take it off now' : null, true);
  const kept = useRef(false);
  const { debrief } = run;
  useEffect(() => {
    if (!debrief || kept.current) return;
    kept.current = true;
    void addPractice({ drill: kind, about: facts.recipe.name, score: debrief.score, verdict: debrief.verdict });
  }, [debrief, addPractice, kind, facts]);
  const take = () => {
    act('take it off');
  };
  useBenchKeys({ ' ': take });
  if (!bench || !cook) return null;
  return (
    <Box
      component="main"
      sx={{ p: { xs: 1.25, md: 2.5 }, display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5, fontSize: 20 }}
    >
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Link component={RouterLink} to="/kitchen/practice">
          All practice
        </Link>
        <Typography sx={{ typography: 'large' }}>
          Practice: {facts.recipe.name}, {choice.speed} × as fast
        </Typography>
      </Box>
      {debrief ? (
        <>
          <Debriefed run={run} target={cook.target} />
          <Box sx={{ display: 'flex', gap: 1.25, flexWrap: 'wrap' }}>
            <BigButton variant="contained" onClick={onAgain}>
              The same again
            </BigButton>
            <BigButton onClick={onOther}>Another pot</BigButton>
          </Box>
        </>
      ) : (
        <Box sx={sideBySide}>
          <CookPanel bench={bench} cook={cook} isPractice />
          <Box sx={{ display: 'grid', gap: 1.25 }}>
            <PotDrawing pot={run.pot} seaLevel={run.pot.pot.celsius + (100 - setup.waterBoils)} />
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
              {acts.map(({ act: what, name, note: noted }) => (
                <BigButton
                  key={what}
                  disabled={isOff}
                  onClick={() => {
                    act(what);
                    note({ kind: 'note', note: noted, text: '', celsius: cook.shows, stage: step + 1 });
                  }}
                >
                  {name}
                </BigButton>
              ))}
            </Box>
            <BigButton
              variant="contained"
              color={cook.call === 'take it off' ? 'error' : 'primary'}
              disabled={isOff}
              onClick={take}
              sx={{ minHeight: 80 }}
            >
              {isOff ? 'Off the heat: it goes on by itself' : 'Take it off'}
            </BigButton>
          </Box>
        </Box>
      )}
    </Box>
  );
}
