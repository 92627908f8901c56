import type { StageMove } from '@usual-pantry/core/plan';
import { sayDay } from '@usual-pantry/core/quantity';
import { said } from './notices';
import { useAppDispatch, useAppStore } from './store';
import { planApi, useMoveRunMutation, useMoveStageMutation, usePinRunMutation } from './plan';
import { sayRefusal, type Refusal } from '../parts/refusal';

/** The name of a recipe in the plan that is on the screen. */
type NameOf = (recipeId: string) => string;

/** Changes of the plan that can be taken back, and the start of a new one. Refusals are said. */
export function usePlanEdit() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [moveRun] = useMoveRunMutation();
  const [moveStage] = useMoveStageMutation();
  const [pinRun] = usePinRunMutation();
  const nameOf: NameOf = (recipeId) =>
    planApi.endpoints.planRuns
      .select()(store.getState())
      .data?.runs.find((run) => run.recipeId === recipeId)?.recipeName ?? 'It';
  const refuse = (error: unknown) => {
    dispatch(said({ text: sayRefusal(error as Refusal), tone: 'trouble' }));
  };
  return {
    move: async (recipeId: string, from: string, to: string): Promise<void> => {
      if (from === to) return;
      const label = `${nameOf(recipeId)} moved to ${sayDay(to)} and pinned there.`;
      try {
        await moveRun({ recipeId, from, to, label }).unwrap();
      } catch (error) {
        refuse(error);
      }
    },
    /** @param what the stage and its piece, in words */
    moveStage: async (what: string, move: StageMove): Promise<void> => {
      if (move.from === move.to) return;
      try {
        await moveStage({ ...move, label: `${what} moved to ${sayDay(move.to)} and pinned there.` }).unwrap();
      } catch (error) {
        refuse(error);
      }
    },
    pin: async (recipeId: string, day: string, pinned: boolean): Promise<void> => {
      const label = `${nameOf(recipeId)} ${pinned ? `pinned to ${sayDay(day)}` : 'let go'}.`;
      try {
        await pinRun({ recipeId, day, pinned, label }).unwrap();
      } catch (error) {
        refuse(error);
      }
    },
    startPlan: async (): Promise<void> => {
      try {
        await dispatch(planApi.endpoints.startPlan.initiate()).unwrap();
        await dispatch(planApi.endpoints.planJob.initiate(undefined, { forceRefetch: true, subscribe: false }));
      } catch (error) {
        refuse(error);
      }
    },
  };
}
