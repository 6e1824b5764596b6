import { assumed } from '../assumptions/assumptions';
/** A piece that sits together with others on one machine. */
export interface SetPiece {
  id: string;
  tag: string;
  /** b* of its hidden patch; `null` where it has none. */
  hiddenB: number | null;
  /** b* as last measured; `null` before that. */
  currentB: number | null;
}

interface SetPlace {
  id: string;
  tag: string;
  /** What this piece goes for: the common target, or its own hidden patch where that is yellower. */
  targetB: number;
  /** b* above it; below 0 it is past it. `null` before it is measured. */
  aboveB: number | null;
}

export interface CommonTarget {
  targetB: number;
  /** The furthest from it first; unmeasured ones last. */
  places: SetPlace[];
  /** The piece that leads: the next session is its. `null` where none is above the target. */
  leads: string | null;
  /** Hidden patches that stand apart from the others. */
  apart: string[];
  /** Pieces that are past the target: it stays where it is. */
  past: string[];
}

/**
 * One target for pieces that sit together, so that they come out alike: the middle of their hidden patches. A patch
 * that stands apart (it was not hidden after all) does not pull it, and neither does a piece that is past it. No piece
 * goes for less yellow than its own patch shows that it had.
 *
 * @returns `null` where fewer than two pieces have a hidden patch: then each goes for its own
 */
export function commonTarget(pieces: readonly SetPiece[]): CommonTarget | null {
  const hidden = pieces.flatMap(({ hiddenB }) => hiddenB ?? []).sort((a, b) => a - b);
  if (hidden.length < 2) return null;
  const targetB = (hidden[(hidden.length - 1) >> 1]! + hidden[hidden.length >> 1]!) / 2;
  const places = pieces.map(({ id, tag, hiddenB, currentB }): SetPlace => {
    // Its own patch counts for as far as it can be trusted.
    const own =
      hiddenB !== null && Math.abs(hiddenB - targetB) <= assumed('patch apart') ? Math.max(targetB, hiddenB) : targetB;
    return { id, tag, targetB: own, aboveB: currentB === null ? null : currentB - own };
  });
  places.sort((a, b) => (b.aboveB ?? -Infinity) - (a.aboveB ?? -Infinity));
  const first = places[0]!;
  return {
    targetB,
    places,
    leads: first.aboveB !== null && first.aboveB > assumed('there together') ? first.id : null,
    apart: pieces
      .filter(({ hiddenB }) => hiddenB !== null && Math.abs(hiddenB - targetB) > assumed('patch apart'))
      .map(({ tag }) => tag),
    past: places.filter(({ aboveB }) => aboveB !== null && aboveB < -assumed('there together')).map(({ tag }) => tag),
  };
}
