import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** How long something takes, ms. */
export async function timed(work: () => Promise<unknown>): Promise<number> {
  const since = performance.now();
  await work();
  return performance.now() - since;
}

/** The time within which that share of all was done. */
export const share = (times: readonly number[], of: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor((times.length - 1) * of)] ?? NaN;

/** Starts the built server on a folder of its own. @param today the day on which its clock stands */
export async function serverOn(today: string) {
  const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-bench-'));
  const child = spawn(process.execPath, ['server/dist/program/main.js'], {
    env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY: today },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/\S+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
  });
  const ask = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const answer = await fetch(url + path, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: body === undefined ? null : JSON.stringify(body),
    });
    const text = await answer.text();
    if (!answer.ok) throw new Error(`${method} ${path}: ${String(answer.status)} ${text.slice(0, 200)}`);
    return (text === '' ? null : JSON.parse(text)) as T;
  };
  return {
    url,
    get: <T>(path: string) => ask<T>('GET', path),
    post: <T>(path: string, body: unknown) => ask<T>('POST', path, body),
    put: <T>(path: string, body: unknown) => ask<T>('PUT', path, body),
    stop: () =>
      new Promise<void>((resolve) => {
        child.on('exit', () => {
          rmSync(folder, { recursive: true, force: true });
          resolve();
        });
        child.kill('SIGTERM');
      }),
  };
}
