import { zodResolver } from '@hookform/resolvers/zod';
import type { StoredKitchen } from '@usual-pantry/core/api';
import { kitchenDraftSchema, type KitchenDraft } from '@usual-pantry/core/kitchen';
import { useEffect, useRef, useState } from 'react';
import { useForm, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { useSaveKitchenMutation } from '../data/book';
import type { Refusal } from '../parts/refusal';
import { dropDraft, keepDraft, takeDraft } from './drafts';

/** Under which name unsaved settings are kept. */
const KEY = 'kitchen';

/** The one record of settings as a form that loses nothing: what was typed outlives a reload and leaving the page. */
export function useKitchenForm(
  { version, ...draft }: StoredKitchen,
  label?: string,
): {
  readonly form: UseFormReturn<FieldValues, unknown, KitchenDraft>;
  readonly save: () => Promise<void>;
  readonly isSaving: boolean;
  readonly trouble: string | null;
  /** Whether the typing of an earlier visit was brought back. */
  readonly restored: boolean;
  readonly discard: () => void;
} {
  const [store, { isLoading }] = useSaveKitchenMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [kept] = useState(() => takeDraft(KEY));
  const [restored, setRestored] = useState(kept !== null);
  const form = useForm<FieldValues, unknown, KitchenDraft>({
    resolver: zodResolver(kitchenDraftSchema as z.ZodType<KitchenDraft, FieldValues>),
    defaultValues: draft,
    mode: 'onTouched',
  });
  /** The version that what is typed started from. */
  const from = useRef(kept ? Math.min(kept.version, version) : version);
  useEffect(() => {
    if (kept) form.reset(kept.values, { keepDefaultValues: true });
    return form.subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty = false }) => {
        if (isDirty) keepDraft(KEY, { version: from.current, values });
      },
    });
  }, [form, kept]);
  const forget = () => {
    dropDraft(KEY);
    setRestored(false);
    setTrouble(null);
    from.current = version;
  };
  const save = () =>
    form.handleSubmit(async (settings) => {
      try {
        const kitchen = { ...settings, version: from.current };
        const { version: now, ...stored } = await store({ kitchen, ...(label ? { label } : {}) }).unwrap();
        forget();
        from.current = now;
        form.reset(stored, { keepValues: true });
      } catch (error) {
        setTrouble((error as Refusal).message);
      }
    })();
  return {
    form,
    save,
    isSaving: isLoading,
    trouble,
    restored,
    discard: () => {
      form.reset(draft);
      forget();
    },
  };
}
