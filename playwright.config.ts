import { defineConfig } from '@playwright/test';

/** `npm run test:full`: every journey at both sizes. */
const FULL = process.env.TESTS === 'full';
/** On a wide screen, otherwise: what is of it alone, and what differs by width. */
const WIDE_IN_SHORT = /(^|\s|\/)wide\/|@both-sizes/;

const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };
const project = (name: string, port: number, viewport: typeof PHONE, testMatch: RegExp) => ({
  name,
  testMatch,
  use: { baseURL: `http://127.0.0.1:${port}`, viewport, hasTouch: viewport === PHONE },
});

export default defineConfig({
  testDir: 'e2e',
  ...(FULL ? {} : { grepInvert: /@one-more-answer/ }),
  // One more than cores: a journey waits for its page, its worker and its server in turn.
  workers: 3,
  timeout: 120_000,
  // A busy machine is slow; how long something takes says nothing.
  expect: { timeout: 20_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : 'list',
  outputDir: '.cache/interface',
  use: {
    // Only the journeys without the server have the page from the device.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
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
  projects: [
    // Its journeys stop and start servers of their own, and are the longest: they come first.
    {
      name: 'away',
      testMatch: /away\/.*\.spec\.ts/,
      fullyParallel: true,
      use: { viewport: PHONE, hasTouch: true, serviceWorkers: 'allow' },
    },
    // Two browsers on a server of their own, which lets the network in.
    {
      name: 'lan',
      testMatch: /lan\/.*\.spec\.ts/,
      fullyParallel: true,
      use: { viewport: PHONE, hasTouch: true, ignoreHTTPSErrors: true },
    },
    project('phone', 4391, PHONE, /e2e\/(phone\/)?[^/]+\.spec\.ts/),
    { ...project('wide', 4392, DESK, /e2e\/(wide\/)?[^/]+\.spec\.ts/), ...(FULL ? {} : { grep: WIDE_IN_SHORT }) },
    project('empty', 4393, PHONE, /empty\/.*\.spec\.ts/),
    // What only two years have to show.
    project('years', 4394, DESK, /years\/.*\.spec\.ts/),
    { ...project('years-phone', 4394, PHONE, /years\/.*\.spec\.ts/), ...(FULL ? {} : { grep: /@both-sizes/ }) },
  ],
  // One program starts all of them at once (scripts/journey-servers.mjs).
  webServer: {
    command: 'node scripts/journey-servers.mjs',
    url: 'http://127.0.0.1:4390',
    reuseExistingServer: false,
    timeout: 120_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
  },
});
