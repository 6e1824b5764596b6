import { defineConfig } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { SERVER, SERVER_ENV } from './scripts/served.mjs';

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

/** Days that the tests stand on, whatever the calendar says: noon at the demo’s place at midsummer and at midwinter. */
const DAYS = JSON.parse(readFileSync('e2e/days.json', 'utf8')) as Record<'summer' | 'winter', string>;

/** Clocks are set off once for the whole run; those who run the tests inherit it. */
const shiftTo = (season: keyof typeof DAYS): number =>
  Number((process.env[`KVELL_SHIFT_${season}`] ??= String(Date.parse(DAYS[season]) - Date.now())));
const SHIFT_MS = { summer: shiftTo('summer'), winter: shiftTo('winter') };

/** Tests of the demo that the day of the year has a part in. */
const BY_THE_DAY =
  /on a phone no view|every way to brighten|tried out before|sun’s way|bath is worked out|planned session|log entry|rung taken/;

/** The way of a new user is seen at both sizes whole; of the rest each test is seen at one, by its name. */
const AT_THE_DESK =
  /a keyboard is drawn from|the sheet of marks is|a crack goes from|rust goes down|is backed up, sealed/;
const AT_BOTH = /from the empty workshop to/;

const DESK = { width: 1280, height: 800 };

const serve = (port: number) => `node ${SERVER.join(' ')} 127.0.0.1 ${port}`;
const server = (port: number, command: string, data: string, shiftMs: number, env: Record<string, string> = {}) => ({
  command,
  url: `http://127.0.0.1:${port}/sums`,
  env: { ...SERVER_ENV, KVELL_DATA: data, KVELL_CLOCK_SHIFT_MS: String(shiftMs), ...env },
  timeout: 600_000,
  reuseExistingServer: false,
});

/** A workshop in which nothing was done yet. */
const empty = (port: number, data: string) => server(port, `rm -rf ${data} && ${serve(port)}`, data, SHIFT_MS.summer);

/** The demo workshop of a season, which `npm test` has loaded; by itself it is loaded now. */
function demoOf(season: keyof typeof DAYS, port: number) {
  const data = `.test-${season}/data-test`;
  const load = process.env.KVELL_DEMOS_LOADED ? '' : `rm -rf ${data} && node_modules/.bin/tsx demo/load.ts && `;
  return server(port, `${load}${serve(port)}`, data, SHIFT_MS[season]);
}

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
    // A trace takes a quarter of the time of a test; the page of a failure is kept in words.
    trace: 'off',
    // Nothing to see in what moves: a click waits until it stands.
    contextOptions: { reducedMotion: 'reduce' },
    clockShiftMs: SHIFT_MS.summer,
    // What a browser kept of one test would answer in the next; one test is about it.
    serviceWorkers: 'block',
    // A locator that finds nothing says so before the whole test is over.
    actionTimeout: 60_000,
  },
  webServer: [
    empty(PORTS.desk, '.test-desk'),
    empty(PORTS.phone, '.test-phone'),
    empty(PORTS.hostile, '.test-hostile'),
    demoOf('summer', PORTS.demo),
    demoOf('winter', PORTS.winter),
    // As the network is let in, but heard at this machine only.
    server(
      PORTS.lan,
      `rm -rf .test-lan && node_modules/.bin/tsx e2e/lanData.ts && ${serve(PORTS.lan)}`,
      '.test-lan',
      SHIFT_MS.summer,
      { KVELL_LAN: '1' },
    ),
  ],
  projects: [
    {
      name: 'new user, phone',
      testMatch: /journey|intake|teardown|wash|brighten|keys|mend|finish|lastly|plan|taps/,
      grepInvert: AT_THE_DESK,
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
      use: { baseURL: `http://127.0.0.1:${PORTS.winter}`, viewport: DESK, clockShiftMs: SHIFT_MS.winter },
    },
    {
      name: 'new user, desk',
      testMatch: /journey|keys|mend|finish|keeping/,
      grep: [AT_BOTH, AT_THE_DESK],
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.desk}`, viewport: DESK },
    },
    {
      name: 'hostile input',
      testMatch: /hostile/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.hostile}`, viewport: DESK },
    },
    {
      // It starts and stops a server of its own.
      name: 'off the net',
      testMatch: /away/,
      workers: 1,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true },
    },
    {
      name: 'local network',
      testMatch: /[\\/]lan\.spec/,
      workers: 1,
      use: { baseURL: `http://127.0.0.1:${PORTS.lan}` },
    },
  ],
});
