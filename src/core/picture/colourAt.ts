import { codeOfLinear } from '../colour/bulk';
import { deltaE00 } from '../colour/difference';
import { labToLinear, srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';
import { median } from '../numbers';
import { Refusal } from '../refusal';
import { measurePicture } from './measure';
import type { Picture, Point } from './picture';
import type { CardPatch } from './spec';

/** How far round a mark its colour is read, as a share of the picture's width. */
const MARK_REACH = 0.012;
/** More than this between the halves of a mark, and it lies on two colours, ΔE00. */
const ONE_COLOUR = 4;
const SIDES = 16;

/** A named place on a picture. */
export interface ColourMark {
  title: string;
  at: Point;
}

const disc = ([x, y]: Point, r: number): Point[] =>
  Array.from({ length: SIDES }, (_, i) => {
    const angle = (2 * Math.PI * i) / SIDES;
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)];
  });

const markRadius = ({ width }: Picture): number => Math.max(6, MARK_REACH * width);
const isWithin = ({ width, height }: Picture, [x, y]: Point, r: number): boolean =>
  x >= r && y >= r && x <= width - r && y <= height - r;

/**
 * The colours at marks, the light undone by the card.
 *
 * @returns sRGB of each mark, 0 to 255
 * @throws Refusal without a card of known colour, beyond the picture, or for a mark that lies across an edge
 */
export function coloursAt(picture: Picture, card: readonly CardPatch[], marks: readonly ColourMark[]): Srgb[] {
  if (!card.some(({ kind }) => kind === 'known'))
    throw new Refusal(
      'card',
      'Without a card of known colour in the picture no colour is read. Lay one beside the drops.',
    );
  const r = markRadius(picture);
  const outside = marks.find(({ at }) => !isWithin(picture, at, r));
  if (outside)
    throw new Refusal('marks', `“${outside.title}” lies at the rim of the picture. Move it onto its colour.`);
  // Four quarters of each: where they differ, the mark lies on an edge or in a shine.
  const quarters = marks.flatMap(({ at: [x, y] }, i) =>
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([dx, dy], k) => ({
      id: `${i}-${k}`,
      polygon: disc([x + (dx! * r) / 2, y + (dy! * r) / 2], r / 2),
    })),
  );
  const wholes = marks.map(({ at }, i) => ({ id: String(i), polygon: disc(at, r) }));
  const { result } = measurePicture(picture, { card, regions: [...wholes, ...quarters] });
  const labOf = (id: string) => result.regions.find((region) => region.id === id)!.lab!;
  return marks.map(({ title }, i) => {
    const lab = labOf(String(i));
    const worst = Math.max(...[0, 1, 2, 3].map((k) => deltaE00(labOf(`${i}-${k}`), lab)));
    if (worst > ONE_COLOUR)
      throw new Refusal(
        'marks',
        `“${title}” does not lie on one colour: its sides differ by ΔE00 ${worst.toFixed(1)}. Move it into the middle, out of edges and shine.`,
      );
    // Not rounded to whole codes: a mixture is worked out from it.
    return labToLinear(lab).map(codeOfLinear) as unknown as Srgb;
  });
}

/** Places round a drop: in so many directions, so far as a share of the way to the mark beside it. */
const ROUND = { ways: 8, shares: [0.75, 1] } as const;
/** A place round a drop is read over so large a share of a mark. */
const SMALLER = 0.8;
/** Of a place that shows the same plastic no band differs by more from the others, and no light is so much stronger or weaker (logarithms). */
const SAME_PLASTIC = { hue: 0.06, light: 0.5 } as const;
/** Light that changes by more across a drop ends on it (logarithm): nobody can say which side it lies in. */
const MOST_CHANGE = 0.15;
/** So many pairs of places are wanted; with fewer the mark stands for the plastic. */
const LEAST_PAIRS = 3;

/**
 * A drop and the plastic that it lies on. The plastic is read all round the drop, in pairs across it: in each pair light
 * that falls off across the picture falls out, and the middle one of all pairs minds no shadow or shine on one side.
 *
 * @returns sRGB of both, 0 to 255
 * @throws Refusal as `coloursAt`, and where a shadow ends on the drop
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
  const [srgb, near] = coloursAt(picture, card, marks) as [Srgb, Srgb];
  const [inDrop, onPlastic] = [logs(srgbToLinear(srgb)), logs(srgbToLinear(near))];
  const round = readRound(picture, card, drop, plastic).map((pair) =>
    pair.every((read) => read && isSame(read, onPlastic) && !isNearer(read, inDrop, onPlastic))
      ? (pair as [Logs, Logs])
      : null,
  );
  const changes = round.slice(0, ROUND.ways / 2).map((pair) => (pair ? apart(...pair).light : 0));
  if (Math.max(0, ...changes) > MOST_CHANGE)
    throw new Refusal(
      'marks',
      `The light changes by ${Math.round(100 * Math.max(...changes))} % from one side of this drop to the other: a shadow ends there. Move it into even light, and photograph it again.`,
    );
  const pairs = round.flatMap((pair) => (pair ? [pair[0].map((v, k) => (v + pair[1][k]!) / 2)] : []));
  if (pairs.length < LEAST_PAIRS) return { srgb, beside: near };
  const beside = [0, 1, 2].map((k) => Math.exp(median(pairs.map((pair) => pair[k]!))!)) as unknown as LinearRgb;
  return { srgb, beside: beside.map(codeOfLinear) as unknown as Srgb };
}

type Logs = readonly number[];
/** A band that is black says nothing. */
const BLACK = 1e-4;
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

/** Colours in pairs across a drop; `null` for a place that lies beyond the picture. */
function readRound(
  picture: Picture,
  card: readonly CardPatch[],
  [x, y]: Point,
  plastic: Point,
): [Logs | null, Logs | null][] {
  const [vx, vy] = [plastic[0] - x, plastic[1] - y];
  const r = SMALLER * markRadius(picture);
  const places = ROUND.shares.flatMap((share) =>
    Array.from({ length: ROUND.ways }, (_, i): Point => {
      const a = (2 * Math.PI * i) / ROUND.ways;
      return [x + share * (vx * Math.cos(a) - vy * Math.sin(a)), y + share * (vx * Math.sin(a) + vy * Math.cos(a))];
    }),
  );
  const within = places.flatMap((at, i) => (isWithin(picture, at, r) ? [{ id: String(i), polygon: disc(at, r) }] : []));
  if (within.length === 0) return [];
  const { result } = measurePicture(picture, { card, regions: within });
  const read = (i: number): Logs | null => {
    const lab = result.regions.find(({ id }) => id === String(i))?.lab;
    return lab ? logs(labToLinear(lab)) : null;
  };
  const half = ROUND.ways / 2;
  return places.flatMap((_, i) =>
    i % ROUND.ways < half ? [[read(i), read(i + half)] as [Logs | null, Logs | null]] : [],
  );
}
