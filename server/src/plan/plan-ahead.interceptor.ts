import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Request, Response } from 'express';
import type { Observable } from 'rxjs';
import { BookService } from '../book/book.service.js';

/** Works the plan out as soon as a write is answered: it is what a page asks for next. */
@Injectable()
export class PlanAheadInterceptor implements NestInterceptor {
  constructor(private readonly books: BookService) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const http = context.switchToHttp();
    if (http.getRequest<Request>().method !== 'GET')
      http.getResponse<Response>().once('finish', () => {
        // What goes wrong is said to whoever asks for the plan.
        this.books.plan().catch(() => undefined);
      });
    return next.handle();
  }
}
