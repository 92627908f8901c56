import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import { cleanTexts } from '@usual-pantry/core/record';
import type { Request, Response } from 'express';
import { Observable, tap } from 'rxjs';
import { Refused } from '../refusal/refused.js';
import { runAsked } from './history.service.js';

const MOST_LETTERS = 300;

/**
 * What a change shall be called, from the header `Change-Label` as encodeURIComponent writes it.
 * @throws Refused 400 when it is none
 */
function labelOf(header: string | undefined): string | null {
  if (header === undefined) return null;
  try {
    const { value, wrong } = cleanTexts(decodeURIComponent(header));
    if (wrong.length === 0 && typeof value === 'string' && value.length <= MOST_LETTERS) return value.trim() || null;
  } catch {
    // Said below.
  }
  throw new Refused(
    'wrong-address',
    'The header Change-Label must be text of at most 300 letters, encoded for an address.',
  );
}

/** Names the change that a request made, so that the page can offer to undo it. */
@Injectable()
export class HistoryInterceptor implements NestInterceptor {
  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const http = context.switchToHttp();
    const response = http.getResponse<Response>();
    const label = labelOf(http.getRequest<Request>().get('change-label'));
    return new Observable((subscriber) => {
      const request = runAsked(label, () => {
        const answered = next.handle().pipe(
          tap(() => {
            if (request.made === null || response.headersSent) return;
            response.set('X-Change', String(request.made.id));
            response.set('X-Change-Label', encodeURIComponent(request.made.label));
          }),
        );
        subscriber.add(answered.subscribe(subscriber));
      });
    });
  }
}
