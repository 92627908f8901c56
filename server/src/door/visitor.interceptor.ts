import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import type { Response } from 'express';
import { Observable } from 'rxjs';
import { visitorAt } from './door-guard.js';
import { AT_HOME, runAs } from './visitor.js';

/** Makes known who asks, to whatever answers. */
@Injectable()
export class VisitorInterceptor implements NestInterceptor {
  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const visitor = visitorAt(context.switchToHttp().getResponse<Response>()) ?? { ...AT_HOME, name: 'nobody yet' };
    return new Observable((subscriber) => {
      runAs(visitor, () => {
        subscriber.add(next.handle().subscribe(subscriber));
      });
    });
  }
}
