import { defineConfig } from '@playwright/test';
import { MIDSUMMER, MIDWINTER } from './e2e/day';

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
/** Each project has a server with its own data, so that two can run side by side without meeting. */
const PORTS = { desk: 3911, demo: 3912, lan: 3913, phone: 3914, hostile: 3915, winter: 3916 };

/** Clocks are set off once for the whole run; those who run the tests inherit it. */
const shiftTo = (day: string): number =>
  Number((process.env[`KVELL_SHIFT_${day}`] ??= String(Date.parse(day) - Date.now())));
const [SUMMER_MS, WINTER_MS] = [shiftTo(MIDSUMMER), shiftTo(MIDWINTER)];

/** Tests of the demo that the day of the year has a part in. */
const BY_THE_DAY =
  /on a phone no view|every way to brighten|tried out before|sun’s way|bath is worked out|planned session|log entry|rung taken/;

const DESK = { width: 1280, height: 800 };

const server = (port: number, data: string, before = '', env: Record<string, string> = {}, shiftMs = SUMMER_MS) => ({
  command: `rm -rf ${data} && ${before} node scripts/server.mjs 127.0.0.1 ${port}`,
  url: `http://127.0.0.1:${port}/sums`,
  env: { KVELL_DATA: data, NEXT_TELEMETRY_DISABLED: '1', KVELL_CLOCK_SHIFT_MS: String(shiftMs), ...env },
  timeout: 600_000,
  reuseExistingServer: false,
});

export default defineConfig<{ clockShiftMs: number }>({
  testDir: './e2e',
  outputDir: './test-results/e2e',
  fullyParallel: false,
  // Two projects at a time, each of them one file after the other on its own data.
  workers: 2,
  timeout: 1_200_000,
  // A loaded machine is slow, not wrong.
  expect: { timeout: 45_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : 'list',
  use: {
    navigationTimeout: 180_000,
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: CHROMIUM_FLAGS },
    trace: 'retain-on-failure',
    clockShiftMs: SUMMER_MS,
    // A locator that finds nothing says so before the whole test is over.
    actionTimeout: 60_000,
  },
  webServer: [
    server(PORTS.desk, '.test-desk'),
    server(PORTS.phone, '.test-phone'),
    server(PORTS.hostile, '.test-hostile'),
    server(PORTS.demo, '.test-demo/data-test', 'KVELL_DATA=.test-demo/data-test node_modules/.bin/tsx demo/load.ts &&'),
    server(
      PORTS.winter,
      '.test-winter/data-test',
      'KVELL_DATA=.test-winter/data-test node_modules/.bin/tsx demo/load.ts &&',
      {},
      WINTER_MS,
    ),
    // As the network is let in, but heard at this machine only.
    server(PORTS.lan, '.test-lan', 'KVELL_DATA=.test-lan node_modules/.bin/tsx e2e/lanData.ts &&', { KVELL_LAN: '1' }),
  ],
  projects: [
    {
      name: 'new user, phone',
      testMatch: /journey|intake|teardown|wash|brighten|keys|mend|taps/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.phone}`, viewport: { width: 390, height: 844 }, hasTouch: true },
    },
    {
      name: 'demo workshop',
      testMatch: /demo|views/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.demo}`, viewport: DESK },
    },
    {
      name: 'demo workshop, midwinter',
      testMatch: /demo|views/,
      // What no day changes is seen on the other one.
      grep: BY_THE_DAY,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.winter}`, viewport: DESK, clockShiftMs: WINTER_MS },
    },
    {
      name: 'new user, desk',
      testMatch: /journey|brighten|keys|mend/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.desk}`, viewport: DESK },
    },
    {
      name: 'hostile input',
      testMatch: /hostile/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.hostile}`, viewport: DESK },
    },
    { name: 'local network', testMatch: /lan\.spec/, workers: 1, use: { baseURL: `http://127.0.0.1:${PORTS.lan}` } },
  ],
});
