import { linearToLab } from '@/core/colour/lab';
import type { LinearRgb } from '@/core/colour/types';
import type { DropUse } from '@/core/finish/dropUses';
import { recipeByDrops, targetOf, type TestDrop } from '@/core/finish/testDrops';
import { dropOnPlastic } from '@/core/picture/dropOnPlastic';
import { decodePicture } from '@/data/photos/decode';
import type { Piece } from '@/data/rows';
import { dropScene, middleOf } from '@/simulators/camera/drops';
import { somePigments, trueMixture } from '@/simulators/pigments';
import { addDrop } from '../src/work/drops';
import { photograph } from './photographs';

/** The workshop’s grey card. */
const CARD = [160, 160, 160] as const;

interface Mixing {
  use: DropUse;
  base: string;
  /** Which pigments they are, and what of them the piece is. */
  seed: number;
  piece: Readonly<Record<string, number>>;
}

/** Drops or cards of a mixture beside a piece, photographed one set after the other; each next mixture is put right by them all. */
export function mixingFor(piece: Piece, { use, base, seed, piece: truth }: Mixing, at: (minute: number) => Date) {
  const { restorationId } = piece;
  const set = somePigments(seed);
  const colour = trueMixture(set, truth);
  const drops: TestDrop[] = [];
  // A drop that is counted is a fiftieth of what the simulated pigments are told in.
  const counted = (amounts: Readonly<Record<string, number>>) =>
    Object.fromEntries(Object.entries(amounts).map(([id, drops]) => [id, drops / 50]));
  const photographed = async (name: string, mixtures: readonly Record<string, number>[], minute: number) => {
    const colours = mixtures.map((amounts): LinearRgb => trueMixture(set, counted(amounts)));
    const { photo, bytes, spec } = await photograph({
      ...{ restorationId, stage: use === 'cast' ? 'mend' : 'finish', pieceId: piece.id, name, takenAt: at(minute) },
      scene: dropScene(colours, linearToLab(colour), [CARD]),
      shot: { seed: 90 + minute, tilt: 0.15 },
    });
    const picture = await decodePicture(bytes);
    const middles = spec.regions.map(({ polygon }) => middleOf(polygon));
    for (const [i, amounts] of mixtures.entries()) {
      const { srgb, beside } = dropOnPlastic(picture, spec.card, middles[2 * i]!, middles[2 * i + 1]!);
      drops.push({ amounts, srgb, beside });
      await addDrop(
        { ...{ restorationId, pieceId: piece.id, use, base, amounts, srgb, beside }, photoId: photo.id },
        at(minute),
      );
    }
    return photo;
  };
  const next = () => {
    const { recipe } = recipeByDrops({ drops, target: targetOf(drops)!, maxPigments: 4 });
    return Object.fromEntries(recipe.map(({ id, concentration }) => [id, Math.round(2 * concentration) / 2]));
  };
  return { photographed, next };
}
