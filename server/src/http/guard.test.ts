import { describe, expect, it } from '@jest/globals';
import type { Request, Response } from 'express';
import { hostGuard } from './guard.js';

interface Ask {
  readonly host: string;
  readonly method?: string;
  readonly origin?: string;
}

/** What the guard does with a request: lets it through, or the words of its refusal. */
function pass({ host, method = 'GET', origin }: Ask, allowed: readonly string[] = []): string {
  let result = 'nothing';
  const response = {
    status: () => response,
    type: () => response,
    send: (problem: string) => {
      result = (JSON.parse(problem) as { detail: string }).detail;
      return response;
    },
  };
  const headers = origin === undefined ? { host } : { host, origin };
  hostGuard(allowed)({ headers, method, path: '/api/plan' } as Request, response as unknown as Response, () => {
    result = 'through';
  });
  return result;
}

describe('the guard at the door', () => {
  it.each(['localhost', 'localhost:4317', '127.0.0.1:4317', 'LOCALHOST', '[::1]:4317'])('lets %s through', (host) => {
    expect(pass({ host })).toBe('through');
  });

  it.each(['elsewhere.example', 'localhost.elsewhere.example', '127.0.0.1.elsewhere.example', ''])(
    'stops %s',
    (host) => {
      expect(pass({ host })).toContain('does not answer to the name');
    },
  );

  it('lets further names through that it was told of', () => {
    expect(pass({ host: 'kitchen.local:4317' }, ['Kitchen.local'])).toBe('through');
  });

  it('takes changes from its own pages and from programs, not from other sites', () => {
    const change = { host: 'localhost:4317', method: 'PUT' };
    expect(pass(change)).toBe('through');
    expect(pass({ ...change, origin: 'http://localhost:4317' })).toBe('through');
    for (const origin of ['http://localhost:9999', 'https://elsewhere.example', 'null', 'localhost:4317'])
      expect(pass({ ...change, origin })).toContain('own pages only');
    expect(pass({ host: 'localhost:4317', origin: 'https://elsewhere.example' })).toBe('through');
  });
});
