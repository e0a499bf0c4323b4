import { defineConfig } from '@playwright/test';

/** Debian's Chromium, kept from talking to anybody. */
export const CHROMIUM = {
  executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

const PORT = 4199;
/** The stand-in on TCP, for reading it through the bridge as a network adapter. */
export const STAND_IN_PORT = 4198;

export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  expect: { timeout: 8_000 },
  workers: 2,
  // A second try where nobody watches; what needed it is told as flaky, not hidden.
  retries: process.env['CI'] ? 1 : 0,
  fullyParallel: true,
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    launchOptions: CHROMIUM,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 8_000,
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
