import type { NextFunction, Request, Response } from 'express';
import type { Refusal } from './errors.js';

const forbidden = (response: Response, message: string) => {
  const refusal: Refusal = { code: 'forbidden', message };
  response.status(403).json(refusal);
};

const hostname = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Lets only requests through that name this computer, and only writes that come from its own pages.
 * It keeps other web sites from reaching the kitchen through the maker's browser (DNS rebinding, cross-site requests).
 * @param allowed host names beside localhost and 127.0.0.1
 */
export function hostGuard(allowed: readonly string[]) {
  const names = new Set(['localhost', '127.0.0.1', '[::1]', ...allowed.map((name) => name.toLowerCase())]);
  return (request: Request, response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    const { origin } = request.headers;
    if (!names.has(hostname(host))) {
      forbidden(response, `This kitchen does not answer to the name "${host}". Set ALLOWED_HOSTS to let it.`);
      return;
    }
    const writes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    if (writes && origin !== undefined && !sameHost(origin, host)) {
      forbidden(response, 'Changes are taken from this kitchen’s own pages only.');
      return;
    }
    next();
  };
}

const sameHost = (origin: string, host: string): boolean => URL.canParse(origin) && new URL(origin).host === host;
