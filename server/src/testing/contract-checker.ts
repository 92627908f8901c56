import type { CallHandler, ExecutionContext, NestInterceptor } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { map, type Observable } from 'rxjs';
import type { z } from 'zod';
import { ANSWER } from '../http/contract.js';

/** Fails every request whose answer is not what its address says in the API's document. */
export class ContractChecker implements NestInterceptor {
  private readonly reflector = new Reflector();

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const schema = this.reflector.get<z.ZodType | undefined>(ANSWER, context.getHandler());
    if (!schema) return next.handle();
    return next.handle().pipe(
      map((answer: unknown) => {
        // As it goes out: what is undefined is left out.
        const { error } = schema.safeParse(JSON.parse(JSON.stringify(answer)));
        if (error) {
          const trouble = `${context.getHandler().name} does not answer as it says: ${error.message}`;
          process.stderr.write(`${trouble}\n`);
          throw new Error(trouble);
        }
        return answer;
      }),
    );
  }
}
