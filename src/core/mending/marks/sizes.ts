import { assumed } from '../../assumptions/assumptions';
import type { Picture, Point } from '../../picture/picture';
import { Refusal } from '../../refusal';
import { nearEdge, onEdge } from '../outline/edge';
import { areaOf, groundOnPicture, LEAST_EDGE_PX, tracedFrom } from '../outline/outline';
import type { Scale } from '../outline/spec';
import { atHeight, spreadOf, type GroundPlane, type PlaneLook } from './plane';
import { MARKS_OF, type SizeKind } from './sizeKinds';

/** The scale of a photograph, and what is measured on it. */
export interface SizeSpec extends Scale {
  kind: SizeKind;
  /** Two ends; the middle of something round or of a face; end, corner and end of an angle. Pixels of the upright picture. */
  marks: Point[];
  /** How high what is measured lies over the ground. */
  overMm?: number;
}

/** What was measured, in mm, degrees or mm². */
export interface Size {
  kind: SizeKind;
  value: number;
  /** One standard deviation. */
  sd: number;
  /** Where it was measured, px: marks on the edges that they were moved onto, or the ring round a face. */
  drawn: Point[];
  /** Marks beside which no edge was seen: they stay where the hand set them. */
  byHand: number;
  /** How far something round is off a circle, mm. */
  outOfRoundMm: number | null;
}

/** A mark is moved onto an edge that is so near, as a share of the picture's width. */
const SNAP = 0.006;

const apart = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(ax - bx, ay - by);

function angleAt(corner: Point, one: Point, other: Point): number {
  const turn =
    Math.atan2(one[1] - corner[1], one[0] - corner[0]) - Math.atan2(other[1] - corner[1], other[0] - corner[0]);
  const deg = Math.abs((turn * 180) / Math.PI) % 360;
  return deg > 180 ? 360 - deg : deg;
}

/** The circle nearest to points (Kåsa 1976): its diameter, and how far points lie off it. */
function circleThrough(points: readonly Point[]): { diameterMm: number; offMm: number } {
  const n = points.length;
  const [mx, my] = [0, 1].map((k) => points.reduce((sum, point) => sum + point[k]!, 0) / n) as [number, number];
  let [suu, svv, suv, suuu, svvv, suvv, svuu] = [0, 0, 0, 0, 0, 0, 0];
  for (const [x, y] of points) {
    const [u, v] = [x - mx, y - my];
    suu += u * u;
    svv += v * v;
    suv += u * v;
    suuu += u ** 3;
    svvv += v ** 3;
    suvv += u * v * v;
    svuu += v * u * u;
  }
  const det = suu * svv - suv * suv;
  const [a, b] = [(suuu + suvv) / 2, (svvv + svuu) / 2];
  const [cu, cv] = [(a * svv - b * suv) / det, (b * suu - a * suv) / det];
  const radius = Math.sqrt(cu * cu + cv * cv + (suu + svv) / n);
  const off = points.reduce((sum, [x, y]) => sum + (Math.hypot(x - mx - cu, y - my - cv) - radius) ** 2, 0);
  return { diameterMm: 2 * radius, offMm: Math.sqrt(off / n) };
}

/** How large a pixel is at a place, mm. */
const mmPerPxAt = (plane: GroundPlane, [x, y]: Point) => apart(plane.toMm([x - 2, y]), plane.toMm([x + 2, y])) / 4;

/**
 * Measures one size on a photograph.
 *
 * @throws Refusal where neither a sheet of marks nor a thing of known size is there, or no edge is seen
 */
export function sizeOn(picture: Picture, spec: SizeSpec): Size {
  const { kind, marks, overMm = 0 } = spec;
  if (marks.length !== MARKS_OF[kind])
    throw new Refusal('marks', `This takes ${MARKS_OF[kind]} marks, not ${marks.length}.`);
  const { plane } = groundOnPicture(picture, spec);
  const over = overMm - (spec.plane?.aboveGroundMm ?? 0);
  const through =
    ({ toMm, camera }: PlaneLook) =>
    (px: Point) =>
      atHeight(camera, toMm(px), over);
  if (kind === 'length' || kind === 'angle') {
    const seen = marks.map((mark) => nearEdge(picture, mark, Math.max(6, SNAP * picture.width)));
    const drawn = marks.map((mark, i) => seen[i] ?? mark);
    const figure = (look: PlaneLook): number => {
      const [a, b, c] = drawn.map(through(look)) as [Point, Point, Point];
      return kind === 'length' ? apart(a, b) : angleAt(b, a, c);
    };
    const markMm = seen.map(
      (at, i) => mmPerPxAt(plane, drawn[i]!) * (at ? 2 * LEAST_EDGE_PX : assumed('hand sets a mark')),
    );
    const [a, b, c] = drawn.map(through(plane)) as [Point, Point, Point];
    const byMarks =
      kind === 'length'
        ? Math.hypot(...markMm)
        : (180 / Math.PI) *
          Math.hypot(
            Math.hypot(markMm[0]!, markMm[1]!) / Math.max(1e-6, apart(a, b)),
            Math.hypot(markMm[2]!, markMm[1]!) / Math.max(1e-6, apart(c, b)),
          );
    return {
      ...{ kind, value: figure(plane), drawn, outOfRoundMm: null },
      sd: Math.hypot(spreadOf(plane, figure), byMarks),
      byHand: seen.filter((at) => at === null).length,
    };
  }
  const { around, reach } = tracedFrom(picture, marks[0]!, kind === 'round');
  const edge = onEdge(picture, around, reach);
  const ring = edge.points;
  const edgeMm = mmPerPxAt(plane, marks[0]!) * Math.hypot(LEAST_EDGE_PX, edge.betweenPx / 2);
  const inMm = ring.map(through(plane));
  if (kind === 'area') {
    const figure = (look: PlaneLook) => areaOf(ring.map(through(look)));
    const round = inMm.reduce((sum, point, i) => sum + apart(point, inMm[(i + 1) % inMm.length]!), 0);
    return {
      ...{ kind, value: figure(plane), drawn: ring, byHand: 0, outOfRoundMm: null },
      sd: Math.hypot(spreadOf(plane, figure), round * edgeMm),
    };
  }
  const { diameterMm, offMm } = circleThrough(inMm);
  if (offMm > 0.12 * diameterMm)
    throw new Refusal('marks', 'What lies round this mark is not round. Measure it as a length or as a face.');
  return {
    ...{ kind, value: diameterMm, drawn: ring, byHand: 0, outOfRoundMm: offMm },
    sd: Math.hypot(
      spreadOf(plane, (look) => circleThrough(ring.map(through(look))).diameterMm),
      2 * edgeMm,
      offMm / Math.sqrt(ring.length / 8),
    ),
  };
}
