import { readFile } from 'node:fs/promises';
import { labToLinear } from '@/core/colour/lab';
import type { Lab } from '@/core/colour/types';
import { dropScene, middleOf } from '@/simulators/camera/drops';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { expect, test } from './day';
import { gzipSync } from 'node:zlib';
import { addresses } from './addresses';
import { moveMark } from './marks';
import { placeCard, sendPhoto } from './measuring';
import { awake, open } from './open';
import { sheetPhoto, testPhoto } from './photographs';

/** First load of a page in script, packed. */
const MOST_SCRIPT_BYTES = 240 * 1000;

test('the first load of every page is under 240 kB of script, packed', async ({ page: visitor, request }) => {
  const heavy: string[] = [];
  // Most pages load the same ones.
  const packed = new Map<string, number>();
  const packedBytes = async (script: string): Promise<number> => {
    const known = packed.get(script) ?? gzipSync(await (await request.get(script)).body()).byteLength;
    packed.set(script, known);
    return known;
  };
  for (const [name, address] of Object.entries(await addresses(visitor))) {
    // What a page's own words ask for; charts and workers come later, when they are needed.
    const page = await (await request.get(address)).text();
    // Old browsers' patches are marked so that no browser of today loads them.
    const words = page.replace(/<script[^>]*noModule[^>]*>/gi, '');
    const scripts = new Set(words.match(/\/_next\/static\/chunks\/[\w.~-]+\.js/g));
    let bytes = 0;
    for (const script of scripts) bytes += await packedBytes(script);
    console.log(`    ${name}: ${Math.round(bytes / 1000)} kB in ${scripts.size} scripts`);
    if (bytes > MOST_SCRIPT_BYTES || scripts.size === 0) heavy.push(`${name}: ${bytes}`);
  }
  expect(heavy).toEqual([]);
});

test('a page brings nothing along that the browser keeps anyway, and is not packed for a way that it does not go', async ({
  request,
}) => {
  const answer = await request.get('/sums', { headers: { 'Accept-Encoding': 'gzip, br' } });
  expect(answer.headers()['content-encoding']).toBeUndefined();
  const page = await answer.text();
  expect(page).not.toContain('--chakra-colors-work:');
  const styles = [...new Set(page.match(/\/_next\/static\/chunks\/[\w.~-]+\.css/g))];
  const kept = await Promise.all(styles.map(async (style) => (await request.get(style)).text()));
  expect(kept.join()).toContain('--chakra-colors-work:');
});

test('a measurement is marked, made and kept with the keyboard alone', async ({ page }) => {
  const { measure } = await addresses(page);
  await open(page, measure!);
  const press = async (name: string | RegExp) => {
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
  };
  // What is found by itself is measured at once; here the frames are moved by hand, with the card taken off.
  await expect(page.getByRole('button', { name: 'Keep this measurement' })).toBeVisible({ timeout: 150_000 });
  await page.getByText('Frames on the picture').focus();
  await page.keyboard.press('Enter');
  await press('Take off: card patch 1');
  await page.getByRole('button', { name: 'Piece: move it with the arrow keys' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowUp');
  await page.getByRole('button', { name: 'Piece, corner 3' }).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowUp');
  await press('Measure');
  await expect(page.getByRole('button', { name: 'Keep this measurement' })).toBeVisible();
  await expect(page.getByText('No card in the picture')).toBeVisible();
  await press('Keep this measurement');
  await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
  // It was of the wrong place: taken back, the one before it counts again.
  const wrong = page.getByRole('row').filter({ hasText: 'no card' });
  await expect(wrong).toHaveCount(1);
  await wrong.getByRole('button', { name: /^Take it back/ }).focus();
  await page.keyboard.press('Enter');
  await expect(wrong).toHaveCount(0);
});

test('single keys go to stages and places, and none fires while typing', async ({ page }) => {
  const { 'run sheet': sheet } = await addresses(page);
  await open(page, sheet!);
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/brighten$/);
  // Pressed again, the digit goes on to the next view of its stage; so it does before that page is there.
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/\/brighten\/ways$/);
  await page.keyboard.press('3');
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/wash\/spots$/);
  await page.keyboard.press('l');
  await expect(page.getByRole('complementary', { name: 'Clipboard' }).getByLabel('Note')).toBeVisible();
  await page.keyboard.press('r');
  await page.waitForURL(/[0-9a-f]$/);
  await page.keyboard.press('l');
  await page.waitForURL(/\/log$/);
  await page.getByLabel('Note').fill('');
  await page.getByLabel('Note').press('4');
  await expect(page.getByLabel('Note')).toHaveValue('4');
  expect(page.url()).toMatch(/\/log$/);
  await page.getByLabel('Note').blur();
  await page.keyboard.press('/');
  await page.getByLabel('Words to find').fill('key caps');
  await expect(page.getByRole('link', { name: /K2 Key caps/ })).toBeVisible();
  await page.keyboard.press('Escape');
});

test('all tasks are leafed through, fifty at a time', async ({ page }) => {
  await open(page, '/plan/tasks');
  await expect(page.getByText(/^tasks 1 to 50 of \d+, in the order of the plan$/)).toBeVisible();
  await page.getByRole('link', { name: 'Tasks that come later' }).click();
  await expect(page.getByText(/^tasks? 51 /)).toBeVisible();
  await page.getByRole('link', { name: 'Tasks that come sooner' }).click();
  await expect(page.getByText(/^tasks 1 to 50 of /)).toBeVisible();
});

test('only what is likely is fetched before anybody asks for it', async ({ page }) => {
  const all = await addresses(page);
  const fetched: string[] = [];
  page.on('request', (request) => {
    if (request.headers()['next-router-prefetch']) fetched.push(new URL(request.url()).pathname);
  });
  const walked = ['bench', 'restorations', 'run sheet', 'brighten: Now', 'wash: Spots', 'stores', 'sums', 'workshop'];
  for (const name of walked) await open(page, all[name]!);
  // Of each page at the most the one way on, and the steps that the bench names.
  expect(fetched.length, fetched.join('\n')).toBeLessThanOrEqual(2 * walked.length);
});

test('a rung taken by hand stands at the sink, and is no more asked for once it runs', async ({ page }) => {
  const { 'wash: Spots': spots } = await addresses(page);
  await open(page, spots!);
  await page.getByRole('link', { name: 'Take this one: Kitchen degreaser' }).click();
  await page.waitForURL(/rung=kitchen-degreaser/);
  await awake(page);
  const sink = page.locator('#sink');
  await expect(sink.getByText('Taken by hand: this skips', { exact: false })).toBeVisible();
  const read = sink.getByLabel(/I have read this/);
  if (await read.isVisible()) await read.check();
  await sink.getByRole('button', { name: /^Start/ }).click();
  await page.waitForURL(/\/wash$/);
  await sink
    .getByRole('button', { name: /^No change: / })
    .first()
    .click();
  await expect(sink.getByText('Taken by hand', { exact: false })).toBeHidden();
});

test('a sum recalculates as one types, converts units and says what is wrong', async ({ page }) => {
  await open(page, '/sums/peroxide-dilution');
  await expect(page.getByText('1.578 L', { exact: true })).toBeVisible();
  await page.getByLabel('Strength wanted, by weight').fill('40');
  await expect(page.getByText('must be at most 35')).toBeVisible();
  await page.getByLabel('Strength wanted, by weight').fill('6');
  await expect(page.getByText('0.772 L', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Show US units' }).click();
  await expect(page.getByLabel(/Litres wanted/)).toHaveValue('1.321');
});

test('a log entry is reworded, and the old wording stays', async ({ page }) => {
  const { log } = await addresses(page);
  await open(page, log!);
  // Newer entries may have pushed it onto the page before these.
  const first = page.getByText('Six screws below, two long ones at the back.');
  const unfold = async () => {
    const more = page.getByText(/^\d+ older$/);
    if ((await more.count()) === 0) return;
    await more.click();
    // What is folded away is only made when it opens.
    await expect(page.locator('details').filter({ has: more }).getByRole('listitem').first()).toBeVisible();
  };
  await unfold();
  while (!(await first.isVisible())) {
    const before = await page.getByRole('link', { name: 'Before these' }).getAttribute('href');
    await open(page, before!);
    await unfold();
  }
  await page.getByRole('listitem').filter({ has: first }).getByRole('button', { name: 'Reword' }).click();
  await page.getByLabel(/New wording/).fill('Six screws, three of them long.');
  await page.getByRole('button', { name: 'Write new wording' }).click();
  await expect(page.getByRole('button', { name: 'Write new wording' })).toBeHidden();
  await expect(first).toBeVisible();
  await open(page, log!);
  await expect(page.getByText('Six screws, three of them long.')).toBeVisible();
});

test('every way to brighten is compared, the turns are drawn, and the change of a face is a map', async ({ page }) => {
  const {
    'brighten: Choose the way': choosing,
    'brighten: Sky and turns': sky,
    'brighten: Look ahead': ahead,
    'brighten: So far': past,
  } = await addresses(page);
  await open(page, choosing!);
  await expect(page.getByText(/^Kvell would take: /)).toBeVisible();
  const bars = page.getByRole('group', { name: 'Ways' });
  const looked = page.getByRole('region', { name: 'The way that is looked at' });
  for (const way of ['Cream and film, lamp box', 'Warm oxygen-bleach soak', 'Bath, lamp']) {
    await bars.getByRole('button', { name: way }).click();
    await expect(looked.getByText(way, { exact: true })).toBeVisible();
  }
  await expect(looked.getByText('Missing: an ultraviolet lamp (say its UV-A under Workshop).')).toBeVisible();
  await bars.getByRole('button', { name: 'Bag, sun' }).click();
  await looked.getByRole('link', { name: 'Plan it this way' }).click();
  await page.waitForURL(/way=bag-sun/);
  await page.getByText('Bag, sun: way, mixture and window in figures').click();
  await expect(page.getByLabel('Way', { exact: true })).toHaveValue('bag-sun');

  await open(page, sky!);
  const turns = page.locator('#turns');
  await turns.getByLabel('From').fill('2027-06-22T10:00');
  await turns.getByLabel('For', { exact: true }).fill('360');
  await turns.getByLabel('Turn every').fill('1');
  await turns.getByRole('button', { name: 'Work out the turns' }).click();
  await expect(turns.getByText(/Turn every.*5/)).toBeVisible();
  await turns.getByLabel('Turn every').fill('60');
  await turns.getByRole('button', { name: 'Work out the turns' }).click();
  await expect(turns.getByText(/^10:00: Front to the /)).toBeVisible();
  await expect(turns.getByRole('img', { name: /Seen from above: front to/ })).toBeVisible();
  await turns.getByText('All turns as a list').click();
  await expect(turns.getByRole('row')).toHaveCount(7);

  await open(page, ahead!);
  await page.getByRole('button', { name: 'What it should look like' }).click();
  await expect(page.getByRole('img', { name: 'After 3 more' })).toBeVisible();
  // What was worked out for one piece is not shown below the next.
  await page.getByRole('link', { name: /K2/ }).click();
  await page.waitForURL(/piece=/);
  await expect(page.getByRole('link', { name: /K2/ })).toHaveAttribute('aria-current', /./);
  await expect(page.getByRole('img', { name: 'After 3 more' })).toHaveCount(0);

  await open(page, past!);
  await page.getByText('Before and now, side by side').click();
  await page.getByRole('button', { name: 'Show where it changed' }).click();
  await expect(page.getByRole('img', { name: /^Changed, ΔE00: / })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Yellow left, b* above the hidden patch' })).toBeVisible();
});

test('a session is tried out before it is done, and an exercise is graded', async ({ page }) => {
  const { 'brighten: Look ahead': ahead } = await addresses(page);
  await open(page, ahead!);
  const rehearse = page.locator('#rehearse');
  await rehearse.getByLabel('From').fill('2026-06-21T10:00');
  await rehearse.getByRole('button', { name: 'Try it out' }).click();
  await expect(rehearse.getByRole('img', { name: 'Done like this' })).toBeVisible();
  await expect(rehearse.getByText(/^Film in wrinkles/)).toBeVisible();
  await rehearse.getByRole('button', { name: 'Ask me' }).click();
  await expect(rehearse.getByText(/Exercise 1; 0 of 0 right so far/)).toBeVisible();
  await rehearse
    .getByRole('button', { name: /% cloud/ })
    .first()
    .click();
  await expect(rehearse.getByText(/It brings \d+\.\d UVI·h, the others/)).toBeVisible();
  await rehearse.getByRole('button', { name: 'Another' }).click();
  await expect(rehearse.getByText(/Exercise 2; \d of 1 right so far/)).toBeVisible();
});

test('what stands in the sun’s way is drawn and counted', async ({ page }) => {
  await open(page, '/workshop/horizon');
  const horizon = page.getByRole('main');
  await expect(horizon.getByRole('img', { name: 'The horizon, shed wall' })).toBeVisible();
  await horizon.getByRole('button', { name: 'It stands in the way' }).click();
  await expect(horizon.getByText('Say what it is, like “house wall”.')).toBeVisible();
  await horizon.getByLabel('What it is').fill('old lime');
  await horizon.getByLabel('Left edge').fill('10');
  await horizon.getByLabel('Right edge').fill('40');
  await horizon.getByLabel('Height').fill('25');
  await horizon.getByRole('button', { name: 'It stands in the way' }).click();
  await expect(horizon.getByRole('img', { name: 'The horizon, old lime, shed wall' })).toBeVisible();
  await horizon.getByRole('button', { name: 'Remove: old lime' }).click();
  await expect(horizon.getByRole('img', { name: 'The horizon, shed wall' })).toBeVisible();
});

test('how clean is a figure with its maps; what is no soil is unticked, the rest is marked once', async ({ page }) => {
  const { 'wash: How clean': wash } = await addresses(page);
  await open(page, wash!);
  const clean = page.locator('#clean');
  await clean.getByRole('button', { name: 'How clean is it?' }).first().click();
  await expect(clean.getByText(/^of the face is soiled, before it was 1\d %$/)).toBeVisible();
  await expect(clean.getByRole('img', { name: 'Map of soil: Before' })).toBeVisible();
  const boxes = clean.getByRole('checkbox');
  await expect(boxes).toHaveCount(2);
  await boxes.nth(1).uncheck();
  await clean.getByRole('button', { name: 'Mark for the next rung' }).click();
  await expect(page.getByText('Marked. Each goes on above the rung that left it.')).toBeVisible();
  await clean.getByRole('button', { name: 'Mark for the next rung' }).click();
  await expect(clean.getByText(/is marked already/)).toBeVisible();
});

test('card, piece and hidden patch are found and measured by themselves, and can be taken from there', async ({
  page,
}) => {
  const { measure } = await addresses(page);
  await open(page, measure!);
  await expect(page.getByRole('button', { name: 'Piece, corner 4', exact: true })).toBeVisible({ timeout: 150_000 });
  await expect(page.getByRole('button', { name: 'Keep this measurement' })).toBeVisible({ timeout: 150_000 });
  await page.getByText('Frames on the picture').click();
  await page.getByRole('button', { name: 'Take off: Piece' }).click();
  await expect(page.getByLabel('Even the light by a picture of a plain sheet')).toBeVisible();
});

test('a sheet of greys is printed, calibrated by a known card, found beside a piece, and taken back', async ({
  page,
}) => {
  await open(page, '/workshop/greys');
  const printed = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Print sheet 1' }).click();
  expect((await readFile(await (await printed).path())).subarray(0, 5).toString()).toBe('%PDF-');
  const photo = await sheetPhoto(9);
  const file = { name: 'greys.jpg', mimeType: 'image/jpeg', buffer: photo.jpeg };
  await page.getByLabel('Photograph of sheet and card').setInputFiles(file);
  await expect(page.getByText('Sheet 9 is found.')).toBeVisible({ timeout: 150_000 });
  await placeCard(page, photo);
  for (const [i, name] of ['Red', 'Green', 'Blue'].entries())
    await page.getByLabel(name).fill(String(photo.card.srgb[i]));
  await page.getByRole('button', { name: 'Read the greys' }).click();
  await expect(page.getByText('not told').first()).toBeVisible({ timeout: 150_000 });
  await page.getByRole('button', { name: 'Keep these greys' }).click();
  await expect(page.getByText('Sheet 9', { exact: true })).toBeVisible();

  const { piece } = await addresses(page);
  await open(page, `${piece!}/measure?stage=brighten`);
  await sendPhoto(page, photo, 'with-greys.jpg');
  await expect(page.getByText(/Sheet of greys 9: \d known greys\./)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Card patch 2', exact: false }).first()).toBeVisible();

  await open(page, '/workshop/greys');
  await page.getByRole('button', { name: 'Take it back: calibration of sheet 9' }).click();
  await expect(page.getByText('What the sheets are')).toBeHidden();
  await page.getByLabel('Photograph of sheet and card').setInputFiles({ ...file, buffer: (await testPhoto(10)).jpeg });
  await expect(page.getByText(/^No sheet of greys is found/)).toBeVisible({ timeout: 150_000 });
});

test('a bath is worked out from tub and piece, and the sessions so far show their working', async ({ page }) => {
  const { 'brighten: Plan': plan, 'brighten: Now': now, 'brighten: So far': past } = await addresses(page);
  await open(page, `${plan!}?way=bath-lamp`);
  await page.getByText('Bath, lamp: way, mixture and window in figures').click();
  await page.getByLabel('Weight of the piece').fill('640');
  await expect(page.getByText(/deep in the tub: 16\.3 L/)).toBeVisible();
  await expect(page.getByText(/bottle has .* m?L left by the record/)).toBeVisible();
  await page.getByLabel('Tub').selectOption('');
  await expect(page.getByLabel('Liquid wanted')).toHaveValue('6.3');
  await expect(page.getByText(/deep in the tub/)).toBeHidden();
  await open(page, now!);
  await expect(page.getByRole('link', { name: 'See its plan' })).toHaveAttribute(
    'href',
    /plan\?piece=.*way=cream-film-sun$/,
  );
  await open(page, past!);
  await page.getByText('How this is worked out').first().click();
  const [, dose] = /UV index under 25 % cloud.*= (\d+\.\d) UVI·h/.exec(
    (await page.getByText(/UV index under 25 % cloud.* UVI·h/).innerText())!,
  )!;
  expect(Number(dose)).toBeGreaterThan(5);
  await expect(page.getByRole('cell', { name: new RegExp(`^${dose}`) }).first()).toBeVisible();
});

test('a planned session stands with its piece; the plan is laid into it, and has its card for the wall', async ({
  page,
  request,
}) => {
  const { 'brighten: Now': brighten } = await addresses(page);
  await open(page, brighten!);
  await expect(page.getByRole('region', { name: 'Planned sessions' })).toContainText(/Planned: .* cream and film, sun/);
  await page.getByRole('link', { name: 'See its plan' }).click();
  await page.waitForURL(/\/plan/);
  await awake(page);
  await page.getByRole('button', { name: 'Plan it for then' }).click();
  await expect(page.getByText('This session is planned already; it rings when its window opens.')).toBeVisible();
  await page.getByRole('button', { name: 'Begin now instead' }).click();
  await expect(page.getByRole('button', { name: 'Start exposure now' })).toBeVisible();
  const card = page.getByRole('link', { name: 'Session card for the wall (PDF)' });
  await expect(card).toBeVisible();
  const sheet = await request.get((await card.getAttribute('href'))!);
  expect(sheet.status()).toBe(200);
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const sky = await request.get('/api/weather?from=2026-06-21T00:00:00Z&hours=6');
  expect(((await sky.json()) as { hours: unknown[] }).hours).toHaveLength(6);
  expect((await request.get('/api/weather?from=noon')).status()).toBe(400);
});

test('a part that is needed is found among the donors, taken for its machine, and put back', async ({ page }) => {
  await open(page, '/stores/donors');
  await page.getByLabel('What is needed').fill('foot');
  await page.getByLabel('Height, mm').first().fill('6,3');
  await page.getByRole('button', { name: 'Look for it' }).click();
  await expect(page.getByText('Height off by 0.3 mm.')).toBeVisible();
  await page.getByLabel('rubber foot, hard: for which restoration').selectOption({ label: 'Brimsel Nine' });
  await page.getByRole('button', { name: 'Take it off: rubber foot, hard' }).click();
  await expect(page.getByText('No donor has it')).toBeVisible();
  await expect(page.getByText('Taken for Brimsel Nine')).toBeVisible();
  await page.getByRole('button', { name: 'Put it back: rubber foot, hard' }).click();
  await expect(page.getByText('Height off by 0.3 mm.')).toBeVisible();
  await test.step('its colour is measured on a photograph with the card', async () => {
    const drop: Lab = [74, 3, 17];
    const { picture, spec } = takePhotograph(dropScene([labToLinear(drop)], [60, 0, 8], [[160, 160, 160]]), {
      ...{ ...PLAIN_SHOT, width: 1000, height: 750, tilt: 0.1, seed: 6 },
    });
    await page
      .getByText(/^Measure the colour of a part of/)
      .first()
      .click();
    await page.getByText('Measure the colour of rubber foot, hard').click();
    await page.getByLabel('Photograph of: rubber foot, hard').setInputFiles({
      ...{ name: 'foot.jpg', mimeType: 'image/jpeg', buffer: await toJpeg(picture, { quality: 92 }) },
    });
    const read = page.getByRole('button', { name: 'Read the colour' });
    await expect(read).toBeVisible({ timeout: 150_000 });
    if (await page.getByText('No card is found by itself').isVisible()) {
      const [x, y, w, h] = spec.card[0]!.rect;
      await moveMark(page, 'Grey card', [x + w / 2, y + h / 2], 1000);
    }
    await moveMark(page, 'rubber foot, hard', middleOf(spec.regions[0]!.polygon) as [number, number], 1000);
    await read.click();
    const figures = page.getByText(/^L\* [\d.]+, a\*/);
    await expect(figures).toBeVisible({ timeout: 150_000 });
    const [l] = (await figures.textContent())!.match(/[\d.]+/g)!.map(Number) as [number];
    expect(Math.abs(l - drop[0])).toBeLessThan(8);
    await page.getByRole('button', { name: 'Keep this colour' }).click();
    await expect(page.getByText('Measure the colour of rubber foot, hard again')).toBeVisible();
  });
  await page.getByText('Note a part of it').click();
  await page.getByRole('button', { name: 'Note this part' }).click();
  await expect(page.getByText(/Say what it is/)).toBeVisible();
  await page.getByLabel('What it is').fill('wide key cap');
  await page.getByLabel('Its colour, L*').fill('70');
  await page.getByRole('button', { name: 'Note this part' }).click();
  await expect(page.getByText(/give all three, or none/)).toBeVisible();
  await page.getByLabel('Its colour, L*').fill('');
  await page.getByRole('button', { name: 'Note this part' }).click();
  await expect(page.getByText('wide key cap', { exact: true })).toBeVisible();
});

test('every machine of the demo has its place in the plan, planned session and all, on any day', async ({ page }) => {
  await open(page, '/plan/tasks');
  const all = /(\d+)(?: tasks)?, in the order of the plan$/;
  const words = page.getByText(all);
  await expect(words).toBeVisible();
  expect(Number(all.exec((await words.textContent())!)![1])).toBeGreaterThanOrEqual(25);
  await open(page, '/plan/ready');
  for (const machine of ['Brimsel Nine', 'Orvane Slab', 'Tovarn Desk Two'])
    await expect(page.getByRole('row', { name: new RegExp(machine) })).toBeVisible();
  await open(page, '/plan');
  await expect(page.getByRole('button', { name: /Brimsel Nine|Orvane Slab|Tovarn Desk Two/ }).first()).toBeVisible();
});

test('what was measured yellow opens a brightening that counted as not needed, at one tap', async ({ page }) => {
  const { 'wash: Spots': spots } = await addresses(page);
  const brighten = spots!.replace(/\/wash.*/, '/brighten');
  await open(page, brighten);
  await expect(page.getByText('This stage is not needed', { exact: false })).toBeVisible();
  const said = page.getByRole('status').filter({ hasText: 'Measured yellow all the same' });
  // Its wash goes on.
  await expect(said).toContainText('dirt measures yellow too');
  await expect(said).toContainText(/K2 Lid, .*: clearly yellower, b\* \d+\.\d to go/);
  await said.getByRole('button', { name: 'Write K2 Lid down as yellowed' }).click();
  await expect(page.getByRole('button', { name: 'Brighten is done' })).toBeVisible();
  await expect(said).toBeHidden();
  await open(page, brighten.replace('/brighten', ''));
  await expect(page.getByText(/yellowed, measured, b\* \d+\.\d above its hidden patch/)).toBeVisible();
});
