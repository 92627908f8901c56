import { useEffect, useState } from 'react';
import { useAppDispatch } from './store';

/** A question that is being asked. */
interface Asking<Data> extends PromiseLike<{ readonly data?: Data | undefined; readonly error?: unknown }> {
  abort(): void;
  unsubscribe(): void;
}

/** Ways to ask one question, the one that is answered soonest first. Each asks anew. */
export type Steps<What, Data> = readonly ((what: What, dispatch: ReturnType<typeof useAppDispatch>) => Asking<Data>)[];

/** The best answer to a question so far; `isOver` once it is the last. */
export interface Asked<Data> {
  readonly data: Data | null;
  readonly error: unknown;
  readonly isOver: boolean;
}

/** Whether nothing better will be found, by what an answer says of itself. */
const isFinal = (data: unknown): boolean =>
  typeof data === 'object' && data !== null && 'isFinal' in data && data.isFinal === true;

const NOTHING = { data: null, error: null, isOver: false } as const;

/**
 * Asks a question in one way after another as long as the page shows it, each answer better than the one before; what is still being worked
 * out is given up when the page goes, or asks something else.
 * @param steps the same object each time
 * @param what is asked; null for nothing yet
 * @param ground what the answer rests on: it is asked anew when that is another
 */
export function useAsked<What, Data>(steps: Steps<What, Data>, what: What | null, ground: unknown): Asked<Data> {
  const dispatch = useAppDispatch();
  const key = what === null ? null : JSON.stringify(what);
  const [known, setKnown] = useState<{
    readonly key: string | null;
    readonly ground: unknown;
    readonly asked: Asked<Data>;
  } | null>(null);
  useEffect(() => {
    if (key === null) return undefined;
    let isGone = false;
    let running: Asking<Data> | null = null;
    const ask = async () => {
      let best: Data | null = null;
      for (const [at, step] of steps.entries()) {
        running = step(JSON.parse(key) as What, dispatch);
        const { data, error } = await running;
        running.unsubscribe();
        if (isGone) return;
        best = data ?? best;
        const isOver = data === undefined || at + 1 === steps.length || isFinal(data);
        setKnown({ key, ground, asked: { data: best, error: data === undefined ? error : null, isOver } });
        if (isOver) return;
      }
    };
    void ask();
    return () => {
      isGone = true;
      running?.abort();
    };
  }, [dispatch, steps, key, ground]);
  return known !== null && known.key === key && known.ground === ground ? known.asked : NOTHING;
}
