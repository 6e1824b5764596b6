import { escapedXml } from '@/core/markup';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { Readable } from 'node:stream';
import sharp from 'sharp';
import yazl from 'yazl';
import { figured } from '@/core/colour/signed';
import { showTime } from '@/core/runsheet/time';
import { fileName } from '@/edge/fileName';
import type { FacePair } from './facePictures';
import type { PieceStory, Story } from './story';

const GAP = 16;
const CAPTION = 64;
const PAPER = '#fbf8f1';
const FONT = path.join(
  path.dirname(createRequire(path.join(process.cwd(), 'package.json')).resolve('dejavu-fonts-ttf/package.json')),
  'ttf/DejaVuSans.ttf',
);

/** Before and after side by side as one PNG, with a line below each or without. */
export async function sideBySide(
  { before, after }: Pick<FacePair, 'before' | 'after'>,
  captions: readonly [string, string] | null,
): Promise<Buffer> {
  const { width, height } = await sharp(before).metadata();
  const below = captions
    ? await Promise.all(
        captions.map((words) =>
          sharp({
            text: {
              text: `<span foreground="#22282b">${escapedXml(words)}</span>`,
              fontfile: FONT,
              font: 'DejaVu Sans 18',
              width: width - 8,
              rgba: true,
            },
          })
            .png()
            .toBuffer(),
        ),
      )
    : [];
  return sharp({
    create: { width: 2 * width + GAP, height: height + (captions ? CAPTION : 0), channels: 3, background: PAPER },
  })
    .composite([
      { input: before, left: 0, top: 0 },
      { input: after, left: width + GAP, top: 0 },
      ...below.map((input, i) => ({ input, left: i * (width + GAP) + 4, top: height + 8 })),
    ])
    .png()
    .toBuffer();
}

const captionOf = (
  { piece }: PieceStory,
  word: string,
  { measuredAt, lab }: FacePair['first'],
  timeZone: string,
): string =>
  `${piece.tag} ${piece.name}, ${word}, ${showTime(measuredAt, timeZone, 'd MMM yyyy')}${lab ? `: b* ${figured(lab[2])}` : ''}`;

/** Every piece that was measured twice, before and after on the same plane, with a caption and without, in a ZIP. */
export async function exportPictures(story: Story, pairs: ReadonlyMap<string, FacePair>): Promise<Readable> {
  const zip = new yazl.ZipFile();
  const { timeZone } = story.bundle.workshop;
  const options = { mtime: new Date(story.bundle.restoration.openedAt), compress: false };
  const made = await Promise.all(
    story.pieces.map(async (piece) => {
      const pair = pairs.get(piece.piece.id);
      if (!pair) return [];
      const name = fileName(`${piece.piece.tag} ${piece.piece.name}`);
      const captions = [
        captionOf(piece, 'before', pair.first, timeZone),
        captionOf(piece, 'after', pair.last, timeZone),
      ] as const;
      const [bare, told] = await Promise.all([sideBySide(pair, null), sideBySide(pair, captions)]);
      return [
        [`${name}.png`, bare],
        [`${name}-with-caption.png`, told],
      ] as const;
    }),
  );
  for (const [name, picture] of made.flat()) zip.addBuffer(picture, name, options);
  zip.end();
  return zip.outputStream as Readable;
}
