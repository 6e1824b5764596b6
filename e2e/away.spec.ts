import { spawn, type ChildProcess } from 'node:child_process';
import { readFile, rm } from 'node:fs/promises';
import { SERVER, SERVER_ENV } from '../scripts/served.mjs';
import { putAway, turnTo } from './clipboard';
import { expect, test } from './day';
import { open } from './open';
import { testPhoto } from './photographs';

/** A server of its own, which this test stops and starts. */
const PORT = 3917;
const BASE = `http://127.0.0.1:${PORT}`;
const DATA = '.test-away';

let server: ChildProcess | null = null;

async function start(clockShiftMs: number): Promise<void> {
  server = spawn(process.execPath, [...SERVER, '127.0.0.1', String(PORT)], {
    env: { ...process.env, ...SERVER_ENV, KVELL_DATA: DATA, KVELL_CLOCK_SHIFT_MS: String(clockShiftMs) },
    stdio: 'ignore',
  });
  const up = () =>
    fetch(`${BASE}/api/mark`).then(
      ({ ok }) => ok,
      () => false,
    );
  await expect.poll(up, { timeout: 120_000 }).toBe(true);
}

async function pull(): Promise<void> {
  const gone = new Promise((resolve) => server!.once('close', resolve));
  server!.kill('SIGKILL');
  await gone;
  server = null;
}

test.use({ serviceWorkers: 'allow', baseURL: BASE });
test.beforeAll(() => rm(DATA, { recursive: true, force: true }));
test.afterAll(() => void server?.kill('SIGKILL'));

test('Kvell goes away in the middle: what was opened is read, what is typed and photographed is sent once it is back', async ({
  page,
  clockShiftMs,
}) => {
  test.slow();
  const bar = page.getByRole('region', { name: 'Kept on this device' });
  const note = async (words: string) => {
    const clipboard = await turnTo(page, 'Notes');
    await clipboard.getByLabel('Note', { exact: true }).fill(words);
    await clipboard.getByRole('button', { name: 'Write into log' }).click();
    return clipboard;
  };
  await start(clockShiftMs);
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill('Away machine');
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const intake = page.url();
  const keptPages = () =>
    page.evaluate(async () => (await (await caches.open('kvell-pages')).keys()).map(({ url }) => url));
  await expect.poll(keptPages, { timeout: 60_000 }).toContain(intake);
  // What pages load only when somebody asks for it is there too, or it could not be asked for.
  const files = () => page.evaluate(async () => (await (await caches.open('kvell-files')).keys()).length);
  const all = new Set((await readFile('public/sw.js', 'utf8')).match(/\/_next\/static\/[^"']+/g));
  await expect.poll(files, { timeout: 240_000 }).toBe(all.size);

  await test.step('what is typed and photographed while it is away is kept on the device, and said', async () => {
    await pull();
    await expect(bar.getByText(/^Kvell does not answer\. What is shown stood so at \d\d:\d\d\.$/)).toBeVisible();
    await page
      .locator('#survey')
      .getByLabel('Choose photographs')
      .first()
      .setInputFiles({ name: 'away.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(43)).jpeg });
    await expect(bar.getByText('1 thing kept on this device, sent when Kvell answers again.')).toBeVisible();
    const clipboard = await note('The lid came off while nobody answered');
    await expect(clipboard.getByLabel('Note', { exact: true })).toHaveValue('');
    await note('Never to be sent');
    await expect(bar.getByText('3 things kept on this device')).toBeVisible();
  });

  await test.step('the page in hand and the bench are read all the same, and a page that was never opened says so', async () => {
    await page.reload();
    await expect(page.getByRole('heading', { name: /Intake/, level: 1 })).toBeVisible();
    await expect(bar.getByText(/^Kvell does not answer/)).toBeVisible();
    await expect(bar.getByText('3 things kept on this device')).toBeVisible();
    await page.goto('/');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.goto('/stores');
    await expect(page.getByRole('heading', { name: 'This page is not on this device' })).toBeVisible();
    await page
      .getByRole('link', { name: /Away machine/ })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: /Intake/, level: 1 })).toBeVisible();
  });

  await test.step('what is let go is not sent, and stands in its form again', async () => {
    await bar.getByText('What waits here').click();
    await bar
      .getByRole('button', { name: /^Let it go: “Write into log”/ })
      .last()
      .click();
    await page.getByRole('alertdialog').getByRole('button', { name: 'Let it go' }).click();
    await expect(bar.getByText('2 things kept on this device')).toBeVisible();
  });

  await test.step('back again it takes each once, and tells what became of it', async () => {
    await start(clockShiftMs);
    await expect(
      bar.getByText(
        /^Sent: Photograph away\.jpg \(typed \d\d:\d\d\); “Write into log” on Away machine: 1 Intake: The lid came off/,
      ),
    ).toBeVisible();
    await expect(bar.getByText(/kept on this device/)).toBeHidden();
    await expect(page.getByAltText('away.jpg, tap it to pin what you find')).toBeVisible();
    const log = await turnTo(page, 'Log');
    await expect(log.getByText('The lid came off while nobody answered')).toHaveCount(1);
    await expect(log.getByText('Never to be sent')).toHaveCount(0);
    const notes = await turnTo(page, 'Notes');
    await expect(notes.getByLabel('Note', { exact: true })).toHaveValue('Never to be sent');
  });

  await test.step('what Kvell does not take says why, and stands in its form again', async () => {
    await pull();
    await expect(bar.getByText(/^Kvell does not answer/)).toBeVisible();
    await note('x'.repeat(30_000));
    await expect(bar.getByText('1 thing kept on this device, sent when Kvell answers again.')).toBeVisible();
    await start(clockShiftMs);
    const refused = bar.getByRole('alert').filter({ hasText: 'Not taken' });
    await expect(refused).toBeVisible();
    await putAway(page);
    await refused.getByRole('link', { name: 'Open its form' }).click();
    const clipboard = await turnTo(page, 'Notes');
    await expect(clipboard.getByLabel('Note', { exact: true })).toHaveValue('x'.repeat(30_000));
    await putAway(page);
    await bar.getByRole('button', { name: 'Let it go' }).click();
    await expect(refused).toBeHidden();
  });
});
