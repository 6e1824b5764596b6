import { expect, minutesAgo, test, type Page } from './day';
import { notNeeded } from './clipboard';
import { measureOn } from './measuring';
import { open } from './open';
import { FOLDS, testPhoto } from './photographs';

interface Tagged {
  name: string;
  address: string;
  id: string;
}

async function tag(
  page: Page,
  restoration: string,
  name: string,
  size: readonly [number, number, number],
): Promise<Tagged> {
  await open(page, `/${restoration}/pieces/new`);
  await page.getByLabel('Which piece').fill(name);
  for (const [i, label] of ['Length', 'Width', 'Height'].entries())
    await page.getByRole('textbox', { name: label }).fill(String(size[i]));
  await page.getByRole('button', { name: 'Tag this piece' }).click();
  await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
  const id = /[0-9a-f-]{36}$/.exec(page.url())![0];
  return { name, id, address: `/${restoration}/pieces/${id}/measure?stage=brighten` };
}

async function measure(
  page: Page,
  { address }: Tagged,
  photo: Awaited<ReturnType<typeof testPhoto>>,
  file: string,
): Promise<void> {
  await open(page, address);
  await measureOn(page, photo, file);
  await page.getByRole('button', { name: 'Keep this measurement' }).click();
  await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
}

const HOUR = 60;
const DAY = 24 * HOUR;

/** Lays out four hours under a strong lamp. */
async function plan(page: Page, restoration: string, { id }: Tagged, way: string, begun: string): Promise<void> {
  await open(page, `/${restoration}/brighten/plan?piece=${id}&way=${way}`);
  await page.getByText(/: way, mixture and window in figures/).click();
  await page.getByLabel(way.startsWith('cream') ? 'Tube or bottle of cream' : 'Stock bottle').selectOption('');
  await page.getByLabel('Strength on the label').fill('12');
  await page.getByLabel('UV-A at the piece').fill('100');
  await page.getByLabel('For', { exact: true }).fill('240');
  await page.getByLabel('From', { exact: true }).fill(begun);
  await expect(page.getByText('dose of this window')).toBeVisible();
}

/** A session that was begun this morning, from its plan to its end now. */
async function session(
  page: Page,
  restoration: string,
  piece: Tagged,
  words: string,
  clockShiftMs: number,
  way = 'bath-lamp',
): Promise<void> {
  await plan(page, restoration, piece, way, minutesAgo(clockShiftMs, 200));
  const gates = page.getByRole('group', { name: 'Before the start' }).getByRole('checkbox');
  await expect(page.getByText('I have read this')).toBeVisible();
  for (const gate of await gates.all()) await gate.check();
  await page.getByLabel(/I have read this/).check();
  await page.getByRole('button', { name: 'It was begun then: start its timer' }).click();
  await expect(page.getByRole('heading', { name: `is in the light` })).toContainText('K');
  await page
    .getByRole('button', { name: /^(Turn done|Turned only)$/ })
    .first()
    .click();
  await page.getByLabel('Read now').fill('31');
  await page.getByRole('button', { name: 'Note the reading' }).click();
  await expect(page.getByText('Last read 31 °C')).toBeVisible();
  await page.getByLabel('What happened').fill(words);
  await page.getByRole('button', { name: 'Wash off and end exposure' }).click();
  await expect(page.getByRole('heading', { name: 'Measure again' })).toBeVisible();
}

/** Ends the brightening of a piece that matches; it is to be looked at again. */
async function matched(page: Page, restoration: string, { id }: Tagged): Promise<void> {
  await open(page, `/${restoration}/brighten?piece=${id}`);
  await expect(page.getByRole('heading', { name: 'Stop here' })).toBeVisible();
  await page.getByRole('button', { name: 'End its brightening' }).click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await open(page, `/${restoration}/brighten/past?piece=${id}`);
  await expect(page.getByText(/^Look again about/).first()).toBeVisible();
}

test('a lid, a keyboard frame and caps go from choosing to matched, with a fold line found and mended', async ({
  page,
  clockShiftMs,
}, info) => {
  await open(page, '/workshop');
  await page.getByRole('textbox', { name: 'Latitude' }).fill('14.6');
  await page.getByRole('textbox', { name: 'Longitude' }).fill('-30');
  await page.getByLabel('Time zone').fill('Etc/GMT+2');
  await page.getByRole('button', { name: 'Save workshop' }).click();
  await expect(page.getByText('Workshop saved.')).toBeVisible();
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill(`Three pieces ${info.project.name}`);
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const restoration = /restorations\/[0-9a-f-]+/.exec(page.url())![0];
  await open(page, `/${restoration}/wash`);
  await notNeeded(page, 'they came washed');
  const lid = await tag(page, restoration, 'Lid', [400, 220, 45]);
  const frame = await tag(page, restoration, 'Keyboard frame', [380, 130, 12]);
  const caps = await tag(page, restoration, 'Key caps', [180, 60, 12]);

  await test.step('each is measured; together they go for one colour, and the furthest leads', async () => {
    const before = minutesAgo(clockShiftMs, 3 * DAY);
    await measure(page, lid, await testPhoto(22, 1, {}, before), 'lid-before.jpg');
    await measure(page, frame, await testPhoto(17, 2, {}, before), 'frame-before.jpg');
    await measure(page, caps, await testPhoto(26, 3, {}, before), 'caps-before.jpg');
    await open(page, `/${restoration}/brighten?piece=${lid.id}`);
    await expect(page.getByText('K3 leads')).toBeVisible();
  });

  await test.step('every way is compared; the sky is looked at, and a planned session rings', async () => {
    await open(page, `/${restoration}/brighten/ways?piece=${lid.id}`);
    await expect(page.getByText(/^Kvell would take/)).toBeVisible();
    await expect(page.getByRole('group', { name: 'Ways' }).getByRole('button')).toHaveCount(7);
    await open(page, `/${restoration}/brighten/sky?piece=${lid.id}`);
    await page.getByRole('button', { name: 'a few clouds' }).click();
    await expect(page.getByText('The sky is noted. All plans count with it.')).toBeVisible();
    const csv = 'time,cloud\n2026-06-21 10:00,3\n2026-06-21 11:00,8\n';
    await expect(page.getByRole('button', { name: 'Take hours from a CSV' })).toBeEnabled();
    await page
      .getByLabel('CSV of hours')
      .setInputFiles({ name: 'hours.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await expect(page.getByText('8 can be per cent or eighths')).toBeVisible();
    await open(page, `/${restoration}/brighten/ways?piece=${lid.id}`);
    const rings = page.getByRole('button', { name: /^Remind me/ });
    if ((await rings.count()) > 0) {
      await rings.last().click();
      await expect(page.getByText(/rings/).first()).toBeVisible();
      await open(page, `/${restoration}/brighten?piece=${lid.id}`);
      await expect(
        page
          .getByText(/^Planned: .*, sun$/)
          .or(page.getByText('This window is open now'))
          .first(),
      ).toBeVisible();
    }
  });

  await test.step('the lid comes out with fold lines: named, with what mends it', async () => {
    // It was the day before yesterday, and is written down afterwards.
    await plan(page, restoration, lid, 'cream-film-lamp', minutesAgo(clockShiftMs, 2 * DAY));
    await page.getByRole('button', { name: 'It is over: write it down' }).click();
    await expect(page.getByRole('heading', { name: 'Measure again' })).toBeVisible();
    await measure(page, lid, await testPhoto(6, 4, FOLDS, minutesAgo(clockShiftMs, DAY)), 'lid-after-1.jpg');
    await open(page, `/${restoration}/brighten?piece=${lid.id}`);
    await expect(page.getByText(/^Thin lines, as folds of the film leave them/)).toBeVisible();
    await expect(page.getByText(/One short, even session/)).toBeVisible();
    await open(page, `/${restoration}/brighten/past?piece=${lid.id}`);
    await page.locator('#fades').getByText('How this is worked out').click();
    await expect(page.getByText('b*(D) = target + (start − target)', { exact: false })).toBeVisible();
    await open(page, `/${restoration}/brighten/ahead?piece=${lid.id}`);
    await page.getByRole('button', { name: 'What it should look like' }).click();
    await expect(page.getByText('film in wrinkles')).toBeVisible();
  });

  await test.step('a short, even session mends it, and it matches', async () => {
    await session(page, restoration, lid, 'Short and even, new film, turned often.', clockShiftMs, 'cream-film-lamp');
    await measure(page, lid, await testPhoto(0.5, 5), 'lid-after-2.jpg');
    await open(page, `/${restoration}/brighten?piece=${lid.id}`);
    await expect(page.getByText(/^Thin lines/)).toBeHidden();
    await matched(page, restoration, lid);
  });

  await test.step('frame and caps follow, and all that sit together are there', async () => {
    for (const [piece, seed] of [
      [frame, 6],
      [caps, 7],
    ] as const) {
      await session(page, restoration, piece, 'As planned.', clockShiftMs);
      await measure(page, piece, await testPhoto(0.4, seed), `${seed}-after.jpg`);
      await matched(page, restoration, piece);
    }
    await open(page, `/${restoration}/brighten`);
    await expect(page.getByText('All that are measured are there.')).toBeVisible();
  });
});
