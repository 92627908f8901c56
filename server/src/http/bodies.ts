import type { NestExpressApplication } from '@nestjs/platform-express';
import express, { type NextFunction, type Request, type Response } from 'express';
import { cleanTexts } from '@usual-pantry/core/record';
import { wrongValues, type Refusal } from './errors.js';

/** The largest file that is brought, and the largest other body. */
const FILE_LIMIT = '20mb';
const BODY_LIMIT = '1mb';
const MEGABYTE = 1024 * 1024;

/** An error of Express' body reader. */
interface BodyError extends Error {
  readonly type?: string;
  readonly limit?: number;
}

/** Answers a body that is too large or no JSON in words; any other error goes on. */
function refuseBody(error: BodyError, request: Request, response: Response, next: NextFunction): void {
  const refuse = (status: number, refusal: Refusal) => {
    // The rest of the body is read and thrown away: a browser shows the answer only when it has sent everything.
    request.resume();
    response.status(status).json(refusal);
  };
  if (error.type === 'entity.too.large')
    refuse(413, {
      code: 'too-large',
      message: `That is larger than the ${Math.round((error.limit ?? 0) / MEGABYTE)} MB that can be taken. Nothing was changed.`,
    });
  else if (error.type === 'entity.parse.failed')
    refuse(400, {
      code: 'not-json',
      message: `That is not well-formed JSON. Nothing was changed. ${error.message}`,
    });
  else next(error);
}

/** Composes the texts of a body, and refuses it in words when one of them cannot be stored as it is. */
function refuseTexts(request: Request, response: Response, next: NextFunction): void {
  const { value, wrong } = cleanTexts(request.body);
  if (wrong.length === 0) {
    request.body = value;
    next();
    return;
  }
  const refused = wrongValues(wrong);
  response.status(refused.getStatus()).json(refused.getResponse());
}

/** Reads JSON bodies up to a size that depends on the address. */
export function readBodies(app: NestExpressApplication): void {
  // What a shop sends is signed letter by letter, so that it is read as text first.
  app.use('/api/inbox/messages', express.text({ type: () => true, limit: BODY_LIMIT }));
  app.use(['/api/season-file', '/api/order-file'], express.json({ limit: FILE_LIMIT }));
  app.use(express.json({ limit: BODY_LIMIT }));
  app.use(refuseTexts);
  app.use(refuseBody);
}
