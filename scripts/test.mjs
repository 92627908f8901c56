// npm test: installs what the tests need, then lint, types, dependency rules, unit, reference, API and browser tests.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, checkNode, installAll, must, root, tryRun } from './lib/run.mjs';

const debianTools = [
  { path: '/usr/bin/chromium', package: 'chromium' },
  { path: '/usr/bin/units', package: 'units' },
  { path: '/usr/bin/pdffonts', package: 'poppler-utils' },
  { path: '/usr/bin/qpdf', package: 'qpdf' },
];

/** Debian's browser, unit converter and PDF inspectors, which the tests call. */
function installDebianTools() {
  const missing = debianTools.filter((tool) => !existsSync(tool.path)).map((tool) => tool.package);
  if (missing.length === 0) return;
  const apt = process.getuid?.() === 0 ? ['apt-get'] : ['sudo', 'apt-get'];
  const [command, ...first] = apt;
  must(command, [...first, 'update']);
  must(command, [...first, 'install', '-y', '--no-install-recommends', ...missing]);
}

let passed = 0;
let failed = 0;

const say = (ok, name, since, output) => {
  process.stdout.write(`${ok ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - since) / 1000).toFixed(0)} s)\n`);
  if (!ok) process.stdout.write(`${output}\n`);
};

/** One check that passes or fails as a whole. */
async function check(name, command, args) {
  const since = Date.now();
  const { ok, output } = await tryRun(command, args);
  if (ok) passed++;
  else failed++;
  say(ok, name, since, output);
}

/** What failed of a runner's tests, in its own words. */
const failures = ({ testResults = [] }) =>
  testResults.flatMap(({ name, message, assertionResults }) => {
    const broken = assertionResults.filter(({ status }) => status === 'failed');
    if (broken.length > 0)
      return broken.map(({ fullName, failureMessages }) => `${name}\n  ${fullName}\n${failureMessages.join('\n')}`);
    return message && assertionResults.length === 0 ? [`${name}\n${message}`] : [];
  });

/** A test runner that writes how many tests passed and failed. */
async function tests(name, command, args, report, count, env = {}) {
  const since = Date.now();
  const file = join(root, '.cache', report);
  rmSync(file, { force: true });
  const { ok, output } = await tryRun(command, args, { ...env, REPORT_FILE: file });
  const read = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const result = read ? count(read) : { passed: 0, failed: 0 };
  passed += result.passed;
  // A runner that failed without a failing test has still failed.
  failed += ok ? result.failed : Math.max(1, result.failed);
  // What failed is said by itself: it would be lost in a long output.
  const broken = read ? failures(read) : [];
  say(ok, `${name}: ${result.passed} passed, ${result.failed} failed`, since, broken.join('\n\n') || output);
}

checkNode();
installAll();
installDebianTools();
build();
mkdirSync(join(root, '.cache'), { recursive: true });

const jest = () =>
  tests(
    'unit, reference and API tests',
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--json',
      '--outputFile=.cache/jest.json',
    ],
    'jest.json',
    (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests + report.numRuntimeErrorTestSuites }),
  );
const browser = () =>
  tests(
    'browser tests',
    'npx',
    ['playwright', 'test', '--config', 'e2e/playwright.config.ts'],
    'playwright.json',
    ({ stats }) => ({
      passed: stats.expected,
      // One that passes only when it is tried again has failed.
      failed: stats.unexpected + stats.flaky,
    }),
  );

await Promise.all([
  (async () => {
    await check('types', 'npm', ['run', 'types']);
    await check('lint', 'npx', ['oxlint', '--type-aware', '.']);
    await check('hooks and regular expressions', 'npx', [
      'eslint',
      'core/src',
      'server/src',
      'web/src',
      '--cache',
      '--cache-location',
      '.cache/eslint',
    ]);
  })(),
  (async () => {
    await jest();
    await check('format', 'npx', ['prettier', '--check', '.']);
    await check('dependency rules', 'npx', [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      'core',
      'server/src',
      'web/src',
      'e2e',
      'bench',
    ]);
    await check('dead code', 'npx', ['knip']);
  })(),
]);
await browser();

process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
