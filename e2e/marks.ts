import { expect, type Page } from './day';

/** Moves the four marks of a shape onto their places with the keyboard, as a hand without a mouse does. */
export async function moveMarks(
  page: Page,
  shape: string,
  corners: readonly (readonly [number, number])[],
  pictureWidth: number,
): Promise<void> {
  const board = page.locator('svg[aria-label*="move the four corners"]');
  await expect(board).toBeVisible();
  const box = (await board.boundingBox())!;
  const unit = pictureWidth / box.width;
  for (const [i, [x, y]] of corners.entries()) {
    const handle = page.getByRole('button', { name: `${shape}, corner ${i + 1}` });
    await handle.focus();
    for (const [axis, to, [less, more]] of [
      ['cx', x, ['ArrowLeft', 'ArrowRight']],
      ['cy', y, ['ArrowUp', 'ArrowDown']],
    ] as const)
      for (let step = 0; step < 400; step++) {
        const at = Number(await handle.locator('circle').last().getAttribute(axis));
        const off = to - at;
        if (Math.abs(off) <= 2.2 * unit) break;
        const key = off < 0 ? less : more;
        await page.keyboard.press(Math.abs(off) > 20 * unit ? `Shift+${key}` : key);
      }
  }
}
