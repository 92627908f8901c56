import 'reflect-metadata';
import { readFile } from 'node:fs/promises';
import { createApp } from './app.js';
import { readConfig } from './config.js';
import { SeasonFileService } from './document/season-file.service.js';

const config = readConfig(process.env);
const app = await createApp(config);
if (config.seedFile !== null)
  await app.get(SeasonFileService).seed(JSON.parse(await readFile(config.seedFile, 'utf8')));
await app.listen(config.port, config.host);
process.stdout.write(`Usual Pantry is at ${await app.getUrl()}\n`);
