import { expect, test } from './day';
import { choose } from './clipboard';
import { open } from './open';
import { testPhoto } from './photographs';

test('a machine of somebody else is surveyed, weighed and asked about, on the phone alone', async ({ page }) => {
  let base = '';

  await test.step('it is opened with what was claimed, and photographed', async () => {
    await open(page, '/restorations/new');
    await page.getByLabel('Name you will know it by').fill('Machine of a friend');
    await page.getByLabel('What was claimed').fill('untested');
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
    base = page.url().replace('/intake', '');
    await open(page, `${base}/intake/machine`);
    await expect(page.getByText('claimed: untested')).toBeVisible();
    await open(page, `${base}/intake`);
    await page
      .locator('#survey')
      .getByLabel('Choose photographs')
      .setInputFiles({ name: 'front.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(18)).jpeg });
    await expect(page.getByAltText('front.jpg, tap it to pin what you find')).toBeVisible();
  });

  await test.step('what is found is pinned where it is, and says what it asks for', async () => {
    const pin = async (x: number, kind: string, words: string) => {
      await page.getByAltText('front.jpg, tap it to pin what you find').click({ position: { x, y: 80 } });
      await choose(page.locator('#survey'), kind);
      await page.locator('#survey').getByLabel('Where and how').fill(words);
      await page.getByRole('button', { name: 'Pin it' }).click();
      await expect(page.locator('#survey').getByText(words)).toBeVisible();
    };
    await pin(80, 'yellowed', 'left side more');
    await pin(200, 'missing', 'one foot');
    await expect(page.getByRole('button', { name: '1: yellowed' })).toBeVisible();
    await expect(page.getByText('Brighten: To its hidden patch')).toBeVisible();
  });

  await test.step('the aim changes what is asked for', async () => {
    const aim = async (to: string) => {
      await open(page, `${base}/intake/machine`);
      await page.getByText('Change the aim').click();
      await page.getByLabel('How far to go').selectOption(to);
      await page.getByRole('button', { name: 'Set the aim' }).click();
      await expect(page.getByRole('heading', { name: `Aim: ${to}` })).toBeVisible();
      await open(page, `${base}/intake`);
    };
    await aim('clean only');
    await expect(page.getByText('The yellow stays. The aim is “clean only”.')).toBeVisible();
    await aim('presentable');
    await expect(page.getByText('Brighten: To its hidden patch')).toBeVisible();
  });

  await test.step('a function test is kept before the work', async () => {
    await open(page, `${base}/intake/test`);
    await page.getByText('Test what may be tried, group by group').click();
    await page.getByRole('button', { name: 'All of it works' }).click();
    await page.getByRole('group', { name: 'cursor keys' }).getByRole('button', { name: 'faulty' }).click();
    await page.getByLabel('A word to cursor keys').fill('left only');
    await page.getByLabel('Something else to test').fill('tape port');
    await page.getByRole('button', { name: 'Test this too' }).click();
    await page.getByRole('group', { name: 'tape port' }).getByRole('button', { name: 'now & then' }).click();
    await page.getByRole('button', { name: 'Keep this test' }).click();
    await expect(page.getByRole('region', { name: 'Function tests side by side' })).toContainText('left only');
    await open(page, `${base}/intake`);
    await expect(page.locator('#survey').getByText('dead, clear: cursor keys: left only')).toBeVisible();
    await expect(page.locator('#survey').getByText('works now and then, clear: tape port')).toBeVisible();
  });

  await test.step('what is not so is put right; a decision not to switch on stands in red until it is decided anew', async () => {
    const port = page.locator('#survey').locator('[id^="finding-"]', { hasText: 'tape port' });
    await port.locator('summary').first().click();
    await port.getByText('Correct it', { exact: true }).first().click();
    await port.getByLabel('Where and how').fill('tape port, only when warm');
    await port.getByRole('button', { name: 'Correct it' }).click();
    await expect(page.locator('#survey').getByText('tape port, only when warm')).toBeVisible();
    await port.getByRole('button', { name: /^Take it back/ }).click();
    await expect(page.locator('#survey').getByText('tape port, only when warm')).toBeHidden();
    await open(page, `${base}/intake/power`);
    await page.getByLabel('When it was last switched on').selectOption('smoked');
    await page.getByRole('button', { name: 'Write this decision down' }).click();
    await expect(page.getByText('Decision written down.')).toBeVisible();
    await open(page, base);
    await expect(page.getByRole('note', { name: 'First power' })).toContainText('Do not switch it on');
    await open(page, '/');
    await expect(page.getByText('Do not switch it on.')).toBeVisible();
  });

  await test.step('the owner is asked, and what waits for the answer waits in the run sheet', async () => {
    await open(page, `${base}/owner`);
    await page.getByLabel('Owner', { exact: false }).first().fill('Ines Torvel');
    await page.getByLabel('Wash').check();
    await page.getByRole('button', { name: 'Save owner' }).click();
    await page.getByLabel('What you would do').fill('Brighten the front.');
    await page.getByRole('button', { name: 'Write the request' }).click();
    await expect(page.getByText('Why is empty')).toBeVisible();
    await expect(page.getByLabel('What you would do')).toHaveValue('Brighten the front.');
    await page.getByLabel('Why', { exact: true }).fill('It is bad yellow.');
    await page.getByLabel('What else could be done').fill('Leave it.');
    await page.getByRole('button', { name: 'Write the request' }).click();
    await expect(page.getByRole('heading', { name: '1 waiting for an answer' })).toBeVisible();
    const sheet = await page.request.get((await page.getByRole('link', { name: 'Save as PDF' }).getAttribute('href'))!);
    expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
    await open(page, base);
    await expect(page.getByText('Waits for the owner: Brighten the front.')).toBeVisible();
    await open(page, `${base}/owner`);
    await page.getByText('Write the answer down').click();
    await page.getByLabel('Answer').selectOption('with conditions');
    await page.getByRole('button', { name: 'Keep the answer' }).click();
    await expect(page.getByText('Write down which conditions')).toBeVisible();
    await page.getByLabel('Conditions or words').fill('not the badge');
    await page.getByRole('button', { name: 'Keep the answer' }).click();
    await expect(page.getByRole('heading', { name: 'Nothing waits for an answer' })).toBeVisible();
    await open(page, base);
    await expect(page.getByText('Waits for the owner')).toHaveCount(0);
  });

  await test.step('whether it is worth it stands there while one guesses', async () => {
    await open(page, `${base}/worth`);
    const guess = async (label: string, [low, likely, high]: [string, string, string]) => {
      await page.getByLabel(`${label}, at least`).fill(low);
      await page.getByLabel(`${label}, most likely`).fill(likely);
      await page.getByLabel(`${label}, at most`).fill(high);
    };
    await guess('Parts and material still to come', ['30', '10', '40']);
    await guess('Own hours still to come', ['2', '4', '6']);
    await guess('A good one costs', ['90', '120', '150']);
    await expect(page.getByText('the verdict stands here')).toBeVisible();
    await page.getByRole('button', { name: 'Keep this estimate' }).click();
    await expect(page.getByText('The most likely cannot be below the least')).toBeVisible();
    await page.getByLabel('Parts and material still to come, at least').fill('5');
    await expect(page.getByText(/that it costs less than a good one/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep this estimate' }).click();
    await expect(page.getByRole('heading', { name: 'As it was estimated' })).toBeVisible();
  });

  await test.step('a stage is held by its findings and closes with the last of them', async () => {
    await open(page, `${base}/mend`);
    await page.getByRole('button', { name: 'Mend is done' }).click();
    await expect(page.getByText('Findings still ask for it: missing, one foot')).toBeVisible();
    await page.locator('[id^="finding-"] summary').first().click();
    await page.getByRole('button', { name: 'Close this finding' }).click();
    await expect(page.getByText('Say in a few words how it was done')).toBeVisible();
    await page.getByLabel('How it was done, or why not').fill('a foot from a donor');
    await page.getByRole('button', { name: 'Close this finding' }).click();
    await expect(page.getByText('This stage is done')).toBeVisible();
    await expect(page.getByText('its findings are closed')).toBeVisible();
  });
});
