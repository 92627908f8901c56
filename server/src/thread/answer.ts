import { parentPort } from 'node:worker_threads';
import { speakPlainly } from '@usual-pantry/core/record';
import type { Outcome } from './thread.js';

/** Answers each job that comes to this thread, one after another. */
export function answerJobs<Job, Result>(work: (job: Job) => Result | Promise<Result>): void {
  speakPlainly();
  const answer = async (job: Job): Promise<Outcome<Result>> => {
    try {
      return { result: await work(job) };
    } catch (error) {
      return { error: (error as Error).message };
    }
  };
  parentPort?.on('message', (job: Job) => {
    void answer(job).then((outcome) => {
      parentPort?.postMessage(outcome);
    });
  });
}
