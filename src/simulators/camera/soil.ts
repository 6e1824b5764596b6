import { smoothField } from './random';
import { distanceTo, type Scene, type Soiling } from './scene';

/** Light that soil takes at a place, 0 to 1; its edge is soft over a third of its radius. */
export function soilLoss(soil: readonly Soiling[]): (x: number, y: number) => number {
  const spots = soil.map((spot) => ({ ...spot, field: smoothField(spot.seed) }));
  return (x, y) =>
    spots.reduce((most, { at: [cx, cy], radiusMm, loss, field }) => {
      const near = Math.hypot(x - cx, y - cy) / radiusMm;
      if (near > 1.5) return most;
      const edge = near * (1 + 0.35 * field((2 * x) / radiusMm, (2 * y) / radiusMm));
      return Math.max(most, loss * Math.min(1, Math.max(0, (1 - edge) / 0.33)));
    }, 0);
}

/** Less loss of light than this is not seen: about four steps of L* on pale plastic. */
const SEEN_LOSS = 0.12;
/** Darker plates are gaps and print, not shell. */
const NOT_SHELL_L = 30;

/** True share of a region's pale plastic that soil darkens to be seen, 0 to 1. */
export function trueSoiledShare(scene: Scene, regionId: string): number {
  const region = scene.regions.find(({ id }) => id === regionId);
  if (!region) throw new Error(`The scene has no region “${regionId}”.`);
  const [left, top, w, h] = region.box;
  const lossAt = soilLoss(scene.soil ?? []);
  const n = 400;
  let [soiled, shell] = [0, 0];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const [x, y] = [left + ((i + 0.5) * w) / n, top + ((j + 0.5) * h) / n];
      const plate = scene.plates.findLast((one) => distanceTo(one, x, y) <= 0);
      if (!plate || plate.lab[0] < NOT_SHELL_L) continue;
      shell++;
      if (lossAt(x, y) > SEEN_LOSS) soiled++;
    }
  return soiled / shell;
}
