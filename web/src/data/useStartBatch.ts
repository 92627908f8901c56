import type { Day } from '@usual-pantry/core/quantity';
import { useNavigate } from 'react-router';
import { sayRefusal, type Refusal } from '../parts/refusal';
import { freshId } from './freshId';
import { useStartMakingMutation } from './makings';
import { said } from './notices';
import { useAppDispatch } from './store';

/** Begins a batch at the bench and goes there. */
export function useStartBatch() {
  const [start, { isLoading }] = useStartMakingMutation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  return {
    isStarting: isLoading,
    begin: async (recipeId: string, size: number, on: Day): Promise<void> => {
      const id = freshId();
      try {
        await start({ id, recipeId, size, on, startedAt: new Date().toISOString() }).unwrap();
        await navigate(`/kitchen/batch/${id}`);
      } catch (error) {
        dispatch(said({ text: sayRefusal(error as Refusal), tone: 'trouble' }));
      }
    },
  };
}
