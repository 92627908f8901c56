import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { MakingEvent } from '@usual-pantry/core/making';
import { MakingStore } from './makingStore';
import { openShelf } from './shelf';

/** A server that keeps events as the real one does, and can be away, or refuse one of them. */
class Kitchen {
  events: MakingEvent[] = [];
  /** How many requests brought events. */
  brought = 0;
  isAway = false;
  isUnknown = false;
  /** An answer that is lost on its way: the events are kept all the same. */
  losesAnswers = 0;
  refuses: (event: MakingEvent) => boolean = () => false;

  answer(address: string, body: string | null): Response {
    if (this.isAway) throw new TypeError('fetch failed');
    if (this.isUnknown) return this.say(404, { detail: 'There is no making "m".' });
    if (body !== null) {
      this.brought += 1;
      const { events } = JSON.parse(body) as { events: MakingEvent[] };
      if (events.some(this.refuses)) return this.say(422, { detail: 'Some values cannot be right.' });
      for (const event of events) if (!this.events.some(({ id }) => id === event.id)) this.events.push(event);
      if (this.losesAnswers-- > 0) throw new TypeError('fetch failed');
      return this.say(200, { state: 'open', place: this.events.length, events: [] });
    }
    const after = Number(/after=(\d+)/.exec(address)?.[1]);
    return this.say(200, { state: 'open', place: this.events.length, events: this.events.slice(after) });
  }

  private say(status: number, body: object): Response {
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  }
}

let kitchen: Kitchen;
const realFetch = globalThis.fetch;
let count = 0;
let id: string;
let ends: (() => void)[];

beforeEach(() => {
  kitchen = new Kitchen();
  ends = [];
  id = `making-${String(count++)}`;
  globalThis.fetch = (input, init) =>
    Promise.resolve().then(() => kitchen.answer(input as string, (init?.body as string | undefined) ?? null));
});
afterEach(() => {
  for (const end of ends) end();
  globalThis.fetch = realFetch;
});

/** A page that looks at the batch. */
function page(): MakingStore {
  const store = new MakingStore(id);
  ends.push(store.listen(() => undefined));
  return store;
}
const weighed = (grams: number) => ({ kind: 'weighed' as const, line: 0, grams, useBy: null });
const gramsOf = (events: readonly MakingEvent[]) =>
  events.map((event) => (event.kind === 'weighed' ? event.grams : event.kind));

describe('what happens to a batch', () => {
  it('is there at once, and reaches the server in order', async () => {
    const store = page();
    store.happen(weighed(1));
    store.happen(weighed(2));
    expect(gramsOf(store.now().events)).toEqual([1, 2]);
    expect(store.now().waiting).toBe(2);
    expect(await store.settled()).toBe(true);
    expect(gramsOf(kitchen.events)).toEqual([1, 2]);
    expect(store.now()).toMatchObject({ waiting: 0, isReached: true, isThere: true });
  });

  it('waits while the server is away, is said to, and lands once and in order', async () => {
    const store = page();
    await store.settled();
    kitchen.isAway = true;
    for (const grams of [1, 2, 3]) store.happen(weighed(grams));
    expect(await store.settled()).toBe(false);
    expect(store.now()).toMatchObject({ isReached: false, waiting: 3 });
    expect(gramsOf(store.now().events)).toEqual([1, 2, 3]);
    kitchen.isAway = false;
    expect(await store.settled()).toBe(true);
    expect(gramsOf(kitchen.events)).toEqual([1, 2, 3]);
    expect(store.now()).toMatchObject({ isReached: true, waiting: 0 });
  });

  it('is kept at once, though what happened before it is still on its way', async () => {
    const first = page();
    await first.settled();
    let answerNow = (): void => undefined;
    const held = new Promise<void>((resolve) => (answerNow = resolve));
    const answering = globalThis.fetch;
    globalThis.fetch = async (...asked) => {
      await held;
      return answering(...asked);
    };
    first.happen(weighed(1));
    first.happen(weighed(2));
    // No answer has come: both are on the shelf for whoever opens the page anew.
    const shelf = await openShelf();
    const kept = await shelf.getAllFromIndex('waiting', 'makingId', id);
    expect(gramsOf(kept.map(({ event }) => event))).toEqual([1, 2]);
    answerNow();
    expect(await first.settled()).toBe(true);
    expect(gramsOf(kitchen.events)).toEqual([1, 2]);
    expect(await shelf.countFromIndex('waiting', 'makingId', id)).toBe(0);
  });

  it('lands once though the answer to it was lost', async () => {
    const store = page();
    kitchen.losesAnswers = 1;
    store.happen(weighed(1));
    await store.settled();
    await store.settled();
    expect(gramsOf(kitchen.events)).toEqual([1]);
    expect(gramsOf(store.now().events)).toEqual([1]);
    expect(kitchen.brought).toBe(2);
  });

  it('is still there when the page is opened anew without the server', async () => {
    const first = page();
    first.happen(weighed(1));
    await first.settled();
    kitchen.isAway = true;
    first.happen(weighed(2));
    await first.settled();
    // Another page of the same browser knows only what was kept.
    const second = page();
    await second.settled();
    expect(second.now()).toMatchObject({ isThere: true, isReached: false, waiting: 1 });
    expect(gramsOf(second.now().events)).toEqual([1, 2]);
    kitchen.isAway = false;
    await second.settled();
    expect(gramsOf(kitchen.events)).toEqual([1, 2]);
    const shelf = await openShelf();
    expect(await shelf.count('waiting')).toBe(0);
  });

  it('is seen by another device in the order in which the server took it in', async () => {
    const [phone, tablet] = [page(), new MakingStore(id)];
    phone.happen(weighed(1));
    await phone.settled();
    ends.push(tablet.listen(() => undefined));
    tablet.happen(weighed(2));
    await tablet.settled();
    phone.happen(weighed(3));
    await phone.settled();
    await tablet.settled();
    expect(gramsOf(phone.now().events)).toEqual([1, 2, 3]);
    expect(gramsOf(tablet.now().events)).toEqual([1, 2, 3]);
  });

  it('loses nothing to one event that is refused, and says why', async () => {
    kitchen.refuses = (event) => event.kind === 'weighed' && event.grams === 2;
    const store = page();
    for (const grams of [1, 2, 3]) store.happen(weighed(grams));
    expect(await store.settled()).toBe(true);
    expect(gramsOf(kitchen.events)).toEqual([1, 3]);
    expect(store.now().refused).toBe('Some values cannot be right.');
  });

  it('is kept when the server does not know the batch', async () => {
    kitchen.isUnknown = true;
    const store = page();
    store.happen(weighed(1));
    expect(await store.settled()).toBe(false);
    expect(store.now().refused).toContain('What happened is kept here.');
    kitchen.isUnknown = false;
    expect(await store.settled()).toBe(true);
    expect(gramsOf(kitchen.events)).toEqual([1]);
  });

  it('tells those who listen only when something is new', async () => {
    const store = new MakingStore(id);
    let told = 0;
    ends.push(
      store.listen(() => {
        told += 1;
      }),
    );
    await store.settled();
    const before = told;
    const state = store.now();
    await store.settled();
    expect(told).toBe(before);
    expect(store.now()).toBe(state);
  });

  it('is nothing, and asks for nothing, where there is no batch', () => {
    let asked = 0;
    globalThis.fetch = () => {
      asked += 1;
      return Promise.reject(new TypeError('fetch failed'));
    };
    const none = new MakingStore('');
    ends.push(none.listen(() => undefined));
    expect(none.now().events).toEqual([]);
    expect(asked).toBe(0);
  });
});
