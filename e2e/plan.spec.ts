import ICAL from 'ical.js';
import { expect, test, type Page } from './day';
import { writeFindings } from './clipboard';
import { open } from './open';

/** A plan takes a moment to be made; the page shows it by itself. */
const PLANNED = { timeout: 60_000 };

const moved = (page: Page) => page.getByRole('region', { name: 'The plan was made anew' });

/** Reads away what was said of the plan before, so that the next word is about what comes now. */
async function readAll(page: Page): Promise<void> {
  await expect(async () => {
    if (await moved(page).isVisible()) await page.getByRole('button', { name: 'Read', exact: true }).click();
    await expect(moved(page)).toBeHidden({ timeout: 3000 });
  }).toPass(PLANNED);
}

/** All tasks of one machine, as the view of all tasks lists them. */
async function tasksOf(page: Page, name: string): Promise<void> {
  if (!/machine=/.test(page.url())) {
    await page.getByLabel('Tasks of').selectOption({ label: name });
    await page.waitForURL(/machine=/);
  }
  const others = page.getByRole('button', { name: /^Show the other/ });
  if (await others.isVisible()) await others.click();
}

test('a bench plans itself: done, failed, late and grey, said in a sentence, and taken back', async ({
  page,
  clockShiftMs,
}, info) => {
  test.slow();
  const name = `Planned ${info.project.name}`;

  await test.step('the workshop gets its place, and a restoration is opened: its plan shows by itself', async () => {
    await open(page, '/workshop');
    await page.getByRole('textbox', { name: 'Latitude' }).fill('14.6');
    await page.getByRole('textbox', { name: 'Longitude' }).fill('-30');
    await page.getByLabel('Time zone').fill('Etc/GMT+2');
    await page.getByRole('button', { name: 'Save workshop' }).click();
    await expect(page.getByText('Workshop saved.')).toBeVisible();
    await open(page, '/restorations/new');
    await page.getByLabel('Name you will know it by').fill(name);
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
    await open(page, `/plan/tasks?machine=${/[0-9a-f-]{36}/.exec(page.url())![0]}`);
    await expect(page.getByText(`Photograph every side ${name}`)).toBeVisible(PLANNED);
  });
  const restoration = await page.evaluate(
    async (title) =>
      [...new DOMParser().parseFromString(await (await fetch('/restorations')).text(), 'text/html').links]
        .find((link) => link.textContent?.includes(title))!
        .getAttribute('href')!,
    name,
  );

  await test.step('a task of one’s own is wrongly given, put right, begun, and done with its minutes', async () => {
    await page.getByText('Add a task of your own').click();
    await page.getByLabel('What', { exact: true }).fill('call the seller');
    await page.getByRole('button', { name: 'Add task' }).click();
    await expect(page.getByText(/Takes.*(number|required|must)/i).first()).toBeVisible();
    await expect(page.getByLabel('What', { exact: true })).toHaveValue('call the seller');
    await page.getByRole('textbox', { name: 'Takes' }).fill('10');
    await page.getByLabel('For', { exact: true }).selectOption({ label: name });
    await page.getByRole('button', { name: 'Add task' }).click();
    await tasksOf(page, name);
    await expect(page.getByText(/: call the seller/).first()).toBeVisible(PLANNED);
  });

  await test.step('dropped it goes, and is planned again', async () => {
    await page
      .getByText(/: call the seller/)
      .first()
      .click();
    await page.getByRole('button', { name: 'Drop it' }).first().click();
    await expect(page.getByText(/: call the seller/)).toHaveCount(0, PLANNED);
    await page.getByText('Done or dropped').click();
    await page.getByRole('button', { name: 'Plan it again' }).first().click();
    await expect(page.getByText(/: call the seller/).first()).toBeVisible(PLANNED);
  });

  await test.step('at the bench one thing at a time: could not, with why, and begun and done', async () => {
    await open(page, '/');
    const part = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Now', exact: true }) });
    await expect(part.getByRole('button', { name: 'Begin' })).toBeVisible(PLANNED);
    const words = async () => (await part.locator('p').allTextContents()).slice(0, 2).join(', ');
    const first = await words();
    await part.getByRole('button', { name: 'Could not' }).click();
    await part.getByRole('button', { name: 'something is missing' }).click();
    await expect.poll(words, PLANNED).not.toBe(first);
    const second = await words();
    await part.getByRole('button', { name: 'Begin' }).click();
    await page.waitForURL((url) => url.pathname !== '/');
    await open(page, '/');
    await expect(part.getByLabel('Since it was begun')).toBeVisible();
    await part.getByRole('button', { name: 'Done', exact: true }).click();
    await expect.poll(words, PLANNED).not.toBe(second);
    await open(page, '/plan/tasks');
    await page.getByText('Done or dropped').click();
    await expect(page.getByRole('button', { name: 'Not done after all' }).first()).toBeVisible();
  });

  await test.step('a parcel that comes later moves what waits for it, and that can be taken back', async () => {
    await open(page, '/stores/orders');
    if (!(await page.getByLabel('What', { exact: true }).isVisible()))
      await page
        .getByText(/Put something on the list/)
        .first()
        .click();
    await page.getByLabel('What', { exact: true }).fill('new foil');
    await page.getByLabel('For which machine').selectOption({ label: name });
    await page.getByRole('button', { name: 'Put it on the list' }).click();
    await page.getByText('Ordered: new foil').click();
    await page.getByLabel('Expected in').fill('3');
    await page.getByRole('button', { name: 'It is ordered' }).click();
    await open(page, '/plan/tasks');
    await tasksOf(page, name);
    await expect(page.getByText(/Parcel: new foil/)).toBeVisible(PLANNED);
    await open(page, '/');
    await readAll(page);
    await open(page, '/stores/orders');
    await page.getByText('Comes on another day: new foil').click();
    await page.getByLabel('Expected in').fill('30');
    await page.getByRole('button', { name: 'Expect it then' }).click();
    await open(page, '/');
    await expect(moved(page).getByRole('status')).toContainText('“new foil” comes later', PLANNED);
    await expect(moved(page).getByRole('status')).toContainText(`${name} is ready`);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByText(/pinned to where (it|they) stood/)).toBeVisible();
    await open(page, '/plan/tasks');
    // What waits for the parcel cannot be where it was: that is said.
    await expect(page.getByText(/cannot be at the time that was set for it/).first()).toBeVisible(PLANNED);
  });

  await test.step('a pass that fails is followed by another task', async () => {
    await open(page, `${restoration}/wash`);
    await writeFindings(page, [{ kind: 'soiled', words: 'brown veil' }]);
    await open(page, '/plan/tasks');
    await tasksOf(page, name);
    await expect(page.getByText(/At the sink: brown veil/).first()).toBeVisible(PLANNED);
    await open(page, `${restoration}/wash/spots`);
    const spot = page.locator('[id^="spot-"]', { hasText: 'brown veil' });
    await spot.getByLabel('What it is').selectOption({ label: 'Nicotine' });
    await spot.getByRole('button', { name: 'That is it' }).click();
    await expect(page.getByRole('list', { name: 'Ladder for brown veil' })).toBeVisible();
    await open(page, `${restoration}/wash`);
    const sink = page.locator('#sink');
    const start = sink.getByRole('button', { name: /^Start/ });
    const early = page.getByText('A spot at the sink before the bath');
    await expect(start.or(early).first()).toBeVisible();
    if (await early.isVisible()) await early.click();
    await expect(start).toBeVisible();
    const cautions = sink.getByLabel(/I have read this/);
    if (await cautions.isVisible()) await cautions.check();
    await start.click();
    await sink
      .getByRole('button', { name: /^No change: / })
      .first()
      .click();
    await expect(sink.getByRole('button', { name: /^No change: / })).toHaveCount(0);
    await open(page, '/plan/tasks');
    await tasksOf(page, name);
    await expect(page.getByText(/At the sink: brown veil, pass 2/).first()).toBeVisible(PLANNED);
    await expect(page.getByText(/At the sink: brown veil(?!, pass)/)).toHaveCount(0);
  });

  await test.step('grey days in a file move what needs the sun', async () => {
    await open(page, '/');
    await readAll(page);
    const from = new Date(Date.now() + clockShiftMs);
    const lines = Array.from({ length: 24 * 6 }, (_, hour) => {
      const at = new Date(from.getTime() + hour * 3_600_000);
      return `${at.toISOString().slice(0, 13)}:00Z,100 %`;
    });
    await page.getByText('How does the sky look?').click();
    await expect(page.getByRole('button', { name: 'Take hours from a CSV' })).toBeEnabled();
    await page.getByLabel('CSV of hours').setInputFiles({
      ...{ name: 'grey.csv', mimeType: 'text/csv' },
      buffer: Buffer.from(['time,cloud', ...lines].join('\n')),
    });
    await expect(moved(page).getByRole('status')).toContainText(/the sky is worse/i, PLANNED);
  });

  await test.step('the calendar is read by a program that knows nothing of Kvell', async () => {
    const response = await page.request.get('/api/calendar.ics');
    expect(response.headers()['content-type']).toContain('text/calendar');
    const events = new ICAL.Component(ICAL.parse(await response.text()) as unknown[]).getAllSubcomponents('vevent');
    expect(events.length).toBeGreaterThan(5);
    for (const event of events) expect(event.getAllSubcomponents('valarm')).toHaveLength(1);
  });

  await test.step('what runs out stands with the last day to order it', async () => {
    await open(page, '/stores/ahead');
    await expect(page.getByRole('heading', { name: 'What runs out' })).toBeVisible();
    await expect(page.getByText('What the plan uses against what is there').first()).toBeVisible();
  });

  await test.step('both plans stand side by side', async () => {
    await open(page, '/plan/what-if');
    await page.getByRole('button', { name: 'No sun for three days' }).click();
    await expect(page.getByText(/^As it stands, and with: no sun/)).toBeVisible(PLANNED);
    await expect(page.getByRole('cell', { name })).toBeVisible();
  });

  await test.step('a wanted day has its odds; one that is over is refused', async () => {
    await open(page, '/plan/ready');
    await page.getByText(`When ${name} is wanted`).click();
    await page.getByLabel('Wanted by').fill('2020-01-01');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('This day is over')).toBeVisible();
    await page
      .getByLabel('Wanted by')
      .fill(new Date(Date.now() + clockShiftMs + 3 * 86_400_000).toISOString().slice(0, 10));
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('row', { name: new RegExp(name) })).toContainText(/\d+ in 10/, PLANNED);
  });

  if ((page.viewportSize()?.width ?? 0) > 800)
    await test.step('a bar is moved by the arrow keys, its cost is said before, and it is pinned there', async () => {
      await open(page, '/plan');
      const bar = page.getByRole('button', { name: /Arrow keys move it/ }).first();
      await bar.focus();
      await bar.press('ArrowRight');
      await bar.press('ArrowRight');
      await expect(page.getByText(/(tasks? moves?|nothing else moves|cannot be there)/).first()).toBeVisible(PLANNED);
      await bar.press('Enter');
      await expect(page.getByText(/^Pinned to/).first()).toBeVisible();
    });

  await test.step('the grey sky is taken back: it was a trial', async () => {
    await open(page, '/');
    await page.getByText('How does the sky look?').click();
    await page.getByRole('button', { name: 'Forget own hours' }).click();
    await expect(page.getByText('Forgotten. The sky is invented again.')).toBeVisible();
  });
});
