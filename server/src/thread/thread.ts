import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import type { OnModuleDestroy } from '@nestjs/common';
import { written, type Conventions } from '@usual-pantry/core/quantity';

/** Was given up before it was done. */
export class GivenUp extends Error {}

/** What is sent to a thread: the job, and how its sentences are to be written. */
export interface Sent<Job> {
  readonly job: Job;
  readonly conventions: Conventions;
}

/** What a job's thread answers with. */
export type Outcome<Result, Progress = number> =
  | { readonly result: Result }
  | { readonly error: string; readonly code?: string | undefined }
  | { readonly done: Progress };

/** How long a job may go on. */
export interface Limits<Progress = number> {
  /** Gives the job up when it is aborted. */
  readonly signal?: AbortSignal | undefined;
  /** Gives the job up after so long; without it the job ends by its own measure alone. */
  readonly mostMs?: number;
  /** Is told how far the job is, in its own measure. */
  readonly onProgress?: (done: Progress) => void;
}

/**
 * A thread that does one job after another, so that the server answers all the while. A job that is given up has its thread ended; the
 * next one gets a fresh one.
 */
export class Thread<Job, Result, Progress = number> implements OnModuleDestroy {
  private worker: Worker | null = null;
  private last: Promise<unknown> = Promise.resolve();

  /** @param file the built script that takes jobs and answers each with an {@link Outcome} */
  constructor(private readonly file: string) {}

  /** @throws GivenUp when it was aborted or took too long; Error with what the job says */
  run(job: Job, limits: Limits<Progress>): Promise<Result> {
    const done = this.last.then(() => this.one(job, limits));
    this.last = done.catch(() => undefined);
    return done;
  }

  async onModuleDestroy(): Promise<void> {
    const { worker } = this;
    this.worker = null;
    await worker?.terminate();
  }

  private one(job: Job, { signal, mostMs, onProgress }: Limits<Progress>): Promise<Result> {
    // Whoever gave it up before its turn came has nothing ended.
    if (signal?.aborted) return Promise.reject(new GivenUp('It was given up.'));
    const worker = (this.worker ??= this.started());
    return new Promise<Result>((resolve, reject) => {
      const finish = () => {
        clearTimeout(late);
        signal?.removeEventListener('abort', giveUp);
        worker.off('message', take);
        worker.off('error', drop);
        worker.off('exit', stop);
      };
      const drop = (error: Error) => {
        finish();
        if (this.worker === worker) this.worker = null;
        void worker.terminate();
        reject(error);
      };
      const giveUp = () => {
        drop(new GivenUp('It was given up.'));
      };
      const stop = () => {
        drop(new GivenUp('The server stops.'));
      };
      const take = (outcome: Outcome<Result, Progress>) => {
        if ('done' in outcome) {
          onProgress?.(outcome.done);
          return;
        }
        finish();
        if ('error' in outcome)
          reject(Object.assign(new Error(outcome.error), outcome.code === undefined ? {} : { code: outcome.code }));
        else resolve(outcome.result);
      };
      const late =
        mostMs === undefined
          ? undefined
          : setTimeout(() => {
              drop(new GivenUp(`It took longer than ${String(Math.round(mostMs / 1000))} s and was given up.`));
            }, mostMs);
      signal?.addEventListener('abort', giveUp);
      worker.on('message', take);
      worker.on('error', drop);
      worker.on('exit', stop);
      worker.postMessage({ job, conventions: written() } satisfies Sent<Job>);
    });
  }

  private started(): Worker {
    const worker = new Worker(this.file);
    worker.unref();
    return worker;
  }
}

/** Threads run as they are built, also where everything else is not. */
const { resolve } = createRequire(import.meta.url);

/** A thread of the server by the name that its package gives to the script. */
export const threadOf = <Job, Result, Progress = number>(name: string): Thread<Job, Result, Progress> =>
  new Thread(resolve(`@usual-pantry/server/${name}`));

/** Lets whatever waits have a turn in the middle of long work. */
export const letOthersIn = (): Promise<void> =>
  new Promise((done) => {
    setImmediate(done);
  });
