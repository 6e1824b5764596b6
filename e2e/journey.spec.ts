import { expect, minutesAgo, test, type Page } from './day';
import { readFile } from 'node:fs/promises';
import { notNeeded, turnTo } from './clipboard';
import { measureOn, sendPhoto } from './measuring';
import { awake, open } from './open';
import { testPhoto } from './photographs';

test('from the empty workshop to the exported record', async ({ page, clockShiftMs }, info) => {
  const name = `Trial machine ${info.project.name}`;

  await test.step('the workshop gets its place', async () => {
    await open(page, '/workshop');
    await page.getByLabel('Name of the workshop').fill('Trial bench');
    await page.getByRole('textbox', { name: 'Latitude' }).fill('14.6');
    await page.getByRole('textbox', { name: 'Longitude' }).fill('-30');
    await page.getByLabel('Time zone').fill('Etc/GMT+2');
    await page.getByRole('button', { name: 'Save workshop' }).click();
    await expect(page.getByText('Workshop saved.')).toBeVisible();
    await expect(page.getByLabel('Name of the workshop')).toHaveValue('Trial bench');
    await open(page, '/workshop/hours');
    await page.getByLabel('Own hourly rate').fill('10');
    await page.getByRole('button', { name: 'Save hours' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
  });

  await test.step('a bottle goes into the stores', async () => {
    await open(page, '/stores');
    await page.getByLabel('What the label says').fill(`Strong ${info.project.name}`);
    await page.getByLabel('Strength on the label').fill('35');
    await page.getByLabel('Content').fill('1000');
    await page.getByRole('button', { name: 'Put into stores' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: `Strong ${info.project.name}` })).toContainText(
      '1000 mL left of 1000 mL',
    );
  });

  await test.step('a restoration is opened; an empty name is refused and nothing typed is lost', async () => {
    await open(page, '/');
    await open(page, '/restorations/new');
    await page.getByLabel('Condition in words').fill('Dusty and yellow');
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await expect(page.getByText('Give it a name you will know it by')).toBeVisible();
    await expect(page.getByLabel('Condition in words')).toHaveValue('Dusty and yellow');
    await page.reload();
    await expect(page.getByLabel('Condition in words')).toHaveValue('Dusty and yellow');
    await awake(page);
    await page.getByLabel('Name you will know it by').fill(name);
    await page.getByLabel('Price paid').fill('25');
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
    await page
      .getByLabel('Choose photographs')
      .setInputFiles({ name: 'as-it-came.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(22)).jpeg });
    await expect(page.getByText('Photograph kept.')).toBeVisible();
  });

  const restoration = /restorations\/[0-9a-f-]+/.exec(page.url())![0];

  await test.step('a piece is tagged and measured', async () => {
    await open(page, `/${restoration}/pieces/new`);
    await page.getByLabel('Which piece').fill('Upper shell');
    await page.getByRole('button', { name: 'Tag this piece' }).click();
    await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
    await page.getByRole('link', { name: 'Measure', exact: true }).click();
    // Three taps: the way here, the photograph, and to keep what was found and measured by itself.
    await sendPhoto(page, await testPhoto(22, 1, {}, minutesAgo(clockShiftMs, 60)), 'before.jpg');
    await expect(page.getByText('To go, surely', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Keep this measurement' }).click();
    await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
    await expect(page.getByRole('cell', { name: 'to go' })).toBeVisible();
  });

  await test.step('an exposure is planned; it starts only after the cautions', async () => {
    await open(page, `/${restoration}/brighten/plan`);
    await page.getByText(/: way, mixture and window in figures/).click();
    await page.getByLabel('Way', { exact: true }).selectOption('bath-lamp');
    await page.getByLabel('UV-A at the piece').fill('5');
    await page.getByLabel('For', { exact: true }).fill('120');
    await expect(page.getByText('from the bottle')).toBeVisible();
    await expect(page.getByText('of oxygen if all decomposes: never seal it')).toBeVisible();
    await expect(page.getByText('sessions like it until it matches')).toBeVisible();
    await page.getByRole('button', { name: 'Start exposure now' }).click();
    await expect(page.getByText('Read the cautions and confirm them before you start.').first()).toBeVisible();
    await page.getByLabel(/I have read this/).check();
    await page.getByRole('button', { name: 'Start exposure now' }).click();
    await expect(page.getByText(/Not said done yet: .*weighed down/).first()).toBeVisible();
    const gates = page.getByRole('group', { name: 'Before the start' }).getByRole('checkbox');
    for (const gate of await gates.all()) await gate.check();
    await page.getByRole('button', { name: 'Start exposure now' }).click();
    await expect(page.getByText(/Nothing was washed off K1 Upper shell yet/).first()).toBeVisible();
    await page.goto(`/${restoration}/wash`);
    await awake(page);
    await notNeeded(page, 'it came washed');
    await open(page, `/${restoration}/brighten/plan?way=bath-lamp`);
    await page.getByText(/: way, mixture and window in figures/).click();
    await page.getByLabel('UV-A at the piece').fill('5');
    await page.getByLabel('For', { exact: true }).fill('120');
    // It lies there for half an hour already.
    await page.getByLabel('From', { exact: true }).fill(minutesAgo(clockShiftMs, 30));
    // What is asked before the start follows from the plan, which is worked out first.
    await expect(gates.first()).toBeVisible();
    for (const gate of await gates.all()) await gate.check();
    await page.getByLabel(/I have read this/).check();
    await page.getByRole('button', { name: 'It was begun then: start its timer' }).click();
    await expect(page.getByRole('heading', { name: /is in the light/ })).toBeVisible();
  });

  await test.step('the timer is on every screen and survives a closed page', async () => {
    await open(page, '/sums');
    await expect(page.getByRole('region', { name: 'Running now' })).toContainText('Upper shell');
    await page.reload();
    await expect(page.getByRole('region', { name: 'Running now' })).toContainText('Upper shell');
  });

  await test.step('a turn is noted; an end before the beginning is refused', async () => {
    await open(page, `/${restoration}/brighten`);
    await page.getByRole('button', { name: 'Turn done' }).click();
    await expect(page.getByText('Turn noted.')).toBeVisible();
    await page.getByLabel('Ended at').fill('2020-01-01T10:00');
    await page.getByRole('button', { name: 'Wash off and end exposure' }).click();
    await expect(page.getByText('It would have ended before it began.')).toBeVisible();
    // As it stands when somebody comes to the page: it ends now, whatever the day.
    await open(page, `/${restoration}/brighten`);
    const now = minutesAgo(clockShiftMs, 0).slice(0, 15);
    expect((await page.getByLabel('Ended at').inputValue()).slice(0, 15)).toBe(now);
    await page.getByRole('button', { name: 'Wash off and end exposure' }).click();
    await expect(page.getByRole('heading', { name: 'Measure again' })).toBeVisible();
  });

  await test.step('measured again, it matches: the advice is to stop', async () => {
    await page.getByRole('link', { name: 'Measure again' }).click();
    await measureOn(page, await testPhoto(0.5, 2), 'after.jpg');
    await page.getByRole('button', { name: 'Keep this measurement' }).click();
    await page.waitForURL(/pieces\/[0-9a-f-]{36}$/);
    await open(page, `/${restoration}/brighten`);
    await expect(page.getByRole('heading', { name: 'Stop here' })).toBeVisible();
    await open(page, `/${restoration}/brighten/past`);
    await page.getByText('Before and now, side by side').click();
    await expect(page.getByText('Changed by ΔE00')).toBeVisible();
  });

  await test.step('the bottle gave what was mixed; what is really left is noted', async () => {
    await open(page, '/stores');
    const bottle = page.getByRole('listitem').filter({ hasText: `Strong ${info.project.name}` });
    await expect(bottle).toContainText('Empty of 1000 mL');
    await bottle.getByText('Note what is really left').click();
    await bottle.getByLabel('Left in it').fill('150,5');
    await bottle.getByRole('button', { name: 'Note it' }).click();
    await expect(bottle).toContainText('151 mL left of 1000 mL, nearly empty');
    await bottle.getByText('Is it still as strong?').click();
    await expect(bottle.getByText('A sample with yeast foams at once')).toBeVisible();
    await bottle.getByLabel('Found').selectOption('other');
    await bottle.getByLabel('Strength now').fill('40');
    await bottle.getByRole('button', { name: 'Count with this strength' }).click();
    await expect(bottle.getByText('more than the 35.0 % of its label')).toBeVisible();
    await bottle.getByLabel('Strength now').fill('33');
    await bottle.getByRole('button', { name: 'Count with this strength' }).click();
    await expect(bottle).toContainText('Counts with 33.0 %, by another test');
  });

  await test.step('minutes and notes go into the record, which exports and imports again', async () => {
    await open(page, `/${restoration}/wash`);
    const clipboard = await turnTo(page, 'Minutes');
    await clipboard.getByLabel('Minutes spent').first().fill('30');
    await clipboard.getByLabel('On what').first().fill('Soap and toothbrush');
    await clipboard.getByRole('button', { name: 'Add minutes' }).click();
    await expect(page.getByText('Minutes added.')).toBeVisible();
    await open(page, `/${restoration}/record/pieces`);
    await expect(page.getByText(/^Before, /)).toBeVisible();
    await open(page, `/${restoration}/record`);
    const html = await download(page, 'Save as one page');
    expect(html.toString()).toContain('data:image/webp;base64');
    expect(html.toString()).not.toContain('<script');
    const zip = await download(page, 'Save as ZIP with photographs');
    await open(page, '/restorations');
    await page
      .getByLabel('ZIP of a restoration')
      .setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: zip });
    await expect(page.getByText('is here already')).toBeVisible();
    await page.getByText('Import as a copy', { exact: true }).click();
    await page
      .getByLabel('ZIP of a restoration')
      .setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: zip });
    await page.waitForURL(/restorations\/[0-9a-f-]{36}$/);
    await expect(page.getByRole('heading', { name: `${name} (copy)` })).toBeVisible();
  });
});

async function download(page: Page, link: string): Promise<Buffer> {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: link }).click()]);
  return readFile(await file.path());
}
