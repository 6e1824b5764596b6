import { linearToLab } from '@/core/colour/lab';
import { dropScene, middleOf } from '@/simulators/camera/drops';
import { toJpeg } from '@/simulators/camera/jpeg';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { somePigments, trueMixture } from '@/simulators/pigments';

/** Drops of mixtures of simulated pigments on the plastic that they are to match, and where they lie. */
export async function dropsPhoto(mixtures: readonly Record<string, number>[], width: number) {
  const set = somePigments(3);
  const of = (amounts: Record<string, number>) =>
    trueMixture(set, Object.fromEntries(Object.entries(amounts).map(([id, drops]) => [id, drops / 50])));
  const scene = dropScene(mixtures.map(of), linearToLab(of({ ochre: 12, black: 3 })), [[160, 160, 160]]);
  const size = { width, height: Math.round(0.75 * width) };
  const { picture, spec } = takePhotograph(scene, { ...PLAIN_SHOT, ...size, tilt: 0.1, seed: 6 });
  const [x, y, w, h] = spec.card[0]!.rect;
  const middles = spec.regions.map(({ polygon }) => middleOf(polygon) as [number, number]);
  return {
    jpeg: await toJpeg(picture, { quality: 92 }),
    marks: {
      card: [x + w / 2, y + h / 2] as [number, number],
      drops: middles.filter((_, i) => i % 2 === 0),
      beside: middles.filter((_, i) => i % 2 === 1),
    },
  };
}
