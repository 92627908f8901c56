import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { Refused, type Refusal } from './errors.js';

function refusalOf(error: unknown): { status: number; refusal: Refusal } {
  if (error instanceof Refused) return { status: error.getStatus(), refusal: error.getResponse() as Refusal };
  if (error instanceof HttpException)
    return {
      status: error.getStatus(),
      refusal: { code: error.getStatus() === 404 ? 'not-found' : 'failed', message: error.message },
    };
  new Logger('Request').error(error instanceof Error ? (error.stack ?? error.message) : error);
  return {
    status: 500,
    refusal: {
      code: 'failed',
      message: 'Something went wrong here. Nothing was changed; what you typed is still on your page. Try again.',
    },
  };
}

/** Answers every error with a {@link Refusal}. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    if (response.headersSent) {
      response.end();
      return;
    }
    const { status, refusal } = refusalOf(error);
    response.status(status).json(refusal);
  }
}
