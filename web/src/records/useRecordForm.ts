import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState } from 'react';
import { useForm, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { useNavigate, useNavigation } from 'react-router';
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
  /** Where a new record that was stored is looked at; not gone to when the page was left while it was being stored. */
  readonly addressOf: (record: Stored<N>) => string;
  /** Called when a new record has been stored. */
  readonly onAdded?: (() => void) | undefined;
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

/** Typing of an earlier visit, the form that it is put back into, and where further typing is kept. */
function useKeptTyping<N extends Noun>({ noun, schema, record, fresh, newKey = 'new' }: Options<N>) {
  const key = `${noun} ${record?.id ?? newKey}`;
  const [kept] = useState(() => takeDraft(key));
  const form = useForm<FieldValues, unknown, Drafts[N]>({
    resolver: zodResolver(schema),
    defaultValues: record ? draftOf(record) : fresh,
    mode: 'onTouched',
  });
  const [dirty, setDirty] = useState(kept !== null);
  const first = useRef(true);
  /** Under which name typing is kept: a new record that is stored is new no more, though its page may not have changed yet. */
  const keeps = useRef({ key, version: 0 });
  /** While what is stored is put into the form, nothing of it is typing. */
  const isFilling = useRef(false);
  const [base, setBase] = useState<Stored<N> | null>(
    record && kept ? { ...record, version: Math.min(kept.version, record.version) } : record,
  );
  useEffect(() => {
    if (base) keeps.current = { key: `${noun} ${base.id}`, version: base.version };
    const stop = form.subscribe({
      formState: { values: true, isDirty: true },
      callback: ({ values, isDirty = false }) => {
        setDirty(isDirty);
        if (isDirty && !isFilling.current) keepDraft(keeps.current.key, { version: keeps.current.version, values });
      },
    });
    if (first.current && kept) form.reset(kept.values, { keepDefaultValues: true });
    first.current = false;
    return stop;
  }, [form, kept, base, noun]);
  /** Puts what is stored into the form, and forgets what was typed. */
  const fill = (values: FieldValues, keepValues = false) => {
    isFilling.current = true;
    form.reset(values, { keepValues });
    isFilling.current = false;
    dropDraft(key);
  };
  /** @param typed on top of what has just been stored */
  const keepOn = ({ id, version }: Stored<N>, typed: FieldValues | null) => {
    keeps.current = { key: `${noun} ${id}`, version };
    if (typed) keepDraft(keeps.current.key, { version, values: typed });
  };
  return { form, dirty, base, setBase, wasKept: kept !== null, fill, keepOn };
}

/** Takes what somebody else has saved into a form in which nothing is typed. @returns says what the form shows by now */
function useOthersEdits<N extends Noun>(
  record: Stored<N> | null,
  { form, dirty, base, setBase }: ReturnType<typeof useKeptTyping<N>>,
): (shown: Stored<N>) => void {
  const newer = record && base && record.version > base.version && !dirty ? record : null;
  if (newer) setBase(newer);
  const shown = useRef(base);
  useEffect(() => {
    if (base === shown.current) return;
    shown.current = base;
    if (base && !dirty) form.reset(draftOf(base));
  }, [base, dirty, form]);
  return (now) => {
    setBase(now);
    shown.current = now;
  };
}

/** Marks each wrong value at its field. @returns what belongs to no field, in words */
function markWrong<N extends Noun>(form: RecordForm<N>['form'], { message, wrong = [] }: Refusal): string {
  const fields = new Set(Object.keys(form.getValues()));
  const placed = wrong.filter(({ path }) => fields.has(/^\w+/.exec(path)?.[0] ?? ''));
  for (const { path, message: text } of placed)
    form.setError(formPath(path), { type: 'server', message: text }, { shouldFocus: true });
  const rest = wrong.filter((each) => !placed.includes(each));
  return [message, ...rest.map((each) => `${each.path}: ${each.message}.`)].join(' ');
}

/**
 * A form that loses nothing: unsaved typing outlives a reload, a failed save and a stale edit; wrong values are shown at their field.
 */
export function useRecordForm<N extends Noun>(options: Options<N>): RecordForm<N> {
  const { noun, record, fresh, addressOf, onAdded } = options;
  const navigate = useNavigate();
  const isStaying = useNavigation().state === 'idle';
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = isStaying;
    return () => {
      isHere.current = false;
    };
  }, [isStaying]);
  const edit = useEdit();
  const typing = useKeptTyping(options);
  const { form, base, setBase, fill, keepOn } = typing;
  const show = useOthersEdits(record, typing);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<Stored<N> | null>(null);
  const [restored, setRestored] = useState(typing.wasKept);

  /** @param sent all that was in the form when it was sent */
  const takeStored = (saved: Stored<N>, typed: Drafts[N], sent: string) => {
    const isNew = saved.id !== record?.id;
    const stored = draftOf(saved);
    const now = form.getValues();
    const meanwhile = JSON.stringify(now) !== sent;
    show(saved);
    setTheirs(null);
    setRestored(false);
    keepOn(saved, null);
    // What was stored is what was typed, nearly always: then no field needs to be drawn again.
    fill(stored, !meanwhile && JSON.stringify(stored) === JSON.stringify(typed));
    // What was typed while it was being stored is typed on top of what is stored.
    if (meanwhile) {
      keepOn(saved, now);
      if (!isNew) form.reset(now, { keepDefaultValues: true });
    }
    if (!isNew) return;
    onAdded?.();
    if (isHere.current) void navigate(addressOf(saved), { replace: true });
  };

  const store = async (draft: Drafts[N], from: Stored<N> | null) => {
    setTrouble(null);
    const sent = JSON.stringify(form.getValues());
    try {
      takeStored(await (from ? edit.change(noun, from, draft) : edit.add(noun, draft)), draft, sent);
    } catch (error) {
      const refusal = error as Refusal;
      setTrouble(markWrong(form, refusal));
      if (refusal.code === 'stale') setTheirs(refusal.current as Stored<N>);
    }
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
      fill(draftOf(theirs));
      setTheirs(null);
      setTrouble(null);
    },
    restored,
    discard: () => {
      setBase(record);
      fill(record ? draftOf(record) : fresh);
      setTrouble(null);
      setTheirs(null);
      setRestored(false);
    },
  };
}
