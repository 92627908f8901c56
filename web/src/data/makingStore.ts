import type { MakingEvents } from '@usual-pantry/core/api';
import type { Happening, MakingEvent, MakingFiled } from '@usual-pantry/core/making';
import { apiAt } from '../parts/kitchenAt';
import { freshId } from './freshId';
import { openShelf } from './shelf';

/** So often what waits is sent, and what another device did is asked for, ms. */
const EVERY_MS = 2_000;
const MOST_AT_ONCE = 200;
/** The store of no batch: where there may be one, and is none. */
const NONE = '';

/** How a batch at the bench stands for a page. */
export interface MakingStoreState {
  /** In the order in which the server took them in, then what it does not have yet. */
  readonly events: readonly MakingEvent[];
  /** How much of it has not reached the server yet. */
  readonly waiting: number;
  /** Whether the server was reached the last time. */
  readonly isReached: boolean;
  /** Whether it is known what has happened: by the server, or by what this browser has kept. */
  readonly isThere: boolean;
  readonly making: MakingFiled['state'];
  /** Why the server refused what happened; null when it did not. */
  readonly refused: string | null;
}

/** Keeps what happened until the server has it. @returns under which key; -1 where a browser keeps nothing: it is sent all the same */
const keep = (makingId: string, event: MakingEvent): Promise<number> =>
  openShelf()
    .then((shelf) => {
      const transaction = shelf.transaction('waiting', 'readwrite');
      const key = transaction.store.add({ makingId, event });
      // Ended now, it needs the page no more.
      transaction.commit();
      return key;
    })
    .catch(() => -1);

/**
 * What happens to a batch, as this page knows it. Whatever happens is there at once, is kept in the browser until the server has it, and
 * reaches it once and in order, however long the server is away; also when the page is opened anew meanwhile.
 */
export class MakingStore {
  private state: MakingStoreState = {
    events: [],
    waiting: 0,
    isReached: true,
    isThere: false,
    making: 'open',
    refused: null,
  };
  private readonly listeners = new Set<() => void>();
  /** As the server has them. */
  private server: MakingEvent[] = [];
  private serverIds = new Set<string>();
  private place = 0;
  /** What happened here and has not come back from the server. */
  private local: MakingEvent[] = [];
  /** Of that, what is still to be sent. */
  private unsent: { readonly key: number; readonly event: MakingEvent }[] = [];
  /** Ids of all that was to be sent since the page was opened. */
  private readonly queued = new Set<string>();
  /** Keeping, sending and asking follow one another. */
  private turn: Promise<unknown> = Promise.resolve();
  private timer: ReturnType<typeof setInterval> | null = null;

  constructor(private readonly makingId: string) {}

  readonly now = (): MakingStoreState => this.state;

  /** Follows the batch as long as anybody listens. */
  readonly listen = (tell: () => void): (() => void) => {
    if (this.makingId === NONE) return () => undefined;
    this.listeners.add(tell);
    if (!this.timer) {
      if (!this.state.isThere) this.inTurn(() => this.readShelf());
      this.sync();
      this.timer = setInterval(this.sync, EVERY_MS);
      window.addEventListener('online', this.sync);
    }
    return () => {
      this.listeners.delete(tell);
      if (this.listeners.size > 0 || !this.timer) return;
      clearInterval(this.timer);
      window.removeEventListener('online', this.sync);
      this.timer = null;
    };
  };

  /** Something happened. @param at when, where that is not now */
  happen(happening: Happening, at: Date = new Date()): void {
    const event: MakingEvent = { id: freshId(), at: at.toISOString(), ...happening };
    this.local.push(event);
    this.show({ waiting: this.state.waiting + 1 });
    // It is kept at once, whatever is being sent meanwhile: the page may be opened anew in the next moment.
    const kept = keep(this.makingId, event);
    this.inTurn(async () => {
      const key = await kept;
      // What was found on the shelf meanwhile is on its way already.
      if (!this.queued.has(event.id)) this.queue([{ key, event }]);
    });
    this.sync();
  }

  private queue(more: readonly { readonly key: number; readonly event: MakingEvent }[]): void {
    for (const { event } of more) this.queued.add(event.id);
    this.unsent = [...this.unsent, ...more];
  }

  /** Waits until everything has been sent, or could not be. @returns whether everything has reached the server */
  async settled(): Promise<boolean> {
    this.sync();
    await this.turn;
    return this.unsent.length === 0;
  }

  private inTurn(work: () => Promise<void>): void {
    this.turn = this.turn.then(work, work).catch(() => undefined);
  }

  /** Shows what is known now, when anything of it is new. */
  private show(more: Partial<MakingStoreState>): void {
    const events = [...this.server, ...this.local];
    const isSame = events.length === this.state.events.length && events.at(-1) === this.state.events.at(-1);
    const next = { ...this.state, ...more, events: isSame ? this.state.events : events };
    const isNew = Object.entries(next).some(([name, value]) => this.state[name as keyof MakingStoreState] !== value);
    if (!isNew) return;
    this.state = next;
    for (const tell of this.listeners) tell();
  }

  /** The batch as the server last had it, and what an earlier page of this browser could not send. */
  private async readShelf(): Promise<void> {
    const shelf = await openShelf();
    const kept = await shelf.get('makings', this.makingId);
    if (kept && this.place === 0) {
      this.server = [...kept.events];
      this.serverIds = new Set(kept.events.map(({ id }) => id));
      this.place = kept.place;
      this.show({ isThere: true, making: kept.making });
    }
    const earlier: { key: number; event: MakingEvent }[] = [];
    const { store } = shelf.transaction('waiting');
    for await (const cursor of store.index('makingId').iterate(this.makingId))
      earlier.push({ key: cursor.primaryKey, event: cursor.value.event });
    const fresh = earlier.filter(({ event }) => !this.queued.has(event.id));
    const queued = this.unsent;
    this.unsent = [];
    this.queue(fresh);
    this.unsent = [...this.unsent, ...queued];
    const there = new Set(this.local.map(({ id }) => id));
    const unseen = fresh.map(({ event }) => event).filter(({ id }) => !there.has(id) && !this.serverIds.has(id));
    this.local = [...unseen, ...this.local];
    this.show({ waiting: this.unsent.length });
  }

  private readonly sync = (): void => {
    this.inTurn(async () => {
      try {
        await this.send();
        await this.ask();
        this.show({ isReached: true });
      } catch {
        this.show({ isReached: false });
      }
    });
  };

  /** @throws while the server is not reached, or does not know the batch */
  private async send(): Promise<void> {
    let most = MOST_AT_ONCE;
    while (this.unsent.length > 0) {
      const some = this.unsent.slice(0, most);
      const answer = await fetch(apiAt(`/makings/${this.makingId}/events`), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ events: some.map(({ event }) => event) }),
      });
      if (!answer.ok) {
        const { detail = answer.statusText } = (await answer.json().catch(() => ({}))) as { detail?: string };
        if (answer.status !== 422) {
          if (answer.status === 404) this.show({ refused: `${detail} What happened is kept here.` });
          throw new Error(detail);
        }
        // One of them is wrong: each is sent by itself, so that only that one is passed over, and it is said.
        if (some.length > 1) {
          most = 1;
          continue;
        }
        this.show({ refused: detail });
      }
      this.unsent = this.unsent.slice(some.length);
      this.show({ waiting: this.unsent.length });
      await this.forget(some.map(({ key }) => key).filter((key) => key >= 0));
    }
  }

  private async forget(keys: readonly number[]): Promise<void> {
    if (keys.length === 0) return;
    const { store } = (await openShelf()).transaction('waiting', 'readwrite');
    await Promise.all(keys.map((key) => store.delete(key)));
  }

  /** @throws while the server is not reached */
  private async ask(): Promise<void> {
    const answer = await fetch(apiAt(`/makings/${this.makingId}/events?after=${String(this.place)}`));
    if (!answer.ok) throw new Error(answer.statusText);
    const { events, place, state } = (await answer.json()) as MakingEvents;
    const isChanged = events.length > 0 || state !== this.state.making || !this.state.isThere;
    this.place = place;
    for (const event of events)
      if (!this.serverIds.has(event.id)) {
        this.server.push(event);
        this.serverIds.add(event.id);
      }
    this.local = this.local.filter(({ id }) => !this.serverIds.has(id));
    this.show({ isThere: true, making: state });
    if (!isChanged) return;
    const kept = { events: this.server, place, making: state };
    await openShelf()
      .then((shelf) => shelf.put('makings', kept, this.makingId))
      .catch(() => undefined);
  }
}

const stores = new Map<string, MakingStore>();

/** The store of a batch; one for each. */
export function makingStoreOf(makingId: string): MakingStore {
  const known = stores.get(makingId) ?? new MakingStore(makingId);
  stores.set(makingId, known);
  return known;
}
