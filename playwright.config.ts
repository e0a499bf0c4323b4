import { execFileSync } from 'node:child_process';
import { defineConfig } from '@playwright/test';

/** Debian's Chromium, kept from talking to anybody. */
export const CHROMIUM = {
  executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    // Compiling in the background takes cores from the pages of the other workers, and no page lives long enough to gain by it.
    '--js-flags=--single-threaded',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

/** Takes free ports of this machine, all at once so that they differ, and gives them back. */
const TAKE_PORTS = `
  const { createServer } = require('node:net');
  const servers = [createServer(), createServer()];
  let open = 0;
  for (const server of servers)
    server.listen(0, '127.0.0.1', () => {
      if (++open < servers.length) return;
      console.log(servers.map((each) => each.address().port).join(' '));
      for (const each of servers) each.close();
    });`;

// Two runs at once must not meet. Workers inherit what the first process of a run has chosen.
process.env['PINCER_TEST_PORTS'] ??= execFileSync(process.execPath, ['-e', TAKE_PORTS], { encoding: 'utf8' });
const [PORT, STAND_IN] = process.env['PINCER_TEST_PORTS'].trim().split(' ').map(Number) as [number, number];

/** The stand-in on TCP, for reading it through the bridge as a network adapter. */
export const STAND_IN_PORT = STAND_IN;

export default defineConfig({
  testDir: 'e2e',
  // A folder of its own for each run: the beginning of another one would clear it away.
  preserveOutput: 'failures-only',
  outputDir: `test-results/${String(PORT)}`,
  // A wait ends as soon as what it waits for is there; how long it may last only a shared machine that stands still decides.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  // The browser without windows leaves room for four on two cores: many tests wait for a car that takes its time.
  workers: CHROMIUM.executablePath.endsWith('headless-shell') ? 4 : 2,
  // A second try where nobody watches; what needed it is told as flaky, not hidden.
  retries: process.env['CI'] ? 1 : 0,
  fullyParallel: true,
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    launchOptions: CHROMIUM,
    viewport: { width: 1280, height: 800 },
    // Metric units, euros and British English, as the texts of the tests.
    locale: 'en-IE',
    actionTimeout: 20_000,
    serviceWorkers: 'block',
  },
  webServer: {
    command: 'node --import tsx server/main.ts',
    env: {
      PORT: String(PORT),
      PINCER_DEMO: '',
      STAND_IN_PORT: String(STAND_IN_PORT),
      BRIDGE_PORTS: `35000,${STAND_IN_PORT}`,
    },
    url: `http://localhost:${PORT}/api/config`,
    reuseExistingServer: false,
  },
});
