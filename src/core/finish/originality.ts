import type { MendWay } from '../mending/repair/ways';
import { assumed } from '../assumptions/assumptions';

/** How original a part or a surface is, the most original first. */
export const ORIGINS = [
  'original',
  'cleaned',
  'repaired',
  'refinished',
  'improved',
  'from a donor',
  'bought',
  'cast',
  'printed',
  'added',
  'makeshift',
] as const;
export type Origin = (typeof ORIGINS)[number];

/** As the maker made it, or only clean. */
export const isOriginal = (state: Origin): boolean => state === 'original' || state === 'cleaned';

/** A share of a surface in words. */
export const shareWords = (share: number): string =>
  share > 0 && share < 0.01 ? 'under 1 %' : `${(100 * share).toFixed(0)} %`;

/** Something of a piece that is no longer as the maker made it, or is known to be. */
export interface OriginFact {
  pieceId: string;
  /** Which part of it; empty for the whole of it. */
  what: string;
  state: Origin;
  /** Share of the piece; `null` where nobody said. */
  share: number | null;
  /** Who says so: somebody, or what was done. */
  by: 'told' | 'record';
  words: string;
}

/** What a repair leaves behind. */
export function originOfWay(way: MendWay): Origin | null {
  switch (way) {
    case 'leave':
      return null;
    case 'printed part':
      return 'printed';
    case 'cast part':
      return 'cast';
    case 'donor part':
      return 'from a donor';
    case 'bought part':
    case 'new film':
    case 'set of feet':
      return 'bought';
    case 'metal part':
      return 'improved';
    case 'polish':
      return 'refinished';
    default:
      return 'repaired';
  }
}

/** A piece with its size, mm, as far as known. */
export interface Sized {
  id: string;
  lengthMm: number | null;
  widthMm: number | null;
  heightMm: number | null;
}

/** A piece nobody measured counts as one of this size, mm². */
const USUAL_MM2 = 40_000;

/** The outer surface of a piece, as of a box round it, mm². */
export function surfaceMm2({ lengthMm, widthMm, heightMm }: Sized): number | null {
  if (lengthMm === null || widthMm === null) return null;
  const h = heightMm ?? 0;
  return 2 * (lengthMm * widthMm + lengthMm * h + widthMm * h);
}

/** One piece with the shares of its states, which add up to 1, and the one that most of what was changed has. */
export interface PieceOriginality {
  pieceId: string;
  shares: Partial<Record<Origin, number>>;
  /** What is said of it first: the least original state that covers the whole of it, else that of its largest part. */
  state: Origin;
  facts: OriginFact[];
}

const rank = (state: Origin) => ORIGINS.indexOf(state);

/**
 * How original a piece is. What somebody told of a part takes the place of what the record says of the same part; what is
 * left over of the piece is as it was found, cleaned where it was cleaned.
 */
export function originalityOfPiece(pieceId: string, facts: readonly OriginFact[]): PieceOriginality {
  const own = facts.filter((fact) => fact.pieceId === pieceId);
  const told = new Set(own.filter(({ by }) => by === 'told').map(({ what }) => what));
  const counted = own.filter(({ by, what }) => by === 'told' || !told.has(what));
  const whole = counted.filter(({ what }) => what === '');
  // What was told last of the whole of it counts, else the least original of what was done to all of it.
  const toldWhole = whole.filter(({ by }) => by === 'told').at(-1);
  const base =
    toldWhole?.state ??
    whole.reduce<Origin>((worst, { state }) => (rank(state) > rank(worst) ? state : worst), 'original');
  const shares: Partial<Record<Origin, number>> = {};
  const parts = counted.filter(({ what }) => what !== '');
  const wanted = parts.map(({ share }) => share ?? assumed('a part nobody measured'));
  const sum = wanted.reduce((all, one) => all + one, 0);
  const fit = sum > 1 ? 1 / sum : 1;
  parts.forEach(({ state }, i) => (shares[state] = (shares[state] ?? 0) + fit * wanted[i]!));
  const rest = Math.max(0, 1 - fit * sum);
  if (rest > 0) shares[base] = (shares[base] ?? 0) + rest;
  const state = (Object.entries(shares) as [Origin, number][]).reduce((most, one) =>
    one[1] > most[1] ? one : most,
  )[0];
  return { pieceId, shares, state, facts: counted };
}

/**
 * How original a machine is: shares of its outer surface, which add up to 1, the most original first.
 *
 * @returns `guessed` how many pieces have no size and count as one of 20 by 20 cm
 */
export function originalityOf(
  pieces: readonly Sized[],
  facts: readonly OriginFact[],
): { pieces: PieceOriginality[]; shares: { state: Origin; share: number }[]; guessed: number } {
  const each = pieces.map(({ id }) => originalityOfPiece(id, facts));
  const sizes = pieces.map((piece) => surfaceMm2(piece));
  const all = sizes.reduce<number>((sum, mm2) => sum + (mm2 ?? USUAL_MM2), 0);
  const shares = ORIGINS.flatMap((state) => {
    const share = each.reduce((sum, one, i) => sum + ((sizes[i] ?? USUAL_MM2) / all) * (one.shares[state] ?? 0), 0);
    return share > 0 ? [{ state, share }] : [];
  });
  return { pieces: each, shares, guessed: sizes.filter((mm2) => mm2 === null).length };
}
