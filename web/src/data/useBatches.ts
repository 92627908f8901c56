import { sharesOfWeight, type Batch, type BatchDraft } from '@usual-pantry/core/batch';
import type { MadeRun } from '@usual-pantry/core/plan';
import { sayShortDay, type Day } from '@usual-pantry/core/quantity';
import { sayBatches, type BatchCount } from '@usual-pantry/core/recipe';
import { said } from './notices';
import { useAppDispatch } from './store';
import { useSeasonBook } from './useSeason';
import {
  useFinishBatchesMutation,
  useMakeBatchesMutation,
  useTakeBackBatchesMutation,
  useWeighBatchesMutation,
} from './batches';
import { sayRefusal, type Refusal } from '../parts/refusal';

/** What is said of batches when they are made. */
export interface MadeNow {
  readonly recipeId: string;
  readonly recipeName: string;
  readonly on: Day;
  readonly batches: readonly BatchCount[];
  readonly state: Batch['state'];
  /** All of them together, weighed, g; null when nobody weighed them. */
  readonly grams: number | null;
  /** Packs that were opened for them and were not on hand, g. */
  readonly opened: { ingredientId: string; grams: number }[];
  /** Ingredients that did not come from the pantry. */
  readonly elsewhere: string[];
}

const draftsOf = ({ recipeId, on, batches, state, grams }: MadeNow): BatchDraft[] => {
  const sizes = batches.flatMap(({ size, count }) => Array.from({ length: count }, () => size));
  const shares = sharesOfWeight(sizes, grams);
  return sizes.map((size, index) => ({
    recipeId,
    on,
    size,
    state,
    grams: shares[index] ?? null,
    finishedOn: null,
    stageDays: [],
    taken: [],
    log: null,
    notes: '',
  }));
};

const versioned = ({ id, version }: Batch) => ({ id, version });

/** Says of batches that they were made, finished, or not made after all; each can be undone. */
export function useBatches() {
  const dispatch = useAppDispatch();
  const { season } = useSeasonBook();
  const [make] = useMakeBatchesMutation();
  const [finish] = useFinishBatchesMutation();
  const [weigh] = useWeighBatchesMutation();
  const [takeBack] = useTakeBackBatchesMutation();
  const storedOf = ({ batchIds }: MadeRun): Batch[] => {
    const byId = new Map(season?.data.batches.map((each) => [each.id, each]));
    return batchIds.flatMap((id) => byId.get(id) ?? []);
  };
  const refuse = (error: unknown) => {
    dispatch(said({ text: sayRefusal(error as Refusal), tone: 'trouble' }));
  };
  return {
    /** @throws Refusal, so that what was typed can stay */
    made: async (now: MadeNow): Promise<void> => {
      const { opened, elsewhere } = now;
      const how = now.state === 'failed' ? 'failed' : 'made';
      const label = `${sayBatches(now.batches)} of ${now.recipeName} ${how}, ${sayShortDay(now.on)}.`;
      await make({ batches: draftsOf(now), opened, elsewhere, label }).unwrap();
    },
    /** @param stage which stage of several, from 0; null for the last one */
    finished: async (
      what: string,
      made: readonly MadeRun[],
      on: Day | null,
      stage: number | null = null,
    ): Promise<void> => {
      const [done, notDone] = stage === null ? ['finished', 'not finished after all'] : ['done', 'not done after all'];
      const label = `${what} ${on === null ? notDone : done}.`;
      await finish({ batches: made.flatMap(storedOf).map(versioned), on, stage, label })
        .unwrap()
        .catch(refuse);
    },
    /** What batches of one day weighed after all. @throws Refusal */
    weighed: async (made: MadeRun, grams: number | null): Promise<void> => {
      const good = storedOf(made).filter(({ state }) => state === 'done');
      const shares = sharesOfWeight(
        good.map(({ size }) => size),
        grams,
      );
      const batches = good.map((batch, index) => ({ ...versioned(batch), grams: shares[index] ?? null }));
      await weigh({ batches, label: `${made.recipeName} weighed.` }).unwrap();
    },
    takenBack: async (made: MadeRun): Promise<void> => {
      const label = `${made.recipeName} of ${sayShortDay(made.day)} taken back.`;
      await takeBack({ batches: storedOf(made).map(versioned), label })
        .unwrap()
        .catch(refuse);
    },
    refuse,
  };
}
