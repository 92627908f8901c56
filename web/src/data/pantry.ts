import type { Prices, TakeStarters } from '@usual-pantry/core/api';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { api, BOOK, unlessRefused } from './api';

/** Plain ingredients that come into the pantry, and what was paid for several, at once. */
const pantryApi = api.injectEndpoints({
  endpoints: (build) => ({
    takeStarters: build.mutation<Ingredient[], TakeStarters & { readonly label: string }>({
      query: ({ label, ...body }) => ({ url: 'ingredients/starters', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
    givePrices: build.mutation<Ingredient[], Prices & { readonly label: string }>({
      query: ({ label, ...body }) => ({ url: 'ingredients/prices', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(BOOK),
    }),
  }),
});

export const { useGivePricesMutation, useTakeStartersMutation } = pantryApi;
