import 'reflect-metadata';
import { readFile } from 'node:fs/promises';
import { createApp } from './app.js';
import { readConfig, type Config } from './config.js';
import { SeasonPlanner } from './plan/season-planner.js';
import { SeasonFileService } from './season-file/season-file.service.js';
import { CannotStart } from './storage/cannot-start.js';
import { Database } from './storage/database.js';

/** Longer than a page, or a proxy in front, usually leaves a connection idle. */
const KEEP_ALIVE_MS = 75_000;
/** What is still being asked when the server stops gets so long; then connections are cut, and at last the database is closed anyway. */
const CUT_MS = 2_500;
const LAST_MS = 4_500;

async function start(config: Config): Promise<void> {
  const app = await createApp(config);
  const isSeeded = config.seedFile !== null && (await app.get(SeasonFileService).seed(await readFile(config.seedFile)));
  // A connection that is closed after a few idle seconds may be closed just when a page uses it again.
  const server = app.getHttpServer();
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = KEEP_ALIVE_MS + 5_000;
  const database = app.get(Database);
  for (const signal of ['SIGTERM', 'SIGINT'])
    process.once(signal, () => {
      setTimeout(() => {
        server.closeAllConnections();
      }, CUT_MS).unref();
      setTimeout(() => {
        void database.close().finally(() => process.exit(1));
      }, LAST_MS).unref();
    });
  // An example kitchen ends with the kitchen that it stands beside, however that ends.
  if (process.connected)
    process.once('disconnect', () => {
      process.kill(process.pid, 'SIGTERM');
    });
  await app.listen(config.port, config.host);
  const address = await app.getUrl();
  database.folder.servedAt(address);
  process.stdout.write(`Usual Pantry is at ${address}\n`);
  // What was brought was planned for another day: it is planned anew for this one, while the pages can be looked at.
  if (isSeeded) await app.get(SeasonPlanner).startUnlessFollowed();
}

// Whatever is written is the user's alone.
process.umask(0o077);
try {
  await start(readConfig(process.env));
} catch (error) {
  if (!(error instanceof CannotStart)) throw error;
  process.stderr.write(`\nUsual Pantry was not started. ${error.message}\n\n`);
  process.exit(1);
}
