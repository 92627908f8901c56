import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Plugin } from 'vite';

/** What a thread answers: the file that it was given, compiled, or why it could not be. */
interface Answer {
  readonly number: number;
  readonly code?: string;
  readonly error?: string;
}

interface Waiting {
  readonly resolve: (code: string) => void;
  readonly reject: (error: Error) => void;
}

/** Threads that compile files, as many as there are cores; each file goes to the one with the least to do. */
class Pool {
  private readonly waiting = new Map<number, Waiting>();
  private readonly threads: { readonly worker: Worker; open: number }[];
  private count = 0;

  constructor(script: string) {
    this.threads = Array.from({ length: availableParallelism() }, () => {
      const thread = { worker: new Worker(script, { resourceLimits: { maxYoungGenerationSizeMb: 64 } }), open: 0 };
      thread.worker.on('message', ({ number, code, error }: Answer) => {
        thread.open -= 1;
        const waiting = this.waiting.get(number);
        this.waiting.delete(number);
        if (code === undefined) waiting?.reject(new Error(error ?? 'nothing was compiled'));
        else waiting?.resolve(code);
      });
      return thread;
    });
  }

  compile(code: string, filename: string): Promise<string> {
    return new Promise((resolve, reject) => {
      this.count += 1;
      this.waiting.set(this.count, { resolve, reject });
      const thread = this.threads.reduce((least, each) => (each.open < least.open ? each : least));
      thread.open += 1;
      thread.worker.postMessage({ number: this.count, code, filename });
    });
  }

  async end(): Promise<void> {
    await Promise.all(this.threads.map(({ worker }) => worker.terminate()));
  }
}

/**
 * Keeps what a component drew as long as what it rests on stays the same: the React compiler, on all cores.
 * @param script the built-in thread, worker.mjs beside this file
 */
export function compiler(script: string): Plugin {
  let pool: Pool | null = null;
  return {
    name: 'usual-pantry:compiler',
    enforce: 'pre',
    transform: {
      filter: { id: /\/web\/src\/.*\.tsx?$/ },
      async handler(code, id) {
        pool ??= new Pool(script);
        return { code: await pool.compile(code, id.replace(/\?.*$/, '')), map: null };
      },
    },
    async closeBundle() {
      await pool?.end();
      pool = null;
    },
  };
}

/** Where the thread's script is, from the folder of the pages. */
export const workerIn = (web: string): string => join(web, 'compiler', 'worker.mjs');
