import type { Response } from 'express';

/** Aborted as soon as nobody waits for the answer any more. */
export function whenGone(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableEnded) gone.abort();
  });
  return gone.signal;
}
