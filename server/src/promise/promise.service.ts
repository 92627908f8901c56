import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { OrderFiled } from '@usual-pantry/core/order';
import type { Offer, PromiseCheck, WeekAhead } from '@usual-pantry/core/promise';
import type { Day } from '@usual-pantry/core/quantity';
import type { Season } from '../book/book.service.js';
import { GivenUp } from '../thread/thread.js';
import type { Answer, Found, Message, Question } from './worker.js';

/** The built thread: it must be run as it is built. */
const WORKER = createRequire(import.meta.url).resolve('@usual-pantry/server/promise-worker');

/** A question that is forgotten, and not given up by itself after so long, has its thread ended. */
const GRACE_MS = 150;
/** So many answers over one season are kept. */
const MOST_KEPT = 200;

/** A question without its number. */
type WithoutNumber<Each> = Each extends Question ? Omit<Each, 'number'> : never;
type Asked = WithoutNumber<Question>;

interface Waiting {
  readonly question: Asked;
  readonly resolve: (found: Found) => void;
  readonly reject: (error: Error) => void;
}

/** What is different about the orders of a season. */
function changeOf(before: Season, { season, today }: { readonly season: Season; readonly today: Day }): Message {
  const known = new Set<unknown>(before.orders);
  const there = new Set(season.orders.map(({ id }) => id));
  return {
    kind: 'change',
    changed: season.orders.filter((order) => !known.has(order)),
    gone: before.orders.flatMap(({ id }) => (there.has(id) ? [] : [id])),
    today,
    guide: season.stored?.guide ?? null,
  };
}

/** A thread that works questions out over the season as it was last stored; what nobody waits for any more is given up. */
class PromiseThread {
  private worker: Worker | null = null;
  private count = 0;
  /** What the thread's answers rest on. */
  private ground: { readonly season: Season; readonly today: Day } | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private readonly kept = new Map<string, Found>();
  /** Forgotten questions that the thread has not given up yet, each with the moment at which it is ended. */
  private readonly givenUp = new Map<number, NodeJS.Timeout>();

  async answer(season: Season, today: Day, question: Asked, signal: AbortSignal): Promise<Found> {
    if (this.ground?.season !== season || this.ground.today !== today) {
      const before = this.ground;
      this.ground = { season, today };
      this.kept.clear();
      if (this.worker)
        this.post(before?.season.book === season.book ? changeOf(before.season, this.ground) : this.groundOf());
    }
    const key = JSON.stringify(question);
    const known = this.kept.get(key);
    if (known) return known;
    const number = ++this.count;
    const found = await new Promise<Found>((resolve, reject) => {
      this.waiting.set(number, { question, resolve, reject });
      signal.addEventListener('abort', () => {
        this.forget(number);
      });
      this.ask(number, question);
    });
    if (this.ground.season === season && this.kept.size < MOST_KEPT) this.kept.set(key, found);
    return found;
  }

  async end(): Promise<void> {
    const { worker } = this;
    this.worker = null;
    for (const late of this.givenUp.values()) clearTimeout(late);
    for (const { reject } of this.waiting.values()) reject(new GivenUp('The server stops.'));
    this.waiting.clear();
    await worker?.terminate();
  }

  private ask(number: number, question: Asked): void {
    this.post({ ...question, number });
  }

  private groundOf(): Message {
    if (!this.ground) throw new Error('nothing was asked yet');
    const { season, today } = this.ground;
    return {
      kind: 'ground',
      data: season.data,
      orders: season.orders,
      today,
      guide: season.stored?.guide ?? null,
    };
  }

  private post(message: Message): void {
    this.thread().postMessage(message);
  }

  /** Nobody waits for it any more: a thread that is in the middle of it is ended, and what others wait for is asked anew. */
  private forget(number: number): void {
    const forgotten = this.waiting.get(number);
    if (!forgotten) return;
    this.waiting.delete(number);
    forgotten.reject(new GivenUp('Nobody waits for this promise any more.'));
    const { worker } = this;
    if (!worker) return;
    this.post({ kind: 'forget', number });
    this.givenUp.set(
      number,
      setTimeout(() => {
        this.startAnew(worker);
      }, GRACE_MS),
    );
  }

  /** Ends a thread that is in the middle of something, and asks another what is still waited for. */
  private startAnew(worker: Worker): void {
    if (this.worker !== worker) return;
    this.worker = null;
    for (const late of this.givenUp.values()) clearTimeout(late);
    this.givenUp.clear();
    void worker.terminate();
    for (const [number, { question }] of this.waiting) this.ask(number, question);
  }

  private thread(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(WORKER);
    worker.on('message', ({ number, found, error }: Answer) => {
      clearTimeout(this.givenUp.get(number));
      this.givenUp.delete(number);
      const waiting = this.waiting.get(number);
      this.waiting.delete(number);
      if (found) waiting?.resolve(found);
      else waiting?.reject(new Error(error ?? 'The promise could not be worked out.'));
    });
    worker.on('error', (error) => {
      if (this.worker === worker) this.worker = null;
      for (const { reject } of this.waiting.values()) reject(error);
      this.waiting.clear();
    });
    worker.unref();
    this.worker = worker;
    worker.postMessage(this.groundOf());
    return worker;
  }
}

/** Works promises out in threads of their own: what is soon known never waits for what takes long. */
@Injectable()
export class PromiseService implements OnModuleDestroy {
  private readonly soonKnown = new PromiseThread();
  private readonly lookedFor = new PromiseThread();

  /**
   * Says whether an order can be promised.
   * @param soon whether only the plan as it stands is looked at
   * @param signal gives the question up
   * @throws GivenUp when it was given up
   */
  async check(
    season: Season,
    today: Day,
    asked: OrderFiled,
    soon: boolean,
    signal: AbortSignal,
  ): Promise<PromiseCheck> {
    const question = { kind: 'ask', asked, soon } as const;
    return (await this.of(soon).answer(season, today, question, signal)) as PromiseCheck;
  }

  /**
   * Further boxes that could be packed from what will be left over.
   * @param signal gives the question up
   * @throws GivenUp when it was given up
   */
  async offers(season: Season, today: Day, signal: AbortSignal): Promise<readonly Offer[]> {
    return (await this.of(false).answer(season, today, { kind: 'offers' }, signal)) as readonly Offer[];
  }

  /**
   * What a week to come could still take.
   * @param index 0 for the week of today
   * @param soon whether only the plan as it stands is looked at
   * @param signal gives the question up
   * @throws GivenUp when it was given up
   */
  async week(season: Season, today: Day, index: number, soon: boolean, signal: AbortSignal): Promise<WeekAhead> {
    return (await this.of(soon).answer(season, today, { kind: 'week', index, soon }, signal)) as WeekAhead;
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([this.soonKnown.end(), this.lookedFor.end()]);
  }

  private of(soon: boolean): PromiseThread {
    return soon ? this.soonKnown : this.lookedFor;
  }
}
