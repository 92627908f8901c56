import { spawn, type ChildProcess } from 'node:child_process';
import { TODAY } from './server.js';

/** The server as a program of its own, as the maker runs it. */
export interface Program {
  readonly child: ChildProcess;
  readonly url: string;
}

/** How a program ended, and what it said. */
export interface Ended {
  readonly code: number | null;
  readonly signal: NodeJS.Signals | null;
  readonly said: string;
}

/**
 * Starts the built server on a folder.
 * @returns the running program, or how it ended when it did not start
 */
export function startProgram(
  folder: string,
  environment: Readonly<Record<string, string>> = {},
): Promise<Program | Ended> {
  const child = spawn(process.execPath, ['server/dist/program/main.js'], {
    env: { ...process.env, DATA_DIR: folder, PORT: '0', TODAY, ...environment },
  });
  let said = '';
  return new Promise((resolve) => {
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const url = /https?:\/\/[^\s]+(?=\n)/.exec(said)?.[0];
      if (url !== undefined && said.includes('is at')) resolve({ child, url });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code, signal) => {
      resolve({ code, signal, said });
    });
  });
}

/** As {@link startProgram}, where it must start. */
export async function runProgram(folder: string, environment: Readonly<Record<string, string>> = {}): Promise<Program> {
  const program = await startProgram(folder, environment);
  if ('url' in program) return program;
  throw new Error(`The server did not start: ${program.said}`);
}

/** Ends a program, and says how it ended. */
export const endProgram = (
  { child }: Program,
  by: NodeJS.Signals,
): Promise<{ code: number | null; signal: NodeJS.Signals | null }> =>
  new Promise((resolve) => {
    child.on('exit', (code, signal) => {
      resolve({ code, signal });
    });
    child.kill(by);
  });
