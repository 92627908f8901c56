import type { MakingAnswer } from '@usual-pantry/core/api';
import {
  stagesOf,
  stateOf,
  weighOut,
  type Happening,
  type MakingEvent,
  type MakingState,
  type Stage,
  type WeighOut,
} from '@usual-pantry/core/making';
import type { RecipeFacts } from '@usual-pantry/core/recipe';
import { openBook } from '@usual-pantry/core/book';
import { useSyncExternalStore } from 'react';
import { makingStoreOf, type MakingStoreState } from '../data/makingStore';
import { useMakingsQuery } from '../data/makings';
import { useKept } from '../data/useKept';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';

/** A batch at the bench with everything that its screen shows. */
export interface Bench {
  readonly making: MakingAnswer;
  readonly season: SeasonBook;
  readonly facts: RecipeFacts;
  readonly events: readonly MakingEvent[];
  readonly store: MakingStoreState;
  readonly state: MakingState;
  readonly sheet: WeighOut;
  readonly stages: readonly Stage[];
  readonly stage: Stage;
  /** Multiple of the base batch that is really made. */
  readonly size: number;
  readonly happen: (happening: Happening, at?: Date) => void;
}

/** What a batch of a recipe comes to by what has happened to it. */
export function benchOf(
  { making, season, facts, store }: Pick<Bench, 'making' | 'season' | 'facts' | 'store'>,
  happen: Bench['happen'],
): Bench | null {
  const { kitchen } = season.data;
  const { events } = store;
  const state = stateOf(facts.recipe, events);
  const sheet = weighOut(facts, making.size, state, season.book, kitchen.scaleStepGrams);
  const size = making.size * state.factor;
  const stages = stagesOf(facts, size, season.book, kitchen, sheet.lines);
  const stage = stages[state.stage];
  return stage ? { making, season, facts, events, store, state, sheet, stages, stage, size, happen } : null;
}

/** A batch at the bench; null as long as it is not there, and why when it will not be. */
export function useBench(id: string): { readonly bench: Bench | null; readonly trouble: string | null } {
  const { data: asked, isError } = useMakingsQuery();
  const { season: current, error } = useSeasonBook();
  const makings = useKept('makings', asked, isError);
  const data = useKept('book', current?.data, error !== undefined);
  const season = current ?? (data ? { data, book: openBook(data) } : null);
  const kept = makingStoreOf(id);
  const store = useSyncExternalStore(kept.listen, kept.now);
  const making = makings?.find((each) => each.id === id);
  const facts = making && season?.book.recipes.get(making.recipeId);
  if (!making || !season || !facts || !store.isThere) {
    const isGone = makings && season && (!making || !facts);
    const isAway = (isError || error !== undefined) && !isGone;
    return {
      bench: null,
      trouble: isGone
        ? 'There is no such batch at the bench. It may have been put away.'
        : isAway
          ? 'The kitchen’s server does not answer. What has happened to the batch is kept here, and shown again as soon as it does.'
          : null,
    };
  }
  const bench = benchOf({ making, season, facts, store }, (happening, at) => {
    kept.happen(happening, at);
  });
  return { bench, trouble: null };
}
