import type { ExampleAnswer } from '@usual-pantry/core/api';
import { api } from './api';

/** The example kitchen, as one's own kitchen loads and removes it. */
const exampleApi = api.injectEndpoints({
  endpoints: (build) => ({
    example: build.query<ExampleAnswer, void>({ query: () => 'example', providesTags: ['Example'] }),
    loadExample: build.mutation<ExampleAnswer, void>({
      query: () => ({ url: 'example', method: 'POST' }),
      invalidatesTags: ['Example'],
    }),
    removeExample: build.mutation<ExampleAnswer, void>({
      query: () => ({ url: 'example', method: 'DELETE' }),
      invalidatesTags: ['Example'],
    }),
  }),
});

export const { useExampleQuery, useLoadExampleMutation, useRemoveExampleMutation } = exampleApi;
