import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Response } from 'express';
import { tap, type Observable } from 'rxjs';
import { UnitOfWork } from '../storage/unit-of-work.js';

/** Names the revision in every answer, so that a page knows which changes are its own. */
@Injectable()
export class RevisionInterceptor implements NestInterceptor {
  constructor(private readonly work: UnitOfWork) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const response = context.switchToHttp().getResponse<Response>();
    return next.handle().pipe(
      tap(() => {
        if (!response.headersSent) response.set('X-Revision', String(this.work.revision));
      }),
    );
  }
}
