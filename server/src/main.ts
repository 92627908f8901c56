import 'reflect-metadata';
import { readFile } from 'node:fs/promises';
import { createApp } from './app.js';
import { readConfig } from './config.js';
import { SeasonFileService } from './document/season-file.service.js';

/** Longer than a page, or a proxy in front, usually leaves a connection idle. */
const KEEP_ALIVE_MS = 75_000;

const config = readConfig(process.env);
const app = await createApp(config);
if (config.seedFile !== null)
  await app.get(SeasonFileService).seed(JSON.parse(await readFile(config.seedFile, 'utf8')));
// A connection that is closed after a few idle seconds may be closed just when a page uses it again.
const server = app.getHttpServer();
server.keepAliveTimeout = KEEP_ALIVE_MS;
server.headersTimeout = KEEP_ALIVE_MS + 5_000;
await app.listen(config.port, config.host);
process.stdout.write(`Usual Pantry is at ${await app.getUrl()}\n`);
