import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState } from 'react';
import { useForm, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { keepDraft, takeDraft, dropDraft } from './drafts';
import { useEdit } from '../data/useEdit';
import type { Drafts, Noun, Stored } from '../data/records';
import type { Refusal } from '../parts/refusal';

/** What a form works on. */
interface Options<N extends Noun> {
  readonly noun: N;
  readonly schema: z.ZodType<Drafts[N], FieldValues>;
  /** The stored record, or null for a new one. */
  readonly record: Stored<N> | null;
  /** What a new one starts from. */
  readonly fresh: Drafts[N];
  /** Under which name the typing of a new one is kept. */
  readonly newKey?: string;
  /** Called when a new record has been stored. */
  readonly onSaved: (record: Stored<N>) => void;
}

/** A form of one record, with what happened when it was last saved. */
export interface RecordForm<N extends Noun> {
  readonly form: UseFormReturn<FieldValues, unknown, Drafts[N]>;
  readonly save: () => Promise<void>;
  readonly trouble: string | null;
  /** The record as someone else left it, when the edit was stale. */
  readonly theirs: Stored<N> | null;
  readonly keepMine: () => Promise<void>;
  readonly takeTheirs: () => void;
  /** Whether the typing of an earlier visit was brought back. */
  readonly restored: boolean;
  readonly discard: () => void;
}

const draftOf = <N extends Noun>({ id: _id, version: _version, ...draft }: Stored<N>): FieldValues => draft;

/** `lines[0].count` as the form writes it: `lines.0.count`. */
const formPath = (path: string): Path<FieldValues> => path.replace(/\[(\d+)\]/g, '.$1');

/**
 * A form that loses nothing: unsaved typing outlives a reload, a failed save and a stale edit; wrong values are shown at their field.
 */
export function useRecordForm<N extends Noun>({
  noun,
  schema,
  record,
  fresh,
  newKey = 'new',
  onSaved,
}: Options<N>): RecordForm<N> {
  const edit = useEdit();
  const key = `${noun} ${record?.id ?? newKey}`;
  const stored: FieldValues = record ? draftOf(record) : fresh;
  const [kept] = useState(() => takeDraft(key));
  const [base, setBase] = useState<Stored<N> | null>(
    record && kept ? { ...record, version: Math.min(kept.version, record.version) } : record,
  );
  const [trouble, setTrouble] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<Stored<N> | null>(null);
  const [restored, setRestored] = useState(kept !== null);
  const form = useForm<FieldValues, unknown, Drafts[N]>({
    resolver: zodResolver(schema),
    defaultValues: stored,
    mode: 'onTouched',
  });

  const [dirty, setDirty] = useState(kept !== null);
  const first = useRef(true);
  /** Under which name typing is kept: a new record that is stored is new no more, though its page may not have changed yet. */
  const keeps = useRef({ key, version: 0 });
  /** While what is stored is put into the form, nothing of it is typing. */
  const settling = useRef(false);
  useEffect(() => {
    if (base) keeps.current = { key: `${noun} ${base.id}`, version: base.version };
    const stop = form.subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty = false }) => {
        setDirty(isDirty);
        if (isDirty && !settling.current) keepDraft(keeps.current.key, { version: keeps.current.version, values });
      },
    });
    if (first.current && kept) form.reset(kept.values, { keepDefaultValues: true });
    first.current = false;
    return stop;
  }, [form, kept, base, noun]);

  // Someone else saved it, and nothing is typed here: take theirs.
  const newer = record && base && record.version > base.version && !dirty ? record : null;
  if (newer) setBase(newer);
  const shown = useRef(base);
  useEffect(() => {
    if (base === shown.current) return;
    shown.current = base;
    if (base && !dirty) form.reset(draftOf(base));
  }, [base, dirty, form]);

  /** @param sent all that was in the form when it was sent */
  const takeStored = (saved: Stored<N>, typed: Drafts[N], sent: string) => {
    const isNew = saved.id !== record?.id;
    keeps.current = { key: `${noun} ${saved.id}`, version: saved.version };
    setBase(saved);
    shown.current = saved;
    setTheirs(null);
    setRestored(false);
    const stored = draftOf(saved);
    const now = form.getValues();
    const meanwhile = JSON.stringify(now) !== sent;
    // What was stored is what was typed, nearly always: then no field needs to be drawn again.
    settling.current = true;
    form.reset(stored, { keepValues: !meanwhile && JSON.stringify(stored) === JSON.stringify(typed) });
    settling.current = false;
    dropDraft(key);
    // What was typed while it was being stored is typed on top of what is stored.
    if (meanwhile) {
      keepDraft(keeps.current.key, { version: saved.version, values: now });
      if (!isNew) form.reset(now, { keepDefaultValues: true });
    }
    if (isNew) onSaved(saved);
  };

  const refuse = (refusal: Refusal) => {
    const { code, message, wrong, current } = refusal;
    const fields = new Set(Object.keys(form.getValues()));
    const placed = (wrong ?? []).filter(({ path }) => fields.has(/^\w+/.exec(path)?.[0] ?? ''));
    for (const { path, message: text } of placed)
      form.setError(formPath(path), { type: 'server', message: text }, { shouldFocus: true });
    const rest = (wrong ?? []).filter((each) => !placed.includes(each));
    setTrouble([message, ...rest.map((each) => `${each.path}: ${each.message}.`)].join(' '));
    if (code === 'stale') setTheirs(current as Stored<N>);
  };

  const write = (draft: Drafts[N], from: Stored<N> | null) =>
    from ? edit.change(noun, from, draft) : edit.add(noun, draft);

  const store = async (draft: Drafts[N], from: Stored<N> | null) => {
    setTrouble(null);
    const sent = JSON.stringify(form.getValues());
    try {
      takeStored(await write(draft, from), draft, sent);
    } catch (error) {
      refuse(error as Refusal);
    }
  };

  /** Puts what is stored in the place of what was typed, and forgets the typing. */
  const forget = (values: FieldValues) => {
    settling.current = true;
    form.reset(values);
    settling.current = false;
    dropDraft(key);
  };

  const complain = () => {
    setTrouble('Some values cannot be right; each is marked. Nothing was saved, nothing is lost.');
  };

  return {
    form,
    save: () => form.handleSubmit((draft) => store(draft, base), complain)(),
    trouble,
    theirs,
    keepMine: () => form.handleSubmit((draft) => store(draft, theirs), complain)(),
    takeTheirs: () => {
      if (!theirs) return;
      setBase(theirs);
      forget(draftOf(theirs));
      setTheirs(null);
      setTrouble(null);
    },
    restored,
    discard: () => {
      setBase(record);
      forget(stored);
      setTrouble(null);
      setTheirs(null);
      setRestored(false);
    },
  };
}
