import { expect, type Page } from './day';

/** Opens a page and waits until all that can be touched on it has woken up: a click before that would be lost. */
export async function open(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await awake(page);
}

/** Waits until React has taken over every control of the page; what comes later comes awake. */
export async function awake(page: Page): Promise<void> {
  await page.waitForLoadState('load');
  const asleep = () =>
    page.evaluate(() => {
      const controls = [...document.querySelectorAll('input, button, select, textarea')];
      const taken = (control: Element) => Object.keys(control).some((key) => key.startsWith('__reactProps'));
      return controls.length === 0 ? 1 : controls.filter((control) => !taken(control)).length;
    });
  await expect.poll(asleep, { intervals: [20, 50, 100, 200] }).toBe(0);
}

/** Opens a page and waits until its charts and whatever else it fetches or looks for by itself stand too. */
export async function openWhole(page: Page, address: string): Promise<void> {
  await open(page, address);
  await page.waitForLoadState('networkidle');
  await expect(page.getByRole('progressbar')).toHaveCount(0);
}
