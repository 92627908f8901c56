import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';
import { openBook, type BookData } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import { PromiseDesk, type PromiseCheck } from '@usual-pantry/core/promise';
import type { Guide } from '@usual-pantry/core/plan';
import type { Day } from '@usual-pantry/core/quantity';
import { solveWithHighs, type HighsRuntime } from '@usual-pantry/core/solver';

/** What is promised already, and the book it rests on. */
export interface Ground {
  readonly kind: 'ground';
  readonly data: BookData;
  readonly orders: readonly OrderFiled[];
  readonly today: Day;
  readonly guide: Guide | null;
}

/** A question over the ground that was last laid, or one that nobody waits for any more. */
export type Message =
  | Ground
  | {
      readonly kind: 'ask';
      readonly number: number;
      readonly asked: OrderFiled;
      readonly seconds: number | undefined;
    }
  | { readonly kind: 'forget'; readonly number: number };

type Question = Extract<Message, { kind: 'ask' }>;

export interface Answer {
  readonly number: number;
  /** Null when the question was forgotten. */
  readonly check: PromiseCheck | null;
  readonly error?: string;
}

class Forgotten extends Error {}

const load = loadHighs as unknown as () => Promise<HighsRuntime>;
const runtime = load();
const forgotten = new Set<number>();
let desk: PromiseDesk | null = null;
let queue: Promise<unknown> = Promise.resolve();

/** Lets messages come in, and gives up what nobody waits for. */
const between = (number: number) => async () => {
  await new Promise((resolve) => setImmediate(resolve));
  if (forgotten.delete(number)) throw new Forgotten();
};

async function answer({ number, asked, seconds }: Question, at: PromiseDesk): Promise<Answer> {
  try {
    const highs = await runtime;
    const check = await at.check(asked, {
      solver: (model, options) => Promise.resolve(solveWithHighs(highs, model, options)),
      between: between(number),
      ...(seconds === undefined ? {} : { seconds, laterSeconds: seconds }),
    });
    return { number, check };
  } catch (error) {
    return error instanceof Forgotten ? { number, check: null } : { number, check: null, error: String(error) };
  }
}

parentPort?.on('message', (message: Message) => {
  if (message.kind === 'forget') forgotten.add(message.number);
  else if (message.kind === 'ground') {
    const { data, orders, today, guide } = message;
    desk = new PromiseDesk({ book: openBook(data), orders, today, guide });
  } else {
    const at = desk;
    if (at)
      queue = queue.then(async () => {
        parentPort?.postMessage(await answer(message, at));
      });
  }
});
