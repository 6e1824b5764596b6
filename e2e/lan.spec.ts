import type { Browser } from '@playwright/test';
import { expect, test, type Page } from './day';
import { awake, open } from './open';
import { PASSPHRASE } from './passphrase';
import { testPhoto } from './photographs';
import { HEADER_SETS, METHODS, raw, WAYS_ROUND } from './raw';

const DESK = { viewport: { width: 1280, height: 800 } };
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

async function device(browser: Browser, baseURL: string | undefined, shape: object): Promise<Page> {
  return (await browser.newContext({ baseURL: baseURL!, ...shape })).newPage();
}

async function enter(page: Page, address = '/'): Promise<void> {
  await open(page, address);
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Enter' }).click();
}

test('a device that has not entered sees nothing, changes nothing, and is slowed down', async ({
  browser,
  baseURL,
  request,
}) => {
  for (const address of ['/api/mark', '/api/restorations/x/export', '/api/photos/x'])
    expect((await request.get(address)).status()).toBe(401);
  expect((await request.post('/api/photos', { multipart: { stage: 'intake' } })).status()).toBe(401);
  // An action of another page cannot ride along with the page that asks for the passphrase.
  expect((await request.post('/enter', { headers: { 'next-action': 'a'.repeat(42) }, data: '[]' })).status()).toBe(401);
  expect((await request.get('/', { headers: { host: 'elsewhere.example' }, maxRedirects: 0 })).status()).toBe(403);
  const page = await device(browser, baseURL, PHONE);
  await open(page, '/restorations');
  await expect(page).toHaveURL(/\/enter\?to=%2Frestorations$/);
  await expect(page.getByText('Machine at the sink')).toHaveCount(0);
  await expect(page.getByRole('navigation')).toHaveCount(0);
  const guess = async (words: string) => {
    await page.getByLabel('Passphrase').fill(words);
    await page.getByRole('button', { name: 'Enter' }).click();
  };
  await guess('let me in');
  await expect(page.getByText('That is not the passphrase')).toBeVisible();
  await guess('let me in please');
  await guess('let me in now');
  await expect(page.getByText(/Wait 5 s before the next try|Too many wrong tries/)).toBeVisible();
  expect(await page.evaluate(() => JSON.stringify(localStorage))).not.toContain('let me in');
  await expect(async () => {
    // Once it is open there is no question any more; only the page takes its time.
    if (page.url().includes('/enter')) await guess(PASSPHRASE);
    await page.waitForURL(/\/restorations$/, { timeout: 4000 });
  }).toPass();
  await expect(page.getByText('Machine at the sink')).toBeVisible();
  await page.context().close();
});

test('no way round the door shows anything to a device that has not entered', async ({ baseURL }) => {
  const through: string[] = [];
  for (const path of WAYS_ROUND)
    for (const method of METHODS)
      for (const headers of HEADER_SETS) {
        const { status, headers: given, body } = await raw(baseURL!, path, { method, headers });
        const tells = /Machine at the sink|Running now|[0-9a-f]{8}-[0-9a-f]{4}-4/.test(body);
        const bare =
          status !== 308 && status !== 307 && status !== 400 && given['content-security-policy'] === undefined;
        // The page that asks for the passphrase, its files, and that there is nothing: all else is shut.
        const shut = status >= 300 || path === '/icon.svg' || /^\/enter/.test(path);
        if (tells || bare || !shut) through.push(`${method} ${path} ${JSON.stringify(headers)}: ${status}`);
      }
  expect(through).toEqual([]);
});

test('the phone opens on the bench screen in hand; desk and phone see each other’s steps without reloading', async ({
  browser,
  baseURL,
}) => {
  const [desk, phone] = [await device(browser, baseURL, DESK), await device(browser, baseURL, PHONE)];
  await enter(phone, '/hand');
  await phone.waitForURL(/\/teardown$/);
  await awake(phone);
  await enter(desk);
  await desk.waitForURL(/\/$/);
  await open(desk, new URL(phone.url()).pathname);
  await phone.getByRole('button', { name: 'Osk' }).click();
  // Somebody is typing at the desk while the phone writes.
  await desk.getByLabel('What comes off').fill('Half a wo');
  await phone.getByLabel('What comes off').fill('Outer shield');
  await phone.getByRole('button', { name: 'It is off', exact: true }).click();
  await expect(phone.getByRole('heading', { name: 'In hand: 2 Outer shield' })).toBeVisible();
  const began = Date.now();
  await expect(desk.getByRole('heading', { name: 'In hand: 2 Outer shield' })).toBeVisible();
  console.log(`the desk shows the phone's step after ${Date.now() - began} ms`);
  await expect(desk.getByText('by Osk').first()).toBeVisible();
  await expect(desk.getByLabel('What comes off')).toHaveValue('Half a wo');
  await desk.getByLabel('What comes off').fill('Inner shield');
  await desk.getByRole('button', { name: 'It is off', exact: true }).click();
  await expect(desk.getByRole('heading', { name: 'In hand: 3 Inner shield' })).toBeVisible();
  const again = Date.now();
  await expect(phone.getByRole('heading', { name: 'In hand: 3 Inner shield' })).toBeVisible();
  console.log(`the phone shows the desk's step after ${Date.now() - again} ms`);

  await test.step('the phone sleeps in the middle of a step: what was sent is kept, and sent once it is awake', async () => {
    await phone.getByLabel('What comes off').fill('Board');
    await phone.context().setOffline(true);
    await phone.getByRole('button', { name: 'It is off', exact: true }).click();
    await expect(phone.getByText('1 thing kept on this device')).toBeVisible();
    // It is out of hand: tapped again, nothing would be sent twice.
    await expect(phone.getByLabel('What comes off')).toHaveValue('');
    await phone.context().setOffline(false);
    await expect(phone.getByRole('heading', { name: 'In hand: 4 Board' })).toBeVisible();
    await expect(phone.getByText(/^Sent: “It is off” on /)).toBeVisible();
    await expect(desk.getByRole('heading', { name: 'In hand: 4 Board' })).toBeVisible();
  });

  await test.step('a photograph that breaks off is sent again by itself, and belongs where it was taken', async () => {
    const photo = { name: 'board.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(12)).jpeg };
    await phone.route('**/api/photos', (route) => route.abort('connectionreset'), { times: 1 });
    await phone.locator('#in-hand').getByLabel('Choose photographs').setInputFiles(photo);
    await expect(phone.getByText(/Sent: .*Photograph board\.jpg/)).toBeVisible();
    await expect(desk.getByAltText('Board as it came off')).toBeVisible();
  });

  await test.step('what would be out of reach is asked, and one tap keeps it', async () => {
    await phone.getByLabel('What comes off').fill('Base');
    await phone.getByText('Laid or slid in', { exact: true }).click();
    await phone.getByRole('button', { name: 'It is off', exact: true }).click();
    await phone
      .getByRole('group', { name: 'Out of reach once Base is on' })
      .getByRole('button', { name: 'Outer shield' })
      .click();
    await open(desk, `${desk.url()}/order`);
    await expect(desk.locator('#blocks').getByText('Outer shield before Base')).toBeVisible();
  });

  await test.step('every device is signed out at once', async () => {
    await open(desk, '/workshop/phone');
    await expect(desk.getByText('Open to the network, behind the passphrase.')).toBeVisible();
    await desk.getByRole('button', { name: 'Sign every device out' }).click();
    await expect(phone).toHaveURL(/\/enter/);
    await expect(desk).toHaveURL(/\/enter/);
  });
});
