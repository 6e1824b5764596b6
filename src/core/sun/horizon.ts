import { remembered } from '../remembered';

/** Something that stands in the sun's way: a wall, a roof, a tree. Directions in degrees clockwise from north. */
export interface Obstacle {
  /** Its left edge, seen from the piece; the right edge may lie past north. */
  fromDeg: number;
  toDeg: number;
  /** Height of its upper edge over the horizon, degrees. A fist at arm's length is about 10. */
  heightDeg: number;
}

const RAD = Math.PI / 180;

/** Degrees clockwise from one direction to another, 0 to 360. */
const clockwise = (fromDeg: number, toDeg: number): number => (((toDeg - fromDeg) % 360) + 360) % 360;

const widthOf = ({ fromDeg, toDeg }: Obstacle): number => (fromDeg === toDeg ? 360 : clockwise(fromDeg, toDeg));

/** Whether the sun stands behind one of the obstacles. */
export const isShaded = (obstacles: readonly Obstacle[], azimuthDeg: number, elevationDeg: number): boolean =>
  obstacles.some(
    (obstacle) => elevationDeg < obstacle.heightDeg && clockwise(obstacle.fromDeg, azimuthDeg) <= widthOf(obstacle),
  );

/**
 * Share of the light that a flat surface still gets past the obstacles: the beam while the sun is not behind one, and of
 * the diffuse light what the sky that is left sends.
 *
 * @param sky of `skyShare`, which does not change with the hour
 * @param diffuse share of the light that comes from the whole sky
 */
export function lightPast(
  obstacles: readonly Obstacle[],
  sky: number,
  { azimuthDeg, elevationDeg }: { azimuthDeg: number; elevationDeg: number },
  diffuse: number,
): number {
  return (isShaded(obstacles, azimuthDeg, elevationDeg) ? 0 : 1 - diffuse) + diffuse * sky;
}

/** So many horizons are kept: of the places that a workshop puts things out at. */
const HORIZONS = 50;

/**
 * Share of an even sky that a flat surface still sees over the obstacles: one that is h high and w wide takes
 * (w / 360) · sin² h. Where two overlap the higher one counts.
 */
export const skyShare = remembered(
  HORIZONS,
  (obstacles: readonly Obstacle[]) => JSON.stringify(obstacles),
  (obstacles) => {
    let lost = 0;
    for (let azimuth = 0.5; azimuth < 360; azimuth++) {
      const highest = Math.max(
        0,
        ...obstacles
          .filter((obstacle) => clockwise(obstacle.fromDeg, azimuth) <= widthOf(obstacle))
          .map((o) => o.heightDeg),
      );
      lost += Math.sin(highest * RAD) ** 2 / 360;
    }
    return 1 - lost;
  },
);
