import { createApi, fetchBaseQuery, type BaseQueryFn, type FetchArgs } from '@reduxjs/toolkit/query/react';
import type { Refusal } from '../parts/refusal';
import { freshId } from './freshId';
import { changed } from './notices';
import { apiAt } from '../parts/kitchenAt';

/** Called when the server asks who this is. */
let turnedAway: () => void = () => undefined;
export const onTurnedAway = (then: () => void): void => {
  turnedAway = then;
};

/** The newest revision of the server that an answer has named. */
export const seen = { revision: 0 };

/** Each request that must be done once has a key, which it keeps until it is answered: sent again, it is known. */
const keys = new Map<string, string>();

const rawQuery = fetchBaseQuery({ baseUrl: apiAt('/') });

/**
 * A request; `once` where doing it twice would make two of something; `label` what the change is called, where the server would call it by
 * the name of the record alone.
 */
type Asked = string | (FetchArgs & { readonly once?: true | undefined; readonly label?: string | undefined });

/** The request with its key and its label, and how the key is forgotten when it is answered. */
function withHeaders(asked: Asked): { readonly request: string | FetchArgs; readonly forget: () => void } {
  if (typeof asked === 'string') return { request: asked, forget: () => undefined };
  const { once, label, ...request } = asked;
  const named = label === undefined ? {} : { 'Change-Label': encodeURIComponent(label) };
  if (!once) return { request: { ...request, headers: named }, forget: () => undefined };
  const what = JSON.stringify([request.url, request.body]);
  const key = keys.get(what) ?? freshId();
  keys.set(what, key);
  return {
    request: { ...request, headers: { ...named, 'Idempotency-Key': key } },
    forget: () => keys.delete(what),
  };
}

/** The change that an answer says was made; null when none was. */
function changeOf(headers: Headers | undefined): { id: number; label: string } | null {
  const id = headers?.get('x-change');
  return id ? { id: Number(id), label: decodeURIComponent(headers?.get('x-change-label') ?? '') } : null;
}

/** Problem details as a refusal of the pages. */
function refusalOf(body: unknown): Refusal | null {
  if (typeof body !== 'object' || body === null || !('detail' in body) || !('code' in body)) return null;
  const { detail, ...problem } = body as Omit<Refusal, 'message'> & { readonly detail: string };
  return { ...problem, message: detail };
}

/** Every failure as a refusal in words; a server that does not answer is one too. */
const baseQuery: BaseQueryFn<Asked, unknown, Refusal> = async (asked, queryApi, extra) => {
  const { request, forget } = withHeaders(asked);
  const { data, error, meta } = await rawQuery(request, queryApi, extra);
  const change = changeOf(meta?.response?.headers);
  if (change) queryApi.dispatch(changed(change));
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
export const ORDERS = ['Orders'] as const;
export const BOOK = ['Book', 'Orders'] as const;
/** As after a write of many orders: the open one too. */
export const ALL_ORDERS = ['Orders', 'Order'] as const;
export const EVERYTHING = ['Book', 'Orders', 'Order'] as const;

type Tag = (typeof EVERYTHING)[number] | 'Makings';

/** These, when a write was taken. */
export const unlessRefused =
  (tags: readonly Tag[]) =>
  (_result: unknown, error: unknown): readonly Tag[] =>
    error ? [] : tags;

/** Everything that the pages ask of the server; each noun adds its own. Any write makes every figure be asked for again. */
export const api = createApi({
  baseQuery,
  tagTypes: ['Book', 'Orders', 'Order', 'Door', 'Backups', 'Example', 'Makings', 'Practices'],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
