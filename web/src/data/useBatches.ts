import { sharesOfWeight, type Batch, type BatchDraft } from '@usual-pantry/core/batch';
import type { MadeRun } from '@usual-pantry/core/plan';
import { sayShortDay, type Day } from '@usual-pantry/core/quantity';
import { sayBatches, type BatchCount } from '@usual-pantry/core/recipe';
import { recorded, said } from './history';
import { useAppDispatch } from './store';
import { useSeasonBook } from './useSeason';
import { useChangeMutation, useRemoveMutation, type Stored } from './records';
import { useFinishBatchesMutation, useMakeBatchesMutation } from './batches';
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
    taken: [],
    notes: '',
  }));
};

/** Says of batches that they were made, finished, or not made after all; each can be taken back. */
export function useBatches() {
  const dispatch = useAppDispatch();
  const { season } = useSeasonBook();
  const [make] = useMakeBatchesMutation();
  const [finish] = useFinishBatchesMutation();
  const [change] = useChangeMutation();
  const [remove] = useRemoveMutation();
  const storedOf = ({ batchIds }: MadeRun): Batch[] => {
    const byId = new Map(season?.data.batches.map((each) => [each.id, each]));
    return batchIds.flatMap((id) => byId.get(id) ?? []);
  };
  const keep = (label: string, changes: readonly { before: Stored | null; after: Stored | null }[]) => {
    const parts = changes.map(({ before, after }) => ({
      noun: 'batch' as const,
      id: (before ?? after)?.id ?? '',
      before,
      after,
    }));
    if (parts.length > 0) dispatch(recorded({ label, parts }));
  };
  const refuse = (error: unknown) => {
    dispatch(said({ text: sayRefusal(error as Refusal), tone: 'trouble' }));
  };
  return {
    /** @throws Refusal, so that what was typed can stay */
    made: async (now: MadeNow): Promise<void> => {
      const { opened, elsewhere } = now;
      const after = await make({ batches: draftsOf(now), opened, elsewhere }).unwrap();
      const how = now.state === 'failed' ? 'failed' : 'made';
      keep(`${sayBatches(now.batches)} of ${now.recipeName} ${how}, ${sayShortDay(now.on)}.`, after.map((each) => ({ before: null, after: each }))); // prettier-ignore
    },
    finished: async (what: string, made: readonly MadeRun[], on: Day | null): Promise<void> => {
      const batches = made.flatMap(storedOf).map(({ id, version }) => ({ id, version }));
      try {
        keep(`${what} ${on === null ? 'not finished after all' : 'finished'}.`, await finish({ batches, on }).unwrap());
      } catch (error) {
        refuse(error);
      }
    },
    /** What batches of one day weighed after all. @throws Refusal */
    weighed: async (made: MadeRun, grams: number | null): Promise<void> => {
      const good = storedOf(made).filter(({ state }) => state === 'done');
      const shares = sharesOfWeight(
        good.map(({ size }) => size),
        grams,
      );
      const changes: { before: Stored; after: Stored }[] = [];
      for (const [index, before] of good.entries()) {
        const { id, version, ...draft } = before;
        const share = shares[index] ?? null;
        changes.push({ before, after: await change({ noun: 'batch', id, version, draft: { ...draft, grams: share } }).unwrap() }); // prettier-ignore
      }
      keep(`${made.recipeName} weighed.`, changes);
    },
    takenBack: async (made: MadeRun): Promise<void> => {
      const changes: { before: Stored; after: null }[] = [];
      try {
        for (const before of storedOf(made)) {
          await remove({ noun: 'batch', id: before.id, version: before.version }).unwrap();
          changes.push({ before, after: null });
        }
      } catch (error) {
        refuse(error);
      }
      keep(`${made.recipeName} of ${sayShortDay(made.day)} taken back.`, changes);
    },
    refuse,
  };
}
