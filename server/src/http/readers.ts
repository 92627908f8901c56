import { GivenUp, type Limits, type Thread } from '../thread/thread.js';
import { Refused } from '../refusal/refused.js';
import type { RefusedBody } from './read-json.js';

/** A thread that reads what was sent, or says why it is refused. */
export type Reader<Job, Read extends object> = Thread<Job, Read | { readonly refused: RefusedBody }>;

/** Has a job done in its thread. @throws Refused 503 when it took too long, or nobody waits for it any more */
export async function runIn<Job, Result>(thread: Thread<Job, Result>, job: Job, limits: Limits): Promise<Result> {
  try {
    return await thread.run(job, limits);
  } catch (error) {
    if (error instanceof GivenUp) throw new Refused('took-too-long');
    throw error;
  }
}

/** Reads something in its thread. @throws Refused with what is wrong with it; 503 as {@link runIn} does */
export async function readIn<Job, Read extends object>(
  reader: Reader<Job, Read>,
  job: Job,
  limits: Limits,
): Promise<Read> {
  const read = await runIn(reader, job, limits);
  if (!('refused' in read)) return read;
  const { code, detail, wrong } = read.refused;
  throw new Refused(code, detail, { wrong });
}

/** The body as it was sent, to be read in a thread. @throws Refused 400 when there is none */
export function bytesOf(body: unknown): Uint8Array {
  if (Buffer.isBuffer(body)) return body;
  throw new Refused('not-json', 'There is nothing in the request. Nothing was changed.');
}
