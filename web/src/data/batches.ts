import type { FinishBatches, MakeBatches } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import { api, BOOK, unlessRefused } from './api';
/** Batches that are made and finished. */
const batchApi = api.injectEndpoints({
  endpoints: (build) => ({
    makeBatches: build.mutation<Batch[], MakeBatches>({
      query: (body) => ({ url: 'batches/made', method: 'POST', body, once: true }),
      invalidatesTags: unlessRefused(BOOK),
    }),
    finishBatches: build.mutation<{ before: Batch; after: Batch }[], FinishBatches>({
      query: (body) => ({ url: 'batches/finished', method: 'POST', body }),
      invalidatesTags: unlessRefused(BOOK),
    }),
  }),
});

export const { useMakeBatchesMutation, useFinishBatchesMutation } = batchApi;
