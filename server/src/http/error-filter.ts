import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { refuse, Refused } from '../refusal/refused.js';

function refusalOf(error: unknown): Refused {
  if (error instanceof Refused) return error;
  if (error instanceof HttpException && error.getStatus() === 404) return new Refused('no-such-address', error.message);
  new Logger('Request').error(error instanceof Error ? (error.stack ?? error.message) : error);
  return new Refused('failed');
}

/** Answers every error with problem details. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    if (response.headersSent) {
      response.end();
      return;
    }
    refuse(response, refusalOf(error));
  }
}
