import { expect, type Page } from './day';

/** Opens a page and waits until all that can be touched on it has woken up: a click before that would be lost. */
export async function open(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await awake(page);
}

/** Waits until React has taken over every control of the page. */
export async function awake(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle');
  const asleep = () =>
    page.evaluate(
      () =>
        [...document.querySelectorAll('main input, main button, main select, main textarea')].filter(
          (control) => !Object.keys(control).some((key) => key.startsWith('__reactProps')),
        ).length,
    );
  await expect.poll(asleep).toBe(0);
}
