import { createSlice, type PayloadAction, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { api, type Drafts, type Noun, type Refusal, type Stored } from './api';

/** One edit that can be taken back: what stood there before and after. Null is no record. */
export interface Step {
  readonly label: string;
  readonly noun: Noun;
  readonly id: string;
  readonly before: Stored | null;
  readonly after: Stored | null;
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

/** Brings a record from what it is to what it shall be; gives what is then stored. */
const bring =
  (noun: Noun, from: Stored | null, to: Stored | null): Thunk<Stored | null> =>
  async (dispatch) => {
    if (to === null) {
      if (from) await dispatch(api.endpoints.remove.initiate({ noun, id: from.id, version: from.version })).unwrap();
      return null;
    }
    if (from === null) return dispatch(api.endpoints.add.initiate({ noun, id: to.id, draft: draftOf(to) })).unwrap();
    return dispatch(
      api.endpoints.change.initiate({
        noun,
        id: to.id,
        version: from.version,
        draft: draftOf(to),
      }),
    ).unwrap();
  };

/** Later steps on the same record must start from the version that is stored now. */
const refresh = (steps: readonly Step[], noun: Noun, id: string, now: Stored | null): Step[] =>
  steps.map((step) => {
    if (step.noun !== noun || step.id !== id || !now) return step;
    const at = (record: Stored | null) => record && { ...record, version: now.version };
    return { ...step, before: at(step.before), after: at(step.after) };
  });

const move =
  (direction: 'undo' | 'redo'): Thunk<void> =>
  async (dispatch, getState) => {
    const { done, undone } = getState().history;
    const step = (direction === 'undo' ? done : undone).at(-1);
    if (!step) {
      dispatch(said({ text: direction === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.' }));
      return;
    }
    const { noun, id, before, after } = step;
    try {
      const [from, to] = direction === 'undo' ? [after, before] : [before, after];
      const now = await dispatch(bring(noun, from, to));
      const rest = (steps: readonly Step[]) => refresh(steps, noun, id, now);
      const moved = rest([step]);
      dispatch(
        history.actions.moved(
          direction === 'undo'
            ? {
                done: rest(done.slice(0, -1)),
                undone: [...rest(undone), ...moved],
                text: `Undone: ${step.label}`,
              }
            : {
                done: [...rest(done), ...moved],
                undone: rest(undone.slice(0, -1)),
                text: `Done again: ${step.label}`,
              },
        ),
      );
    } catch (error) {
      dispatch(said({ text: `Not undone. ${(error as Refusal).message}`, tone: 'trouble' }));
    }
  };

/** Takes the last edit back. */
export const undo = () => move('undo');

/** Does the last undone edit again. */
export const redo = () => move('redo');
