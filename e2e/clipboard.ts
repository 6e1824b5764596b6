import { expect, type Page } from './day';

type Leaf = 'Photos' | 'Findings' | 'Notes' | 'Minutes' | 'Materials' | 'Log';

/** Turns to a leaf of the clipboard: beside the work at a desk, over it on a phone. */
export async function turnTo(page: Page, leaf: Leaf) {
  const beside = page.getByRole('complementary', { name: 'Clipboard' });
  const tab = new RegExp(`^${leaf}`);
  if (await beside.isVisible()) {
    const own = beside.getByRole('button', { name: tab });
    if ((await own.getAttribute('aria-pressed')) !== 'true') await own.click();
    return beside;
  }
  const over = page.getByRole('dialog', { name: 'Clipboard' });
  if (!(await over.isVisible())) await page.getByRole('button', { name: 'Clipboard', exact: true }).click();
  await over.getByRole('button', { name: tab }).click();
  return over;
}

/** Puts the clipboard away where it lies over the work. */
export async function putAway(page: Page): Promise<void> {
  const close = page.getByRole('button', { name: 'Put the clipboard away' });
  if (await close.isVisible()) await close.click();
}

/** Chooses one of a row of chips. */
export const choose = (within: Pick<Page, 'getByRole'>, name: string): Promise<void> =>
  within.getByRole('radio', { name, exact: true }).check({ force: true });

/** Says that the stage of the page is not needed. */
export async function notNeeded(page: Page, why: string): Promise<void> {
  await page.getByText('Not needed on this machine').click();
  await page.getByLabel('Because').fill(why);
  await page.getByRole('button', { name: 'Not needed', exact: true }).click();
  await expect(page.getByText('This stage is not needed')).toBeVisible();
}
