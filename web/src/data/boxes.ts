import type { ComposeRequest, SetLabel } from '@usual-pantry/core/api';
import type { Composition } from '@usual-pantry/core/compose';
import type { BoxCost } from '@usual-pantry/core/money';
import type { PackedAs } from '@usual-pantry/core/order';
import { packedQuery } from '../parts/addresses';
import { api } from './api';
/** What boxes cost, what their labels say, and boxes that are composed. */
export const boxApi = api.injectEndpoints({
  endpoints: (build) => ({
    money: build.query<BoxCost[], void>({ query: () => 'money/boxes', providesTags: ['Book'] }),
    label: build.query<SetLabel, { boxId: string; handOver: string | null; packed: PackedAs }>({
      query: ({ boxId, handOver, packed }) => ({
        url: `boxes/${encodeURIComponent(boxId)}/label`,
        params: { ...(handOver ? { handOver } : {}), ...packedQuery(packed) },
      }),
      providesTags: ['Orders'],
    }),
    compose: build.mutation<Composition, ComposeRequest>({
      query: (body) => ({ url: 'boxes/compose', method: 'POST', body }),
    }),
  }),
});

export const { useMoneyQuery, useLabelQuery, useComposeMutation } = boxApi;
