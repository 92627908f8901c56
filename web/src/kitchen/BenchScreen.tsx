import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Link from '@mui/material/Link';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { timerAt, type Timer } from '@usual-pantry/core/making';
import { sayCount } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import { useEffect, useSyncExternalStore } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { makingStoreOf } from '../data/makingStore';
import { useMakingsQuery } from '../data/makings';
import { Tape } from '../parts/Tape';
import { Title } from '../parts/Title';
import { BigButton } from './BigButton';
import { cookOf, type Cook } from './cook';
import { DevicesPanel } from './DevicesPanel';
import { EndStage } from './EndStage';
import { allowSound, useRing } from './ring';
import { sayAt } from './sayTimes';
import { StepStage } from './StepStage';
import { Timers } from './Timers';
import { Together } from './Together';
import { useAwake } from './useAwake';
import { useBench, type Bench } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import { useReadings } from './useReadings';
import { useNow } from './useNow';
import { useRoom } from './useRoom';
import { WeighStage } from './WeighStage';
import { whoseTurn } from './whoseTurn';

/** How far the batch is; a tap goes back, or on. */
function Progress({ bench }: { bench: Bench }) {
  const { stages, stage, happen } = bench;
  const nameOf = (each: Bench['stage']) =>
    each.kind === 'weigh' ? 'Weigh out' : each.kind === 'end' ? 'The end' : `Step ${String(each.stage)}`;
  return (
    <Box component="nav" aria-label="Stages" sx={{ display: 'flex', gap: 0.5 }}>
      {stages.map((each) => (
        <ButtonBase
          key={each.stage}
          aria-label={nameOf(each)}
          aria-current={each === stage ? 'step' : undefined}
          onClick={() => {
            happen({ kind: 'stage', stage: each.stage });
          }}
          sx={{ flex: 1, minHeight: 64, my: -1.25 }}
        >
          <Box
            sx={{
              height: 10,
              width: 1,
              borderRadius: 1,
              bgcolor: each.stage < stage.stage ? 'success.main' : each === stage ? 'hot.main' : 'divider',
            }}
          />
        </ButtonBase>
      ))}
    </Box>
  );
}

/** Another batch at the bench: where it is, and whether it wants the maker now. */
function Other({ id, now }: { id: string; now: number }) {
  const { bench } = useBench(id);
  if (!bench) return null;
  const turn = whoseTurn(bench, now);
  return (
    <Link
      component={RouterLink}
      to={`/kitchen/batch/${id}`}
      underline="none"
      noWrap
      sx={{
        minWidth: 0,
        maxWidth: 1,
        minHeight: 48,
        px: 1.5,
        bgcolor: 'tape.main',
        color: 'tape.contrastText',
        borderLeft: 7,
        borderColor: turn.wants ? 'hot.main' : 'success.main',
        typography: 'note',
        lineHeight: '48px',
        fontWeight: 650,
      }}
    >
      {bench.facts.recipe.name} · {turn.says}
    </Link>
  );
}

/** Whether everything that happened has reached the server. */
function Reached({ bench }: { bench: Bench }) {
  const { waiting, isReached, refused } = bench.store;
  if (refused !== null) return <Alert severity="error">{refused}</Alert>;
  if (isReached) return null;
  return (
    <Alert severity="warning">
      The kitchen’s server does not answer. Go on: {sayCount(waiting, 'thing')} that happened{' '}
      {waiting === 1 ? 'is' : 'are'} kept here, and reach it once and in order when it does.
    </Alert>
  );
}

/** Rings for timers of this batch and others, and for the pot. */
function useRings(bench: Bench, others: readonly Timer[], cook: Cook | null, now: number): void {
  const ringing = [...bench.state.timers, ...others].find((timer) => timerAt(timer, now).rings);
  const isOff = cook !== null && (cook.call === 'take it off' || cook.call === 'too far');
  useRing(isOff ? `${bench.facts.recipe.name}: take it off now` : ringing ? `${ringing.name} is ready` : null, isOff);
}

/** What goes on to the next stage, in words that say what is done now. */
function sayNext(bench: Bench, isOff: boolean): string {
  const { stage, stages } = bench;
  const next = stages[stage.stage + 1];
  if (isOff) return 'It is off the heat: next step';
  return next?.kind === 'end' ? 'Done: weigh what came out' : 'Next step';
}

function AtWork({ bench, otherIds }: { bench: Bench; otherIds: readonly string[] }) {
  const now = useNow();
  const isAwake = useAwake();
  const readings = useReadings(bench, now);
  const cook = cookOf(bench, readings);
  const { stage, state, facts, size, happen } = bench;
  const [first, second] = otherIds;
  const { bench: other } = useBench(first ?? '');
  const { bench: third } = useBench(second ?? '');
  const others = [other, third].filter((each) => each !== null);
  useRings(
    bench,
    others.flatMap((each) => each.state.timers),
    cook,
    now,
  );
  // A step begins at its top.
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [stage.stage]);
  useRoom(bench);
  const isOff = cook !== null && (cook.call === 'take it off' || cook.call === 'too far');
  const allTimers = [
    ...state.timers.map((timer) => ({ ...timer, of: null })),
    ...others.flatMap((each) => each.state.timers.map((timer) => ({ ...timer, of: each.facts.recipe.name }))),
  ].sort((a, b) => a.to - b.to);
  const next = () => {
    allowSound();
    happen({ kind: 'stage', stage: stage.stage + 1 });
  };
  useBenchKeys({
    ...(stage.kind === 'step' ? { ' ': next } : {}),
    ArrowLeft: () => {
      if (stage.stage > 0) happen({ kind: 'stage', stage: stage.stage - 1 });
    },
    m: () => {
      happen(
        { kind: 'note', note: null, text: 'This moment', celsius: cook?.shows ?? null, stage: stage.stage },
        cook?.at(),
      );
    },
  });
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column', fontSize: 20 }}>
      <Box
        component="header"
        sx={{
          display: 'grid',
          gridTemplateColumns: '1fr auto',
          gap: 1,
          alignItems: 'center',
          px: { xs: 1.25, md: 2.5 },
          py: { xs: 0.5, md: 1 },
          bgcolor: 'background.paper',
          borderBottom: 3,
          borderColor: 'rim',
        }}
      >
        <Box sx={{ display: 'flex', gap: 1.25, flexWrap: 'wrap', minWidth: 0 }}>
          <Tape to={null} name={facts.recipe.name} code={sayBatches([{ size, count: 1 }])} />
          {otherIds.map((id) => (
            <Other key={id} id={id} now={now} />
          ))}
        </Box>
        <Box sx={{ textAlign: 'right', typography: 'note' }}>
          <Box sx={{ color: 'success.main', fontWeight: 650, typography: 'large' }}>{sayAt(now)}</Box>
          <Link component={RouterLink} to="/kitchen">
            All at the bench
          </Link>
        </Box>
        {!isAwake && (
          <Box sx={{ gridColumn: '1 / -1', typography: 'note' }}>
            The screen may go dark: keep it awake in the settings of the device.
          </Box>
        )}
      </Box>
      <Box
        component="main"
        sx={{
          flex: 1,
          p: { xs: 1.25, md: 2.5 },
          pt: { xs: 0.5, md: 1 },
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 1fr)',
          gap: 1.25,
          alignContent: 'start',
        }}
      >
        <Progress bench={bench} />
        <Reached bench={bench} />
        {stage.kind === 'weigh' && <WeighStage bench={bench} onNext={next} />}
        {stage.kind === 'step' && <StepStage bench={bench} cook={cook} readings={readings} now={now} />}
        {stage.kind === 'end' && <EndStage bench={bench} />}
        {cook && other && <Together cook={cook} other={other} />}
        {stage.kind === 'step' && other && <Meanwhile bench={bench} other={other} now={now} />}
        <DevicesPanel bench={bench} />
      </Box>
      {(stage.kind === 'step' || allTimers.length > 0) && (
        <Box
          sx={{
            position: 'sticky',
            zIndex: 3,
            bottom: 0,
            p: { xs: 1.25, md: 2.5 },
            pt: 1,
            display: 'grid',
            gap: 1,
            bgcolor: 'background.default',
          }}
        >
          <Timers
            now={now}
            timers={allTimers}
            onAnswer={(timer) => {
              const its = [bench, ...others].find((each) => each.state.timers.some(({ id }) => id === timer.id));
              its?.happen({ kind: 'timer ended', timerId: timer.id });
            }}
          />
          {stage.kind === 'step' && (
            <BigButton
              variant="contained"
              color={isOff ? 'error' : 'primary'}
              onClick={next}
              sx={{ minHeight: 80, justifyContent: 'space-between', px: 3 }}
              endIcon={
                <Box component="kbd" sx={{ display: { xs: 'none', md: 'inline' }, typography: 'figures' }}>
                  Space
                </Box>
              }
            >
              {sayNext(bench, isOff)}
            </BigButton>
          )}
        </Box>
      )}
    </Box>
  );
}

/** Whose turn it is with two batches, in one line. */
function Meanwhile({ bench, other, now }: { bench: Bench; other: Bench; now: number }) {
  const own = whoseTurn(bench, now);
  const its = whoseTurn(other, now);
  if (own.wants && its.wants) return null;
  const name = other.facts.recipe.name;
  return (
    <Typography sx={{ typography: 'large', color: 'success.main', fontWeight: 650 }}>
      {its.wants ? `Your hands: ${name} wants you.` : `Your hands: here. ${name} ${its.says}.`}
    </Typography>
  );
}

/** A batch being made: one step at a time, big. */
export function BenchScreen() {
  const { id = '' } = useParams();
  const { data: makings } = useMakingsQuery();
  const { bench, trouble } = useBench(id);
  const store = makingStoreOf(id);
  const { making } = useSyncExternalStore(store.listen, store.now);
  if (bench && (bench.making.state !== 'open' || making !== 'open'))
    return (
      <Box component="main" sx={{ p: 3, display: 'grid', gap: 2, justifyItems: 'start' }}>
        <Typography variant="h1">This batch of {bench.facts.recipe.name} is over.</Typography>
        <BigButton component={RouterLink} to="/kitchen">
          To the bench
        </BigButton>
      </Box>
    );
  if (!bench)
    return (
      <Box component="main" sx={{ p: 3, display: 'grid', gap: 2, justifyItems: 'start' }}>
        {trouble ? (
          <Alert severity="warning">{trouble}</Alert>
        ) : (
          <LinearProgress aria-label="The batch is coming" sx={{ width: 1 }} />
        )}
        <BigButton component={RouterLink} to="/kitchen">
          To the bench
        </BigButton>
      </Box>
    );
  const otherIds = (makings ?? []).filter((each) => each.state === 'open' && each.id !== id).map((each) => each.id);
  return (
    <>
      <Title of={bench.facts.recipe.name} />
      <AtWork key={id} bench={bench} otherIds={otherIds.slice(0, 2)} />
    </>
  );
}
