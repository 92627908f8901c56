import type { NextFunction, Request, Response } from 'express';
import { inAddress } from './addresses.js';
import { refuse, Refused } from '../refusal/refused.js';

const hostname = (host: string): string => host.replace(/:\d{1,5}$/, '').toLowerCase();

/** Host names under which this kitchen answers. @param allowed names beside localhost and 127.0.0.1 */
export const namesOfKitchen = (allowed: readonly string[]): ReadonlySet<string> =>
  new Set(['localhost', '127.0.0.1', '[::1]', ...allowed.map((name) => inAddress(name).toLowerCase())]);

/** Whether a request names this kitchen, and comes from its own pages or from none at all. */
export const isOfKitchen = (host: string, origin: string | undefined, names: ReadonlySet<string>): boolean =>
  names.has(hostname(host)) && (origin === undefined || sameHost(origin, host));

/**
 * Lets only requests through that name this computer, and only writes that come from its own pages.
 * It keeps other web sites from reaching the kitchen through the maker's browser (DNS rebinding, cross-site requests).
 * @param allowed host names beside localhost and 127.0.0.1
 */
export function hostGuard(allowed: readonly string[]) {
  const names = namesOfKitchen(allowed);
  return (request: Request, response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    const { origin } = request.headers;
    if (!names.has(hostname(host))) {
      refuse(
        response,
        new Refused('wrong-host', `This kitchen does not answer to the name "${host}". Set ALLOWED_HOSTS to let it.`),
      );
      return;
    }
    const writes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    // A browser says itself when another site asks; what is no page of this kitchen gets nothing to read either.
    const isForeign = request.path.startsWith('/api') && request.headers['sec-fetch-site'] === 'cross-site';
    if (isForeign || (writes && origin !== undefined && !sameHost(origin, host))) {
      refuse(response, new Refused('wrong-origin', 'Changes are taken from this kitchen’s own pages only.'));
      return;
    }
    next();
  };
}

const sameHost = (origin: string, host: string): boolean => URL.canParse(origin) && new URL(origin).host === host;
