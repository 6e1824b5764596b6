import { expect, test } from './day';
import { writeFindings } from './clipboard';
import { open } from './open';

const PIECES = ['Key caps', 'Lid', 'Bottom shell'];
/** What is found, on which piece, and what it turns out to be. */
const FOUND: [piece: number, kind: string, words: string, soil: string][] = [
  [0, 'soiled', 'veil on the caps', 'Nicotine'],
  [0, 'soiled', 'sweet under the lower row', 'Sweet drink'],
  [0, 'soiled', 'hair between the caps', 'Dust and lint'],
  [1, 'soiled', 'palms at the front edge', 'Hand grease'],
  [1, 'scuffed', 'black streak', 'Rubber scuff'],
  [1, 'ink', 'a price in marker', 'Felt marker'],
  [2, 'stained', 'white rim', 'Mineral scale'],
  [2, 'stained', 'rust in the shape of a screw', 'Rust stain on plastic'],
];

test('three pieces with eight findings are washed from plan to dry, on the phone alone', async ({ page }) => {
  test.setTimeout(420_000);
  let base = '';

  await test.step('pieces are tagged, findings written down, a sink measured', async () => {
    await open(page, '/restorations/new');
    await page.getByLabel('Name you will know it by').fill('Machine for the sink');
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
    base = page.url().replace('/intake', '');
    for (const name of PIECES) {
      await open(page, `${base}/pieces/new`);
      await page.getByLabel('Which piece').fill(name);
      await page.getByRole('button', { name: 'Tag this piece' }).click();
      await page.waitForURL(/\/pieces\/[0-9a-f-]{36}$/);
    }
    await open(page, `${base}/wash`);
    await expect(page.getByRole('heading', { name: 'The bath first' })).toBeVisible();
    await writeFindings(
      page,
      FOUND.map(([piece, kind, words]) => ({ kind, words, on: `K${piece + 1} ${PIECES[piece]}` })),
    );
  });

  await test.step('each is named, and its ladder stands, gentlest first', async () => {
    await open(page, `${base}/wash/spots`);
    for (const [, , words, soil] of FOUND) {
      await page.getByRole('group', { name: 'Spots' }).getByText(words).click();
      const spot = page.locator('[id^="spot-"]', { hasText: words });
      await spot.getByLabel('What it is').selectOption({ label: soil });
      if (soil.startsWith('Rust')) await spot.getByLabel('Seen from').selectOption('underside');
      await spot.getByRole('button', { name: 'That is it' }).click();
      await expect(spot.getByText(soil, { exact: false }).first()).toBeVisible();
      await expect(page.getByRole('group', { name: 'Spots' }).getByText(soil)).toBeVisible();
    }
    await page.getByRole('group', { name: 'Spots' }).getByText('black streak').click();
    await expect(page.getByRole('list', { name: 'Ladder for black streak' })).toBeVisible();
  });

  await test.step('what nothing is worth is left, with its reason', async () => {
    await page.getByRole('group', { name: 'Spots' }).getByText('rust in the shape of a screw').click();
    const stain = page.locator('[id^="spot-"]', { hasText: 'rust in the shape of a screw' });
    await expect(stain.getByText('Leave it: nothing that may touch it is worth its minutes and wear.')).toBeVisible();
    await stain.getByText('Leave it', { exact: true }).first().click();
    await stain.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByText('1 closed')).toBeVisible();
    await open(page, `${base}/wash`);
    // The bath of all three comes first; here each spot is taken by itself.
    await page.getByText('A spot at the sink before the bath').click();
  });

  await test.step('step by step at the sink: cautions first, then one tap for what came of it', async () => {
    const sink = page.locator('#sink');
    let refused = false;
    let steppedUp = false;
    for (let pass = 0; pass < 30; pass++) {
      await page.waitForTimeout(300);
      const start = sink.getByRole('button', { name: /^Start/ });
      const outcomes = sink.getByRole('button', { name: /^(Gone|No change): / });
      await expect(start.or(outcomes.first()).or(page.getByText('This stage is done')).first()).toBeVisible();
      if (await outcomes.first().isVisible()) {
        // The first one steps up its ladder; everything else goes at the first try.
        const tap = steppedUp
          ? sink.getByRole('button', { name: /^Gone: / }).first()
          : sink.getByRole('button', { name: /^No change: / }).first();
        steppedUp = true;
        const name = (await tap.getAttribute('aria-label'))!;
        await tap.click();
        await expect(sink.getByRole('button', { name, exact: true })).toBeHidden();
        continue;
      }
      if (!(await start.isVisible())) break;
      const read = sink.getByLabel(/I have read this/);
      if (await read.isVisible()) {
        if (!refused) {
          await start.click();
          await expect(sink.getByText('Read the cautions and confirm')).toBeVisible();
          refused = true;
        }
        await read.check();
      }
      await start.click();
      await expect(outcomes.first()).toBeVisible();
    }
    expect(refused).toBe(true);
    await expect(page.getByText('This stage is done')).toBeVisible();
  });

  await test.step('the stage is done with its last finding, and what is wet dries by the clock', async () => {
    await open(page, `${base}/wash`);
    await expect(page.getByText('This stage is done')).toBeVisible();
    await expect(page.locator('#drying').getByText(/K1 Key caps: drying/)).toBeVisible();
    await expect(
      page
        .locator('#drying')
        .getByText(/h .* left$/)
        .first(),
    ).toBeVisible();
    const sheet = await page.request.get(`${base.replace('/restorations', '/api/restorations')}/wash`);
    expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
  });
});

test('an agent and a surface of one’s own stand in the list, with what they may touch', async ({ page }) => {
  await open(page, '/stores/agents?surface=acrylic-window');
  await page.getByText('An agent of your own').click();
  await page.getByLabel('Name').first().fill('Window drops');
  await page.getByLabel('Protection').fill('gloves');
  await page.getByLabel('Roughness').selectOption('3');
  await page.getByLabel('A little alcohol in water.').check();
  await page.getByLabel('Hand grease').check();
  await page.getByRole('button', { name: 'Add this agent' }).click();
  await expect(page.getByText('Added. It stands on the ladders where it may.')).toBeVisible();
  const row = page.locator('details details', { hasText: 'Window drops' });
  const unfold = async (verdict: RegExp) => {
    await page
      .locator('section', { has: page.getByRole('heading', { name: verdict }) })
      .getByText('Each with its reason')
      .click();
    await row.locator('summary').click();
  };
  await unfold(/^Never here/);
  await expect(row).toContainText('Alcohol clouds clear acrylic');
  await page.getByText('A surface of your own').click();
  await page.getByRole('textbox', { name: 'Name' }).last().fill('Soft-touch coat');
  await page.getByLabel('Bears what this bears').selectOption('Painted plastic');
  await page.getByRole('button', { name: 'Add this surface' }).click();
  await expect(page.getByText(/^Added\. Name it on a piece/)).toBeVisible();
  await page
    .locator('label', { hasText: /^Surface/ })
    .getByRole('combobox')
    .selectOption('Soft-touch coat');
  await page.waitForURL(/surface=own/);
  await unfold(/^On a hidden spot first/);
  await expect(row).toContainText(/Some paints soften/);
});
