import { recorded, said } from './history';
import { useAppDispatch } from './store';
import { useAddMutation, useChangeMutation, useRemoveMutation, type Drafts, type Noun, type Stored } from './records';
import type { Refusal } from '../parts/refusal';

/** Adds, changes and deletes records so that each edit can be taken back. Refusals are thrown, but for those of a deletion. */
export function useEdit() {
  const dispatch = useAppDispatch();
  const [add] = useAddMutation();
  const [change] = useChangeMutation();
  const [remove] = useRemoveMutation();
  return {
    async add<N extends Noun>(noun: N, draft: Drafts[N], label: string, id?: string): Promise<Stored<N>> {
      const after = await add(id === undefined ? { noun, draft } : { noun, draft, id }).unwrap();
      dispatch(recorded({ label, parts: [{ noun, id: after.id, before: null, after }] }));
      return after as unknown as Stored<N>;
    },
    async change<N extends Noun>(noun: N, before: Stored<N>, draft: Drafts[N], label: string): Promise<Stored<N>> {
      const { id, version } = before;
      const after = await change({ noun, id, version, draft }).unwrap();
      dispatch(recorded({ label, parts: [{ noun, id, before, after }] }));
      return after as unknown as Stored<N>;
    },
    /** @returns whether it was deleted; a refusal is said with the list of users */
    async remove<N extends Noun>(noun: N, before: Stored<N>, label: string): Promise<boolean> {
      try {
        await remove({ noun, id: before.id, version: before.version }).unwrap();
        dispatch(recorded({ label, parts: [{ noun, id: before.id, before, after: null }] }));
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
