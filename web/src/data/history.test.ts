import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import { api, seen } from './api';
import { redo, undo } from './history';
import { noticeReducer } from './notices';
import type { OrderDraft } from '@usual-pantry/core/order';
import { usualWriting } from '@usual-pantry/core/quantity';
import { planApi } from './plan';
import { recordApi } from './records';

interface Call {
  readonly method: string;
  readonly address: string;
  readonly body: Record<string, unknown> | null;
  readonly label: string | null;
}

const makeStore = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer, notice: noticeReducer },
    middleware: (defaults) => defaults().concat(api.middleware),
  });

let store: ReturnType<typeof makeStore>;
let calls: Call[];
let answer: (call: Call) => { status: number; body: unknown; headers?: Record<string, string> };
const realFetch = globalThis.fetch;
const RealRequest = globalThis.Request;

beforeEach(() => {
  store = makeStore();
  calls = [];
  answer = ({ body }) => ({ status: 200, body: { ...body, id: 'o', version: Number(body?.['version'] ?? 0) + 1 } });
  // Addresses without a host are fine in a browser, not in Node
  globalThis.Request = class extends RealRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? `http://kitchen${input}` : input, init);
    }
  };
  globalThis.fetch = async (input) => {
    const request = input as Request;
    const text = await request.text();
    const call: Call = {
      method: request.method,
      address: request.url.replace('http://kitchen', ''),
      body: text ? (JSON.parse(text) as Record<string, unknown>) : null,
      label: request.headers.get('change-label'),
    };
    calls.push(call);
    const { status, body, headers } = answer(call);
    return new Response(body === null ? null : JSON.stringify(body), {
      status,
      headers: { 'Content-Type': 'application/json', 'X-Revision': '7', ...headers },
    });
  };
});
afterEach(() => {
  store.dispatch(api.util.resetApiState());
  globalThis.fetch = realFetch;
  globalThis.Request = RealRequest;
});

const order = {
  customer: { name: 'Ada', contact: '' },
  lines: [],
  handOver: { on: '2026-12-05', way: 'stall', place: '' },
  exclusions: [],
  agreed: [],
  leftOut: [],
  standIns: [],
  payments: [],
  labelSchool: null,
  words: '',
  history: [],
  state: 'asked',
  depositMinor: 0,
  notes: '',
} satisfies OrderDraft;
const notice = () => store.getState().notice;
const save = (label?: string) =>
  store.dispatch(recordApi.endpoints.change.initiate({ noun: 'order', id: 'o', version: 1, draft: order, label }));

describe('a write that was stored', () => {
  it('is said by the name that the server gives it, and can be undone by its number', async () => {
    const label = encodeURIComponent('Ada’s order saved.');
    answer = ({ body }) => ({ status: 200, body, headers: { 'X-Change': '12', 'X-Change-Label': label } });
    await save();
    expect(notice()).toEqual({ text: 'Ada’s order saved.', change: 12, tone: 'plain' });
    expect(calls[0]?.label).toBeNull();
    answer = () => ({ status: 200, body: { id: 12, label: 'Ada’s order saved.' } });
    await store.dispatch(undo(12));
    expect(calls[1]).toMatchObject({ method: 'POST', address: '/api/history/undo', body: { id: 12 } });
    expect(notice()).toEqual({ text: 'Undone: Ada’s order saved.', change: null, tone: 'plain' });
  });

  it('has the name that the page gives it, whatever its letters', async () => {
    await save('Ada’s order – “paid”.');
    expect(decodeURIComponent(calls[0]?.label ?? '')).toBe('Ada’s order – “paid”.');
  });

  it('is not said when nothing was changed, or when it was refused', async () => {
    await save();
    answer = () => ({ status: 409, body: { code: 'stale', detail: 'Changed elsewhere.' } });
    await save();
    expect(notice()).toBeNull();
  });
});

describe('undo and redo', () => {
  it('without a number mean the last change of this page’s user', async () => {
    answer = () => ({ status: 200, body: { id: 3, label: 'Toffee moved.' } });
    await store.dispatch(undo());
    await store.dispatch(redo());
    expect(calls).toMatchObject([
      { address: '/api/history/undo', body: {} },
      { address: '/api/history/redo', body: {} },
    ]);
    expect(notice()?.text).toBe('Done again: Toffee moved.');
  });

  it('say what stands in the way, and that there is nothing', async () => {
    answer = () => ({ status: 409, body: { code: 'in-the-way', detail: 'Toffee was changed since.' } });
    await store.dispatch(undo());
    expect(notice()).toMatchObject({ text: 'Not undone. Toffee was changed since.', tone: 'trouble' });
    answer = () => ({ status: 409, body: { code: 'not-in-history', detail: 'Nothing to redo.' } });
    await store.dispatch(redo());
    expect(notice()).toMatchObject({ text: 'Nothing to redo.', tone: 'plain' });
  });
});

describe('the API', () => {
  it('turns a server that does not answer into words', async () => {
    globalThis.fetch = () => Promise.reject(new TypeError('refused'));
    const { error } = await store.dispatch(planApi.endpoints.plan.initiate());
    expect(error).toMatchObject({ code: 'unreachable' });
    expect((error as { message: string }).message).toContain('Nothing you typed is lost');
  });

  it('passes a refusal on as the server says it', async () => {
    answer = () => ({
      status: 422,
      body: { code: 'wrong-values', detail: 'No.', wrong: [{ path: 'notes', message: 'too long' }] },
    });
    const { error } = await store.dispatch(recordApi.endpoints.add.initiate({ noun: 'order', draft: order }));
    expect(error).toMatchObject({ code: 'wrong-values', wrong: [{ path: 'notes' }] });
  });

  it('notes the newest revision that an answer names', async () => {
    seen.revision = 0;
    answer = () => ({ status: 200, body: { conventions: usualWriting['en-GB'] } });
    await store.dispatch(planApi.endpoints.plan.initiate());
    expect(seen.revision).toBe(7);
  });
});
