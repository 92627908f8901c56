import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { Refused, type Refusal } from './errors.js';

/** An error of Express' body reader. */
interface BodyError {
  readonly type?: string;
  readonly limit?: number;
}

const MEGABYTE = 1024 * 1024;

function refusalOf(error: unknown): { status: number; refusal: Refusal } {
  const { type, limit } = error as BodyError;
  if (type === 'entity.too.large')
    return {
      status: 413,
      refusal: {
        code: 'too-large',
        message: `That is larger than the ${Math.round((limit ?? 0) / MEGABYTE)} MB that can be taken. Nothing was changed.`,
      },
    };
  if (type === 'entity.parse.failed')
    return {
      status: 400,
      refusal: {
        code: 'not-json',
        message: `That is not well-formed JSON. Nothing was changed. ${(error as Error).message}`,
      },
    };
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
