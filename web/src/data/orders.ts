import type { Customers, HandedOver, InboxAnswer, OrdersPaid, OrderStates, TestMessage } from '@usual-pantry/core/api';
import type { OrderFileAnswer, OrderFileRequest } from '@usual-pantry/core/format';
import type { Receipt } from '@usual-pantry/core/intake';
import type { Order, OrderState } from '@usual-pantry/core/order';
import { ALL_ORDERS, api, unlessRefused } from './api';

/** A part of the orders and the number of all. */
export interface OrderPage {
  items: Order[];
  total: number;
}

/** Which orders are wanted. */
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

/** Orders, files of them, and what a shop sends. */
export const orderApi = api.injectEndpoints({
  endpoints: (build) => ({
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
    customers: build.query<Customers, void>({ query: () => 'customers', providesTags: ['Orders'] }),
    changeStates: build.mutation<Order[], OrderStates & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'orders/states', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ALL_ORDERS),
    }),
    handOver: build.mutation<Order[], HandedOver & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'orders/handed-over', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ALL_ORDERS),
    }),
    payOrders: build.mutation<Order[], OrdersPaid & { label: string }>({
      query: ({ label, ...body }) => ({ url: 'orders/paid', method: 'POST', body, label }),
      invalidatesTags: unlessRefused(ALL_ORDERS),
    }),
    lastSeason: build.query<string, void>({
      query: () => ({ url: 'order-file/last-season', responseHandler: 'text' }),
    }),
    checkOrderFile: build.mutation<OrderFileAnswer, OrderFileRequest>({
      query: (body) => ({ url: 'order-file/check', method: 'POST', body }),
    }),
    takeOrderFile: build.mutation<OrderFileAnswer, OrderFileRequest>({
      query: (body) => ({ url: 'order-file', method: 'POST', body, once: true }),
      invalidatesTags: unlessRefused(ALL_ORDERS),
    }),
    inbox: build.query<InboxAnswer, void>({ query: () => 'inbox', providesTags: ['Orders'] }),
    makeInboxKey: build.mutation<{ key: string }, void>({
      query: () => ({ url: 'inbox/key', method: 'POST' }),
      invalidatesTags: ['Orders'],
    }),
    takeMessage: build.mutation<Receipt, string>({
      query: (id) => ({ url: `inbox/messages/${encodeURIComponent(id)}/take`, method: 'POST' }),
      invalidatesTags: [...ALL_ORDERS],
    }),
    sendTest: build.mutation<(Receipt | { refused: string })[], TestMessage>({
      query: (body) => ({ url: 'inbox/test', method: 'POST', body }),
      invalidatesTags: unlessRefused(ALL_ORDERS),
    }),
  }),
});

export const {
  useOrdersQuery,
  useOrderQuery,
  useCustomersQuery,
  useChangeStatesMutation,
  useHandOverMutation,
  usePayOrdersMutation,
  useLazyOrdersQuery,
  useLazyLastSeasonQuery,
  useCheckOrderFileMutation,
  useTakeOrderFileMutation,
  useInboxQuery,
  useMakeInboxKeyMutation,
  useTakeMessageMutation,
  useSendTestMutation,
} = orderApi;
