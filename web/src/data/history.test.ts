import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import { historyReducer, recorded, redo, undo } from './history';
import { api, seen } from './api';
import { planApi } from './plan';
import { recordApi } from './records';
import type { Stored } from './records';

interface Call {
  readonly method: string;
  readonly address: string;
  readonly body: Record<string, unknown> | null;
}

const makeStore = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer, history: historyReducer },
    middleware: (defaults) => defaults().concat(api.middleware),
  });

let store: ReturnType<typeof makeStore>;
let calls: Call[];
let answer: (call: Call) => { status: number; body: unknown };
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
    };
    calls.push(call);
    const { status, body } = answer(call);
    return new Response(body === null ? null : JSON.stringify(body), {
      status,
      headers: { 'Content-Type': 'application/json', 'X-Revision': '7' },
    });
  };
});
afterEach(() => {
  store.dispatch(api.util.resetApiState());
  globalThis.fetch = realFetch;
  globalThis.Request = RealRequest;
});

const order = (version: number, notes: string) =>
  ({
    id: 'o',
    version,
    customer: { name: 'Ada', contact: '' },
    lines: [],
    handOver: { on: '2026-12-05', way: 'stall', place: '' },
    exclusions: [],
    agreed: [],
    leftOut: [],
    standIns: [],
    words: '',
    history: [],
    state: 'asked',
    depositMinor: 0,
    notes,
  }) satisfies Stored<'order'>;

const record = (before: Stored | null, after: Stored | null) =>
  store.dispatch(recorded({ label: 'Ada’s order saved.', parts: [{ noun: 'order', id: 'o', before, after }] }));
const notice = () => store.getState().history.notice;

describe('undo', () => {
  it('of a change puts back what was there, over the version that is stored', async () => {
    record(order(1, 'old'), order(2, 'new'));
    expect(notice()).toMatchObject({ text: 'Ada’s order saved.', undo: true });
    await store.dispatch(undo());
    expect(calls).toMatchObject([{ method: 'PUT', address: '/api/orders/o', body: { notes: 'old', version: 2 } }]);
    expect(notice()).toMatchObject({ text: 'Undone: Ada’s order saved.', undo: false });
  });

  it('of a new record deletes it, of a deletion brings it back with its id', async () => {
    answer = () => ({ status: 204, body: null });
    record(null, order(1, 'new'));
    await store.dispatch(undo());
    expect(calls).toMatchObject([{ method: 'DELETE', address: '/api/orders/o?version=1' }]);
    calls.length = 0;
    answer = ({ body }) => ({ status: 201, body: { ...body, version: 1 } });
    record(order(3, 'gone'), null);
    await store.dispatch(undo());
    expect(calls).toMatchObject([{ method: 'POST', address: '/api/orders', body: { id: 'o', notes: 'gone' } }]);
  });

  it('and redo follow each other with the versions that the server gives', async () => {
    record(order(1, 'old'), order(2, 'new'));
    await store.dispatch(undo());
    await store.dispatch(redo());
    await store.dispatch(undo());
    expect(calls.map(({ body }) => [body?.['notes'], body?.['version']])).toEqual([
      ['old', 2],
      ['new', 3],
      ['old', 4],
    ]);
  });

  it('goes back over several edits of one record', async () => {
    record(order(1, 'first'), order(2, 'second'));
    record(order(2, 'second'), order(3, 'third'));
    await store.dispatch(undo());
    await store.dispatch(undo());
    expect(calls.map(({ body }) => [body?.['notes'], body?.['version']])).toEqual([
      ['second', 3],
      ['first', 4],
    ]);
  });

  it('of a move puts back the plan that was there, and nothing where none was', async () => {
    const guide = (day: string) => ({
      pieces: {},
      components: {},
      pins: [],
      batches: [{ recipeId: 'r', day, size: 1, count: 1 }],
    });
    const before = { version: 4, guide: guide('2026-12-01'), solved: null };
    const after = { version: 5, guide: guide('2026-12-05'), solved: null };
    answer = ({ body }) => ({ status: 200, body: { decision: body?.['decision'] && { ...before, version: 6 } } });
    store.dispatch(
      recorded({ label: 'Toffee moved.', parts: [{ noun: 'plan', id: 'plan', before: null, after: before }] }),
    );
    store.dispatch(recorded({ label: 'Toffee moved.', parts: [{ noun: 'plan', id: 'plan', before, after }] }));
    await store.dispatch(undo());
    await store.dispatch(undo());
    expect(calls).toMatchObject([
      { method: 'PUT', address: '/api/plan/decision', body: { version: 5, decision: { guide: before.guide } } },
      { method: 'PUT', address: '/api/plan/decision', body: { version: 6, decision: null } },
    ]);
  });

  it('is refused, and keeps its place, when somebody else has changed the record', async () => {
    const current = order(3, 'theirs');
    answer = () => ({ status: 409, body: { code: 'stale', detail: 'This order was changed elsewhere.', current } });
    record(order(1, 'old'), order(2, 'new'));
    await store.dispatch(undo());
    expect(notice()).toMatchObject({ text: 'Not undone. This order was changed elsewhere.', tone: 'trouble' });
    expect(store.getState().history.done).toHaveLength(1);
  });

  it('goes on over a record that was changed elsewhere and changed back', async () => {
    answer = ({ body }) =>
      body?.['version'] === 2
        ? { status: 409, body: { code: 'stale', detail: 'Changed elsewhere.', current: order(4, 'new') } }
        : { status: 200, body: { ...body, id: 'o', version: 5 } };
    record(order(1, 'old'), order(2, 'new'));
    await store.dispatch(undo());
    expect(calls.map(({ body }) => [body?.['notes'], body?.['version']])).toEqual([
      ['old', 2],
      ['old', 4],
    ]);
    expect(notice()).toMatchObject({ text: 'Undone: Ada’s order saved.' });
  });

  it('says when there is nothing to undo or redo', async () => {
    await store.dispatch(undo());
    expect(notice()?.text).toBe('Nothing to undo.');
    await store.dispatch(redo());
    expect(notice()?.text).toBe('Nothing to redo.');
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
    const { error } = await store.dispatch(recordApi.endpoints.add.initiate({ noun: 'order', draft: order(0, '') }));
    expect(error).toMatchObject({ code: 'wrong-values', wrong: [{ path: 'notes' }] });
  });

  it('notes the newest revision that an answer names', async () => {
    seen.revision = 0;
    await store.dispatch(planApi.endpoints.plan.initiate());
    expect(seen.revision).toBe(7);
  });
});
