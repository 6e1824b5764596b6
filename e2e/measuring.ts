import { expect, type Page } from './day';
import type { Point, Rect } from '@/core/picture/picture';
import type { TestPhoto } from './photographs';

/** A card patch stays a rectangle: two opposite corners say it all. */
const oppositeCorners = ([x, y, w, h]: Rect): [number, Point][] => [
  [1, [x, y]],
  [3, [x + w, y + h]],
];
const allCorners = (points: readonly Point[]) => points.map((point, i): [number, Point] => [i + 1, point]);

/** Drags the corners of a shape to where they belong; puts it on first where it was not found by itself. */
async function place(
  page: Page,
  photo: Pick<TestPhoto, 'width' | 'height'>,
  put: string,
  title: string,
  corners: readonly [number, Point][],
): Promise<void> {
  const handleOf = (number: number) => page.getByRole('button', { name: `${title}, corner ${number}`, exact: true });
  if (!(await handleOf(1).isVisible())) await page.getByRole('button', { name: `Put on: ${put}` }).click();
  const board = page.getByLabel(/^Photograph .* of /);
  await board.scrollIntoViewIfNeeded();
  for (const [number, [x, y]] of corners) {
    await board.evaluate((node) => node.scrollIntoView({ block: 'center' }));
    const box = (await board.boundingBox())!;
    const from = (await handleOf(number).boundingBox())!;
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + (x / photo.width) * box.width, box.y + (y / photo.height) * box.height, { steps: 4 });
    await page.mouse.up();
  }
}

/** Drags the frame of the first card patch onto the card. */
export const placeCard = (page: Page, photo: Pick<TestPhoto, 'width' | 'height' | 'card'>): Promise<void> =>
  place(page, photo, 'Grey card', 'Card patch 1', oppositeCorners(photo.card.rect));

const keepButton = (page: Page) => page.getByRole('button', { name: 'Keep this measurement' });

/** Sends a photograph on the measuring screen; what is found by itself is measured at once, or the frames wait to be put on. */
export async function sendPhoto(page: Page, photo: Pick<TestPhoto, 'jpeg'>, name: string): Promise<void> {
  await page.getByLabel('Choose photographs').setInputFiles({ name, mimeType: 'image/jpeg', buffer: photo.jpeg });
  await expect(
    page
      .getByText(/^Not found by itself/)
      .or(keepButton(page))
      .first(),
  ).toBeVisible({ timeout: 150_000 });
}

/** Sends a photograph and measures the lid on it, outlined by hand. */
export async function measureOn(page: Page, photo: TestPhoto, name: string): Promise<void> {
  await sendPhoto(page, photo, name);
  if (await keepButton(page).isVisible()) await page.getByText('Frames on the picture').click();
  await placeCard(page, photo);
  await place(page, photo, 'Piece', 'Piece', allCorners(photo.lid));
  await place(page, photo, 'Hidden patch', 'Hidden patch', allCorners(photo.hidden));
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(keepButton(page)).toBeVisible();
}
