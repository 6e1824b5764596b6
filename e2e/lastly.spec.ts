import { readFile } from 'node:fs/promises';
import { hazeMarksOn, hazeScene } from '@/simulators/camera/haze';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { expect, test } from './day';
import { dropsPhoto } from './drops';
import { moveMark } from './marks';
import { open } from './open';

const WIDTH = 1200;

test('a lid is matched, masked and painted, its stripe and window told, and what is no longer original stands in shares', async ({
  page,
}, info) => {
  test.slow();
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill(`Finished ${info.project.name}`);
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const restoration = /\/restorations\/[0-9a-f-]+/.exec(page.url())![0];
  const finish = `${restoration}/finish`;

  await test.step('without a piece every view says what comes first', async () => {
    await open(page, `${finish}/original`);
    await expect(page.getByText(/No piece is taken in yet/)).toBeVisible();
    await open(page, `${finish}/last`);
    await expect(page.getByText(/No piece is taken in yet/)).toBeVisible();
    await expect(page.getByText(/what follows is a guess/)).toBeVisible();
  });

  await test.step('a lid of ABS is taken in', async () => {
    await open(page, `${restoration}/pieces/new`);
    await page.getByLabel('Which piece').fill('Lid');
    for (const [label, mm] of Object.entries({ Length: '300', Width: '200', Height: '20' }))
      await page.getByRole('textbox', { name: label }).fill(mm);
    await page.getByRole('button', { name: 'Tag this piece' }).click();
    await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
  });

  await test.step('test cards of paint are read beside it, and the mixture comes in drops and grams', async () => {
    await open(page, `${finish}/paint`);
    const mixtures: Record<string, number>[] = [{}, { ochre: 10 }, { black: 5 }];
    const { jpeg, marks } = await dropsPhoto(mixtures, WIDTH);
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'cards.jpg', mimeType: 'image/jpeg', buffer: jpeg });
    await page.waitForURL(/photo=/);
    await expect(page.getByRole('button', { name: 'Keep this card' })).toBeVisible({ timeout: 150_000 });
    if (await page.getByText('No card is found by itself').isVisible())
      await moveMark(page, 'Grey card', marks.card, WIDTH);
    await page.getByLabel('Paint that most of it is').fill('white, satin');
    await page.getByRole('combobox', { name: /^To match/ }).selectOption({ label: 'K1 Lid' });
    for (const [i, amounts] of mixtures.entries()) {
      await moveMark(page, 'Test card', marks.drops[i]!, WIDTH);
      await moveMark(page, 'The piece beside it', marks.beside[i]!, WIDTH);
      for (const [paint, drops] of Object.entries(amounts)) {
        await page.getByLabel(/^(Another|A) paint( in it)?$/).fill(paint);
        await page.getByLabel('Its drops in 10 g').fill(String(drops));
      }
      await page.getByRole('button', { name: 'Keep this card' }).click();
      await expect(page.getByText(`Kept off this photograph: ${i + 1}`)).toBeVisible({ timeout: 150_000 });
    }
    await page.getByRole('button', { name: 'To the mixture' }).click();
    await page.waitForURL(/paint$/);
    const mixture = page.getByText(/^[\d.]+ drops of ochre \([\d.]+ g\)/);
    await expect(mixture).toBeVisible();
    const [drops, grams] = (await mixture.textContent())!.match(/[\d.]+/g)!.map(Number) as [number, number];
    expect(Math.abs(drops - 12)).toBeLessThan(4);
    expect(grams).toBeCloseTo(0.05 * drops, 1);
    await page.getByText('Grams of a drop, and what gloss does').click();
    await page.getByLabel('20 drops weigh, g').fill('2');
    await expect(async () => {
      const [, heavier] = (await mixture.textContent())!.match(/[\d.]+/g)!.map(Number) as [number, number];
      expect(Math.abs(heavier - 2 * grams)).toBeLessThan(0.02);
    }).toPass();
    await page.getByLabel('The test card is').selectOption('matt');
    await page.getByLabel('On the piece it is').selectOption('gloss');
    await expect(page.getByText(/looks darker there|nobody sees the other gloss/)).toBeVisible();
  });

  await test.step('what is outlined on it, and a spot on its plastic, are asked for before the first coat', async () => {
    await open(page, `${finish}/coats`);
    await page.getByLabel('What is coated').fill('Lid, outside');
    await page.getByLabel('Piece').selectOption({ label: 'K1 Lid' });
    await page.getByText('sound paint', { exact: true }).click();
    await page.getByText('brushed', { exact: true }).click();
    await page.getByLabel('Area', { exact: true }).fill('0');
    await page.getByRole('button', { name: 'Plan the coats' }).click();
    await expect(page.getByText(/Area must be/)).toBeVisible();
    await page.getByLabel('Area', { exact: true }).fill('600');
    await page.getByRole('button', { name: 'Plan the coats' }).click();
    await expect(page.getByRole('heading', { name: 'Lid, outside' })).toBeVisible();
    await expect(page.getByText(/A spot on a hidden place first/)).toBeVisible();
    await page.getByText('What no coat may come to').click();
    await page.getByText(/^Or one that is here already/).click();
    await page.getByRole('link', { name: /cards\.jpg/ }).click();
    await page.waitForURL(/photo=/);
    await page.getByLabel('What it is').selectOption('badge');
    await page.getByLabel('Which one').fill('badge of the lid');
    await page.getByRole('button', { name: 'Keep this outline' }).click();
    await expect(page.getByText('Outlined. Move the corners')).toBeVisible();
    await page.getByRole('link', { name: 'That is all' }).click();
    await page.waitForURL(/job=[0-9a-f-]+$/);
    for (const [label, value] of Object.entries({
      'Air, °C': '20',
      'Surface, °C': '20',
      'Humidity, %': '50',
      'Wind, m/s': '1',
    }))
      await page.getByLabel(label).fill(value);
    const lay = page.getByRole('button', { name: 'Laid: top coat' });
    await lay.click();
    await expect(page.getByText(/Over plastic a spot is tried first/)).toBeVisible();
    await page.getByText('A spot was tried on a hidden place, and holds').click();
    await lay.click();
    await expect(page.getByText(/Cover first what was outlined: badge of the lid/)).toBeVisible();
    await page.getByText('Covered: badge of the lid').click();
    await lay.click();
    await expect(page.getByText(/wait|may follow|Nobody has its sheet/i).first()).toBeVisible();
    await expect(page.getByText('Covered: badge of the lid')).toBeHidden();
  });

  await test.step('a logo of which nothing is left is only left; a stripe has its mask on paper', async () => {
    await open(page, `${finish}/lost`);
    await page.getByText('logo', { exact: true }).click();
    await page.getByLabel('Which one').fill('lid logo');
    await page.getByText('nothing', { exact: true }).click();
    await page.getByRole('button', { name: 'Note it' }).click();
    await expect(page.getByText(/made anew it would be invented/)).toBeVisible();
    await page.getByText('Something else is worn off').click();
    await page.getByLabel('Which one').fill('front stripe');
    await page.getByLabel('Piece').selectOption({ label: 'K1 Lid' });
    await page.getByLabel('Width').fill('2,5');
    await page.getByLabel('Length').fill('300');
    await page.getByLabel('From the edge').fill('4');
    await page.getByRole('button', { name: 'Note it' }).click();
    await page.getByRole('button', { name: 'painted between masks' }).click();
    const sent = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Mask sheet, 1:1' }).click();
    expect((await readFile(await (await sent).path())).subarray(0, 5).toString()).toBe('%PDF-');
    await page.getByRole('button', { name: 'It is done' }).click();
    await expect(page.getByText('Settled so far: 1')).toBeVisible();
  });

  await test.step('a window is measured through four marks', async () => {
    await open(page, `${finish}/polish`);
    await page.getByRole('button', { name: 'picture tube' }).click();
    await expect(page.getByText(/qualified technician/)).toBeVisible();
    const { picture, spec } = takePhotograph(
      hazeScene(
        { ...{ haze: 0.3, through: [0.85, 0.85, 0.8], paper: 0.82, ink: 0.05, uneven: 0 }, reflected: 0, seed: 4 },
        [[160, 160, 160]],
      ),
      { ...PLAIN_SHOT, width: WIDTH, height: 900, tilt: 0.1, seed: 5 },
    );
    await page
      .locator('input[type=file]')
      .first()
      .setInputFiles({ name: 'stripes.jpg', mimeType: 'image/jpeg', buffer: await toJpeg(picture, { quality: 90 }) });
    await page.waitForURL(/photo=/);
    const marks = hazeMarksOn(spec);
    for (const [title, at] of [
      ['White, bare', marks.white],
      ['Black, bare', marks.black],
      ['White through it', marks.whiteThrough],
      ['Black through it', marks.blackThrough],
    ] as const)
      await moveMark(page, title, at as [number, number], WIDTH);
    await page.getByRole('button', { name: 'Read the contrast' }).click();
    const figure = page.getByText(/^\d+ %$/);
    await expect(figure).toBeVisible({ timeout: 150_000 });
    expect(Math.abs(Number(/\d+/.exec((await figure.textContent())!)![0]) - 30)).toBeLessThan(10);
    await page.getByRole('button', { name: 'Keep this haze' }).click();
    await expect(page.getByText(/Say which it is, like “window of the lid”/)).toBeVisible();
    await page.getByLabel('Which window or face').fill('lid window');
    await page.getByRole('button', { name: 'Keep this haze' }).click();
    await page.waitForURL(/polish$/);
    await expect(page.getByRole('heading', { name: 'lid window' })).toBeVisible();
  });

  await test.step('the last coat is planned from where it is due, by its own hours', async () => {
    await open(page, `${finish}/last`);
    await expect(page.getByText(/Protectant with a UV filter: K1 Lid/)).toBeVisible();
    await page.getByRole('link', { name: 'Plan the protectant' }).click();
    await page.waitForURL(/row=protectant/);
    await page.getByLabel('What is coated').fill('Lid, last');
    await page.getByLabel('Area', { exact: true }).fill('1400');
    await page.getByRole('button', { name: 'Plan the coats' }).click();
    await expect(page.getByRole('heading', { name: 'Lid, last' })).toBeVisible();
    await expect(page.getByText(/1\. protectant/)).toBeVisible();
  });

  await test.step('what was done stands in shares; a word of somebody goes before it, and is taken back', async () => {
    await open(page, `${finish}/original`);
    await expect(page.getByText(/refinished/).first()).toBeVisible();
    await page.getByText('Say of a part how original it is').click();
    await page.getByLabel('Which part').fill('rear foot');
    await page.getByLabel('It is', { exact: true }).selectOption('makeshift');
    await page.getByLabel('Share of the piece').fill('2');
    await page.getByRole('button', { name: 'Into the record' }).click();
    await expect(page.getByText(/2 %.*makeshift/).first()).toBeVisible();
    await page.getByText('Said and outlined so far: 1').click();
    await page.getByRole('button', { name: 'Take it back: rear foot: makeshift' }).click();
    await expect(page.getByText(/makeshift/)).toHaveCount(0);
  });
});
