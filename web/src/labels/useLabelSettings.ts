import { labelSettingsSchema, type LabelSettings } from '@usual-pantry/core/kitchen';
import { useState } from 'react';
import { bookApi, useBookQuery, useSaveKitchenMutation } from '../data/book';
import { useAppStore } from '../data/store';
import type { Refusal } from '../parts/refusal';

/** New values, or what they are worked out from: the settings as they are when their turn has come. */
export type LabelChange = Partial<LabelSettings> | ((now: LabelSettings) => Partial<LabelSettings>);

/** Changes that are not stored yet: each starts from what the one before has left, however fast they are pressed. */
let last: Promise<unknown> = Promise.resolve();

/** How labels are written, and a way to change it at once; each change can be undone. */
export function useLabelSettings() {
  const { data } = useBookQuery();
  const store = useAppStore();
  const [save] = useSaveKitchenMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  const changeNow = async (change: LabelChange, label: string): Promise<boolean> => {
    const kitchen = bookApi.endpoints.book.select()(store.getState()).data?.kitchen;
    if (!kitchen) return false;
    const part = typeof change === 'function' ? change(kitchen.label) : change;
    const checked = labelSettingsSchema.safeParse({ ...kitchen.label, ...part });
    if (!checked.success) {
      const [issue] = checked.error.issues;
      setTrouble(`${label}: ${issue?.message ?? 'cannot be right'}.`);
      return false;
    }
    try {
      await save({ kitchen: { ...kitchen, label: checked.data }, label: `${label}.` }).unwrap();
      setTrouble(null);
      return true;
    } catch (error) {
      setTrouble((error as Refusal).message);
      return false;
    }
  };
  const change = (wanted: LabelChange, label: string): Promise<boolean> => {
    const done = last.then(() => changeNow(wanted, label));
    last = done;
    return done;
  };
  return { settings: data?.kitchen.label, change, trouble };
}
