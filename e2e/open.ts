import type { Page } from '@playwright/test';

/** Opens a page and waits until it has woken up: what a test does before that would be lost. */
export async function open(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.waitForLoadState('networkidle');
}
