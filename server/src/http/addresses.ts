import { networkInterfaces } from 'node:os';

const everywhere = new Set(['0.0.0.0', '::']);
const here = new Set(['localhost', '127.0.0.1', '::1']);

/** Whether a server that listens there can be reached from this computer only. */
export const isThisComputer = (host: string): boolean => here.has(host);

/** The addresses of this computer in its networks. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, family, address }) => !internal && (family === 'IPv4' || !address.startsWith('fe80')))
    .map(({ address }) => address);

/** Names and addresses under which a server can be asked that listens at `host`, beside this computer's own. */
export function namesOf(host: string, allowed: readonly string[]): string[] {
  const listened = everywhere.has(host) ? ownAddresses() : isThisComputer(host) ? [] : [host];
  return [...new Set([...allowed, ...listened])];
}

/** A name as it stands in an address: IPv6 in brackets. */
export const inAddress = (name: string): string => (name.includes(':') ? `[${name}]` : name);
