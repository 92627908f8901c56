import 'reflect-metadata';
import { createApp } from './app.js';
import { readConfig } from './config.js';

const config = readConfig(process.env);
const app = await createApp(config);
await app.listen(config.port, config.host);
process.stdout.write(`Usual Pantry is at ${await app.getUrl()}\n`);
