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

/** Writes findings down on the clipboard of the page, each on a piece or on the whole machine. */
export async function writeFindings(
  page: Page,
  findings: readonly { kind: string; words: string; on?: string }[],
): Promise<void> {
  const clipboard = await turnTo(page, 'Findings');
  for (const { kind, words, on } of findings) {
    // On a busy machine a leaf that has just come may take the first tap for nothing.
    const add = clipboard.getByRole('button', { name: 'Add finding' });
    await expect(async () => {
      if (!(await add.isVisible())) await clipboard.getByText('Add a finding').click();
      await expect(add).toBeVisible({ timeout: 4000 });
    }).toPass({ timeout: 30_000 });
    await choose(clipboard, kind);
    if (on) await clipboard.getByLabel('On', { exact: true }).selectOption({ label: on });
    await clipboard.getByLabel('Where and how').fill(words);
    await add.click();
    await expect(clipboard.getByText(words).first()).toBeVisible();
  }
  await putAway(page);
}

/** Says that the stage of the page is not needed. */
export async function notNeeded(page: Page, why: string): Promise<void> {
  await page.getByText('Not needed on this machine').click();
  await page.getByLabel('Because').fill(why);
  await page.getByRole('button', { name: 'Not needed', exact: true }).click();
  await expect(page.getByText('This stage is not needed')).toBeVisible();
}
