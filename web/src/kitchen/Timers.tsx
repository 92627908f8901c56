import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { timerAt, type Timer } from '@usual-pantry/core/making';
import { FIGURES } from '../parts/theme';
import { freshId } from '../data/freshId';
import { BigButton } from './BigButton';
import { allowSound } from './ring';
import { sayAt, saySeconds } from './sayTimes';
import type { Bench } from './useBench';

interface TimersProps {
  readonly timers: readonly (Timer & { readonly of: string | null })[];
  readonly now: number;
  readonly onAnswer: (timer: Timer) => void;
}

/** All timers, those that ring first; one tap answers, or ends before its time. */
export function Timers({ timers, now, onAnswer }: TimersProps) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }} component="section" aria-label="Timers">
      {timers.map((timer) => {
        const { rings, leftSeconds } = timerAt(timer, now);
        const name = timer.of === null ? timer.name : `${timer.of}: ${timer.name}`;
        return (
          <ButtonBase
            key={timer.id}
            onClick={() => {
              onAnswer(timer);
            }}
            aria-label={rings ? `${name} rings: answer` : `${name}, ready at ${sayAt(timer.to)}: end it`}
            sx={{
              minHeight: 64,
              px: 2,
              gap: 1.5,
              border: 2,
              borderRadius: 1,
              borderColor: rings ? 'error.main' : 'divider',
              bgcolor: rings ? 'error.main' : 'background.paper',
              color: rings ? 'error.contrastText' : 'text.primary',
              typography: 'large',
            }}
          >
            <span>{name}</span>
            <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 700, fontSize: 24 }}>
              {rings ? 'now' : saySeconds(leftSeconds)}
            </Box>
            <span>{rings ? 'tap: heard' : `ready ${sayAt(timer.to)}`}</span>
          </ButtonBase>
        );
      })}
    </Box>
  );
}

/** A timer that one tap starts, with the moment at which it rings. */
export function StartTimer({
  bench,
  name,
  minutes,
  now,
  says,
}: {
  bench: Bench;
  name: string;
  minutes: number;
  now: number;
  says: string;
}) {
  return (
    <BigButton
      onClick={() => {
        allowSound();
        bench.happen({
          kind: 'timer',
          timerId: freshId(),
          name: name.slice(0, 80),
          stage: bench.stage.stage,
          seconds: minutes * 60,
        });
      }}
    >
      {`${says}: ready ${sayAt(now + minutes * 60_000)}`}
    </BigButton>
  );
}
