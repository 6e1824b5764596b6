import { clearPlace, MARK_SHEETS } from '@/core/mending/marks/sheet';
import { sizeOn } from '@/core/mending/marks/sizes';
import { outlineOf } from '@/core/mending/outline/outline';
import type { Point } from '@/core/picture/picture';
import { decodePicture } from '@/data/photos/decode';
import type { Piece } from '@/data/rows';
import { FIRST_DOT, heldPhone, markScene, reachOf, seenAt } from '@/simulators/camera/markSheets';
import { addPart, addSize } from '../src/work/mend/parts';
import { mixingFor } from './mixtures';
import { photograph } from './photographs';

/** Small things want many pixels. */
const SIZE = { width: 2000, height: 1500 };

/** The slat beside the gap, laid on the small sheet of marks: its outline becomes the part, its length is kept. */
export async function slatOnSheet(restorationId: string, at: Date): Promise<void> {
  const sheet = MARK_SHEETS[0]!;
  const { leftMm, topMm } = clearPlace(sheet);
  const thicknessMm = 2;
  const slat = {
    ...{ widthMm: 62, heightMm: 5, radiusMm: 2.4 },
    lab: [60, 2, 16] as const,
    holes: [],
    at: [leftMm + 20, topMm + 50] as Point,
  };
  const phone = heldPhone(11, SIZE, reachOf(sheet), 14);
  const { photo, bytes } = await photograph({
    ...{ restorationId, stage: 'mend', pieceId: null, name: 'slat beside the gap', takenAt: at },
    // In light from all sides, as it is told.
    scene: markScene(sheet, { ...slat, thicknessMm }, phone.standing, { shadowMm: 0.5 }),
    shot: { ...SIZE, pinhole: phone, seed: 77 },
  });
  const picture = await decodePicture(bytes);
  const on = (x: number, y: number): Point =>
    seenAt(phone, SIZE, [FIRST_DOT[0] + slat.at[0] + x, FIRST_DOT[1] + slat.at[1] + y]);
  const { outline, holes } = outlineOf(picture, { barMm: 100, inside: on(31, 2.5), thicknessMm });
  await addPart(
    {
      ...{ restorationId, name: 'Slat of the vent, from its neighbour', family: 'plate', photoId: photo.id },
      sizes: { outline, holes, thicknessMm },
    },
    at,
  );
  const length = sizeOn(picture, { barMm: 100, kind: 'length', marks: [on(0, 2.5), on(62, 2.5)], overMm: thicknessMm });
  await addSize(
    {
      ...{ restorationId, name: 'length of the slat', kind: 'length', value: length.value, sd: length.sd },
      ...{ photoId: photo.id, barMm: 100 },
    },
    at,
  );
}

/** A slider that is cast: drops of the pigments on the lid, then two mixtures, the second put right by the first. */
export async function sliderTint(lid: Piece, at: (minute: number) => Date): Promise<void> {
  const { restorationId } = lid;
  const { photographed, next } = mixingFor(
    lid,
    {
      ...{ use: 'cast', base: 'white casting resin', seed: 3 },
      piece: { ochre: 0.22, 'red-brown': 0.02, black: 0.05 },
    },
    at,
  );
  await photographed('drops on the lid', [{}, { ochre: 10 }, { 'red-brown': 10 }, { black: 5 }], 0);
  await photographed('first mixture', [next()], 40);
  await photographed('second mixture', [next()], 80);
  await addPart(
    {
      ...{ restorationId, name: 'Slider of the contrast, to be cast', family: 'slider', photoId: null },
      sizes: { lengthMm: 18, widthMm: 8, baseMm: 2.5, gripLengthMm: 6, gripWidthMm: 5, gripMm: 4 },
    },
    at(90),
  );
}
