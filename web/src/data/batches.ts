import type { FinishBatches, MakeBatches, TakeBackBatches, WeighBatches } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import { api, BOOK, unlessRefused } from './api';

type Labelled<Body> = Body & { readonly label: string };

/** Batches that are made, finished, weighed and taken back. */
const batchApi = api.injectEndpoints({
  endpoints: (build) => ({
    makeBatches: build.mutation<Batch[], Labelled<MakeBatches>>({
      query: ({ label, ...body }) => ({ url: 'batches/made', method: 'POST', body, once: true, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
    finishBatches: build.mutation<Batch[], Labelled<FinishBatches>>({
      query: ({ label, ...body }) => ({ url: 'batches/finished', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
    weighBatches: build.mutation<Batch[], Labelled<WeighBatches>>({
      query: ({ label, ...body }) => ({ url: 'batches/weighed', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
    takeBackBatches: build.mutation<null, Labelled<TakeBackBatches>>({
      query: ({ label, ...body }) => ({ url: 'batches/taken-back', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
  }),
});

export const { useMakeBatchesMutation, useFinishBatchesMutation, useWeighBatchesMutation, useTakeBackBatchesMutation } =
  batchApi;
