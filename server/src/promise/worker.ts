import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';
import { openBook, type BookData } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import {
  PromiseDesk,
  type Offer,
  type PromiseCheck,
  type PromiseGround,
  type PromiseOptions,
  type WeekAhead,
} from '@usual-pantry/core/promise';
import type { Guide } from '@usual-pantry/core/plan';
import { conventionsOf } from '@usual-pantry/core/kitchen';
import { writeAs, type Day } from '@usual-pantry/core/quantity';
import { solveWithHighs, type HighsRuntime } from '@usual-pantry/core/solver';

/** What is promised already, and the book it rests on. */
export interface Ground {
  readonly kind: 'ground';
  readonly data: BookData;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  readonly guide: Guide | null;
}

/** What has changed of the ground since it was laid, or changed last: orders alone. */
export interface GroundChange {
  readonly kind: 'change';
  readonly changed: readonly OrderFiled[];
  readonly gone: readonly string[];
  readonly today: Day;
  readonly guide: Guide | null;
}

/** A question over the ground that was last laid, or one that nobody waits for any more. */
export type Message =
  | Ground
  | GroundChange
  | {
      readonly kind: 'ask';
      readonly number: number;
      readonly asked: OrderFiled;
      readonly soon: boolean;
    }
  | { readonly kind: 'offers'; readonly number: number }
  | { readonly kind: 'week'; readonly number: number; readonly index: number; readonly soon: boolean }
  | { readonly kind: 'forget'; readonly number: number };

export type Question = Extract<Message, { kind: 'ask' | 'offers' | 'week' }>;

/** What a question can be answered with. */
export type Found = PromiseCheck | readonly Offer[] | WeekAhead;

export interface Answer {
  readonly number: number;
  /** Null when the question was forgotten. */
  readonly found: Found | null;
  readonly error?: string;
}

class Forgotten extends Error {}

const load = loadHighs as unknown as () => Promise<HighsRuntime>;
const runtime = load();
const forgotten = new Set<number>();
let ground: PromiseGround | null = null;
let desk: PromiseDesk | null = null;
let queue: Promise<unknown> = Promise.resolve();

/** Lets messages come in, and gives up what nobody waits for. */
const between = (number: number) => async () => {
  await new Promise((resolve) => setImmediate(resolve));
  if (forgotten.delete(number)) throw new Forgotten();
};

async function found(question: Question, at: PromiseDesk): Promise<Found> {
  const pause = { between: between(question.number) };
  if (question.kind === 'offers') return at.offers(pause);
  const highs = question.soon ? null : await runtime;
  const options = highs
    ? ({
        ...pause,
        solver: (model, limits) => Promise.resolve(solveWithHighs(highs, model, limits)),
      } satisfies PromiseOptions)
    : pause;
  return question.kind === 'week' ? at.week(question.index, options) : at.check(question.asked, options);
}

async function answer(question: Question, at: PromiseDesk): Promise<Answer> {
  const { number } = question;
  try {
    return { number, found: await found(question, at) };
  } catch (error) {
    return error instanceof Forgotten ? { number, found: null } : { number, found: null, error: String(error) };
  }
}

/** Lays the ground, and works out at once what every question over it begins with. */
function lay(next: PromiseGround): void {
  ground = next;
  desk = new PromiseDesk(next);
  queue = queue.then(() => {
    if (ground === next) desk?.begin();
  });
}

parentPort?.on('message', (message: Message) => {
  if (message.kind === 'forget') forgotten.add(message.number);
  else if (message.kind === 'ground') {
    const { data, orders, today, guide } = message;
    writeAs(conventionsOf(data.kitchen));
    lay({ book: openBook(data), orders, today, guide });
  } else if (message.kind === 'change') {
    const { changed, gone, today, guide } = message;
    if (!ground) return;
    const away = new Set([...gone, ...changed.map(({ id }) => id)]);
    const orders = [...ground.orders.filter(({ id }) => !away.has(id)), ...changed];
    lay({ ...ground, orders: orders.sort((a, b) => (a.id < b.id ? -1 : 1)), today, guide });
  } else {
    const at = desk;
    if (at)
      queue = queue.then(async () => {
        parentPort?.postMessage(await answer(message, at));
      });
  }
});
