// Uses only Node's own modules: it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the whole project. */
export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

const cache = join(root, '.cache');

/** Runs a command with its output shown; ends this process when it fails. */
export function must(command, args) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
  if (error || status !== 0) {
    process.stderr.write(`\n"${command} ${args.join(' ')}" failed${error ? `: ${error.message}` : ''}.\n`);
    process.exit(status || 1);
  }
}

/** Runs a command and gives its output and whether it succeeded. */
export function tryRun(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    const chunks = [];
    child.stdout.on('data', (chunk) => chunks.push(chunk));
    child.stderr.on('data', (chunk) => chunks.push(chunk));
    child.on('error', (error) => resolve({ ok: false, output: error.message }));
    child.on('close', (code) => resolve({ ok: code === 0, output: Buffer.concat(chunks).toString() }));
  });
}

const skipped = new Set(['node_modules', 'dist', '.cache']);

function* filesBelow(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) if (!skipped.has(name)) yield* filesBelow(join(path, name));
}

/** A fingerprint of files and folders. */
function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const path of paths)
    for (const file of filesBelow(join(root, path))) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/** Does something again only when the files that it depends on have changed since, or its result is gone. */
function onceFor(name, paths, results, work) {
  const mark = join(cache, `${name}.sha256`);
  const now = fingerprint(paths);
  const done = existsSync(mark) && readFileSync(mark, 'utf8') === now;
  if (done && results.every((path) => existsSync(join(root, path)))) return;
  work();
  mkdirSync(cache, { recursive: true });
  writeFileSync(mark, now);
}

const manifests = ['package-lock.json', ...['core', 'server', 'web', 'e2e'].map((name) => `${name}/package.json`)];

/** Installs all packages, those of tests and checks among them, when the lock file has changed. */
export const installAll = () =>
  onceFor('install', manifests, ['node_modules/typescript'], () => must('npm', ['ci', '--no-audit', '--no-fund']));

/** Installs the packages that the program is built and run with, when the lock file has changed; all of them where all were there before. */
export function install() {
  if (existsSync(join(root, 'node_modules/typescript'))) installAll();
  else
    onceFor('install-program', manifests, ['node_modules/vite'], () =>
      must('npm', ['ci', '--omit=dev', '--no-audit', '--no-fund']),
    );
}

const sources = [
  'tsconfig.base.json',
  ...['core', 'server', 'web'].flatMap((name) => [`${name}/src`, `${name}/package.json`]),
  ...['core', 'server'].map((name) => `${name}/tsconfig.build.json`),
  ...['index.html', 'public', 'compiler', 'vite.config.ts'].map((name) => `web/${name}`),
  'package-lock.json',
  'scripts/emit.mjs',
  'scripts/bundle.mjs',
];
const built = ['core/dist/book/index.js', 'server/dist/program/main.js', 'web/dist/index.html'];

/** Builds core, server and pages when their sources have changed. */
export const build = () =>
  onceFor('build', sources, built, () => {
    must('node', ['scripts/emit.mjs']);
    must('node', ['scripts/bundle.mjs']);
    must('npx', ['vite', 'build', 'web', '--logLevel', 'warn']);
  });

/** Ends with a clear message when this Node is too old. */
export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 20)) return;
  process.stderr.write(`Usual Pantry needs Node 20.20 or newer; this is ${process.versions.node}.\n`);
  process.exit(1);
}
