import { said } from './notices';
import { useAppDispatch } from './store';
import { useAddMutation, useChangeMutation, useRemoveMutation, type Drafts, type Noun, type Stored } from './records';
import type { Refusal } from '../parts/refusal';

/**
 * Adds, changes and deletes records. Refusals are thrown, but for those of a deletion. A label is what the change is called; without one it
 * has the name of the record.
 */
export function useEdit() {
  const dispatch = useAppDispatch();
  const [add] = useAddMutation();
  const [change] = useChangeMutation();
  const [remove] = useRemoveMutation();
  return {
    async add<N extends Noun>(noun: N, draft: Drafts[N], label?: string, id?: string): Promise<Stored<N>> {
      return (await add({ noun, draft, id, label }).unwrap()) as unknown as Stored<N>;
    },
    async change<N extends Noun>(noun: N, before: Stored<N>, draft: Drafts[N], label?: string): Promise<Stored<N>> {
      const { id, version } = before;
      return (await change({ noun, id, version, draft, label }).unwrap()) as unknown as Stored<N>;
    },
    /** @returns whether it was deleted; a refusal is said with the list of users */
    async remove(noun: Noun, { id, version }: Stored): Promise<boolean> {
      try {
        await remove({ noun, id, version }).unwrap();
        return true;
      } catch (error) {
        const { message, users } = error as Refusal;
        const names = users?.map((user) => `${user.name} (${user.noun})`).join(', ');
        dispatch(said({ text: names ? `${message} Used by: ${names}.` : message, tone: 'trouble' }));
        return false;
      }
    },
  };
}
