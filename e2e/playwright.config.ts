import { defineConfig } from '@playwright/test';

const report = process.env['REPORT_FILE'];

export default defineConfig({
  testDir: '.',
  globalSetup: './support/setup.ts',
  // Limits only stop what hangs: on a busy machine anything may take its time.
  timeout: 1_800_000,
  expect: { timeout: 300_000 },
  fullyParallel: true,
  // One more than there usually are cores: a journey waits for its server as often as that waits for it.
  workers: 3,
  forbidOnly: true,
  outputDir: '../test-results',
  reporter: report ? [['list'], ['json', { outputFile: report }]] : [['list']],
  use: {
    // A test asks the server itself; that the pages open without one has a test of its own.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
