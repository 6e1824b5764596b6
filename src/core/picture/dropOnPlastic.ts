import { Matrix, solve } from 'ml-matrix';
import { codeOfLinear, LINEAR_OF_CODE } from '../colour/bulk';
import type { LinearRgb, Srgb } from '../colour/types';
import { median } from '../numbers';
import { Refusal } from '../refusal';
import { coloursAt, isWithin, markRadius, type ColourMark } from './colourAt';
import { correct } from './correction';
import { correctionOf } from './measure';
import type { Picture, Point } from './picture';
import type { CardPatch } from './spec';

/** Places round a drop: in so many directions, so far as a share of the way to the mark beside it. */
const ROUND = { ways: 12, shares: [0.75, 1, 1.3] } as const;
/** A drop is read so much wider than a mark where it is as wide: a picture is stored in blocks, and few of them err together. */
const WIDER = 1.8;
/** Of a place that shows the same plastic no band differs by more from the others, and no light is so much stronger or weaker (logarithms). */
const SAME_PLASTIC = { hue: 0.08, light: 0.5 } as const;
/** A place that lies farther off from how the light falls round the drop is shine or shadow (logarithm). */
const OFF_LIGHT = 0.03;
/** So large a share of the places that show the plastic must agree how the light falls, or an edge of it lies on the drop. */
const AGREEING = 0.6;
/** Light that changes by more across a drop ends on it (logarithm). */
const MOST_CHANGE = 0.3;
/** Fewer places say nothing of how the light falls: the mark stands for the plastic. */
const LEAST_PLACES = 8;
/** A pixel that differs by so large a share from the middle one of its place is a glint, a hair or a speck. */
const SPECK = 0.25;
/** A band that is black says nothing. */
const BLACK = 1e-4;

type Logs = readonly number[];

/** A place round a drop: how far off, pixels, and what is read there. */
interface Place {
  by: Point;
  logs: Logs;
}

/**
 * A drop and the plastic that it lies on. The plastic is read all round the drop, and the light laid through those places
 * as a plane: so much of it as falls on the drop itself. What a shine or a shadow lies on is left out.
 *
 * @returns sRGB of both, 0 to 255, as the card has them
 * @throws Refusal as `coloursAt`, and where the edge of a shadow or of a shine lies on the drop
 */
export function dropOnPlastic(
  picture: Picture,
  card: readonly CardPatch[],
  drop: Point,
  plastic: Point,
): { srgb: Srgb; beside: Srgb } {
  const marks: ColourMark[] = [
    { title: 'Drop', at: drop },
    { title: 'Plastic beside it', at: plastic },
  ];
  const [inDrop, onPlastic] = coloursAt(picture, card, marks) as [Srgb, Srgb];
  const places = placesRound(picture, drop, plastic);
  if (places.length < LEAST_PLACES) return { srgb: inDrop, beside: onPlastic };
  const here = lightThrough(places);
  const { correction } = correctionOf(picture, { card, regions: [] });
  const asCard = (linear: LinearRgb) =>
    correct(correction, linear).map((v) => codeOfLinear(Math.max(0, v))) as unknown as Srgb;
  return { srgb: asCard(readDrop(picture, drop)), beside: asCard(here) };
}

const logs = (linear: readonly number[]): Logs => linear.map((v) => Math.log(Math.max(BLACK, v)));

/** How far two colours are apart in light, and in the band that differs most from that. */
function apart(a: Logs, b: Logs): { light: number; hue: number } {
  const by = a.map((v, k) => v - b[k]!);
  const light = by.reduce((sum, v) => sum + v, 0) / by.length;
  return { light: Math.abs(light), hue: Math.max(...by.map((v) => Math.abs(v - light))) };
}
const isSame = (read: Logs, plastic: Logs): boolean => {
  const { light, hue } = apart(read, plastic);
  return light < SAME_PLASTIC.light && hue < SAME_PLASTIC.hue;
};
/** Whether a place lies on the drop, or on another like it: told by its hue, where that tells them apart. */
const isNearer = (read: Logs, drop: Logs, plastic: Logs): boolean =>
  apart(drop, plastic).hue > SAME_PLASTIC.hue / 2 && apart(read, drop).hue < apart(read, plastic).hue;

/** The mean light of a disc, without glints and specks. */
function meanOf({ width, height, data }: Picture, [x, y]: Point, r: number): LinearRgb {
  const seen: LinearRgb[] = [];
  for (let row = Math.max(0, Math.ceil(y - r)); row <= Math.min(height - 1, y + r); row++)
    for (let column = Math.max(0, Math.ceil(x - r)); column <= Math.min(width - 1, x + r); column++) {
      if ((column - x) ** 2 + (row - y) ** 2 > r * r) continue;
      const p = 4 * (row * width + column);
      seen.push([LINEAR_OF_CODE[data[p]!]!, LINEAR_OF_CODE[data[p + 1]!]!, LINEAR_OF_CODE[data[p + 2]!]!]);
    }
  const middle = median(seen.map((one) => one[1]))!;
  const kept = seen.filter((one) => Math.abs(one[1] - middle) <= SPECK * middle);
  return [0, 1, 2].map((k) => kept.reduce((sum, one) => sum + one[k]!, 0) / kept.length) as unknown as LinearRgb;
}

/** A drop over as much of it as is of one colour. */
function readDrop(picture: Picture, drop: Point): LinearRgb {
  const r = markRadius(picture);
  const narrow = meanOf(picture, drop, r);
  if (!isWithin(picture, drop, WIDER * r)) return narrow;
  // Four places at the rim of the wider disc: on the drop they are as its middle is.
  const rim = [0, 1, 2, 3].map((i) => {
    const a = (Math.PI * i) / 2;
    const far = (WIDER - 0.5) * r;
    return logs(meanOf(picture, [drop[0] + far * Math.cos(a), drop[1] + far * Math.sin(a)], r / 2));
  });
  return rim.every((one) => isOnDrop(one, logs(narrow))) ? meanOf(picture, drop, WIDER * r) : narrow;
}
const isOnDrop = (read: Logs, drop: Logs): boolean => {
  const { light, hue } = apart(read, drop);
  return light < SAME_PLASTIC.hue && hue < SAME_PLASTIC.hue;
};

/** What shows the plastic of all places round a drop. */
function placesRound(picture: Picture, [x, y]: Point, plastic: Point): Place[] {
  const [vx, vy] = [plastic[0] - x, plastic[1] - y];
  const r = markRadius(picture);
  const [drop, beside] = [logs(meanOf(picture, [x, y], r)), logs(meanOf(picture, plastic, r))];
  return ROUND.shares.flatMap((share) =>
    Array.from({ length: ROUND.ways }, (_, i): Place[] => {
      const a = (2 * Math.PI * i) / ROUND.ways;
      const by: Point = [share * (vx * Math.cos(a) - vy * Math.sin(a)), share * (vx * Math.sin(a) + vy * Math.cos(a))];
      const at: Point = [x + by[0], y + by[1]];
      if (!isWithin(picture, at, r)) return [];
      const read = logs(meanOf(picture, at, r));
      return isSame(read, beside) && !isNearer(read, drop, beside) ? [{ by, logs: read }] : [];
    }).flat(),
  );
}

/** The light at the drop by a plane through the places round it, those left out that do not lie near it, the worst first. */
function lightThrough(places: readonly Place[]): LinearRgb {
  let used = [...places];
  for (;;) {
    const rows = new Matrix(used.map(({ by: [x, y] }) => [1, x, y]));
    const planes = [0, 1, 2].map((k) =>
      solve(rows, Matrix.columnVector(used.map((place) => place.logs[k]!)), true).to1DArray(),
    );
    const off = used.map(({ by: [x, y], logs: read }) =>
      Math.max(...planes.map(([at, dx, dy], k) => Math.abs(read[k]! - at! - dx! * x - dy! * y))),
    );
    const worst = Math.max(...off);
    if (worst < OFF_LIGHT) {
      const far = Math.max(...used.map(({ by }) => Math.hypot(...by)));
      const change = Math.max(...planes.map(([, dx, dy]) => 2 * far * Math.hypot(dx!, dy!)));
      if (change > MOST_CHANGE)
        throw new Refusal(
          'marks',
          `The light changes by ${Math.round(100 * change)} % round this drop: it is lit from too near. Move it into even light, and photograph it again.`,
        );
      return planes.map(([at]) => Math.exp(at!)) as unknown as LinearRgb;
    }
    used = used.filter((_, i) => off[i]! < worst);
    if (used.length < Math.max(LEAST_PLACES, AGREEING * places.length))
      throw new Refusal(
        'marks',
        'The light round this drop is uneven: a shadow or a shine ends there. Move it into even light, and photograph it again.',
      );
  }
}
