import type { NestExpressApplication } from '@nestjs/platform-express';
import express, { type NextFunction, type Request, type Response } from 'express';
import { cleanTexts, MOST_DEPTH } from '@usual-pantry/core/record';
import { depthOf } from './depth.js';
import { refuse, Refused, wrongValues } from '../refusal/refused.js';

/** The largest file that is brought, and the largest other body. */
const FILE_LIMIT = '20mb';
const BODY_LIMIT = '1mb';
const MEGABYTE = 1024 * 1024;
const TOO_DEEP = 'entity.too.deep';

/** An error of Express' body reader. */
interface BodyError extends Error {
  readonly type?: string;
  readonly limit?: number;
  readonly status?: number;
  readonly code?: string;
}

const problemOf = ({ type, limit, message, status, code }: BodyError): Refused | null => {
  if (type === 'entity.too.large')
    return new Refused(
      'too-large',
      `That is larger than the ${String(Math.round((limit ?? 0) / MEGABYTE))} MB that can be taken. Nothing was changed.`,
    );
  if (type === 'entity.parse.failed')
    return new Refused('not-json', `That is not well-formed JSON. Nothing was changed. ${message}`);
  if (type === TOO_DEEP)
    return new Refused('too-deep', `That is nested deeper than ${String(MOST_DEPTH)} levels. Nothing was changed.`);
  if (type === 'charset.unsupported' || type === 'encoding.unsupported' || type === 'request.size.invalid')
    return new Refused('wrong-type', `${message}. Nothing was changed.`);
  // Whatever else is wrong while a body is read is wrong with how it was packed: no file of the server's is read here.
  if (code !== undefined && /^(?:Z_|ERR_?(?:_BROTLI|ZLIB)|ERR__ERROR)/.test(code))
    return new Refused('not-json', 'It was sent packed, and cannot be unpacked. Nothing was changed.');
  if (status === 400) return new Refused('not-json', `${message}. Nothing was changed.`);
  return null;
};

/** Answers a body that is too large, too deep or no JSON in words; any other error goes on. */
function refuseBody(error: BodyError, request: Request, response: Response, next: NextFunction): void {
  const refused = problemOf(error);
  if (!refused) {
    next(error);
    return;
  }
  // The rest of the body is read and thrown away: a browser shows the answer only when it has sent everything.
  request.resume();
  refuse(response, refused);
}

/** Refuses a body of another kind than JSON: it would be taken for none. */
function refuseOtherTypes(request: Request, response: Response, next: NextFunction): void {
  const hasBody = request.headers['transfer-encoding'] !== undefined || Number(request.headers['content-length']) > 0;
  if (!hasBody || request.is(['json', '+json'])) next();
  else {
    request.resume();
    refuse(
      response,
      new Refused('wrong-type', `JSON is needed here, not ${request.headers['content-type'] ?? 'something else'}.`),
    );
  }
}

/** Composes the texts of a body, and refuses it in words when one of them cannot be stored as it is. */
function refuseTexts(request: Request, response: Response, next: NextFunction): void {
  // What is not read yet is looked at by whoever reads it.
  if (Buffer.isBuffer(request.body)) {
    next();
    return;
  }
  const { value, wrong } = cleanTexts(request.body);
  if (wrong.length === 0) {
    request.body = value;
    next();
  } else refuse(response, wrongValues(wrong));
}

/** Looks at the depth before anything is read: what is nested without end takes seconds to read. */
function refuseDepth(_request: unknown, _response: unknown, body: Buffer): void {
  if (depthOf(body) > MOST_DEPTH) throw Object.assign(new Error('too deep'), { type: TOO_DEEP, status: 400 });
}

/** Reads JSON bodies up to a size that depends on the address. */
export function readBodies(app: NestExpressApplication): void {
  // What a shop sends is signed letter by letter, so that it is read as text first.
  app.use('/api/inbox/messages', express.text({ type: () => true, limit: BODY_LIMIT }));
  app.use('/api', refuseOtherTypes);
  // Files are read in threads of their own.
  app.use(['/api/season-file', '/api/order-file'], express.raw({ type: () => true, limit: FILE_LIMIT }));
  app.use(express.json({ limit: BODY_LIMIT, verify: refuseDepth }));
  app.use(refuseTexts);
  app.use(refuseBody);
}
