import { judgeReading, noReadings, type Reading } from '@usual-pantry/core/cooking';
import { fillingGate, isBelieved, traceOf, type TracePoint } from '@usual-pantry/core/making';
import { useEffect, useEffectEvent, useState } from 'react';
import { listenTo } from '../data/deviceLine';
import type { Bench } from './useBench';
import { useDevices } from './useDevices';

/** What is read is kept so often, ms, or as soon as it is so much. */
const KEEP_MS = 3_000;
const KEEP_COUNT = 200;
/** And drawn so often. */
const DRAW_MS = 450;
/** A probe that has said nothing for so long is away, ms. */
const AWAY_MS = 6_000;

/** What a thermometer shows of a batch in a stage. */
export interface Readings {
  readonly points: readonly TracePoint[];
  /** Whether a probe is said to be there and says nothing. */
  readonly isAway: boolean;
  /** The moment by the clock of the readings: a simulated pot may be faster than the wall. */
  readonly at: () => Date;
  /** What somebody has read from a thermometer. */
  readonly tapped: (celsius: number) => void;
}

/** What the probe says in this stage, judged and kept. */
function useProbe(
  bench: Bench,
  isOn: boolean,
): { readonly live: readonly TracePoint[]; readonly heardAt: number | null } {
  const [live, setLive] = useState<readonly TracePoint[]>([]);
  const [heardAt, setHeardAt] = useState<number | null>(null);
  const { stage } = bench.stage;
  const keep = useEffectEvent((pending: readonly TracePoint[]) => {
    const [first] = pending;
    if (!first) return;
    const values = pending.map(({ at, celsius, mark }) => [Math.max(0, at - first.at), celsius, mark] as const);
    bench.happen({ kind: 'readings', stage, values }, new Date(first.at));
  });
  const lastGood = useEffectEvent((): Reading | null => {
    const last = traceOf(bench.events, stage).findLast(isBelieved);
    return last ? { seconds: last.at / 1000, celsius: last.celsius } : null;
  });
  useEffect(() => {
    if (!isOn) return undefined;
    let pending: TracePoint[] = [];
    let keptAt = Date.now();
    let drawnAt = 0;
    let trust = { ...noReadings, last: lastGood() };
    const flush = () => {
      keep(pending);
      pending = [];
      keptAt = Date.now();
      setLive([]);
    };
    const end = listenTo('probe', ({ at, celsius }) => {
      const moment = Date.parse(at);
      const now = Date.now();
      if (celsius !== null) {
        const judged = judgeReading(trust, { seconds: moment / 1000, celsius });
        ({ trust } = judged);
        pending.push({ at: moment, celsius, mark: judged.mark });
      }
      if (pending.length >= KEEP_COUNT || now - keptAt > KEEP_MS) flush();
      else if (now - drawnAt > DRAW_MS) setLive([...pending]);
      else return;
      drawnAt = now;
      setHeardAt(now);
    });
    return () => {
      end();
      flush();
    };
  }, [isOn, stage]);
  return { live, heardAt };
}

/** Whether a thermometer has anything to say in a stage: of a pot, of chocolate, of a filling before its shells. */
function isRead({ stage, stages, facts, season }: Bench): boolean {
  const isLast = stage.stage === stages.length - 2;
  return stage.cooks || stage.tempers !== null || (isLast && fillingGate(facts, season.book) !== null);
}

/** What the thermometer has shown in this stage: by the probe, where one is there, or by hand. */
export function useReadings(bench: Bench, now: number): Readings {
  const { devices } = useDevices();
  const { stage, happen, events } = bench;
  const isOn = devices.probe !== 'none' && isRead(bench);
  const { live, heardAt } = useProbe(bench, isOn);
  const points = [...traceOf(events, stage.stage), ...live];
  const newest = points.at(-1)?.at;
  return {
    points,
    isAway: isOn && heardAt !== null && now - heardAt > AWAY_MS,
    at: () => new Date(isOn && newest !== undefined ? newest : Date.now()),
    tapped: (celsius) => {
      happen({ kind: 'readings', stage: stage.stage, values: [[0, celsius, 'tapped']] });
    },
  };
}
