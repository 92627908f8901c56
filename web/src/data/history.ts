import { createSlice, type PayloadAction, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { isEqual } from 'es-toolkit';
import type { StoredDecision } from '@usual-pantry/core/plan';
import { planApi } from './plan';
import { recordApi } from './records';
import type { Drafts, Noun, Stored } from './records';
import type { Refusal } from '../parts/refusal';

/** What an edit did to one record: what stood there before and after. Null is no record. */
interface RecordPart {
  readonly noun: Noun;
  readonly id: string;
  readonly before: Stored | null;
  readonly after: Stored | null;
}

/** What an edit did to the plan. Null is that nothing was decided. */
interface PlanPart {
  readonly noun: 'plan';
  readonly id: 'plan';
  readonly before: StoredDecision | null;
  readonly after: StoredDecision | null;
}
type Part = RecordPart | PlanPart;

/** One edit that can be taken back, of one record or of several at once. */
export interface Step {
  readonly label: string;
  readonly parts: Part[];
}

interface HistoryState {
  done: Step[];
  undone: Step[];
  notice: { text: string; undo: boolean; tone: 'plain' | 'trouble' } | null;
}

const MOST_STEPS = 100;
const initialState: HistoryState = { done: [], undone: [], notice: null };

const history = createSlice({
  name: 'history',
  initialState,
  reducers: {
    recorded(state, { payload }: PayloadAction<Step>) {
      state.done = [...state.done, payload].slice(-MOST_STEPS);
      state.undone = [];
      state.notice = { text: payload.label, undo: true, tone: 'plain' };
    },
    moved(state, { payload }: PayloadAction<{ done: Step[]; undone: Step[]; text: string }>) {
      state.done = payload.done;
      state.undone = payload.undone;
      state.notice = { text: payload.text, undo: false, tone: 'plain' };
    },
    said(state, { payload }: PayloadAction<{ text: string; tone?: 'plain' | 'trouble' }>) {
      state.notice = { text: payload.text, undo: false, tone: payload.tone ?? 'plain' };
    },
    hushed(state) {
      state.notice = null;
    },
  },
});

export const historyReducer = history.reducer;
export const { recorded, said, hushed } = history.actions;

type Thunk<T> = ThunkAction<Promise<T>, { history: HistoryState }, unknown, UnknownAction>;

const draftOf = ({ id: _id, version: _version, ...draft }: Stored): Drafts[Noun] => draft;

/** Brings the plan from what it is to what it shall be; gives what is then decided. */
const bringPlan =
  (from: StoredDecision | null, to: StoredDecision | null): Thunk<StoredDecision | null> =>
  async (dispatch) => {
    const change = { version: from?.version ?? 0, decision: to };
    return (await dispatch(planApi.endpoints.restorePlan.initiate(change)).unwrap()).decision;
  };

/** Stores, adds or deletes a record. */
const store =
  (noun: Noun, from: Stored | null, to: Stored | null): Thunk<Stored | null> =>
  async (dispatch) => {
    if (to === null) {
      if (from)
        await dispatch(recordApi.endpoints.remove.initiate({ noun, id: from.id, version: from.version })).unwrap();
      return null;
    }
    if (from === null)
      return dispatch(recordApi.endpoints.add.initiate({ noun, id: to.id, draft: draftOf(to) })).unwrap();
    return dispatch(
      recordApi.endpoints.change.initiate({
        noun,
        id: to.id,
        version: from.version,
        draft: draftOf(to),
      }),
    ).unwrap();
  };

/**
 * Brings a record from what it is to what it shall be; gives what is then stored. A record that was changed meanwhile and changed back is
 * what it was: a batch that is taken back leaves the pantry so.
 */
const bring =
  (noun: Noun, from: Stored | null, to: Stored | null): Thunk<Stored | null> =>
  async (dispatch) => {
    try {
      return await dispatch(store(noun, from, to));
    } catch (error) {
      const { code, current } = error as Refusal;
      const now = code === 'stale' && from ? (current as Stored | undefined) : undefined;
      if (!from || !now || !isEqual(draftOf(now), draftOf(from))) throw error;
      return dispatch(store(noun, now, to));
    }
  };

/** Other steps on the same record must start from the version that is stored now. */
const refresh = (steps: readonly Step[], { noun, id }: Part, now: { version: number } | null): Step[] =>
  steps.map((step) => ({
    ...step,
    parts: step.parts.map((part): Part => {
      if (part.noun !== noun || part.id !== id || !now) return part;
      const at = <T extends { version: number }>(stood: T | null): T | null =>
        stood && { ...stood, version: now.version };
      return part.noun === 'plan'
        ? { ...part, before: at(part.before), after: at(part.after) }
        : { ...part, before: at(part.before), after: at(part.after) };
    }),
  }));

const move =
  (direction: 'undo' | 'redo'): Thunk<void> =>
  async (dispatch, getState) => {
    const { done, undone } = getState().history;
    const step = (direction === 'undo' ? done : undone).at(-1);
    if (!step) {
      dispatch(said({ text: direction === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.' }));
      return;
    }
    const [from, to] = direction === 'undo' ? (['after', 'before'] as const) : (['before', 'after'] as const);
    const others = {
      done: direction === 'undo' ? done.slice(0, -1) : [...done],
      undone: direction === 'undo' ? [...undone] : undone.slice(0, -1),
    };
    let moved: Step = { ...step, parts: [] };
    let left = step.parts;
    let trouble: string | null = null;
    for (const part of step.parts) {
      try {
        const now =
          part.noun === 'plan'
            ? await dispatch(bringPlan(part[from], part[to]))
            : await dispatch(bring(part.noun, part[from], part[to]));
        const rest = (steps: readonly Step[]) => refresh(steps, part, now);
        others.done = rest(others.done);
        others.undone = rest(others.undone);
        moved = {
          ...moved,
          parts: [...moved.parts, ...rest([{ ...step, parts: [part] }]).flatMap(({ parts }) => parts)],
        };
        left = left.slice(1);
      } catch (error) {
        trouble = `Not undone. ${(error as Refusal).message}`;
        break;
      }
    }
    const stays = left.length > 0 ? [{ ...step, parts: left }] : [];
    const went = moved.parts.length > 0 ? [moved] : [];
    dispatch(
      history.actions.moved({
        done: [...others.done, ...(direction === 'undo' ? stays : went)],
        undone: [...others.undone, ...(direction === 'undo' ? went : stays)],
        text: `${direction === 'undo' ? 'Undone' : 'Done again'}: ${step.label}`,
      }),
    );
    if (trouble !== null) dispatch(said({ text: trouble, tone: 'trouble' }));
  };

/** Takes the last edit back. */
export const undo = () => move('undo');

/** Does the last undone edit again. */
export const redo = () => move('redo');
