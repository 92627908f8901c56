import { parentPort } from 'node:worker_threads';
import { speakPlainly } from '@usual-pantry/core/record';
import { writeAs } from '@usual-pantry/core/quantity';
import type { Outcome, Sent } from './thread.js';

/** What a thread does with one job; it may tell how far it is. */
export type Work<Job, Result, Progress = number> = (
  job: Job,
  tell: (done: Progress) => void,
) => Result | Promise<Result>;

/** Answers each job that comes to this thread, one after another. */
export function answerJobs<Job, Result, Progress = number>(work: Work<Job, Result, Progress>): void {
  speakPlainly();
  const answer = async ({ job, conventions }: Sent<Job>): Promise<Outcome<Result>> => {
    writeAs(conventions);
    try {
      return {
        result: await work(job, (done) => parentPort?.postMessage({ done } satisfies Outcome<Result, Progress>)),
      };
    } catch (error) {
      const { message, code } = error as { readonly message: string; readonly code?: unknown };
      return { error: message, code: typeof code === 'string' ? code : undefined };
    }
  };
  parentPort?.on('message', (sent: Sent<Job>) => {
    void answer(sent).then((outcome) => {
      parentPort?.postMessage(outcome);
    });
  });
}
