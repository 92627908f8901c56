import type { ThunkAction, UnknownAction } from '@reduxjs/toolkit';
import type { Change, ChangePage } from '@usual-pantry/core/api';
import type { Refusal } from '../parts/refusal';
import { api, EVERYTHING, unlessRefused } from './api';
import { said } from './notices';

type Direction = 'undo' | 'redo';

/** What was changed, as the server keeps it, and how it is taken back and done again. */
export const historyApi = api.injectEndpoints({
  endpoints: (build) => ({
    changes: build.query<ChangePage, { page: number; size: number }>({
      query: (params) => ({ url: 'history', params }),
      providesTags: [...EVERYTHING],
    }),
    turn: build.mutation<Change, { direction: Direction; id?: number }>({
      query: ({ direction, ...body }) => ({ url: `history/${direction}`, method: 'POST', body }),
      invalidatesTags: unlessRefused(EVERYTHING),
    }),
  }),
});

export const { useChangesQuery } = historyApi;

const words = { undo: ['Undone', 'Not undone.'], redo: ['Done again', 'Not done again.'] } as const;

const turn =
  (direction: Direction, id?: number): ThunkAction<Promise<void>, unknown, unknown, UnknownAction> =>
  async (dispatch) => {
    const [done, not] = words[direction];
    try {
      const { label } = await dispatch(
        historyApi.endpoints.turn.initiate(id === undefined ? { direction } : { direction, id }),
      ).unwrap();
      dispatch(said({ text: `${done}: ${label}` }));
    } catch (error) {
      const { code, message } = error as Refusal;
      if (code === 'not-in-history') dispatch(said({ text: message }));
      else dispatch(said({ text: `${not} ${message}`, tone: 'trouble' }));
    }
  };

/** Takes a change back; without an id the last one made here. */
export const undo = (id?: number) => turn('undo', id);

/** Does a change again; without an id the one that was undone last. */
export const redo = (id?: number) => turn('redo', id);
