// npm run dev: the server and the pages, both made anew at every change. Pages at http://localhost:5317.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, installAll, root } from './lib/run.mjs';

installAll();
build();
const start = (command, args, env = {}) =>
  spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
const children = [
  start('npx', ['tsc', '-b', '--watch', '--preserveWatchOutput', 'server/tsconfig.build.json']),
  start('node', ['--watch', 'server/dist/main.js'], {
    DATA_DIR: join(root, 'data', 'demo'),
    SEED_FILE: join(root, 'demo/season.json'),
  }),
  start('npx', ['vite', 'web']),
];
process.on('SIGINT', () => children.forEach((child) => child.kill()));
