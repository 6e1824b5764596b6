import { toJpeg } from '@/simulators/camera/jpeg';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { rustScene, someRustedFace } from '@/simulators/camera/rust';
import { trueRustShare } from '@/simulators/camera/rustedFace';
import { expect, test } from './day';
import { writeFindings } from './clipboard';
import { moveMark, moveMarks } from './marks';
import { open } from './open';

const WIDTH = 1200;

test('rust goes down its ladder, measured, and the metal is coated in air that lets it', async ({ page }, info) => {
  test.slow();
  await open(page, '/restorations/new');
  await page.getByLabel('Name you will know it by').fill(`Rusty ${info.project.name}`);
  await page.getByRole('button', { name: 'Open restoration' }).click();
  await page.waitForURL(/\/intake$/);
  const finish = `/${/restorations\/[0-9a-f-]+/.exec(page.url())![0]}/finish`;
  await open(page, finish);
  await writeFindings(page, [{ kind: 'rust', words: 'lower shield' }]);

  await test.step('a thickness that cannot be is refused beside its field; put right the ladder stands', async () => {
    await page.getByRole('link', { name: 'Its ladder: lower shield' }).click();
    await page.waitForURL(/finding=/);
    await page.getByText('Scale: stands up, flakes').click();
    await page.getByText('shield and conduct', { exact: true }).click();
    await page.getByLabel('Rusted area').fill('30');
    await page.getByLabel('Thickness of the metal').fill('0');
    await page.getByRole('button', { name: 'Work out the ladder' }).click();
    await expect(page.getByText(/Thickness of the metal must be more than 0/)).toBeVisible();
    await page.getByLabel('Thickness of the metal').fill('0.8');
    await page.getByRole('button', { name: 'Work out the ladder' }).click();
    await expect(page.getByRole('heading', { name: 'Wipe with oil' })).toBeVisible();
    await page.getByText(/^Ruled out here/).click();
    await expect(page.getByText(/Under 1 mm it goes through/)).toBeVisible();
  });

  await test.step('the share of rust is measured on a photograph with the card', async () => {
    const face = someRustedFace(8);
    const { picture, spec } = takePhotograph(rustScene(face, [[160, 160, 160]]), {
      ...{ ...PLAIN_SHOT, width: WIDTH, height: 900, tilt: 0.1, seed: 12 },
    });
    const buffer = await toJpeg(picture, { quality: 90 });
    await page.locator('input[type=file]').first().setInputFiles({ name: 'edge.jpg', mimeType: 'image/jpeg', buffer });
    await page.waitForURL(/photo=/);
    await expect(page.getByRole('button', { name: 'Measure the rust' })).toBeVisible({ timeout: 150_000 });
    if (await page.getByText('No card is found by itself').isVisible()) {
      const [x, y, w, h] = spec.card[0]!.rect;
      await moveMark(page, 'Grey card', [x + w / 2, y + h / 2], WIDTH);
    }
    await moveMarks(page, 'Face of metal', spec.regions[0]!.polygon, WIDTH);
    await page.getByRole('button', { name: 'Measure the rust' }).click();
    const figure = page.getByText(/^[\d.]+ %$/);
    await expect(figure).toBeVisible({ timeout: 150_000 });
    const seen = Number(/[\d.]+/.exec((await figure.textContent())!)![0]);
    expect(Math.abs(seen - 100 * trueRustShare(face))).toBeLessThan(6);
    await page.getByRole('button', { name: 'Keep this share' }).click();
    await expect(page.getByText('How much was rusty')).toBeVisible();
  });

  await test.step('oil does nothing, the bath has its hours by warmth, and it is not done before it conducts', async () => {
    await page.getByRole('button', { name: 'Begin: wipe with oil' }).click();
    await page.getByRole('button', { name: 'It did nothing' }).click();
    await expect(page.getByRole('heading', { name: 'Brush it' })).toBeVisible();
    await page.getByText(/^Rougher, if that is not enough/).click();
    await page.getByLabel('Warmth of the bath, °C').fill('80');
    await expect(page.getByText(/At 80 °C it fumes and eats the metal/)).toBeVisible();
    await page.getByLabel('Warmth of the bath, °C').fill('40');
    await expect(page.getByText(/^About 5 h/)).toBeVisible();
    await page.getByRole('button', { name: 'Begin: bath of weak acid' }).click();
    await page.getByRole('button', { name: 'The rust is gone' }).click();
    await expect(page.getByText('The rust is gone. What follows it stands below.')).toBeVisible();
    await page.getByText('What became of it:').click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText(/read it from land to land with the meter first/)).toBeVisible();
    await page.getByLabel('From land to land, Ω').fill('0,4');
    await page.getByRole('button', { name: 'Read after' }).click();
    await expect(page.getByText(/after 0.4 Ω/)).toBeVisible();
  });

  await test.step('coats are planned; damp and cold air are refused in words, good air lays one, the next waits', async () => {
    await open(page, `${finish}/coats`);
    await page.getByLabel('What is coated').fill('Lower shield');
    await page.getByText('metal that conducts', { exact: true }).click();
    await page.getByLabel('Area', { exact: true }).fill('300');
    await page.getByLabel('Next coat from').fill('1');
    await page.getByLabel('Next coat until').fill('0,5');
    await page.getByRole('button', { name: 'Plan the coats' }).click();
    await expect(page.getByText(/cannot have to before 0.5 h/)).toBeVisible();
    await page.getByLabel('Next coat until').fill('4');
    await page.getByRole('button', { name: 'Plan the coats' }).click();
    await expect(page.getByRole('heading', { name: 'Lower shield' })).toBeVisible();
    for (const [label, value] of Object.entries({ 'Air, °C': '20', 'Surface, °C': '14', 'Humidity, %': '65' }))
      await page.getByLabel(label).fill(value);
    await expect(page.getByText(/only 0\.8 °C above the dew point/)).toBeVisible();
    await page.getByRole('button', { name: 'Laid: zinc-rich primer' }).click();
    await expect(page.getByText(/^Not now: .*dew point/).last()).toBeVisible();
    await page.getByLabel('Surface, °C').fill('20');
    await expect(page.getByText(/This air lets it/)).toBeVisible();
    await page.getByRole('button', { name: 'Laid: zinc-rich primer' }).click();
    await expect(page.getByText(/The next coat would lift the one under it now/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Laid: zinc-rich primer' })).toBeDisabled();
    await page.getByRole('button', { name: 'Off again: zinc-rich primer' }).click();
    await expect(page.getByRole('button', { name: 'Laid: zinc-rich primer' })).toBeEnabled();
  });
});
