import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchArgs } from '@reduxjs/toolkit/query/react';
import type { Batch, BatchDraft } from '@usual-pantry/core/batch';
import type { BoxDraft, Box } from '@usual-pantry/core/box';
import type { Ingredient, IngredientDraft } from '@usual-pantry/core/ingredient';
import type { OrderFileAnswer, OrderFileRequest } from '@usual-pantry/core/format';
import type { Kitchen } from '@usual-pantry/core/kitchen';
import type { Label, LabelLayout } from '@usual-pantry/core/label';
import type { BoxCost } from '@usual-pantry/core/money';
import type { MessageFate, Receipt, ShopMessage } from '@usual-pantry/core/intake';
import type { Composition, ComposeWish } from '@usual-pantry/core/compose';
import type { Order, OrderDraft, OrderState, PackedAs } from '@usual-pantry/core/order';
import type { Piece, PieceDraft } from '@usual-pantry/core/piece';
import type { DecisionStep, LabelRun, PlanAnswer, StoredDecision } from '@usual-pantry/core/plan';
import type { PlanJob, WhatIf, WhatIfAnswer } from '@usual-pantry/core/programme';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import type { Recipe, RecipeDraft } from '@usual-pantry/core/recipe';
import { packedQuery } from '../parts/addresses';

/** A refusal of the server: what happened and what is needed to mend it. */
export interface Refusal {
  readonly code: string;
  readonly message: string;
  readonly wrong?: readonly { readonly path: string; readonly message: string }[];
  readonly current?: unknown;
  readonly users?: readonly { readonly noun: Noun; readonly id: string; readonly name: string }[];
}

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

export interface BookAnswer {
  kitchen: Kitchen;
  ingredients: Ingredient[];
  recipes: Recipe[];
  pieces: Piece[];
  boxes: Box[];
  batches: Batch[];
  today: string;
}

export interface OrderPage {
  items: Order[];
  total: number;
}

export interface OrderListQuery {
  page: number;
  size: number;
  sort: string;
  direction: 'asc' | 'desc';
  search: string;
  show: 'open' | 'closed' | 'all';
  state?: OrderState | undefined;
  way?: Order['handOver']['way'] | undefined;
  exclusion?: string | undefined;
  on?: string | undefined;
}

export interface SeasonCounts {
  ingredients: number;
  recipes: number;
  pieces: number;
  boxes: number;
  orders: number;
}

export type LabelAnswer = Label & { run: LabelRun | null; layout: LabelLayout };

/** A recipe as it was before an edit. */
export interface RecipeVersion {
  readonly version: number;
  readonly replacedOn: string;
  readonly draft: RecipeDraft;
}

/** A message of the shop and what became of it. */
export interface InboxMessage {
  readonly id: string;
  readonly receivedAt: string;
  readonly reference: string;
  readonly revision: number;
  readonly message: ShopMessage;
  readonly fate: MessageFate;
  readonly why: string;
  readonly orderId: string;
}

/** What a composed box is to be. */
export type ComposeRequest = Omit<ComposeWish, 'box' | 'spareMinutes'> & { box: BoxDraft; withinSpareTime: boolean };

/** Called when the server asks who this is. */
let turnedAway: () => void = () => undefined;
export const onTurnedAway = (then: () => void): void => {
  turnedAway = then;
};

/** The newest revision of the server that an answer has named. */
export const seen = { revision: 0 };

/** Each request that must be done once has a key, which it keeps until it is answered: sent again, it is known. */
const keys = new Map<string, string>();

const rawQuery = fetchBaseQuery({ baseUrl: '/api/' });

/** A request; `once` where doing it twice would make two of something. */
type Asked = string | (FetchArgs & { readonly once?: true });

/** Hexadecimal digits that nobody has thought of before; also where the page is not served over TLS. */
const freshKey = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** The request with its key, and how the key is forgotten when it is answered. */
function withKey(asked: Asked): { readonly request: string | FetchArgs; readonly forget: () => void } {
  if (typeof asked === 'string' || !asked.once) return { request: asked, forget: () => undefined };
  const { once: _once, ...request } = asked;
  const what = JSON.stringify([request.url, request.body]);
  const key = keys.get(what) ?? freshKey();
  keys.set(what, key);
  return {
    request: { ...request, headers: { 'Idempotency-Key': key } },
    forget: () => keys.delete(what),
  };
}

/** Problem details as a refusal of the pages. */
function refusalOf(body: unknown): Refusal | null {
  if (typeof body !== 'object' || body === null || !('detail' in body) || !('code' in body)) return null;
  const { detail, ...problem } = body as Omit<Refusal, 'message'> & { readonly detail: string };
  return { ...problem, message: detail };
}

/** Every failure as a refusal in words; a server that does not answer is one too. */
const baseQuery: BaseQueryFn<Asked, unknown, Refusal> = async (asked, ...how) => {
  const { request, forget } = withKey(asked);
  const { data, error, meta } = await rawQuery(request, ...how);
  const revision = Number(meta?.response?.headers.get('x-revision'));
  if (revision > seen.revision) seen.revision = revision;
  if (meta?.response) forget();
  if (!error) return { data };
  const refusal = refusalOf(error.data);
  if (refusal?.code === 'sign-in') turnedAway();
  return {
    error: refusal ?? {
      code: 'unreachable',
      message:
        'The kitchen’s server does not answer. Nothing you typed is lost: it stays on this page. Start the server, then save again.',
    },
  };
};

/** What must be asked for again after a write: everything that rests on the orders rests on the book too. */
const touched = (change: unknown): ('Book' | 'Orders')[] =>
  (change as { noun?: Noun }).noun === 'order' ? ['Orders'] : ['Book', 'Orders'];

interface Edit {
  noun: Noun;
  id: string;
  version: number;
  draft: Drafts[Noun];
}

/** Everything that the pages ask of the server. Any write makes every figure be asked for again. */
export const api = createApi({
  baseQuery,
  tagTypes: ['Book', 'Orders', 'Order'],
  refetchOnReconnect: true,
  endpoints: (build) => ({
    book: build.query<BookAnswer, void>({ query: () => 'book', providesTags: ['Book'] }),
    plan: build.query<PlanAnswer, void>({ query: () => 'plan', providesTags: ['Orders'] }),
    money: build.query<BoxCost[], void>({ query: () => 'money/boxes', providesTags: ['Book'] }),
    orders: build.query<OrderPage, OrderListQuery>({
      query: (params) => ({
        url: 'orders',
        params: Object.fromEntries(Object.entries(params).filter(([, value]) => value !== undefined && value !== '')),
      }),
      providesTags: ['Orders'],
    }),
    order: build.query<Order, string>({
      query: (id) => `orders/${encodeURIComponent(id)}`,
      providesTags: ['Order'],
    }),
    label: build.query<LabelAnswer, { boxId: string; handOver: string | null; packed: PackedAs }>({
      query: ({ boxId, handOver, packed }) => ({
        url: `boxes/${encodeURIComponent(boxId)}/label`,
        params: { ...(handOver ? { handOver } : {}), ...packedQuery(packed) },
      }),
      providesTags: ['Orders'],
    }),
    promise: build.query<PromiseCheck, OrderDraft & { id?: string }>({
      query: (body) => ({ url: 'plan/promise', method: 'POST', body }),
      // Asked anew each time that it is typed: an answer of before may be wrong by now. See usePromise.
      keepUnusedDataFor: 0,
    }),
    recipeVersions: build.query<RecipeVersion[], string>({
      query: (id) => `recipes/${encodeURIComponent(id)}/versions`,
      providesTags: ['Book'],
    }),
    add: build.mutation<Stored, { noun: Noun; draft: Drafts[Noun]; id?: string }>({
      query: ({ noun, draft, id }) => ({
        url: collection[noun],
        method: 'POST',
        body: id === undefined ? draft : { ...draft, id },
        once: true,
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
    }),
    change: build.mutation<Stored, Edit>({
      query: ({ noun, id, version, draft }) => ({
        url: `${collection[noun]}/${encodeURIComponent(id)}`,
        method: 'PUT',
        body: { ...draft, version },
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
      // The answer is the order as it is stored now: no need to ask for it again.
      async onQueryStarted({ noun, id }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (noun === 'order' && data) await dispatch(api.util.upsertQueryData('order', id, data as Order));
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
    saveKitchen: build.mutation<Kitchen, Kitchen>({
      query: (body) => ({ url: 'kitchen', method: 'PUT', body }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
    }),
    checkOrderFile: build.mutation<OrderFileAnswer, OrderFileRequest>({
      query: (body) => ({ url: 'order-file/check', method: 'POST', body }),
    }),
    planJob: build.query<PlanJob, void>({ query: () => 'plan/job' }),
    startPlan: build.mutation<PlanJob, void>({ query: () => ({ url: 'plan/job', method: 'POST' }) }),
    stopPlan: build.mutation<PlanJob, void>({ query: () => ({ url: 'plan/job', method: 'DELETE' }) }),
    moveRun: build.mutation<DecisionStep, { recipeId: string; from: string; to: string }>({
      query: (body) => ({ url: 'plan/moves', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders']),
    }),
    pinRun: build.mutation<DecisionStep, { recipeId: string; day: string; pinned: boolean }>({
      query: (body) => ({ url: 'plan/pins', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders']),
    }),
    restorePlan: build.mutation<
      { decision: StoredDecision | null },
      { version: number; decision: StoredDecision | null }
    >({
      query: ({ version, decision }) => ({
        url: 'plan/decision',
        method: 'PUT',
        body: { version, decision: decision && { guide: decision.guide, solved: decision.solved } },
      }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders']),
    }),
    whatIf: build.mutation<WhatIfAnswer, WhatIf>({
      query: (body) => ({ url: 'plan/what-if', method: 'POST', body }),
    }),
    acceptWhatIf: build.mutation<null, WhatIf>({
      query: (body) => ({ url: 'plan/what-if/accept', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Book', 'Orders', 'Order']),
    }),
    makeBatches: build.mutation<
      Batch[],
      { batches: BatchDraft[]; opened: { ingredientId: string; grams: number }[]; elsewhere: string[] }
    >({
      query: (body) => ({ url: 'batches/made', method: 'POST', body, once: true }),
      invalidatesTags: (_result, error) => (error ? [] : ['Book', 'Orders']),
    }),
    finishBatches: build.mutation<
      { before: Batch; after: Batch }[],
      { batches: { id: string; version: number }[]; on: string | null }
    >({
      query: (body) => ({ url: 'batches/finished', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Book', 'Orders']),
    }),
    changeStates: build.mutation<
      { before: Order; after: Order }[],
      { orders: { id: string; version: number }[]; state: OrderState }
    >({
      query: (body) => ({ url: 'orders/states', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders', 'Order']),
    }),
    compose: build.mutation<Composition, ComposeRequest>({
      query: (body) => ({ url: 'boxes/compose', method: 'POST', body }),
    }),
    inbox: build.query<{ keyMadeAt: string | null; messages: InboxMessage[] }, void>({
      query: () => 'inbox',
      providesTags: ['Orders'],
    }),
    takeMessage: build.mutation<Receipt, string>({
      query: (id) => ({ url: `inbox/messages/${encodeURIComponent(id)}/take`, method: 'POST' }),
      invalidatesTags: ['Orders', 'Order'],
    }),
    sendTest: build.mutation<(Receipt | { refused: string })[], { order: ShopMessage['order']; manner: string }>({
      query: (body) => ({ url: 'inbox/test', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders', 'Order']),
    }),
    takeOrderFile: build.mutation<OrderFileAnswer, OrderFileRequest>({
      query: (body) => ({ url: 'order-file', method: 'POST', body, once: true }),
      invalidatesTags: (_result, error) => (error ? [] : ['Orders', 'Order']),
    }),
    checkSeason: build.mutation<SeasonCounts, unknown>({
      query: (body) => ({ url: 'season-file/check', method: 'POST', body }),
    }),
    importSeason: build.mutation<SeasonCounts, { file: unknown; dates: 'keep' | 'move' }>({
      query: ({ file, dates }) => ({
        url: 'season-file',
        method: 'POST',
        params: { dates },
        body: file,
      }),
      invalidatesTags: (_result, error, change) => (error ? [] : touched(change)),
    }),
  }),
});

/** Asks for what will be wanted next. */
export const usePrefetch: typeof api.usePrefetch = (...call) => api.usePrefetch(...call);

export const {
  useBookQuery,
  usePlanQuery,
  useMoneyQuery,
  useOrdersQuery,
  useOrderQuery,
  useLabelQuery,
  useRecipeVersionsQuery,
  useAddMutation,
  useChangeMutation,
  useRemoveMutation,
  useSaveKitchenMutation,
  useCheckOrderFileMutation,
  useTakeOrderFileMutation,
  usePlanJobQuery,
  useStartPlanMutation,
  useStopPlanMutation,
  useMoveRunMutation,
  usePinRunMutation,
  useMakeBatchesMutation,
  useFinishBatchesMutation,
  useWhatIfMutation,
  useAcceptWhatIfMutation,
  useChangeStatesMutation,
  useComposeMutation,
  useInboxQuery,
  useTakeMessageMutation,
  useSendTestMutation,
  useCheckSeasonMutation,
  useImportSeasonMutation,
} = api;
