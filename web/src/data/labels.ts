import type { LotContents, NewWeighing, PrintJob, PrintLabels, Weighed } from '@usual-pantry/core/api';
import type { LabelPrint, Weighing } from '@usual-pantry/core/label';
import { useEffect, useRef } from 'react';
import { api, ORDERS, unlessRefused } from './api';
import { useAppDispatch } from './store';
import { POLL_MS } from './usePlanJob';

/** Labels that the season needs, what was printed of them, and boxes that were weighed. */
export const labelApi = api.injectEndpoints({
  endpoints: (build) => ({
    labelPrints: build.query<readonly LabelPrint[], void>({ query: () => 'labels/prints', providesTags: ['Orders'] }),
    printJob: build.query<PrintJob, void>({ query: () => 'labels/print' }),
    printLabels: build.mutation<PrintJob, PrintLabels>({
      query: (body) => ({ url: 'labels/print', method: 'POST', body }),
      // From then on it is asked how far it is.
      onQueryStarted: async (_body, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch(() => null);
        if (answer) await dispatch(labelApi.util.upsertQueryData('printJob', undefined, answer.data));
      },
    }),
    stopPrint: build.mutation<PrintJob, void>({ query: () => ({ url: 'labels/print', method: 'DELETE' }) }),
    weighings: build.query<readonly Weighing[], string>({
      query: (boxId) => `boxes/${encodeURIComponent(boxId)}/weighings`,
      providesTags: ['Orders'],
    }),
    weigh: build.mutation<readonly Weighing[], NewWeighing>({
      query: (body) => ({ url: 'weighings', method: 'POST', body, once: true }),
      invalidatesTags: unlessRefused(ORDERS),
    }),
    takeWeight: build.mutation<Weighed, number>({ query: (about) => ({ url: 'scale', params: { about } }) }),
    lot: build.query<LotContents, string>({
      query: (lot) => `lots/${encodeURIComponent(lot)}`,
      providesTags: ['Orders'],
    }),
  }),
});

export const {
  useLabelPrintsQuery,
  usePrintJobQuery,
  usePrintLabelsMutation,
  useStopPrintMutation,
  useWeighingsQuery,
  useWeighMutation,
  useLotQuery,
  useTakeWeightMutation,
} = labelApi;

/** How far the print is; when it is done, what was printed is asked for again. */
export function usePrintJob(): PrintJob | undefined {
  const dispatch = useAppDispatch();
  const known = labelApi.endpoints.printJob.useQueryState();
  const isRunning = known.data?.state === 'running';
  const { data: job } = usePrintJobQuery(undefined, { pollingInterval: isRunning ? POLL_MS : 0 });
  const was = useRef(false);
  useEffect(() => {
    if (was.current && !isRunning) dispatch(api.util.invalidateTags(['Orders']));
    was.current = isRunning;
  }, [isRunning, dispatch]);
  return job;
}
