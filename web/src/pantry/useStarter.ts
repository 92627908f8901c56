import { sayCount } from '@usual-pantry/core/quantity';
import type { Starter } from '@usual-pantry/core/reading';
import { useTakeStartersMutation } from '../data/pantry';

/** Takes plain ingredients into the pantry, as one change. A refusal is thrown. */
export function useStarter(): (starters: readonly Starter[]) => Promise<void> {
  const [take] = useTakeStartersMutation();
  return async (starters) => {
    const [first, other] = starters;
    const what = first && !other ? first.name : sayCount(starters.length, 'ingredient');
    await take({ ids: starters.map(({ id }) => id), label: `${what} added.` }).unwrap();
  };
}
