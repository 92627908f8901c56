import type { LabelSettings } from '@usual-pantry/core/kitchen';
import { labelSettingsSchema } from '@usual-pantry/core/kitchen';
import { useState } from 'react';
import { useBookQuery, useSaveKitchenMutation } from '../data/book';
import type { Refusal } from '../parts/refusal';

/** How labels are written, and a way to change it at once; each change can be undone. */
export function useLabelSettings() {
  const { data } = useBookQuery();
  const [store, { isLoading }] = useSaveKitchenMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  const kitchen = data?.kitchen;
  const change = async (part: Partial<LabelSettings>, label: string): Promise<boolean> => {
    if (!kitchen) return false;
    const checked = labelSettingsSchema.safeParse({ ...kitchen.label, ...part });
    if (!checked.success) {
      const [issue] = checked.error.issues;
      setTrouble(`${label}: ${issue?.message ?? 'cannot be right'}.`);
      return false;
    }
    try {
      await store({ kitchen: { ...kitchen, label: checked.data }, label: `${label}.` }).unwrap();
      setTrouble(null);
      return true;
    } catch (error) {
      setTrouble((error as Refusal).message);
      return false;
    }
  };
  return { settings: kitchen?.label, change, isLoading, trouble };
}
