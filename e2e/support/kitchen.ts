import { wholePlan, type WholePlan } from '../../core/testing/whole-plan.js';
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { copyFile, mkdir, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The day on which the kitchen's clock stands: a Wednesday. */
export const TODAY = '2026-11-25';

/** The database of the demo, made once for all tests. */
const DEMO = join(fileURLToPath(new URL('../..', import.meta.url)), '.cache', 'e2e-demo.db');
const DATABASE = 'usual-pantry.db';

/** A server of this test's own, on a folder of its own. */
export interface Kitchen {
  readonly url: string;
  /** Ends it at once, as a power cut would. */
  readonly kill: () => Promise<void>;
  /** Starts it again at the same address, on the same day or on another. */
  readonly start: (today?: string) => Promise<void>;
  /** Its data folder. */
  readonly folder: string;
  /** Stops it in good order, and starts it again at the same address, set up in another way. */
  readonly startAs: (environment: Readonly<Record<string, string>>) => Promise<void>;
}

interface Start {
  readonly today?: string | undefined;
  readonly environment?: Readonly<Record<string, string>>;
}

async function serve(
  dataDir: string,
  port: number,
  { today = TODAY, environment = {} }: Start = {},
): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['server/dist/program/main.js'], {
    env: {
      ...process.env,
      DATA_DIR: dataDir,
      PORT: String(port),
      TODAY: today,
      PAGES_DIR: 'web/dist',
      // A journey wants a plan, not the best one.
      PLAN_WORK: '4',
      ...environment,
    },
  });
  const url = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/\S+/.exec(said)?.[0];
      if (found) resolve(found);
    });
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString();
    });
    child.on('exit', () => {
      reject(new Error(`The server ended: ${said}`));
    });
  });
  return { child, url };
}

const ended = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve();
    else
      child.on('exit', () => {
        resolve();
      });
  });

/** Makes the database of the demo, before all tests. */
export async function makeDemo(): Promise<void> {
  const dataDir = await mkdtemp(join(tmpdir(), 'usual-pantry-e2e-'));
  const { child } = await serve(dataDir, 0, { environment: { SEED_FILE: 'demo/season.json' } });
  child.kill('SIGTERM');
  await ended(child);
  await mkdir(dirname(DEMO), { recursive: true });
  await copyFile(join(dataDir, DATABASE), DEMO);
  await rm(dataDir, { recursive: true, force: true });
}

interface Fixtures {
  /** Whether the kitchen starts with the demo. */
  readonly demo: boolean;
  readonly kitchen: Kitchen;
}

export const test = base.extend<Fixtures>({
  demo: [true, { option: true }],
  kitchen: async ({ demo }, use) => {
    const dataDir = await mkdtemp(join(tmpdir(), 'usual-pantry-e2e-'));
    if (demo) await copyFile(DEMO, join(dataDir, DATABASE));
    let { child, url } = await serve(dataDir, 0);
    const port = Number(new URL(url).port);
    const kill = async () => {
      child.kill('SIGKILL');
      await ended(child);
    };
    await use({
      url,
      kill,
      start: async (today) => {
        ({ child, url } = await serve(dataDir, port, { today }));
      },
      folder: dataDir,
      startAs: async (environment) => {
        child.kill('SIGTERM');
        await ended(child);
        ({ child, url } = await serve(dataDir, port, { environment }));
      },
    });
    await kill();
    await rm(dataDir, { recursive: true, force: true });
  },
  baseURL: async ({ kitchen }, use) => {
    await use(kitchen.url);
  },
});

export { expect };

/** Opens the line of findings into their list. */
export const openFindings = (page: Page): Promise<void> =>
  page.getByRole('region', { name: 'Findings' }).getByRole('button', { name: 'Open', exact: true }).click();

/** Whatever the API answers at an address. */
export const ask = async <T>(request: APIRequestContext, address: string): Promise<T> => {
  const answer = await request.get(address);
  expect(answer.ok(), address).toBe(true);
  return (await answer.json()) as T;
};

/** Everything of the plan, as the API tells it. */
export const planOf = (request: APIRequestContext): Promise<WholePlan> =>
  wholePlan((path) => ask(request, `/api${path}`));
