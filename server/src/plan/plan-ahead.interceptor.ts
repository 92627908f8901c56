import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Request, Response } from 'express';
import type { Observable } from 'rxjs';
import { BookService } from '../book/book.service.js';
import { UnitOfWork } from '../storage/unit-of-work.js';

/** A season that takes longer to plan is planned when somebody asks: everything else would wait for it. */
const SOON_MS = 150;

/** Addresses that change much at once. */
const BULK = /^\/api\/(?:season-file|order-file|backups)/;

/** Works the plan out as soon as a write is answered and nothing else waits, where somebody looks at it: it is what a page asks for next. */
@Injectable()
export class PlanAheadInterceptor implements NestInterceptor {
  constructor(
    private readonly books: BookService,
    private readonly work: UnitOfWork,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const http = context.switchToHttp();
    if (http.getRequest<Request>().method !== 'GET')
      http.getResponse<Response>().once('finish', () => {
        // What brings a whole season tells nothing of how long that one takes.
        if (BULK.test(http.getRequest<Request>().path)) this.books.planMs = null;
        const { planMs } = this.books;
        if (planMs === null || planMs > SOON_MS || this.work.isBusy) return;
        // What goes wrong is said to whoever asks for the plan.
        this.books.plan().catch(() => undefined);
      });
    return next.handle();
  }
}
