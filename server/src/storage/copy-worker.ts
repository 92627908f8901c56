import { answerJobs } from '../thread/answer.js';
import { copyDatabase } from './copy.js';
import { checkDatabase, type Health } from './inspect.js';

/** A database to copy, or one to look at thoroughly. */
export type CopyJob =
  | { readonly kind: 'copy'; readonly file: string; readonly copy: string }
  | { readonly kind: 'check'; readonly file: string };

answerJobs<CopyJob, Health>((job) =>
  job.kind === 'copy' ? copyDatabase(job.file, job.copy) : checkDatabase(job.file, true),
);
