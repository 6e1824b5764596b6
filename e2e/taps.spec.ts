import type { Locator } from '@playwright/test';
import { expect, minutesAgo, test } from './day';
import { awake, open } from './open';
import { testPhoto } from './photographs';

/** A small restoration, from the empty list to its record, takes at most so many taps and typed fields on a phone. */
const MOST_TAPS = 70;
const MOST_FIELDS = 15;

test('the whole way of a small restoration is short for the thumb', async ({ page, clockShiftMs }) => {
  let taps = 0;
  let fields = 0;
  const tap = async (what: Locator) => {
    taps++;
    await what.click();
  };
  const type = async (what: Locator, words: string) => {
    fields++;
    await what.fill(words);
  };
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).first();
  const link = (name: string | RegExp) => page.getByRole('link', { name, exact: typeof name === 'string' }).first();
  const arrived = async (address: RegExp) => {
    await page.waitForURL(address);
    await awake(page);
  };
  /** A photograph is one tap on the button and one in the camera. */
  const photograph = async (within: Locator, name: string, jpeg: Buffer) => {
    taps += 2;
    await within.getByLabel('Choose photographs').first().setInputFiles({ name, mimeType: 'image/jpeg', buffer: jpeg });
  };

  // The workshop is set up once, not for each machine.
  await open(page, '/workshop');
  await page.getByLabel('Time zone').fill('Etc/GMT+2');
  await page.getByRole('button', { name: 'Save workshop' }).click();
  await expect(page.getByText('Workshop saved.')).toBeVisible();

  await test.step('it is opened, photographed, and what is wrong is pinned', async () => {
    await open(page, '/restorations');
    await tap(link(/Open a restoration/));
    await arrived(/\/new$/);
    await type(page.getByLabel('Name you will know it by'), 'Small one');
    await tap(button('Open restoration'));
    await arrived(/\/intake$/);
    await photograph(page.locator('#survey'), 'front.jpg', (await testPhoto(18)).jpeg);
    const photo = page.getByAltText('front.jpg, tap it to pin what you find');
    await expect(photo).toBeVisible();
    for (const [x, kind] of [
      [90, 'yellowed'],
      [200, 'soiled'],
    ] as const) {
      taps++;
      await photo.click({ position: { x, y: 90 } });
      // What stands there at first needs no tap.
      if (kind !== 'yellowed') {
        taps++;
        await page.locator('#survey').getByRole('radio', { name: kind, exact: true }).check({ force: true });
      }
      await tap(button('Pin it'));
      await expect(page.getByText('Say what it is there.')).toBeHidden();
    }
    await tap(button('Intake is done'));
    await arrived(/\/teardown$/);
  });

  const base = page.url().replace('/teardown', '');

  await test.step('the lid comes off with its screws', async () => {
    await type(page.getByLabel('What comes off'), 'Lid screws');
    await tap(button('It is off'));
    const inHand = page.locator('#in-hand');
    await expect(
      inHand
        .getByText('Lid screws')
        .or(page.getByRole('heading', { name: /In hand: 1 Lid screws/ }))
        .first(),
    ).toBeVisible();
    await type(inHand.getByLabel('How many'), '4');
    await type(inHand.getByLabel('Length under the head'), '10');
    await tap(inHand.getByRole('button', { name: 'Into the tray' }));
    await expect(inHand.getByText('4 × cross pan')).toBeVisible();
    await type(page.getByLabel('What comes off'), 'Lid');
    await tap(button('It is off'));
    await expect(page.getByRole('heading', { name: /In hand: 2 Lid/ })).toBeVisible();
    await tap(button('Teardown is done'));
    await arrived(/\/wash$/);
  });

  await test.step('the lid is tagged with what was found on it', async () => {
    await tap(link('Small one'));
    await arrived(/[0-9a-f]$/);
    await tap(link('Tag a piece'));
    await arrived(/\/new$/);
    await type(page.getByLabel('Which piece'), 'Lid');
    for (const finding of await page
      .getByRole('group', { name: 'Which of these are on it?' })
      .getByRole('checkbox')
      .all())
      await tap(finding);
    await tap(button('Tag this piece'));
    await arrived(/pieces\/[0-9a-f-]{36}$/);
  });

  await test.step('it is measured before, and washed', async () => {
    await tap(link('Measure'));
    await arrived(/measure/);
    await photograph(
      page.getByRole('main'),
      'before.jpg',
      (await testPhoto(18, 1, {}, minutesAgo(clockShiftMs, 300))).jpeg,
    );
    await expect(button('Keep this measurement')).toBeVisible({ timeout: 150_000 });
    await tap(button('Keep this measurement'));
    await arrived(/pieces\/[0-9a-f-]{36}$/);
    await tap(link('Small one'));
    await arrived(/[0-9a-f]$/);
    await tap(link(/^3 ?Wash/));
    await arrived(/\/wash$/);
    await tap(button(/^Start the soak/));
    const out = button('Out of the bath')
      .or(button(/^Gone: /))
      .first();
    await expect(out).toBeVisible();
    await tap(out);
    // The stage ends with the last finding that asked for it.
    await expect(page.getByText('This stage is done')).toBeVisible();
    await tap(link('Brighten →'));
    await arrived(/\/brighten$/);
  });

  await test.step('it lies under a lamp, and matches', async () => {
    await tap(link(/Plan the next exposure/));
    await arrived(/\/plan/);
    taps += 2;
    await open(page, `${page.url()}&way=bath-lamp`);
    await tap(page.getByText(/: way, mixture and window in figures/));
    // A choice from a list is two taps.
    taps += 2;
    await page.getByLabel('Stock bottle').selectOption('');
    await type(page.getByLabel('Strength on the label'), '12');
    await type(page.getByLabel('UV-A at the piece'), '100');
    await type(page.getByLabel('From', { exact: true }), minutesAgo(clockShiftMs, 200));
    const gates = page.getByRole('group', { name: 'Before the start' }).getByRole('checkbox');
    await expect(page.getByText('I have read this')).toBeVisible();
    for (const gate of await gates.all()) await tap(gate);
    await tap(page.getByText('I have read this'));
    await tap(button('It was begun then: start its timer'));
    await expect(page.getByRole('heading', { name: /is in the light/ })).toBeVisible();
    await tap(button('Turn done'));
    await expect(page.getByText('Turn noted.')).toBeVisible();
    await tap(button('Wash off and end exposure'));
    await expect(page.getByRole('heading', { name: 'Measure again' })).toBeVisible();
    await tap(link('Measure again'));
    await arrived(/measure/);
    await photograph(page.getByRole('main'), 'after.jpg', (await testPhoto(0.5, 2)).jpeg);
    await expect(button('Keep this measurement')).toBeVisible({ timeout: 150_000 });
    await tap(button('Keep this measurement'));
    await arrived(/pieces\/[0-9a-f-]{36}$/);
    await tap(link('Brighten this piece'));
    await arrived(/brighten/);
    await tap(button('End its brightening'));
    await tap(button('End it'));
    await tap(button('Clipboard'));
    const board = page.getByRole('dialog', { name: 'Clipboard' });
    await tap(board.getByRole('button', { name: /^Findings/ }));
    await tap(board.locator('[id^="finding-"] summary').first());
    await type(board.getByLabel('How it was done, or why not'), 'lamp');
    await tap(board.getByRole('button', { name: 'Close this finding' }));
    await expect(page.getByText('This stage is done')).toBeVisible();
    await tap(button('Put the clipboard away'));
  });

  await test.step('it goes together, is tested, and its record is saved', async () => {
    // By the clock it dries over night; here it is dry.
    await tap(page.getByRole('navigation', { name: 'Places' }).last().getByRole('link', { name: 'Bench' }));
    await arrived(/:\d+\/$/);
    // Other machines have bells of their own, and the next to ring stand first.
    const all = link(/ring later: show all$/);
    if (await all.isVisible()) {
      await all.click();
      await arrived(/bells=all/);
    }
    const drying = page.getByRole('group', { name: /Small one$/ }).getByRole('button', { name: 'End', exact: true });
    await expect(drying.first()).toBeVisible();
    for (let left = await drying.count(); left > 0; left--) {
      await tap(drying.first());
      await expect(drying).toHaveCount(left - 1);
    }
    taps += 2;
    await open(page, `${base}/rebuild`);
    for (let on = 0; on < 2; on++) {
      const all = button(/^All \d+ in$/);
      await expect(page.getByText(`${on} of 2 on`)).toBeVisible();
      if (await all.isVisible()) {
        await tap(all);
        await expect(all).toBeHidden();
      }
      await tap(button('It is on'));
    }
    await tap(link('Test and close'));
    await arrived(/\/close$/);
    await tap(page.getByText('Make a function test'));
    await tap(button('All of it works'));
    await tap(button('Keep this test'));
    await expect(page.getByText('Nothing holds it')).toBeVisible();
    taps++;
    await open(page, `${base}/rebuild`);
    await tap(button('Rebuild is done'));
    await arrived(/\/record$/);
    const [file] = await Promise.all([page.waitForEvent('download'), tap(link('Save as one page'))]);
    expect(file.suggestedFilename()).toMatch(/\.html$/);
  });

  console.log(`    ${taps} taps and ${fields} fields`);
  expect(taps).toBeLessThanOrEqual(MOST_TAPS);
  expect(fields).toBeLessThanOrEqual(MOST_FIELDS);
});
