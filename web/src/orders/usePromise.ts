import { useEffect, useState } from 'react';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import { useAppDispatch } from '../data/store';
import { useSeasonBook } from '../data/useSeason';
import { useDebouncedCallback } from 'use-debounce';
import { planApi } from '../data/plan';

const PAUSE_MS = 250;
/** Only what takes longer is said to be worked out. */
const SLOW_MS = 400;

/** How far the answer to a question is: an answer always belongs to what is asked now. */
export type PromiseState =
  | { readonly state: 'none' }
  | { readonly state: 'asking' }
  | { readonly state: 'failed' }
  | { readonly state: 'answered'; readonly check: PromiseCheck };

const NOT_YET: PromiseState = { state: 'none' };

/** Whether an order can be promised, asked anew when it changes; what was asked before is given up then. */
export function usePromise(draft: OrderDraft, id: string | undefined): PromiseState {
  const dispatch = useAppDispatch();
  const { season } = useSeasonBook();
  const { customer: _customer, notes: _notes, depositMinor: _deposit, words: _words, ...asked } = draft;
  const now = JSON.stringify({ ...asked, customer: { name: 'asked' }, ...(id === undefined ? {} : { id }) });
  const [question, setQuestion] = useState<string | null>(null);
  const ask = useDebouncedCallback(setQuestion, PAUSE_MS);
  useEffect(() => {
    ask(now);
  }, [ask, now]);
  const [known, setKnown] = useState<{ readonly question: string; readonly answer: PromiseState } | null>(null);
  useEffect(() => {
    if (question === null) return undefined;
    const order = JSON.parse(question) as OrderDraft & { id?: string };
    const asking = dispatch(planApi.endpoints.promise.initiate(order, { forceRefetch: true }));
    const slow = setTimeout(() => {
      setKnown({ question, answer: { state: 'asking' } });
    }, SLOW_MS);
    let isOver = false;
    void asking.then(({ data }) => {
      clearTimeout(slow);
      if (isOver) return;
      const answer: PromiseState = data ? { state: 'answered', check: data } : { state: 'failed' };
      setKnown({ question, answer });
    });
    return () => {
      isOver = true;
      clearTimeout(slow);
      asking.abort();
      asking.unsubscribe();
    };
  }, [dispatch, question, season]);
  return known !== null && known.question === now ? known.answer : NOT_YET;
}
