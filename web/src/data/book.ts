import type { BookAnswer, SeasonCounts, StoredKitchen } from '@usual-pantry/core/api';
import { api, BOOK, EVERYTHING, unlessRefused } from './api';
/** Settings, pantry, recipes, pieces and boxes, and the file that holds everything. */
export const bookApi = api.injectEndpoints({
  endpoints: (build) => ({
    book: build.query<BookAnswer, void>({ query: () => 'book', providesTags: ['Book'] }),
    saveKitchen: build.mutation<StoredKitchen, { kitchen: StoredKitchen; label?: string }>({
      query: ({ kitchen, label }) => ({ url: 'kitchen', method: 'PUT', body: kitchen, label }),
      // The next change starts from this one, before everything is asked for again.
      onQueryStarted: async (_saved, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch(() => null);
        if (answer)
          dispatch(
            bookApi.util.updateQueryData('book', undefined, (book) => {
              Object.assign(book, { kitchen: answer.data });
            }),
          );
      },
      invalidatesTags: unlessRefused(BOOK),
    }),
    checkSeason: build.mutation<SeasonCounts, unknown>({
      query: (body) => ({ url: 'season-file/check', method: 'POST', body }),
    }),
    importSeason: build.mutation<SeasonCounts, { file: unknown; dates: 'keep' | 'move' }>({
      query: ({ file, dates }) => ({ url: 'season-file', method: 'POST', params: { dates }, body: file }),
      invalidatesTags: unlessRefused(EVERYTHING),
    }),
  }),
});

export const { useBookQuery, useSaveKitchenMutation, useCheckSeasonMutation, useImportSeasonMutation } = bookApi;
