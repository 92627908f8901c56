import { sayDay } from '@usual-pantry/core/quantity';
import { api, useMoveRunMutation, usePinRunMutation, type Refusal } from '../app/api';
import { recorded, said } from '../app/history';
import { useAppDispatch, useAppStore } from '../app/store';

/** The name of a recipe in the plan that is on the screen. */
type NameOf = (recipeId: string) => string;

/** Changes of the plan that can be taken back, and the start of a new one. Refusals are said. */
export function usePlanEdit() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const [moveRun] = useMoveRunMutation();
  const [pinRun] = usePinRunMutation();
  const nameOf: NameOf = (recipeId) =>
    api.endpoints.plan
      .select()(store.getState())
      .data?.runs.find((run) => run.recipeId === recipeId)?.recipeName ?? 'It';
  const refuse = (error: unknown) => {
    const { message, wrong } = error as Refusal;
    dispatch(said({ text: [message, ...(wrong ?? []).map((each) => each.message)].join(' '), tone: 'trouble' }));
  };
  return {
    move: async (recipeId: string, from: string, to: string): Promise<void> => {
      if (from === to) return;
      const label = `${nameOf(recipeId)} moved to ${sayDay(to)} and pinned there.`;
      try {
        const { before, after } = await moveRun({ recipeId, from, to }).unwrap();
        dispatch(recorded({ label, parts: [{ noun: 'plan', id: 'plan', before, after }] }));
      } catch (error) {
        refuse(error);
      }
    },
    pin: async (recipeId: string, day: string, pinned: boolean): Promise<void> => {
      const label = `${nameOf(recipeId)} ${pinned ? `pinned to ${sayDay(day)}` : 'let go'}.`;
      try {
        const { before, after } = await pinRun({ recipeId, day, pinned }).unwrap();
        dispatch(recorded({ label, parts: [{ noun: 'plan', id: 'plan', before, after }] }));
      } catch (error) {
        refuse(error);
      }
    },
    startPlan: async (): Promise<void> => {
      try {
        await dispatch(api.endpoints.startPlan.initiate()).unwrap();
        await dispatch(api.endpoints.planJob.initiate(undefined, { forceRefetch: true, subscribe: false }));
      } catch (error) {
        refuse(error);
      }
    },
  };
}
