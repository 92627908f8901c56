import type {
  FindingPage,
  HandOverDays,
  LabelRunState,
  MoveRun,
  PinRun,
  PlanRuns,
  PlanSummary,
} from '@usual-pantry/core/api';
import type { Subject } from '@usual-pantry/core/finding';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { StageMove } from '@usual-pantry/core/plan';
import type { PlanJob, WhatIf, WhatIfAnswer } from '@usual-pantry/core/programme';
import type { Offer, PromiseCheck, WeekAhead } from '@usual-pantry/core/promise';
import type { ShoppingLine } from '@usual-pantry/core/shopping';
import type { Steps } from './useAsked';
import { follow } from './writing';
import { api, EVERYTHING, ORDERS, unlessRefused } from './api';

/** An order that may be promised, and whether only what is soon known of that is wanted. */
export interface PromiseQuestion {
  readonly asked: OrderDraft & { id?: string };
  readonly soon: boolean;
}

/** Which findings are wanted. */
export interface FindingQuery {
  readonly size: number;
  /** What they are about; everything without. */
  readonly about?: readonly Subject['noun'][];
  /** Ids of records with commas between; all without. */
  readonly ids?: string;
}

/** The season as it is planned, in parts, and what changes it. */
export const planApi = api.injectEndpoints({
  endpoints: (build) => ({
    plan: build.query<PlanSummary, void>({
      query: () => 'plan',
      providesTags: ['Orders'],
      onQueryStarted: async (_query, { dispatch, queryFulfilled }) => {
        const answer = await queryFulfilled.catch(() => null);
        if (answer) dispatch(follow(answer.data.conventions));
      },
    }),
    planRuns: build.query<PlanRuns, void>({ query: () => 'plan/runs', providesTags: ['Orders'] }),
    handOvers: build.query<HandOverDays, string | null>({
      query: (day) => ({ url: 'plan/hand-overs', params: day === null ? {} : { day } }),
      providesTags: ['Orders'],
    }),
    findings: build.query<FindingPage, FindingQuery>({
      query: ({ about, ...query }) => ({
        url: 'plan/findings',
        params: { ...query, ...(about ? { about: about.join() } : {}) },
      }),
      providesTags: ['Orders'],
    }),
    shopping: build.query<readonly ShoppingLine[], void>({ query: () => 'plan/shopping', providesTags: ['Orders'] }),
    labelRuns: build.query<readonly LabelRunState[], void>({ query: () => 'labels', providesTags: ['Orders'] }),
    // These may take long: they are asked as long as a page shows them, and given up with it. See useAsked.
    promise: build.query<PromiseCheck, PromiseQuestion>({
      query: ({ soon, asked }) => ({ url: 'plan/promise', method: 'POST', params: { soon }, body: asked }),
      keepUnusedDataFor: 0,
    }),
    offers: build.query<readonly Offer[], void>({ query: () => 'plan/offers', keepUnusedDataFor: 0 }),
    week: build.query<WeekAhead, { readonly index: number; readonly soon: boolean }>({
      query: (params) => ({ url: 'plan/week', params }),
      keepUnusedDataFor: 0,
    }),
    planJob: build.query<PlanJob, void>({ query: () => 'plan/job' }),
    startPlan: build.mutation<PlanJob, void>({ query: () => ({ url: 'plan/job', method: 'POST' }) }),
    stopPlan: build.mutation<PlanJob, void>({ query: () => ({ url: 'plan/job', method: 'DELETE' }) }),
    moveRun: build.mutation<null, MoveRun & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'plan/moves', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ORDERS),
    }),
    moveStage: build.mutation<null, StageMove & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'plan/stage-moves', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ORDERS),
    }),
    pinRun: build.mutation<null, PinRun & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'plan/pins', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ORDERS),
    }),
    whatIf: build.mutation<WhatIfAnswer, WhatIf>({
      query: (body) => ({ url: 'plan/what-if', method: 'POST', body }),
    }),
    acceptWhatIf: build.mutation<null, WhatIf>({
      query: (body) => ({ url: 'plan/what-if/accept', method: 'POST', body }),
      invalidatesTags: unlessRefused(EVERYTHING),
    }),
  }),
});

export const {
  usePlanQuery,
  usePlanRunsQuery,
  useHandOversQuery,
  useFindingsQuery,
  useShoppingQuery,
  useLabelRunsQuery,
  usePlanJobQuery,
  useStartPlanMutation,
  useStopPlanMutation,
  useMoveRunMutation,
  useMoveStageMutation,
  usePinRunMutation,
  useWhatIfMutation,
  useAcceptWhatIfMutation,
} = planApi;

const anew = { forceRefetch: true, subscribe: true } as const;
const { promise, offers, week } = planApi.endpoints;

/** Whether an order can be promised: as the plan stands, then also with other plans. */
export const PROMISE: Steps<PromiseQuestion['asked'], PromiseCheck> = [
  (asked, dispatch) => dispatch(promise.initiate({ asked, soon: true }, anew)),
  (asked, dispatch) => dispatch(promise.initiate({ asked, soon: false }, anew)),
];

/** What could be sold beside what is ordered. */
export const OFFERS: Steps<'offers', readonly Offer[]> = [(_, dispatch) => dispatch(offers.initiate(undefined, anew))];

/** What a week could take as the plan stands. */
export const WEEK_SOON: Steps<number, WeekAhead> = [
  (index, dispatch) => dispatch(week.initiate({ index, soon: true }, anew)),
];

/** What a week could take, also with the season planned again. */
export const WEEK: Steps<number, WeekAhead> = [
  (index, dispatch) => dispatch(week.initiate({ index, soon: false }, anew)),
];
