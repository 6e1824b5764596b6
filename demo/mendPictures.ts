import { linearToLab } from '@/core/colour/lab';
import type { LinearRgb } from '@/core/colour/types';
import { recipeByDrops, targetOf, type TestDrop } from '@/core/finish/testDrops';
import { clearPlace, MARK_SHEETS } from '@/core/mending/marks/sheet';
import { sizeOn } from '@/core/mending/marks/sizes';
import { outlineOf } from '@/core/mending/outline/outline';
import { dropOnPlastic } from '@/core/picture/colourAt';
import type { Point } from '@/core/picture/picture';
import { decodePicture } from '@/data/photos/decode';
import type { Piece } from '@/data/rows';
import { dropScene, middleOf } from '@/simulators/camera/drops';
import { FIRST_DOT, heldPhone, markScene, reachOf, seenAt } from '@/simulators/camera/markSheets';
import { somePigments, trueMixture } from '@/simulators/pigments';
import { addDrop } from '../src/work/mend/drops';
import { addPart, addSize } from '../src/work/mend/parts';
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

const BASE = 'white casting resin';
/** The workshop’s grey card. */
const CARD = [160, 160, 160] as const;

/** A slider that is cast: drops of the pigments on the lid, then two mixtures, the second put right by the first. */
export async function sliderTint(lid: Piece, at: (minute: number) => Date): Promise<void> {
  const { restorationId } = lid;
  const set = somePigments(3);
  const plastic = trueMixture(set, { ochre: 0.22, 'red-brown': 0.02, black: 0.05 });
  const drops: TestDrop[] = [];
  // A drop that is counted is a fiftieth of what the simulated pigments are told in.
  const counted = (amounts: Readonly<Record<string, number>>) =>
    Object.fromEntries(Object.entries(amounts).map(([id, drops]) => [id, drops / 50]));
  const photographed = async (name: string, mixtures: readonly Record<string, number>[], minute: number) => {
    const colours = mixtures.map((amounts): LinearRgb => trueMixture(set, counted(amounts)));
    const { photo, bytes, spec } = await photograph({
      ...{ restorationId, stage: 'mend', pieceId: lid.id, name, takenAt: at(minute) },
      scene: dropScene(colours, linearToLab(plastic), [CARD]),
      shot: { seed: 90 + minute, tilt: 0.15 },
    });
    const picture = await decodePicture(bytes);
    const middles = spec.regions.map(({ polygon }) => middleOf(polygon));
    for (const [i, amounts] of mixtures.entries()) {
      const { srgb, beside } = dropOnPlastic(picture, spec.card, middles[2 * i]!, middles[2 * i + 1]!);
      drops.push({ amounts, srgb, beside });
      await addDrop(
        { ...{ restorationId, pieceId: lid.id, use: 'cast', base: BASE, amounts, srgb, beside }, photoId: photo.id },
        at(minute),
      );
    }
  };
  const next = () => {
    const { recipe } = recipeByDrops({ drops, target: targetOf(drops)!, maxPigments: 4 });
    return Object.fromEntries(recipe.map(({ id, concentration }) => [id, Math.round(2 * concentration) / 2]));
  };
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
