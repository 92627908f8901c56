import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';

const NONCE = '__CSP_NONCE__';

/**
 * A strict content security policy: everything from this server, scripts and style elements only with this answer's nonce.
 * The API's own documentation page, which writes inline styles, gets a policy of its own.
 */
export function contentPolicy(isSecure: boolean) {
  const policy = (docs: boolean, nonce: string) =>
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: docs ? ["'self'", "'unsafe-inline'"] : ["'self'", `'nonce-${nonce}'`],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // Only where the server itself speaks TLS: a name that was once asked over it would never answer without.
      strictTransportSecurity: isSecure ? { maxAge: 15_552_000, includeSubDomains: false } : false,
      crossOriginEmbedderPolicy: false,
    });
  return (request: Request, response: Response, next: NextFunction): void => {
    const nonce = randomBytes(16).toString('base64');
    response.locals.nonce = nonce;
    policy(request.path.startsWith('/api/docs'), nonce)(request, response, next);
  };
}

/**
 * Serves the built pages from a folder: hashed assets for a year, and the one page for every other address outside /api.
 * An asset that is not there is a 404, never the page.
 */
export function servePages(folder: string) {
  const page = join(folder, 'index.html');
  const router = express.Router();
  if (!existsSync(page)) return router;
  const html = readFileSync(page, 'utf8');
  router.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
  );
  router.use(express.static(folder, { index: false, maxAge: '1h' }));
  router.get(/^\/(?!api(\/|$)).*/, (_request: Request, response: Response) => {
    response
      .type('html')
      .set('Cache-Control', 'no-cache')
      .send(html.replaceAll(NONCE, String(response.locals.nonce)));
  });
  return router;
}
