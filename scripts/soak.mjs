// npm run soak: what takes too long for every change: a thousand kills, a million bodies, every property many times, and how reading grows.
import { spawnSync } from 'node:child_process';
import { build, checkNode, installAll, root } from './lib/run.mjs';

checkNode();
installAll();
build();

const jest = ['--experimental-vm-modules', '--no-warnings', 'node_modules/jest/bin/jest.js', '--selectProjects', 'api'];
const parts = {
  kills: { args: [...jest, 'server/src/durable.test.ts'], env: { KILL_ROUNDS: process.env.KILL_ROUNDS ?? '1000' } },
  bodies: { args: [...jest, 'server/src/fuzz.test.ts'], env: { FUZZ_BODIES: process.env.FUZZ_BODIES ?? '1000000' } },
  properties: {
    args: [...jest.slice(0, -2), '--selectProjects', 'unit', 'reference'],
    env: { SOAK: 'yes' },
  },
  reading: { args: ['scripts/bench.mjs', 'growth', 'block'], env: {} },
};
const chosen = process.argv.slice(2);
let failed = 0;
for (const [name, { args, env }] of Object.entries(parts)) {
  if (chosen.length > 0 && !chosen.includes(name)) continue;
  process.stdout.write(`\n${name}\n`);
  // The first million bodies take the better part of an hour: a limit of the tests must not end them.
  const limit = args.includes('--selectProjects') ? ['--testTimeout=86400000'] : [];
  const { status } = spawnSync(process.execPath, [...args, ...limit], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (status !== 0) failed++;
}
process.exit(failed === 0 ? 0 : 1);
