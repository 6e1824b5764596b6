import type { Point } from '../../picture/picture';
import { Refusal } from '../../refusal';
import { checkRings, depthOf, twiceArea, type Ring } from './rings';
import type { Layer } from './stack';

/** How a part is drawn so that it comes out of a printer as it should. */
export interface PrintAs {
  /** All lengths times so much. */
  scale: number;
  /** Every wall moves outwards by so much, mm, before that: outer sides out, sides of holes in. Below 0 it is looser. */
  outwardMm: number;
}

/** A part as it is drawn, and as a printer that nobody tested is given it. */
export const AS_DRAWN: PrintAs = { scale: 1, outwardMm: 0 };

/** A corner sharper than this runs out no further than so many times the step: a mitre would grow without end. */
const MITRE = 5;

/** A side of a ring: where it begins, and which way it runs. */
interface Side {
  at: Point;
  way: Point;
}

/** A ring whose sides are moved to its right by so much: as many points as it had, since layers are joined point by point. */
function movedSides(ring: Ring, byMm: number): Side[] {
  const way = ([ax, ay]: Point, [bx, by]: Point): Point => {
    const long = Math.hypot(bx - ax, by - ay);
    return [(bx - ax) / long, (by - ay) / long];
  };
  return ring.map((point, i): Side => {
    const before = way(ring[(i + ring.length - 1) % ring.length]!, point);
    const after = way(point, ring[(i + 1) % ring.length]!);
    const along = Math.max(1 / MITRE, 1 + before[0] * after[0] + before[1] * after[1]);
    const [right, down] = [before[1] + after[1], -before[0] - after[0]];
    return { at: [point[0] + (byMm * right) / along, point[1] + (byMm * down) / along], way: after };
  });
}

/** Where two sides meet, drawn on as far as it takes; `null` for sides that run alike. */
function meeting({ at: [px, py], way: [ux, uy] }: Side, { at: [qx, qy], way: [vx, vy] }: Side): Point | null {
  const turn = ux * vy - uy * vx;
  if (Math.abs(turn) < 1e-3) return null;
  const on = ((qx - px) * vy - (qy - py) * vx) / turn;
  return [px + on * ux, py + on * uy];
}

/** A side that was shorter than the step runs backwards now: the sides beside it meet in its place. */
function withoutTurned(sides: readonly Side[]): Ring {
  const left = [...sides];
  for (let i = 0; i < left.length;) {
    const [{ at, way }, next] = [left[i]!, left[(i + 1) % left.length]!];
    if ((next.at[0] - at[0]) * way[0] + (next.at[1] - at[1]) * way[1] >= 0) {
      i++;
      continue;
    }
    if (left.length <= 3) return [];
    const before = left[(i + left.length - 1) % left.length]!;
    left[i] = { at: meeting(before, next) ?? at, way: next.way };
    left.splice((i + 1) % left.length, 1);
    // What lies before it may run backwards by that.
    i = Math.max(0, Math.min(i, left.length) - 1);
  }
  return left.map(({ at }) => at);
}

/**
 * A ring whose sides are moved outwards by so much, or inwards below 0, as many points as it had.
 *
 * @throws Refusal where a side is shorter than the step
 */
export function movedWhole(ring: Ring, outwardMm: number, field: string): Ring {
  if (outwardMm === 0) return ring;
  const moved = withoutTurned(movedSides(ring, twiceArea(ring) > 0 ? outwardMm : -outwardMm));
  if (moved.length < ring.length)
    throw new Refusal(
      field,
      `${Math.abs(outwardMm)} mm is more than the shortest side of the outline bears. Take less, or smooth the outline first.`,
    );
  return moved;
}

const NOTHING_LEFT =
  'So much play, and what the printer adds, leave nothing of a wall or of a hole. Take less, or make the part larger.';

/** The rings of one height: what bounds plastic from outside moves out, what bounds a hole moves in. */
function movedAll(rings: readonly Ring[], { scale, outwardMm }: PrintAs, pointByPoint: boolean): Ring[] {
  const outer = rings.map((ring) => depthOf(ring, rings) % 2 === 0);
  const moved = rings.map((ring, k) => {
    // Right of a ring that runs against the clock is outside of it.
    const byMm = outer[k] === twiceArea(ring) > 0 ? outwardMm : -outwardMm;
    const sides = movedSides(ring, byMm);
    const kept = withoutTurned(sides);
    if (kept.length < 3 || (pointByPoint && kept.length < ring.length)) throw new Refusal('playMm', NOTHING_LEFT);
    return kept.map(([x, y]): Point => [x * scale, y * scale]);
  });
  if (moved.some((ring, k) => (depthOf(ring, moved) % 2 === 0) !== outer[k])) throw new Refusal('playMm', NOTHING_LEFT);
  checkRings(moved.map((ring) => ({ field: 'playMm', ring })));
  return moved;
}

/**
 * The layers of a part as a printer is to be given them.
 *
 * @throws Refusal where a wall or a hole is smaller than what is taken off it
 */
export function fittedLayers(layers: readonly Layer[], as: PrintAs): Layer[] {
  if (as.scale === 1 && as.outwardMm === 0) return [...layers];
  return layers.map(({ from, to, rings, top }) => ({
    ...{ from: from * as.scale, to: to * as.scale, rings: movedAll(rings, as, top !== undefined) },
    ...(top && { top: movedAll(top, as, true) }),
  }));
}
