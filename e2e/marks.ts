import { expect, type Page } from './day';

type Place = readonly [number, number];

/** Moves handles of a picture onto their places with the keyboard, as a hand without a mouse does. */
async function moveHandles(page: Page, handles: readonly { name: string; to: Place }[], pictureWidth: number) {
  const board = page.locator('svg[aria-label*=": move the"]');
  await expect(board).toBeVisible();
  const box = (await board.boundingBox())!;
  const unit = pictureWidth / box.width;
  for (const { name, to } of handles) {
    const handle = page.getByRole('button', { name });
    await handle.focus();
    for (const [axis, wanted, [less, more]] of [
      ['cx', to[0], ['ArrowLeft', 'ArrowRight']],
      ['cy', to[1], ['ArrowUp', 'ArrowDown']],
    ] as const)
      for (let step = 0; step < 400; step++) {
        const at = Number(await handle.locator('circle').last().getAttribute(axis));
        const off = wanted - at;
        if (Math.abs(off) <= 2.2 * unit) break;
        const key = off < 0 ? less : more;
        await page.keyboard.press(Math.abs(off) > 20 * unit ? `Shift+${key}` : key);
      }
  }
}

/** Moves the four corners of a shape onto their places. */
export const moveMarks = (page: Page, shape: string, corners: readonly Place[], pictureWidth: number): Promise<void> =>
  moveHandles(
    page,
    corners.map((to, i) => ({ name: `${shape}, corner ${i + 1}`, to })),
    pictureWidth,
  );

/** Moves a mark of one place there. */
export const moveMark = (page: Page, mark: string, to: Place, pictureWidth: number): Promise<void> =>
  moveHandles(page, [{ name: `${mark}: move it`, to }], pictureWidth);
