import type { Piece } from '@/data/rows';

type Named = Pick<Piece, 'tag' | 'name'>;

/** A piece as the log and the bells name it. */
export const named = ({ tag, name }: Named): string => `${tag} ${name}`;

/** Several pieces in one line: the tags of all. */
export const together = (pieces: readonly Named[]): string =>
  pieces.length === 1 ? named(pieces[0]!) : pieces.map(({ tag }) => tag).join(' + ');

/** Where something is done: a piece, or the machine as a whole. */
export const placeOf = (piece: Named | null): string => (piece ? named(piece) : 'the machine');
