import { expect, test, type Page } from './day';
import { readFile } from 'node:fs/promises';
import { toJpeg } from '@/simulators/camera/jpeg';
import type { PadMoment } from '@/core/keyboard/pad';
import { GamePadStandIn } from '@/simulators/gamePad';
import { CAPS_ON, KEYBOARDS, keyboardScene, type CapsOff } from '@/simulators/camera/keyboards';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { choose } from './clipboard';
import { moveMarks } from './marks';
import { open } from './open';

const DEAD = ['f8', 'f9', 'f10'];
/** The row is broken before its eighth key. */
const BROKEN_AFTER = 7;

/** A game pad that is not there: the browser is told that it is. */
const pad = new GamePadStandIn(8, 2, { dead: [], stuck: [], drifts: {} }, 4);
const showPad = (page: Page, { buttons, axes }: PadMoment) =>
  page.evaluate(
    ([pressed, pushed]) => {
      const shown = { buttons: pressed.map((one) => ({ pressed: one })), axes: pushed };
      Object.defineProperty(navigator, 'getGamepads', { configurable: true, value: () => [shown] });
    },
    [[...buttons], [...axes]] as [boolean[], number[]],
  );

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
    await page.getByText('Without a photograph: from a plain block').click();
    await choose(page, 'A grid of keys');
    await page.getByLabel('Keys in its widest row').fill('99');
    await page.getByRole('textbox', { name: 'Rows' }).fill('6');
    await page.getByRole('button', { name: 'Draw it' }).click();
    await expect(page.getByText(/must be at most 24/)).toBeVisible();
    await page.getByLabel('Keys in its widest row').fill('10');
    await page.getByRole('button', { name: 'Draw it' }).click();
    await expect(page.getByText('main keyboard, 60 keys.')).toBeVisible();
  });

  await test.step('a key is split and joined again, dragged out of its row and laid back into it', async () => {
    const drawing = page.getByRole('group', { name: 'Drawing of main keyboard' });
    const key = (name: string) => drawing.getByRole('button', { name: new RegExp(`^${name}(,|$)`) });
    await key('a1').click();
    await page.getByRole('button', { name: 'It is two keys' }).click();
    await expect(page.getByText('main keyboard, 61 keys.')).toBeVisible();
    await page.getByRole('button', { name: 'Choose more with it' }).click();
    await key('a1 2').click();
    await expect(page.getByText('Chosen: a1, a1 2.')).toBeVisible();
    await page.getByRole('button', { name: 'These are one key' }).click();
    await expect(page.getByText('main keyboard, 60 keys.')).toBeVisible();
    await key('a2').click();
    const [y, held] = [page.getByLabel('From above'), await key('a2').boundingBox()];
    const before = Number(await y.inputValue());
    await page.mouse.move(held!.x + held!.width / 2, held!.y + held!.height / 2);
    await page.mouse.down();
    await page.mouse.move(held!.x + held!.width / 2, held!.y + held!.height / 2 + 6, { steps: 3 });
    await page.mouse.up();
    await expect.poll(async () => Number(await y.inputValue())).toBeGreaterThan(before + 1);
    await page.getByRole('button', { name: 'Choose more with it' }).click();
    for (const name of ['a1', 'a3']) await key(name).click();
    await page.getByRole('button', { name: 'These are one row' }).click();
    await expect(page.getByText('Laid in one row.')).toBeVisible();
    await key('a2').click();
    await expect(y).toHaveValue(String(before));
    await page.getByRole('button', { name: 'Leave it' }).click();
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
    await page.getByText('A whole row or column at once').click();
    await page.getByRole('button', { name: 'Works' }).click();
    await page.getByRole('button', { name: 'Row 2', exact: true }).click();
    await page.getByRole('button', { name: 'Column 1', exact: true }).click();
    await page.getByRole('button', { name: 'The other 42 work' }).click();
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

  await test.step('it is mended by the way that is likeliest for its minutes, and the outcome kept', async () => {
    await open(page, `${keys}/mend`);
    await expect(page.getByRole('heading', { name: 'For: line R6 is broken between f7 and f8' })).toBeVisible();
    await page.getByRole('button', { name: 'Begin: bridge the break with conductive paint' }).click();
    await expect(page.getByRole('heading', { name: 'Caution first' })).toBeVisible();
    await page.getByText('What the bridge will measure').click();
    await page.getByLabel('Length, mm').fill('30');
    await page.getByLabel('Paint, Ω per square (its label)').fill('10');
    await expect(page.getByText('20.0 squares, about 100 Ω: good.')).toBeVisible();
    await page.getByRole('button', { name: 'It dries now: 120 min' }).click();
    await expect(page.getByText('120 min to dry: it rings.')).toBeVisible();
    await page.getByRole('button', { name: 'It works', exact: true }).click();
    await page.getByLabel('Over it now, Ω').fill('62');
    await page.getByRole('button', { name: 'Keep what came of it' }).click();
    await page.getByText('Repairs so far: 1').click();
    await expect(page.getByText(/for line R6 is broken between f7 and f8: it works, 62 Ω/)).toBeVisible();
  });

  await test.step('its caps come off without a photograph, are said of, and go back in order', async () => {
    await open(page, `${keys}/caps`);
    await expect(page.getByRole('heading', { name: 'A photograph first' })).toBeVisible();
    await page.getByRole('button', { name: 'Go on without a photograph' }).click();
    await page.getByRole('button', { name: 'Row 1', exact: true }).click();
    await expect(page.getByText('10 of 60 caps are off.')).toBeVisible();
    await page.getByRole('button', { name: 'Stub in the cap' }).click();
    await page.getByRole('button', { name: /^a4\b/ }).click();
    await expect(page.getByText('A stub is left in the cap: a4')).toBeVisible();
    await page.getByRole('button', { name: 'They are on' }).click();
    await expect(page.getByText('All caps are on.')).toBeVisible();
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
    // The sixth is a button of a game pad, which the browser is asked for.
    await showPad(page, pad.shows([3]));
    await expect(page.getByText('Press a7 on the keyboard.')).toBeVisible();
    await showPad(page, pad.shows([]));
    await expect(page.getByText('55 of 60 to go, 4 work, 1 dead')).toBeVisible();
    await page.getByRole('button', { name: 'Stop listening' }).click();
    // It did after all.
    await page.getByRole('button', { name: 'Not tried' }).click();
    await page.getByRole('button', { name: /^a5\b/ }).click();
    await expect(page.getByText('56 of 60 to go, 4 work')).toBeVisible();
    await page.getByRole('button', { name: 'The other 56 work' }).click();
    await page.getByRole('button', { name: 'End the test' }).click();
    await page.getByText('Tests so far: 2, 3 keys changed since the one before').click();
    await expect(page.getByRole('listitem').filter({ hasText: 'f8: dead before, works now' })).toBeVisible();
    await open(page, `${keys}/find`);
    await expect(page.getByRole('heading', { name: /nothing/ })).toBeVisible();
  });

  await test.step('a practice board is measured, answered and told', async () => {
    await open(page, `${keys}/find`);
    await page.getByText('Practise on boards with hidden faults').click();
    const board = page.getByRole('group', { name: /^Practice board/ });
    await board.getByRole('button', { name: /^a5\b/ }).click();
    await page.getByRole('button', { name: 'Measure', exact: true }).click();
    await expect(page.getByText(/^1\. R1, the connector to a5: /)).toBeVisible();
    await page.getByRole('button', { name: 'A tip on the connector' }).click();
    await board.getByRole('button', { name: /^a4\b/ }).click();
    await page.getByRole('button', { name: 'It is broken between them' }).click();
    await page.getByRole('button', { name: 'That is it' }).click();
    await expect(page.getByText(/1 probes; our own way takes \d/)).toBeVisible();
    await page.getByRole('button', { name: 'Another board' }).click();
    await expect(page.getByText(/^1\. R1/)).toBeHidden();
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
    await expect(page.getByRole('link', { name: 'Map of springs as PDF' })).toBeHidden();
    const map = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Map of caps as SVG' }).click();
    expect(await readFile(await (await map).path(), 'utf8')).toContain('▮ a4');
    const sent = page.waitForEvent('download');
    await page.getByRole('link', { name: 'JSON' }).click();
    const text = await readFile(await (await sent).path(), 'utf8');
    await page.getByText('Another keyboard of this machine').click();
    await page.getByText('From a file', { exact: true }).click();
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

test('a keyboard is drawn from its photograph, and a swapped pair is found on another', async ({ page }, info) => {
  test.slow();
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill(`Photographed ${info.project.name}`);
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const keys = `/${/restorations\/[0-9a-f-]+/.exec(page.url())![0]}/keys`;
  const before = await keyboardJpeg(CAPS_ON, 51);
  const after = await keyboardJpeg({ ...CAPS_ON, swapped: [['w', 'x']] }, 52);

  await test.step('its corners are marked and its keys are found', async () => {
    await open(page, keys);
    await page.locator('input[type=file]').first().setInputFiles(before.file);
    await page.waitForURL(/photo=/);
    await moveMarks(page, 'Field of the keys', before.corners, 1200);
    await page.getByRole('button', { name: 'Find the keys' }).click();
    await expect(page.getByText(/Measure the field with a ruler/)).toBeVisible();
    await page.getByLabel('Width of the field, mm').fill('190');
    await page.getByLabel('Height of the field, mm').fill('84');
    await page.getByRole('button', { name: 'Find the keys' }).click();
    await expect(page.getByText(/^4\d keys\./)).toBeVisible({ timeout: 150_000 });
    await page.getByRole('button', { name: 'Keep this drawing' }).click();
    await expect(page.getByText(/^main keyboard, 4\d keys\./)).toBeVisible();
  });

  await test.step('two caps that changed places are named', async () => {
    await open(page, `${keys}/caps`);
    await expect(page.getByText('All caps are on.')).toBeVisible();
    await page.getByText('Are they where they were? Compare with a new photograph').click();
    await page.locator('input[type=file]').first().setInputFiles(after.file);
    await page.waitForURL(/photo=/);
    await moveMarks(page, 'Field of the keys', after.corners, 1200);
    await page.getByRole('button', { name: 'Compare the caps' }).click();
    await expect(page.getByText('2 caps stand otherwise than on the first photograph.')).toBeVisible({
      timeout: 150_000,
    });
    await expect(page.getByText('a2: the cap of c2 stands here.')).toBeVisible();
    await expect(page.getByText('c2: the cap of a2 stands here.')).toBeVisible();
  });
});

interface Shown {
  file: { name: string; mimeType: string; buffer: Buffer };
  corners: readonly (readonly [number, number])[];
}

async function keyboardJpeg(caps: CapsOff, seed: number): Promise<Shown> {
  const { picture, spec } = takePhotograph(keyboardScene(KEYBOARDS.pocket, { caps, tilt: 0.2, seed: 5 }), {
    ...PLAIN_SHOT,
    ...{ width: 1200, height: 900, tilt: 0.2, seed },
  });
  return {
    file: { name: `keys-${seed}.jpg`, mimeType: 'image/jpeg', buffer: await toJpeg(picture, { quality: 85 }) },
    corners: spec.regions[0]!.polygon,
  };
}
