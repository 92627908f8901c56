import { useEffect, useState } from 'react';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import { useDebouncedCallback } from 'use-debounce';
import { PROMISE } from '../data/plan';
import { useAsked } from '../data/useAsked';
import { useSeasonBook } from '../data/useSeason';

const PAUSE_MS = 250;
/** Only what takes longer is said to be worked out. */
const SLOW_MS = 400;

/** How far the answer to a question is: an answer always belongs to what is asked now. */
export type PromiseState =
  | { readonly state: 'none' }
  | { readonly state: 'asking' }
  | { readonly state: 'failed' }
  /** `isOver` once no better answer is looked for. */
  | { readonly state: 'answered'; readonly check: PromiseCheck; readonly isOver: boolean };

/** Gives whether an order can be promised, asked anew when it changes: soon as the plan stands, then with other plans. What was asked before is given up. */
export function usePromise(draft: OrderDraft, id: string | undefined): PromiseState {
  const { season } = useSeasonBook();
  const { customer: _customer, notes: _notes, depositMinor: _deposit, words: _words, ...asked } = draft;
  const now = JSON.stringify({ ...asked, customer: { name: 'asked' }, ...(id === undefined ? {} : { id }) });
  const [question, setQuestion] = useState<string | null>(null);
  const ask = useDebouncedCallback(setQuestion, PAUSE_MS);
  useEffect(() => {
    ask(now);
  }, [ask, now]);
  const isAsked = question === now;
  const { data, error, isOver } = useAsked(
    PROMISE,
    isAsked ? (JSON.parse(now) as OrderDraft & { id?: string }) : null,
    season,
  );
  const [slow, setSlow] = useState<string | null>(null);
  useEffect(() => {
    const late = setTimeout(() => {
      setSlow(question);
    }, SLOW_MS);
    return () => {
      clearTimeout(late);
    };
  }, [question]);
  if (!isAsked) return { state: 'none' };
  if (data) return { state: 'answered', check: data, isOver };
  if (error) return { state: 'failed' };
  return slow === question ? { state: 'asking' } : { state: 'none' };
}
