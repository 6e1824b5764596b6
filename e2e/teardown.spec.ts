import { expect, test, type Page } from './day';
import { awake, open } from './open';
import { testPhoto } from './photographs';

/** Twenty things that come off, in this order; those with screws of the kind before are put away by one tap. */
const STEPS = [
  'Bottom screws',
  'Long back screws',
  'Lid',
  'Lamp plug',
  'Keyboard screws',
  'Keyboard',
  'Outer shield screws',
  'Outer shield',
  'Inner shield',
  'Board screws',
  'Board',
  'Sheet',
  'Space bar',
  'Rod',
  'Caps',
  'Springs',
  'Back plate screws',
  'Back plate',
  'Membrane',
  'Feet',
];
const WITH_SCREWS = ['Bottom screws', 'Keyboard screws', 'Outer shield screws', 'Board screws', 'Back plate screws'];

async function takeOff(page: Page, name: string): Promise<void> {
  await page.getByLabel('What comes off').fill(name);
  await page.getByRole('button', { name: 'It is off', exact: true }).click();
  await expect(page.getByRole('heading', { name: new RegExp(`^In hand: \\d+ ${name}$`) })).toBeVisible();
}

async function putScrews(page: Page, count: string, length: string): Promise<void> {
  const inHand = page.locator('#in-hand');
  if (!(await inHand.getByLabel('How many').isVisible()))
    await inHand.getByText('Put its fasteners into the tray').click();
  await inHand.getByLabel('How many').fill(count);
  await inHand.getByLabel('Length under the head').fill(length);
  await inHand.getByRole('button', { name: 'Into the tray' }).click();
  await expect(inHand.getByText(`${count} × cross pan`)).toBeVisible();
}

async function keepOrder(page: Page, first: string, then: string): Promise<void> {
  const blocks = page.locator('#blocks');
  const pick = async (label: string, name: string) => {
    const value = await blocks
      .getByLabel(label)
      .locator('option', { hasText: new RegExp(`^\\d+ ${name}$`) })
      .getAttribute('value');
    await blocks.getByLabel(label).selectOption(value);
  };
  await pick('This must be on', first);
  await pick('Before this', then);
  await blocks.getByRole('button', { name: 'Keep this order' }).click();
}

test('a machine of twenty steps comes apart and goes together on the phone alone', async ({ page }) => {
  await test.step('a rebuild without a teardown says what to do', async () => {
    await open(page, '/restorations/new');
    await page.getByLabel('Name you will know it by').fill('Twenty steps');
    await page.getByRole('button', { name: 'Open restoration' }).click();
    await page.waitForURL(/\/intake$/);
    await open(page, page.url().replace('intake', 'rebuild'));
    await expect(page.getByText('Nothing was taken off on record')).toBeVisible();
    await page.getByRole('link', { name: 'Go to teardown' }).click();
    await page.waitForURL(/\/teardown$/);
    await awake(page);
  });

  await test.step('the first lot is typed; a length that is none is refused and stays typed', async () => {
    await open(page, `${page.url()}/tray`);
    await page.getByText('A tray of your own').click();
    await page.getByLabel('Name on the tray').fill('Phone tray');
    await page.getByRole('button', { name: 'Add tray' }).click();
    await expect(page.getByRole('list', { name: 'Tray Phone tray' })).toBeVisible();
    await open(page, page.url().replace('/tray', ''));
    await takeOff(page, STEPS[0]!);
    const inHand = page.locator('#in-hand');
    await inHand.getByLabel('How many').fill('10000');
    await inHand.getByLabel('Length under the head').fill('10');
    await inHand.getByRole('button', { name: 'Into the tray' }).click();
    await expect(inHand.getByText('Count again')).toBeVisible();
    await expect(inHand.getByLabel('Length under the head')).toHaveValue('10');
    await putScrews(page, '4', '10');
  });

  await test.step('a photograph is taken inside the flow and a pin set', async () => {
    const inHand = page.locator('#in-hand');
    await inHand
      .getByLabel('Choose photographs')
      .setInputFiles({ name: 'off.jpg', mimeType: 'image/jpeg', buffer: (await testPhoto(10)).jpeg });
    await inHand.getByAltText('Bottom screws as it came off').click({ position: { x: 60, y: 60 } });
    await expect(inHand.getByText('1 pins')).toBeVisible();
  });

  await test.step('the rest comes off; what resembles the lot before takes one tap, its count a few more', async () => {
    for (const name of STEPS.slice(1)) {
      await takeOff(page, name);
      const inHand = page.locator('#in-hand');
      if (name === 'Long back screws') await putScrews(page, '3', '26');
      else if (WITH_SCREWS.includes(name) && name !== 'Keyboard screws') {
        let taps = 0;
        await inHand.getByRole('button', { name: /^The same again/ }).click();
        taps++;
        await expect(inHand.getByText(/× cross pan/).first()).toBeVisible();
        if (name === 'Board screws') {
          await inHand.getByRole('button', { name: 'One more' }).click();
          taps++;
          await expect(inHand.getByText(/5 × cross pan/)).toBeVisible();
        }
        expect(taps).toBeLessThanOrEqual(4);
      } else if (name === 'Keyboard screws') await putScrews(page, '4', '10');
    }
    await page.locator('#in-hand').getByText('A plug, ribbon or wire was undone').click();
    await page.getByLabel('Which way round').fill('red to the edge');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.locator('#in-hand').getByText('Plug: red to the edge')).toBeVisible();
  });

  await test.step('blocks are kept; one on itself and a ring are told in words', async () => {
    const bench = page.url();
    await open(page, `${bench}/order`);
    await keepOrder(page, 'Inner shield', 'Inner shield');
    await expect(page.getByText('cannot wait for itself')).toBeVisible();
    await keepOrder(page, 'Rod', 'Caps');
    await expect(page.getByText('Rod before Caps')).toBeVisible();
    await keepOrder(page, 'Caps', 'Rod');
    await expect(page.getByText('These wait for each other')).toBeVisible();
    await page.getByRole('button', { name: 'Take away: Caps before Rod' }).click();
    await expect(page.getByText('These wait for each other')).toBeHidden();
    await open(page, bench);
    await page.locator('#in-hand').getByRole('button', { name: 'Take this step back' }).click();
    await page.getByRole('button', { name: 'Not now' }).click();
  });

  await test.step('the way back is followed to the end; the case is held until it is tested', async () => {
    const rebuild = page.url().replace('teardown', 'rebuild').split('#')[0]!;
    await open(page, `${rebuild}/way`);
    await expect(page.getByText('goes in early, before Caps').first()).toBeVisible();
    await expect(page.getByRole('heading', { name: `The way back, 0 of ${STEPS.length}` })).toBeVisible();
    await open(page, rebuild);
    for (let on = 0; on < STEPS.length; on++) {
      const next = page.locator('#next');
      await expect(next.getByText(`${on} of ${STEPS.length} on`)).toBeVisible();
      for (;;) {
        const put = next.getByRole('button', { name: /^(All \d+ in|Connected this way round)$/ }).first();
        if (!(await put.isVisible())) break;
        const words = await put.textContent();
        await put.click();
        await expect(next.getByRole('button', { name: words!, exact: true })).toBeHidden();
      }
      await next.getByRole('button', { name: 'It is on', exact: true }).click();
    }
    await expect(page.getByRole('heading', { name: 'Everything is on' })).toBeVisible();
    await page.getByRole('button', { name: 'Rebuild is done' }).click();
    await expect(page.getByText('Do not close the case yet').first()).toBeVisible();
    await page.getByRole('link', { name: 'Test and close' }).last().click();
    await page.waitForURL(/\/close$/);
    await awake(page);
    await page.getByText('Make a function test').click();
    for (const item of ['display', 'letters'])
      await page.getByRole('group', { name: item }).getByRole('button', { name: 'works' }).click();
    await page.getByRole('button', { name: 'Keep this test' }).click();
    await expect(page.getByText('Nothing holds it')).toBeVisible();
    await open(page, rebuild);
    await page.getByRole('button', { name: 'Rebuild is done' }).click();
    await page.waitForURL(/\/record$/);
    await expect(page.getByText('Do not close the case yet')).toBeHidden();
  });
});
