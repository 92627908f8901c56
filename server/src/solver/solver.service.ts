import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { Solution, Solver, SolverProgress } from '@usual-pantry/core/solver';
import { GivenUp } from '../thread/thread.js';
import type { Job } from './worker.js';

/** The built thread: the one file of the server that must be run as it is built. */
const WORKER = createRequire(import.meta.url).resolve('@usual-pantry/server/solver-worker');

interface Waiting {
  readonly resolve: (solution: Solution) => void;
  readonly reject: (error: Error) => void;
  readonly onProgress: ((progress: SolverProgress) => void) | undefined;
}

interface Answer {
  readonly number: number;
  readonly solution?: Solution;
  readonly progress?: SolverProgress;
  readonly error?: string;
}

/** Solves models in a thread of its own, so that the server answers all the while. */
@Injectable()
export class SolverService implements OnModuleDestroy {
  private worker: Worker | null = null;
  private count = 0;
  private readonly waiting = new Map<number, Waiting>();

  /** The solver that core is handed. */
  readonly solve: Solver = (model, { onProgress, ...options } = {}) =>
    new Promise((resolve, reject) => {
      const number = ++this.count;
      this.waiting.set(number, { resolve, reject, onProgress });
      const job: Job = { number, model, options };
      this.thread().postMessage(job);
    });

  get isBusy(): boolean {
    return this.waiting.size > 0;
  }

  /** Stops whatever is being solved. */
  async giveUp(): Promise<void> {
    const { worker } = this;
    this.worker = null;
    this.fail(new GivenUp('The solver was stopped.'));
    await worker?.terminate();
  }

  onModuleDestroy(): Promise<void> {
    return this.giveUp();
  }

  private thread(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(WORKER);
    worker.on('message', ({ number, solution, progress, error }: Answer) => {
      const waiting = this.waiting.get(number);
      if (progress) waiting?.onProgress?.(progress);
      else {
        this.waiting.delete(number);
        if (solution) waiting?.resolve(solution);
        else waiting?.reject(new Error(error ?? 'The solver failed.'));
      }
    });
    worker.on('error', (error) => {
      this.worker = null;
      this.fail(error);
    });
    worker.unref();
    this.worker = worker;
    return worker;
  }

  private fail(error: Error): void {
    for (const { reject } of this.waiting.values()) reject(error);
    this.waiting.clear();
  }
}
