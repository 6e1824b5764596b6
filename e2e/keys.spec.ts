import { expect, test, type Page } from './day';
import { readFile } from 'node:fs/promises';
import { choose } from './clipboard';
import { open } from './open';

const DEAD = ['f8', 'f9', 'f10'];
/** The row is broken before its eighth key. */
const BROKEN_AFTER = 7;

const place = (words: string): number => (words === 'the connector' ? 0 : Number(words.slice(1)));

/** What a meter would show between the two places that are asked for: along the last row, or on a column, which is whole. */
async function measure(page: Page): Promise<void> {
  const asked = await page.getByText(/^Measure next: line/).textContent();
  const [, line, from, to] = /line (\w+), from (.+) to (.+)$/.exec(asked!)!;
  const [a, b] = [place(from!), place(to!)].sort((p, q) => p - q) as [number, number];
  const readings = await page.getByText(/^Readings: \d+/).count();
  if (line === 'R6' && a <= BROKEN_AFTER && b > BROKEN_AFTER)
    await page.getByRole('button', { name: 'Open', exact: true }).click();
  else {
    await page.getByLabel('The meter shows').fill('140');
    await page.getByRole('button', { name: 'Keep the reading' }).click();
  }
  if (readings === 0) await expect(page.getByText(/^Readings: 1/)).toBeVisible();
  await expect(page.getByText(asked!, { exact: true })).toBeHidden();
}

test('a board of sixty goes from a plain block to its broken line, and is tried again', async ({ page }, info) => {
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill(`Keys ${info.project.name}`);
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const keys = `/${/restorations\/[0-9a-f-]+/.exec(page.url())![0]}/keys`;

  await test.step('it is drawn from a block; what is no keyboard is said', async () => {
    await open(page, keys);
    await choose(page, 'A grid of keys');
    await page.getByLabel('Keys in its widest row').fill('99');
    await page.getByRole('textbox', { name: 'Rows' }).fill('6');
    await page.getByRole('button', { name: 'Draw it' }).click();
    await expect(page.getByText(/must be at most 24/)).toBeVisible();
    await page.getByLabel('Keys in its widest row').fill('10');
    await page.getByRole('button', { name: 'Draw it' }).click();
    await expect(page.getByText('main keyboard, 60 keys.')).toBeVisible();
  });

  await test.step('every key is tried: three are dead', async () => {
    await page.getByRole('link', { name: 'Test every key' }).click();
    await page.getByRole('button', { name: 'Begin the test' }).click();
    await expect(page.getByText('60 of 60 to go')).toBeVisible();
    if (info.project.name.includes('desk')) {
      // With the keys alone: the arrows go from key to key.
      await page.getByRole('button', { name: DEAD[0]!, exact: true }).focus();
      for (const key of DEAD) {
        await expect(page.getByRole('button', { name: new RegExp(`^${key}\\b`) })).toBeFocused();
        await page.keyboard.press('Enter');
        await page.keyboard.press('ArrowRight');
      }
    } else for (const key of DEAD) await page.getByRole('button', { name: key, exact: true }).click();
    await expect(page.getByText('3 dead')).toBeVisible();
    await page.getByRole('button', { name: 'The other 57 work' }).click();
    await page.getByRole('button', { name: 'End the test' }).click();
    await expect(page.getByText('Tests so far: 1')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Tests so far: 1')).toBeVisible();
  });

  await test.step('without lines the pattern is said; with them the fault has its place', async () => {
    await open(page, `${keys}/find`);
    await expect(page.getByText('All 3 dead keys stand in row 6 of the drawing')).toBeVisible();
    await page.getByRole('link', { name: 'Lay its lines' }).click();
    await page.getByRole('button', { name: 'Guess the lines' }).click();
    await expect(page.getByText('Every key is on a row and a column.')).toBeVisible();
    await page.getByRole('combobox').selectOption('C1');
    await page.getByRole('button', { name: 'Put line C1 right' }).click();
    await page.getByRole('button', { name: /^a1\b/ }).click();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await open(page, `${keys}/find`);
    await expect(page.getByRole('heading', { name: /line R6 is broken between f7 and f8/ })).toBeVisible();
  });

  await test.step('a few readings make it nearly sure, and one of them is taken back', async () => {
    await page.getByLabel('The meter shows').fill('-5');
    await page.getByRole('button', { name: 'Keep the reading' }).click();
    await expect(page.getByText(/cannot be below 0/)).toBeVisible();
    const sure = page.getByRole('heading', { name: /^Nearly sure: line R6 is broken between f7 and f8/ });
    for (let probe = 0; probe < 5 && !(await sure.isVisible()); probe++) await measure(page);
    await expect(sure).toBeVisible();
    await page.getByText(/^Readings: \d/).click();
    const first = page.getByRole('button', { name: /^Take it back: reading of line/ }).first();
    await first.click();
    await expect(page.getByText(/^Taken back: reading of line/)).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('It is back.')).toBeVisible();
  });

  await test.step('mended it is tried again, the first keys typed on it, and compared', async () => {
    await open(page, `${keys}/test`);
    await page.getByRole('button', { name: 'Begin the test' }).click();
    await page.getByRole('button', { name: 'Type on the keyboard itself' }).click();
    for (const [key, code] of [
      ['a1', 'KeyQ'],
      ['a2', 'KeyW'],
      ['a3', 'Tab'],
    ] as const) {
      await expect(page.getByText(`Press ${key} on the keyboard.`)).toBeVisible();
      await page.keyboard.press(code, { delay: 40 });
    }
    await page.getByRole('button', { name: 'The browser keeps a4 for itself' }).click();
    await page.getByRole('button', { name: 'a5 does nothing' }).click();
    await expect(page.getByText('Press a6 on the keyboard.')).toBeVisible();
    await page.getByRole('button', { name: 'Stop listening' }).click();
    await expect(page.getByText('56 of 60 to go, 3 work, 1 dead')).toBeVisible();
    // It did after all.
    await page.getByRole('button', { name: 'Not tried' }).click();
    await page.getByRole('button', { name: /^a5\b/ }).click();
    await expect(page.getByText('57 of 60 to go, 3 work')).toBeVisible();
    await page.getByRole('button', { name: 'The other 57 work' }).click();
    await page.getByRole('button', { name: 'End the test' }).click();
    await page.getByText('Tests so far: 2, 3 keys changed since the one before').click();
    await expect(page.getByRole('listitem').filter({ hasText: 'f8: dead before, works now' })).toBeVisible();
    await open(page, `${keys}/find`);
    await expect(page.getByRole('heading', { name: /nothing/ })).toBeVisible();
  });

  await test.step('a key that comes back slowly is led to what mends it', async () => {
    await open(page, keys);
    await page.getByText('A key sticks, rubs or is stiff').click();
    await page.getByRole('button', { name: 'Comes back slowly' }).click();
    await page.getByRole('button', { name: 'One key', exact: true }).click();
    await expect(page.getByText(/^Dirt between plunger and guide/)).toBeVisible();
  });

  await test.step('it goes out as JSON and comes in again beside the first', async () => {
    await open(page, keys);
    await page.getByText('Files of this keyboard, or take it back').click();
    const sent = page.waitForEvent('download');
    await page.getByRole('link', { name: 'JSON' }).click();
    const text = await readFile(await (await sent).path(), 'utf8');
    await page.getByText('Another keyboard of this machine').click();
    const file = (name: string) => ({
      name: 'pad.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text.replace('"main keyboard"', name)),
    });
    await page.getByLabel('Keyboard file').setInputFiles(file('"main keyboard"'));
    await expect(page.getByText(/There is a keyboard called “main keyboard” already/)).toBeVisible();
    await page.getByLabel('Keyboard file').setInputFiles(file('"number pad"'));
    await expect(page.getByText('number pad, 60 keys.')).toBeVisible();
    await expect(page.getByRole('link', { name: 'main keyboard' })).toBeVisible();
  });
});
