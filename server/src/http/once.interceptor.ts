import { createHash } from 'node:crypto';
import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Request, Response } from 'express';
import { from, lastValueFrom, type Observable } from 'rxjs';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { Refused } from '../refusal/refused.js';

/** Answers are kept for requests that may come again: the newest, and no longer than a week. */
const KEPT = 5_000;
const KEPT_MS = 7 * 24 * 60 * 60_000;
const KEY = /^[\x21-\x7e]{8,200}$/;

/** How the API's documentation names the key. */
export const onceHeader = {
  name: 'Idempotency-Key',
  required: false,
  description: 'Names the request: when it is sent again with the same key, it is answered as the first time',
};

interface Answered {
  readonly request: string;
  readonly status: number;
  readonly answer: string;
}

/**
 * Does a request once that names itself by an `Idempotency-Key`: when it comes again, it is answered as it was the first time. What it
 * stores and that it was done are stored together, or neither is.
 */
@Injectable()
export class OnceInterceptor implements NestInterceptor {
  constructor(private readonly work: UnitOfWork) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const http = context.switchToHttp();
    const [request, response] = [http.getRequest<Request>(), http.getResponse<Response>()];
    const key = request.get('idempotency-key');
    if (key === undefined) return next.handle();
    if (!KEY.test(key))
      throw new Refused('wrong-address', 'The Idempotency-Key must have 8 to 200 plain letters, figures or signs.');
    return from(this.once(key, request, response, next));
  }

  private once(key: string, request: Request, response: Response, next: CallHandler): Promise<unknown> {
    const body: unknown = request.body;
    const asked = createHash('sha256')
      .update(JSON.stringify([request.method, request.path]))
      .update(Buffer.isBuffer(body) ? body : JSON.stringify([body]))
      .digest('hex');
    // What the request itself writes says whether the book was changed.
    return this.work.write(
      async (manager) => {
        const [known]: Answered[] = await manager.query('SELECT * FROM answered WHERE key = ?', [key]);
        if (known) {
          if (known.request !== asked) throw new Refused('key-reused');
          response.status(known.status).set('Idempotent-Replayed', 'true');
          return JSON.parse(known.answer) as unknown;
        }
        const answer: unknown = await lastValueFrom(next.handle());
        await manager.query('INSERT INTO answered VALUES (?, ?, ?, ?, ?)', [
          key,
          asked,
          response.statusCode,
          JSON.stringify(answer ?? null),
          new Date().toISOString(),
        ]);
        await manager.query(
          'DELETE FROM answered WHERE rowid <= (SELECT max(rowid) FROM answered) - ? OR answeredAt < ?',
          [KEPT, new Date(Date.now() - KEPT_MS).toISOString()],
        );
        return answer;
      },
      { part: 'orders' },
    );
  }
}
