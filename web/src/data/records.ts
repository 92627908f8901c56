import type { RecipeVersion } from '@usual-pantry/core/api';
import type { BatchDraft } from '@usual-pantry/core/batch';
import type { BoxDraft } from '@usual-pantry/core/box';
import type { IngredientDraft } from '@usual-pantry/core/ingredient';
import type { Order, OrderDraft } from '@usual-pantry/core/order';
import type { PieceDraft } from '@usual-pantry/core/piece';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import { orderApi } from './orders';
import { api, BOOK, ORDERS } from './api';

/** The drafts of every noun with addresses of its own. */
export interface Drafts {
  ingredient: IngredientDraft;
  recipe: RecipeDraft;
  piece: PieceDraft;
  box: BoxDraft;
  order: OrderDraft;
  batch: BatchDraft;
}
export type Noun = keyof Drafts;
export type Stored<N extends Noun = Noun> = Drafts[N] & { id: string; version: number };

/** Where the API keeps the records of a noun. */
export const collection: Record<Noun, string> = {
  ingredient: 'ingredients',
  recipe: 'recipes',
  piece: 'pieces',
  box: 'boxes',
  order: 'orders',
  batch: 'batches',
};

interface Edit {
  noun: Noun;
  id: string;
  version: number;
  draft: Drafts[Noun];
  label?: string | undefined;
}

const touched = ({ noun }: { readonly noun: Noun }) => (noun === 'order' ? ORDERS : BOOK);

/** Records of any noun: added, changed, deleted. */
export const recordApi = api.injectEndpoints({
  endpoints: (build) => ({
    add: build.mutation<
      Stored,
      { noun: Noun; draft: Drafts[Noun]; id?: string | undefined; label?: string | undefined }
    >({
      query: ({ noun, draft, id, label }) => ({
        url: collection[noun],
        method: 'POST',
        body: id === undefined ? draft : { ...draft, id },
        once: true,
        label,
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
    }),
    change: build.mutation<Stored, Edit>({
      query: ({ noun, id, version, draft, label }) => ({
        url: `${collection[noun]}/${encodeURIComponent(id)}`,
        method: 'PUT',
        body: { ...draft, version },
        label,
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
      // The answer is the order as it is stored now: no need to ask for it again.
      async onQueryStarted({ noun, id }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (noun === 'order' && data) await dispatch(orderApi.util.upsertQueryData('order', id, data as Order));
      },
    }),
    remove: build.mutation<null, { noun: Noun; id: string; version: number }>({
      query: ({ noun, id, version }) => ({
        url: `${collection[noun]}/${encodeURIComponent(id)}`,
        method: 'DELETE',
        params: { version },
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
    }),
    recipeVersions: build.query<RecipeVersion[], string>({
      query: (id) => `recipes/${encodeURIComponent(id)}/versions`,
      providesTags: ['Book'],
    }),
  }),
});

export const { useAddMutation, useChangeMutation, useRemoveMutation, useRecipeVersionsQuery } = recordApi;
