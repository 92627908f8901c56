import { parentPort } from 'node:worker_threads';
import type { Outcome } from '../thread/thread.js';
import { copyDatabase } from './copy.js';
import { checkDatabase, type Health } from './inspect.js';

/** A database to copy, or one to look at thoroughly. */
export type CopyJob =
  | { readonly kind: 'copy'; readonly file: string; readonly copy: string }
  | { readonly kind: 'check'; readonly file: string };

parentPort?.on('message', (job: CopyJob) => {
  let outcome: Outcome<Health>;
  try {
    outcome = { result: job.kind === 'copy' ? copyDatabase(job.file, job.copy) : checkDatabase(job.file, true) };
  } catch (error) {
    outcome = { error: (error as Error).message };
  }
  parentPort?.postMessage(outcome);
});
