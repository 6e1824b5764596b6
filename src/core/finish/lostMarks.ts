import type { Point } from '../picture/picture';

/** What was on a piece and is worn off or gone. */
export const LOST_KINDS = ['stripe', 'legend', 'logo', 'serial label'] as const;
export type LostKind = (typeof LOST_KINDS)[number];

/** What can honestly be done about it, the most original first. */
export const LOST_WAYS = ['leave', 'painted between masks', 'painted and wiped', 'transfer', 'copied label'] as const;
export type LostWay = (typeof LOST_WAYS)[number];

export const LOST_WAY_WORDS: Record<LostWay, string> = {
  leave: 'Leave it, and photograph what is left: it is the original.',
  'painted between masks': 'Painted between two strips of mask, pulled off while the paint is soft.',
  'painted and wiped': 'On a raised edge: paint laid along it, the overrun wiped off with a finger at once.',
  transfer: 'A printed transfer, sealed with a clear coat.',
  'copied label':
    'A label printed anew, with “copy” and the year on it; the original is kept with the machine if anything of it is left.',
};

/**
 * Ways that suit what is lost. Maker’s marks are never made new where nothing of them is left to copy: that would be
 * invention, and a serial number is only ever copied as a copy.
 *
 * @param left whether enough of it is left to measure
 * @param raised it lies on a raised edge
 */
export function lostWays(kind: LostKind, left: boolean, raised: boolean): LostWay[] {
  switch (kind) {
    case 'stripe':
      return ['leave', ...(raised ? (['painted and wiped'] as const) : []), 'painted between masks'];
    case 'legend':
      return left ? ['leave', 'transfer', 'painted between masks'] : ['leave'];
    case 'logo':
      return left ? ['leave', 'transfer'] : ['leave'];
    case 'serial label':
      return left ? ['leave', 'copied label'] : ['leave'];
  }
}

/** How each way is recorded: never as original. */
export const lostOrigin = (way: LostWay): 'refinished' | 'added' | null =>
  way === 'leave' ? null : way === 'copied label' || way === 'transfer' ? 'added' : 'refinished';

/** Mask to each side of a stripe, mm. */
const MASK_MM = 12;
/** What fits on both papers, mm. */
export const MASK_SHEET_MM = { length: 250, width: 180 } as const;

/** Something on a sheet at 1:1, mm. */
export interface MaskShape {
  kind: 'cut' | 'edge';
  points: Point[];
  closed: boolean;
}

/**
 * The mask of a stripe or the frame of a legend, at 1:1. A long stripe is laid in pieces that overlap nowhere: the joints
 * are marked.
 *
 * @param fromEdgeMm how far its nearer side lies from the edge of the piece that the mask is laid on; `null` where none is near
 * @returns shapes and the size of each piece; the number of equal pieces that a long one is laid in
 */
export function maskOf({
  widthMm,
  lengthMm,
  fromEdgeMm,
}: {
  widthMm: number;
  lengthMm: number;
  fromEdgeMm: number | null;
}): { pieces: number; pieceMm: number; heightMm: number; shapes: MaskShape[] } {
  const pieces = Math.max(1, Math.ceil(lengthMm / MASK_SHEET_MM.length));
  const pieceMm = lengthMm / pieces;
  const above = fromEdgeMm ?? MASK_MM;
  const heightMm = above + widthMm + MASK_MM;
  const rectangle = (y: number, height: number): Point[] => [
    [0, y],
    [pieceMm, y],
    [pieceMm, y + height],
    [0, y + height],
  ];
  return {
    ...{ pieces, pieceMm, heightMm },
    shapes: [
      ...(above > 0 ? [{ kind: 'cut' as const, points: rectangle(0, above), closed: true }] : []),
      { kind: 'cut', points: rectangle(above + widthMm, MASK_MM), closed: true },
      ...(fromEdgeMm === null
        ? []
        : [
            {
              kind: 'edge' as const,
              points: [
                [0, 0],
                [pieceMm, 0],
              ] as Point[],
              closed: false,
            },
          ]),
    ],
  };
}
