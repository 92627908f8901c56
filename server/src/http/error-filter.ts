import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { refuse, Refused } from '../refusal/refused.js';

/** Gives the status that an error of the router or of the server of files carries; 500 for any other. */
function statusOf(error: unknown): number {
  if (error instanceof HttpException) return error.getStatus();
  const status = typeof error === 'object' && error !== null && 'status' in error ? error.status : null;
  return typeof status === 'number' ? status : 500;
}

function refusalOf(error: unknown): Refused {
  if (error instanceof Refused) return error;
  const status = statusOf(error);
  // An address with broken percent signs, or one that leads out of the folder of the pages.
  if (status === 400) return new Refused('wrong-address', 'This address cannot be read.');
  if (status === 403 || status === 404) return new Refused('no-such-address', (error as Error).message);
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
