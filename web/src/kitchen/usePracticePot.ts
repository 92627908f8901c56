import type { Happening, MakingEvent } from '@usual-pantry/core/making';
import {
  actInRun,
  practiceRun,
  runOn,
  type PotAct,
  type PotSetup,
  type PracticeRun,
} from '@usual-pantry/core/practice';
import { useEffect, useState } from 'react';
import { freshId } from '../data/freshId';

const TICK_MS = 250;

/** A practice run as its screen shows it, and what can be done to it. */
interface Practised {
  readonly run: PracticeRun;
  readonly events: readonly MakingEvent[];
  readonly act: (act: PotAct) => void;
  readonly note: (happening: Happening) => void;
}

/**
 * A pot that is practised on.
 * @param kelvins how much higher the thermometer reads than it is, and how much warmer the pot still gets off the heat
 * @param fromCelsius where it begins; null for the beginning
 * @param speed so many times as fast as in life
 */
export function usePracticePot(
  setup: PotSetup,
  kelvins: Pick<PracticeRun, 'offsetKelvin' | 'carryOverKelvin'>,
  fromCelsius: number | null,
  speed: number,
): Practised {
  const [run, setRun] = useState(() => practiceRun(setup, kelvins, fromCelsius, Date.now(), Math.random));
  const [events, setEvents] = useState<readonly MakingEvent[]>([]);
  const isOver = run.debrief !== null;
  useEffect(() => {
    if (isOver) return undefined;
    const timer = setInterval(() => {
      setRun((before) => runOn(before, (TICK_MS / 1000) * speed, Math.random));
    }, TICK_MS);
    return () => {
      clearInterval(timer);
    };
  }, [speed, isOver]);
  return {
    run,
    events,
    act: (act) => {
      setRun((before) => actInRun(before, act));
    },
    note: (happening) => {
      const at = new Date(run.began + run.pot.pot.seconds * 1000).toISOString();
      setEvents((before) => [...before, { id: freshId(), at, ...happening }]);
    },
  };
}
