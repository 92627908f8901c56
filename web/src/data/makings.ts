import type { EndMaking, MakingAnswer, NewPractice, Simulate } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import type { Making } from '@usual-pantry/core/making';
import type { Practice } from '@usual-pantry/core/practice';
import { api, BOOK, unlessRefused } from './api';

/** Batches at the bench, the simulated devices, and practice. */
const makingApi = api.injectEndpoints({
  endpoints: (build) => ({
    makings: build.query<readonly MakingAnswer[], void>({ query: () => 'makings', providesTags: ['Makings'] }),
    startMaking: build.mutation<MakingAnswer, Making>({
      query: (body) => ({ url: 'makings', method: 'POST', body }),
      invalidatesTags: ['Makings'],
    }),
    endMaking: build.mutation<Batch, { id: string; end: EndMaking; label: string }>({
      query: ({ id, end, label }) => ({ url: `makings/${id}/end`, method: 'POST', body: end, label }),
      invalidatesTags: unlessRefused([...BOOK, 'Makings']),
    }),
    putAwayMaking: build.mutation<MakingAnswer, string>({
      query: (id) => ({ url: `makings/${id}/put-away`, method: 'POST' }),
      invalidatesTags: ['Makings'],
    }),
    simulate: build.mutation<null, Simulate>({ query: (body) => ({ url: 'devices/simulated', method: 'POST', body }) }),
    practices: build.query<readonly Practice[], void>({ query: () => 'practices', providesTags: ['Practices'] }),
    addPractice: build.mutation<Practice, NewPractice>({
      query: (body) => ({ url: 'practices', method: 'POST', body }),
      invalidatesTags: ['Practices'],
    }),
  }),
});

export const {
  useMakingsQuery,
  useStartMakingMutation,
  useEndMakingMutation,
  usePutAwayMakingMutation,
  useSimulateMutation,
  usePracticesQuery,
  useAddPracticeMutation,
} = makingApi;
