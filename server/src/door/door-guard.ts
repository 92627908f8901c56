import { parseCookie } from 'cookie';
import type { NextFunction, Request, Response } from 'express';
import { refuse, Refused } from '../refusal/refused.js';
import type { DoorService } from './door.service.js';
import type { Visitor } from './visitor.js';

/** Over TLS the browser itself sees to it that the cookie comes from this server alone. */
export const cookieName = (isSecure: boolean): string => (isSecure ? '__Host-pantry' : 'pantry');

/** Addresses below /api that answer to anybody: how to come in, whether the server is well, and what is signed in another way. */
const open = new Set(['GET /door', 'POST /door/sign-in', 'POST /door/pair', 'GET /health', 'POST /inbox/messages']);

/** What a helper may ask for: what is to be done, with money, contacts and settings left out. All else is refused. */
const forHelpers = new Set([
  'GET /plan',
  'GET /plan/runs',
  'GET /plan/hand-overs',
  'GET /book',
  'GET /changes',
  'POST /door/sign-out',
]);

/** Who asks, as the door found out. */
export const visitorAt = (response: Response): Visitor | null =>
  (response.locals as { readonly visitor?: Visitor }).visitor ?? null;

/** Lets only those through to /api who have signed in, and helpers only to what they may see. */
export function doorGuard(door: DoorService) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const token = parseCookie(request.headers.cookie ?? '')[cookieName(request.secure)];
    const visitor = door.visitorOf(token);
    response.locals['visitor'] = visitor;
    const method = request.method === 'HEAD' ? 'GET' : request.method;
    const asked = `${method} ${request.path.toLowerCase().replace(/\/$/, '')}`;
    if (open.has(asked) || visitor?.role === 'maker') next();
    else if (!visitor) refuse(response, new Refused('sign-in'));
    else if (forHelpers.has(asked)) next();
    else refuse(response, new Refused('not-for-helpers'));
  };
}
