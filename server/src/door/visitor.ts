import { AsyncLocalStorage } from 'node:async_hooks';
import type { Role } from './door-file.js';

/** Who asks. */
export interface Visitor {
  readonly role: Role;
  /** Name of the device, or `this computer` where the door is not locked. */
  readonly name: string;
  /** Null where nobody has to sign in. */
  readonly sessionId: string | null;
}

/** Where the door is not locked, whoever reaches the server is the maker. */
export const AT_HOME: Visitor = { role: 'maker', name: 'this computer', sessionId: null };

const visitors = new AsyncLocalStorage<Visitor>();

export const runAs = (visitor: Visitor, work: () => void): void => {
  visitors.run(visitor, work);
};

/** Who the request at hand came from. */
export const visitor = (): Visitor => visitors.getStore() ?? AT_HOME;

/** Whether whoever asks may not see money, contacts and settings. */
export const isHelper = (): boolean => visitor().role === 'helper';
