import { codeOfLinear } from '../colour/bulk';
import { deltaE00 } from '../colour/difference';
import { labToLinear } from '../colour/lab';
import type { Srgb } from '../colour/types';
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

/** How far round a mark its colour is read, pixels. */
export const markRadius = ({ width }: Picture): number => Math.max(6, MARK_REACH * width);
export const isWithin = ({ width, height }: Picture, [x, y]: Point, r: number): boolean =>
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
