import { fieldSpecSchema } from '@/core/keyboard/photo/fieldSpec';
import { findKeys } from '@/core/keyboard/photo/findKeys';
import { pictureCommand, pictureOf } from './pictures';

const round = (mm: number) => Math.round(100 * mm) / 100;

/** `npm run -s keys -- photo.jpg spec.json`: the keys on a photograph of a keyboard, in mm on its field. */
process.exitCode = await pictureCommand({
  name: 'keys',
  schema: fieldSpecSchema,
  compute: async (photo, { corners, widthMm, heightMm }) => ({
    keys: findKeys(await pictureOf(photo), corners, widthMm, heightMm).map(({ x, y, w, h, confidence }) => ({
      ...{ x: round(x), y: round(y), w: round(w), h: round(h) },
      confidence: Math.round(100 * confidence) / 100,
    })),
  }),
});
