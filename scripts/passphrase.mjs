// npm run passphrase [-- --demo]: sets the passphrase of the kitchen, or of the demo, while it does not run.
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { build, checkNode, install, root } from './lib/run.mjs';

checkNode();
install();
build();
const folder = process.argv.includes('--demo') ? 'demo' : 'kitchen';
const dataDir = resolve(process.env.DATA_DIR ?? join(root, 'data', folder));
const { status } = spawnSync(process.execPath, [join(root, 'server/dist/door/set-passphrase.js')], {
  stdio: 'inherit',
  env: { ...process.env, DATA_DIR: dataDir },
});
process.exit(status ?? 1);
