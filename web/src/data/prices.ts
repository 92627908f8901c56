import type { Prices } from '@usual-pantry/core/api';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { api, BOOK, unlessRefused } from './api';

/** What was paid for several ingredients, given at once. */
const priceApi = api.injectEndpoints({
  endpoints: (build) => ({
    givePrices: build.mutation<Ingredient[], Prices & { readonly label: string }>({
      query: ({ label, ...body }) => ({ url: 'ingredients/prices', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
  }),
});

export const { useGivePricesMutation } = priceApi;
