import 'reflect-metadata';
import { access, copyFile, mkdtemp, readFile, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { seasonFileSchema, type SeasonFile } from '@usual-pantry/core/season-file';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { createApp } from '../app.js';
import { DoorFile } from '../door/door-file.js';
import { hashPassphrase } from '../door/passphrase.js';
import { copyDatabase } from '../storage/copy.js';
import { wholePlan, type WholePlan } from '../../../core/testing/whole-plan.js';
import { DATABASE_FILE } from '../storage/data-source.js';
import { ContractChecker } from './contract-checker.js';

/** The day on which the tests' clock stands. */
export const TODAY = '2026-11-25';

/** A server on a database of its own. */
export interface TestServer {
  readonly app: NestExpressApplication;
  readonly folder: string;
  readonly http: TestAgent;
  readonly close: () => Promise<void>;
}

export const readDemo = async (): Promise<SeasonFile> =>
  seasonFileSchema.parse(JSON.parse(await readFile('demo/season.json', 'utf8')));

/** Tests want a plan, not the best one. */
const PLAN_WORK = 4;

const newFolder = () => mkdtemp(join(tmpdir(), 'usual-pantry-'));

/** The database of the demo. It is made by the first that wants it in a run of the tests; all others copy it. */
async function demoDatabase(): Promise<string> {
  const made = join(process.env['SHARED_TEST_FOLDER'] ?? (await newFolder()), 'demo.db');
  try {
    await access(made);
  } catch {
    const maker = await openServer();
    await maker.http
      .post('/api/season-file')
      .send(await readDemo())
      .expect(200);
    // Two may make it at once: either is whole, and the last one stays.
    const copy = `${made}.${process.pid}`;
    copyDatabase(join(maker.folder, DATABASE_FILE), copy);
    await rename(copy, made);
    await maker.close();
  }
  return made;
}

/** The passphrase of a locked server of the tests. */
export const PASSPHRASE = 'four words and a biscuit';

/** Little work for each try: the tests do not guess passphrases. */
const CHEAP = { n: 16, r: 1, p: 1 };

/** Opens a server in a new folder, or in one that is there; `demo` gives it a copy of the demo, `locked` a door that is locked. */
export async function openServer({
  demo = false,
  locked = false,
  folder,
  exampleFile = null,
}: { demo?: boolean; locked?: boolean; folder?: string; exampleFile?: string | null } = {}): Promise<TestServer> {
  const dataDir = folder ?? (await newFolder());
  if (demo) await copyFile(await demoDatabase(), join(dataDir, DATABASE_FILE));
  if (locked) new DoorFile(dataDir).store({ passphrase: await hashPassphrase(PASSPHRASE, CHEAP) });
  const app = await createApp(
    {
      dataDir,
      pagesDir: 'web/dist',
      allowedHosts: [],
      today: TODAY,
      isLocked: locked,
      exampleFile,
      planWork: PLAN_WORK,
    },
    true,
  );
  app.useGlobalInterceptors(new ContractChecker());
  await app.init();
  const http = request.agent(app.getHttpServer());
  return {
    app,
    folder: dataDir,
    http,
    close: async () => {
      await app.close();
      if (folder === undefined) await rm(dataDir, { recursive: true, force: true });
    },
  };
}

/** Everything of the plan, as the API tells it. */
export const planOf = ({ http }: Pick<TestServer, 'http'>): Promise<WholePlan> =>
  wholePlan(async (path) => (await http.get(`/api${path}`).expect(200)).body as never);
