// npm start, npm run demo [-- --reset]: install, build, bring the database up to date, serve.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build, checkNode, install, root } from './lib/run.mjs';

const demo = process.argv.includes('--demo');
const reset = process.argv.includes('--reset');

checkNode();
install();
build();

const dataDir = resolve(process.env.DATA_DIR ?? join(root, 'data', demo ? 'demo' : 'kitchen'));
if (reset && demo)
  for (const end of ['', '-wal', '-shm']) rmSync(join(dataDir, `usual-pantry.db${end}`), { force: true });
else if (reset) {
  process.stderr.write('Only the demo can be reset: npm run demo -- --reset. Your own pantry was left alone.\n');
  process.exit(1);
}

const server = spawn(process.execPath, [join(root, 'server/dist/program/main.js')], {
  stdio: 'inherit',
  env: {
    ...process.env,
    DATA_DIR: dataDir,
    PAGES_DIR: join(root, 'web/dist'),
    [demo ? 'SEED_FILE' : 'EXAMPLE_FILE']: join(root, 'demo/season.json'),
  },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
