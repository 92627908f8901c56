import 'reflect-metadata';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { seasonFileSchema, type SeasonFile } from '@usual-pantry/core/season';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { createApp } from '../app.js';

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

/** Opens a server in a new folder, or in one that is there; `demo` loads the demo. */
export async function openServer({
  demo = false,
  folder,
}: { demo?: boolean; folder?: string } = {}): Promise<TestServer> {
  const dataDir = folder ?? (await mkdtemp(join(tmpdir(), 'usual-pantry-')));
  const app = await createApp({ dataDir, pagesDir: 'web/dist', allowedHosts: [], today: TODAY }, true);
  await app.init();
  const http = request.agent(app.getHttpServer());
  if (demo)
    await http
      .post('/api/season-file')
      .send(await readDemo())
      .expect(200);
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
