import { parentPort } from 'node:worker_threads';
import loadHighs from 'highs';
import { solveWithHighs, type HighsRuntime, type LinearModel, type SolveOptions } from '@usual-pantry/core/solver';

/** A model to solve, and what came of it. */
export interface Job {
  readonly number: number;
  readonly model: LinearModel;
  readonly options: Omit<SolveOptions, 'onProgress'>;
}

const load = loadHighs as unknown as () => Promise<HighsRuntime>;
const runtime = load();

parentPort?.on('message', ({ number, model, options }: Job) => {
  void runtime
    .then((highs) =>
      solveWithHighs(highs, model, {
        ...options,
        onProgress: (progress) => parentPort?.postMessage({ number, progress }),
      }),
    )
    .then(
      (solution) => parentPort?.postMessage({ number, solution }),
      (error: unknown) => parentPort?.postMessage({ number, error: String(error) }),
    );
});
