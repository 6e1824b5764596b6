import type { APIRequestContext, Locator } from '@playwright/test';
import { expect, test } from './day';
import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import yazl from 'yazl';
import { buffer } from 'node:stream/consumers';
import { turnTo } from './clipboard';
import { STAGES } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { awake, open } from './open';
import { testPhoto } from './photographs';
import { HEADER_SETS, METHODS, raw, WAYS_ROUND } from './raw';

interface Answered {
  ok: boolean;
  value?: { id: string; width: number; height: number };
  errors?: { field: string; message: string }[];
}

let restorationId = '';

test.beforeAll(async ({ browser }, info) => {
  const page = await browser.newPage({ baseURL: info.project.use.baseURL! });
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill('Hostile trial');
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  restorationId = /restorations\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await page.close();
});

async function sendPhoto(request: APIRequestContext, name: string, content: Buffer): Promise<Answered> {
  const response = await request.post('/api/photos', {
    multipart: { restorationId, stage: 'intake', photo: { name, mimeType: 'image/jpeg', buffer: content } },
  });
  return (await response.json()) as Answered;
}

const message = (answered: Answered) => answered.errors?.map((error) => error.message).join(' ') ?? '';

test('files that are not what they say are refused in plain words', async ({ request }) => {
  const photo = await testPhoto(10);
  expect(message(await sendPhoto(request, 'words.jpg', Buffer.from('these are words, not a picture')))).toContain(
    'not a picture',
  );
  expect(message(await sendPhoto(request, 'broken.jpg', photo.jpeg.subarray(0, photo.jpeg.length / 2)))).toContain(
    'breaks off',
  );
  const cmyk = await sharp(photo.jpeg).toColourspace('cmyk').jpeg().toBuffer();
  expect(message(await sendPhoto(request, 'print.jpg', cmyk))).toContain('CMYK');
  const gif = await sharp(photo.jpeg).resize(40).gif().toBuffer();
  expect(message(await sendPhoto(request, 'moving.jpg', gif))).toContain('gif');
});

test('a picture of 300 million pixels is refused before it is decoded', async ({ request }) => {
  const bomb = await sharp({
    create: { width: 20_000, height: 15_000, channels: 3, background: '#cccccc' },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 9 })
    .toBuffer();
  expect(bomb.byteLength).toBeLessThan(10_000_000);
  expect(message(await sendPhoto(request, 'huge.png', bomb))).toContain('300 million pixels');
});

test('a turned phone picture is taken in upright', async ({ request }) => {
  const { jpeg } = await testPhoto(10);
  const turned = await sharp(jpeg).rotate(270).withMetadata({ orientation: 6 }).jpeg().toBuffer();
  const answered = await sendPhoto(request, 'turned.jpg', turned);
  expect(answered.value).toMatchObject({ width: 800, height: 600 });
});

test('the same photograph twice is one photograph', async ({ request }) => {
  const { jpeg } = await testPhoto(12);
  const [first, second] = [await sendPhoto(request, 'a.jpg', jpeg), await sendPhoto(request, 'b.jpg', jpeg)];
  expect(first.value!.id).toBe(second.value!.id);
});

test('ZIPs from somebody else, or built to harm, are refused', async ({ request }) => {
  const zipOf = async (entries: Record<string, Buffer>) => {
    const zip = new yazl.ZipFile();
    for (const [name, content] of Object.entries(entries)) zip.addBuffer(content, name);
    zip.end();
    return buffer(zip.outputStream);
  };
  const send = async (content: Buffer) => {
    const response = await request.post('/api/restorations/import', {
      headers: { 'content-type': 'application/zip' },
      data: content,
    });
    return message((await response.json()) as Answered);
  };
  expect(await send(Buffer.from('no zip at all'))).toContain('not a ZIP');
  expect(await send(await zipOf({ 'holiday.txt': Buffer.from('sand') }))).toContain('no exported restoration has');
  expect(await send(await zipOf({ 'restoration.json': Buffer.from('{"format":"other"}') }))).toContain(
    'not a restoration of Kvell',
  );
  expect(await send(await zipOf({ 'restoration.json': Buffer.alloc(70 * 1024 * 1024) }))).toContain(
    'far more than a restoration holds',
  );
  // The library that writes ZIPs refuses such a path itself, so it is put in by hand, the same length.
  const climbing = Buffer.from(
    (await zipOf({ 'xxxevil.json': Buffer.from('{}') })).toString('latin1').replaceAll('xxxevil.json', '../evil.json'),
    'latin1',
  );
  expect(await send(climbing)).toContain('leads out of it');
});

test('writes from other sites and visits under other names are refused', async ({ request, baseURL }) => {
  const foreign = await request.post('/api/sums/yellowness', {
    headers: { Origin: 'https://elsewhere.invalid' },
    data: { srgb: [1, 2, 3] },
  });
  expect(foreign.status()).toBe(403);
  const own = await request.post('/api/sums/yellowness', {
    headers: { Origin: baseURL! },
    data: { srgb: [236, 224, 186] },
  });
  expect(own.status()).toBe(200);
  const named = await request.get('/', { headers: { Host: 'elsewhere.invalid' } });
  expect(named.status()).toBe(403);
  const policy = (await request.get('/')).headers()['content-security-policy']!;
  expect(policy).toContain("object-src 'none'");
  expect(policy).not.toContain('unsafe-eval');
});

test('under a foreign name nothing is read by any way round the door, and the refusal carries its headers', async ({
  baseURL,
}) => {
  const through: string[] = [];
  for (const path of WAYS_ROUND)
    for (const method of METHODS)
      for (const headers of HEADER_SETS) {
        const {
          status,
          headers: given,
          body,
        } = await raw(baseURL!, path, { method, headers: { ...headers, host: 'elsewhere.invalid' } });
        // What is no address at all, or written twice, is refused or tidied by the server before Kvell hears of it.
        const tidied = status === 400 || status === 308;
        const refused = status === 403 && String(given['content-security-policy']).includes("object-src 'none'");
        if ((!tidied && !refused) || body.includes('Running now'))
          through.push(`${method} ${path} ${JSON.stringify(headers)}: ${status}`);
      }
  expect(through).toEqual([]);
});

test('what is no page runs nothing, whatever it holds', async ({ request }) => {
  const { value } = await sendPhoto(request, 'a.jpg', (await testPhoto(14)).jpeg);
  for (const address of [
    `/api/photos/${value!.id}`,
    `/api/restorations/${restorationId}/export?as=html`,
    '/api/mark',
    '/api/nothing',
  ])
    expect((await request.get(address)).headers()['content-security-policy']).toMatch(/default-src 'none';.* sandbox/);
});

test('a plain form does not call an action', async ({ baseURL }) => {
  const form = (name: string) => `--x\r\nContent-Disposition: form-data; name="${name}"\r\n\r\n[]\r\n--x--\r\n`;
  for (const name of [`$ACTION_ID_${'a'.repeat(42)}`, '$ACTION_REF_1']) {
    const headers = {
      'content-type': 'multipart/form-data; boundary=x',
      origin: baseURL!,
      'content-length': String(form(name).length),
    };
    const answered = await raw(baseURL!, '/restorations', { method: 'POST', headers, body: form(name) });
    expect([answered.status, answered.body]).toEqual([400, expect.stringContaining('sent as a plain form')]);
  }
});

test('what cannot be read is refused with words: actions without arguments, addresses that are none, stray forms', async ({
  request,
  baseURL,
}) => {
  const manifest = JSON.parse(await readFile('.next/server/server-reference-manifest.json', 'utf8')) as {
    node: Record<string, { exportedName: string }>;
  };
  const [id] = Object.entries(manifest.node).find(([, { exportedName }]) => exportedName === 'writeDown')!;
  const act = async (data: string, type = 'text/plain;charset=UTF-8') => {
    const response = await request.post('/restorations/new', {
      headers: { 'next-action': id, origin: baseURL!, 'content-type': type },
      data: Buffer.from(data),
    });
    return [response.status(), await response.text()] as const;
  };
  for (const body of ['', '[', '{}', '["$F1"]', '[{"a":"$1"}]', '["$Q1"]'])
    expect(await act(body)).toEqual([400, expect.stringContaining('own pages do not send this')]);
  expect(await act('[{}]', 'multipart/form-data; boundary=x')).toEqual([
    400,
    expect.stringContaining('own pages do not send this'),
  ]);
  for (const body of ['[]', '["x"]', '[{}]', '["$undefined"]'])
    expect(await act(body)).toEqual([200, expect.stringContaining('is missing')]);
  for (const body of ['["$0:0"]', '[{"a":"$0:0"}]', '[{"words":"$0:0","once":"x"}]'])
    expect((await act(body))[0]).toBe(200);
  expect(await act('[{"restorationId":"a\\u0000b","stage":"mend","words":"x"}]')).toEqual([
    200,
    expect.stringContaining('a character that text cannot have'),
  ]);
  for (const path of ['/%', '/restorations/%00', '/api/photos/%']) expect((await raw(baseURL!, path)).status).toBe(400);
  const headers = { 'content-type': 'multipart/form-data; boundary=x', origin: baseURL! };
  expect((await raw(baseURL!, '/api/nothing', { method: 'POST', headers, body: 'x' })).status).toBe(400);
  expect((await request.get('/restorations?page=1e999')).status()).toBe(200);
});

test('an answer that is lost after it was written is asked for again by itself, and nothing is written twice', async ({
  page,
}) => {
  await open(page, `/restorations/${restorationId}/mend`);
  await turnTo(page, 'Notes');
  await page.getByLabel('Note', { exact: true }).fill('The hinge was glued before');
  let lost = false;
  await page.route('**/mend', async (route) => {
    if (lost || route.request().method() !== 'POST') return route.continue();
    lost = true;
    await route.fetch();
    return route.abort('connectionreset');
  });
  await page.getByRole('button', { name: 'Write into log' }).click();
  await expect(page.getByText(/^Sent: “Write into log” on .* \(typed \d\d:\d\d\)\.$/)).toBeVisible();
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('');
  expect(lost).toBe(true);
  await open(page, `/restorations/${restorationId}/log`);
  await expect(page.getByText('The hinge was glued before')).toHaveCount(1);
});

test('sums answer bad input with every field', async ({ request }) => {
  const answered = await request.post('/api/sums/peroxide-dilution', {
    data: { stockPercentWW: 0, targetPercentWW: -3 },
  });
  expect(answered.status()).toBe(400);
  const fields = ((await answered.json()) as { errors: { field: string }[] }).errors.map(({ field }) => field);
  expect(fields).toEqual(expect.arrayContaining(['stockPercentWW', 'targetPercentWW', 'finalVolumeL']));
  expect(
    (
      await request.post('/api/sums/peroxide-dilution', { data: 'not json', headers: { 'Content-Type': 'text/plain' } })
    ).status(),
  ).toBe(400);
  expect((await request.post('/api/sums/no-such-sum', { data: {} })).status()).toBe(404);
});

test('files of what is not there, or on paper that nobody has, are refused with words', async ({ request }) => {
  const ask = async (address: string) => {
    const response = await request.get(address);
    return { status: response.status(), words: await response.text() };
  };
  const own = `/api/restorations/${restorationId}`;
  const papyrus = await ask(`${own}/teardown?as=labels&paper=papyrus`);
  expect([papyrus.status, papyrus.words]).toEqual([400, 'There is no such paper. Choose one of a4, letter, roll62.']);
  const empty = await ask(`${own}/teardown?as=labels&paper=a4`);
  expect([empty.status, empty.words]).toEqual([404, 'Nothing is in a tray or bag yet, so there is nothing to label.']);
  expect((await ask(`${own}/teardown?as=pdf`)).words.slice(0, 5)).toBe('%PDF-');
  expect((await ask(`${own}/wash`)).words.slice(0, 5)).toBe('%PDF-');
  expect((await ask(`${own}/requests/nothing`)).status).toBe(404);
  for (const file of ['teardown', 'wash', 'export', 'requests/x'])
    expect((await ask(`/api/restorations/nobody/${file}`)).status).toBe(404);
});

test('no view of a restoration that is not there is a fault of ours', async ({ request }) => {
  const answered: string[] = [];
  for (const stage of STAGES)
    for (const { at } of VIEWS[stage]) {
      const address = viewHref('00000000-0000-4000-8000-000000000000', stage, at);
      const response = await request.head(address);
      if (response.status() >= 500) answered.push(`${address}: ${response.status()}`);
    }
  expect(answered).toEqual([]);
});

test('the door of a server that is not for the network lets nobody in and nothing out', async ({ request }) => {
  const answered = (await (await request.post('/api/enter', { data: { passphrase: 'let me in' } })).json()) as Answered;
  expect(message(answered)).toContain('No passphrase is set');
  expect(
    message((await (await request.post('/api/enter', { data: { passphrase: { $ne: '' } } })).json()) as Answered),
  ).toMatch(/Passphrase is not text/);
  expect((await request.get('/hand', { maxRedirects: 0 })).headers().location).toMatch(/^\//);
});

test('what is typed before a slow page has woken up stays, and nothing can be sent before', async ({ page }) => {
  let wake = () => {};
  const slow = new Promise<void>((resolve) => (wake = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await slow;
    await route.continue();
  });
  await page.goto('/workshop', { waitUntil: 'commit' });
  const name = page.getByLabel('Name of the workshop');
  await expect(name).toHaveValue('My workshop');
  await name.fill('Bench by the water');
  await expect(page.getByRole('button', { name: 'Save workshop' })).toBeDisabled();
  wake();
  await awake(page);
  await expect(page.getByRole('button', { name: 'Save workshop' })).toBeEnabled();
  await expect(name).toHaveValue('Bench by the water');
  await expect(page.getByLabel('Units')).toHaveValue('metric');
  await page.getByRole('button', { name: 'Save workshop' }).click();
  await expect(page.getByText('Workshop saved.')).toBeVisible();
  await open(page, '/workshop');
  await expect(name).toHaveValue('Bench by the water');
});

test('a workshop in US units types and reads inches and gallons; what is kept is metric', async ({ page }) => {
  await open(page, '/workshop');
  await page.getByLabel('Units').selectOption('us');
  await page.getByRole('button', { name: 'Save workshop' }).click();
  await expect(page.getByText('Workshop saved.')).toBeVisible();
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill('In inches');
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const restoration = page.url().replace(/\/intake$/, '');
  let wake = () => {};
  const slow = new Promise<void>((resolve) => (wake = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await slow;
    await route.continue();
  });
  await page.goto(`${restoration}/pieces/new`, { waitUntil: 'commit' });
  const [length, width] = ['Length', 'Width'].map((name) => page.getByRole('textbox', { name })) as [Locator, Locator];
  // Typed before the page has woken up, in inches.
  await page.getByLabel('Which piece').fill('Lid');
  await length.fill('10');
  wake();
  await awake(page);
  await expect(length).toHaveValue('10');
  await width.fill('1e9');
  await page.getByRole('button', { name: 'Tag this piece' }).click();
  await expect(page.getByText(/Width must be at most [\d.]+ in/)).toBeVisible();
  await width.fill('8.5');
  await page.getByRole('button', { name: 'Tag this piece' }).click();
  await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
  const piece = `${page.url()}/known`;
  await open(page, '/workshop');
  await page.getByLabel('Units').selectOption('metric');
  await page.getByRole('button', { name: 'Save workshop' }).click();
  await expect(page.getByText('Workshop saved.')).toBeVisible();
  await open(page, piece);
  await expect(length).toHaveValue('254');
  await expect(width).toHaveValue('215.9');
  // Half the world's keys have a comma and no point.
  await width.fill('216,4');
  await page.getByRole('button', { name: 'Save piece' }).click();
  await expect(page.getByText('Piece saved.')).toBeVisible();
  await open(page, piece);
  await expect(width).toHaveValue('216.4');
});

test('a page that was drawn before another device wrote wipes nothing of that, and one that is awake shows it', async ({
  page,
  context,
}) => {
  await open(page, `/restorations/${restorationId}/pieces/new`);
  await page.getByLabel('Which piece').fill('Door of the drive');
  await page.getByRole('button', { name: 'Tag this piece' }).click();
  await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
  await open(page, `${page.url()}/known`);
  // One device sleeps: it never hears that something changed. The other is awake.
  const asleep = await context.newPage();
  await asleep.route('**/api/mark', (route) => route.abort());
  await open(asleep, page.url());
  const watching = await context.newPage();
  await open(watching, page.url());
  await watching.getByLabel('Worth keeping').fill('its sticker');
  await awake(page);
  await page.getByLabel('Metal inside?').selectOption('yes');
  await page.getByLabel('Which metal').fill('spring of the flap');
  await page.getByRole('button', { name: 'Save piece' }).click();
  await expect(page.getByText('Piece saved.')).toBeVisible();
  await expect(watching.getByLabel('Which metal')).toHaveValue('spring of the flap');
  await expect(watching.getByLabel('Worth keeping')).toHaveValue('its sticker');
  await asleep.getByLabel('A label on it?').selectOption('yes');
  await asleep.getByLabel('Which label, and where').fill('serial, inside');
  await asleep.getByRole('button', { name: 'Save piece' }).click();
  await expect(asleep.getByText('Piece saved.')).toBeVisible();
  await expect(page.getByLabel('Which label, and where')).toHaveValue('serial, inside');
  await expect(page.getByLabel('Which metal')).toHaveValue('spring of the flap');
  // Both wrote the same field: said beside it, and sent again it stands as it was typed.
  await page.getByLabel('Which piece').fill('Flap of the drive');
  await page.getByRole('button', { name: 'Save piece' }).click();
  await expect(page.getByText('Piece saved.').last()).toBeVisible();
  await expect(watching.getByLabel('Which piece')).toHaveValue('Flap of the drive');
  await asleep.getByLabel('Which piece').fill('Drive door');
  await asleep.getByRole('button', { name: 'Save piece' }).click();
  await expect(asleep.getByText('Meanwhile “Flap of the drive” was written here')).toBeVisible();
  await asleep.getByRole('button', { name: 'Save piece' }).click();
  await expect(page.getByLabel('Which piece')).toHaveValue('Drive door');
  await expect(page.getByLabel('Which metal')).toHaveValue('spring of the flap');
});
