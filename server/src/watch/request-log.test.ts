import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { EventEmitter } from 'node:events';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Request, Response } from 'express';
import { RequestLog } from './request-log.js';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'usual-pantry-log-'));
});
afterEach(() => {
  rmSync(folder, { recursive: true });
});

/** A request on its way; `answer` ends it. */
function asked(log: RequestLog): { answer: () => void } {
  const response = Object.assign(new EventEmitter(), { statusCode: 200 });
  log.middleware()({ method: 'GET', path: '/api/plan' } as Request, response as unknown as Response, () => undefined);
  return { answer: () => response.emit('close') };
}

describe('the log of requests', () => {
  it('keeps what was answered up to the end, and touches the folder no more afterwards', () => {
    const log = new RequestLog(folder);
    const late = asked(log);
    asked(log).answer();
    log.onModuleDestroy();
    expect(new RequestLog(folder).newest(9)).toMatchObject([{ method: 'GET', route: '/api/plan', status: 200 }]);
    for (const file of readdirSync(folder)) rmSync(join(folder, file));
    late.answer();
    expect(log.newest(9)).toEqual([]);
    expect(readdirSync(folder)).toEqual([]);
  });
});
