import { SCHOOLS, type SchoolId } from '@/core/session/schools';
import { isPlastic } from '@/core/runsheet/stages';
import { piecesOf } from '@/data/pieces';
import { plannedIn } from '@/data/planned';
import type { PlannedSession } from '@/data/planned';
import type { LearntRate, Piece, Workshop } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';
import { historiesOf, type PieceHistory } from './history';
import { nextPlanned } from './plan/nextWindow';
import { pastPieces } from './pooled';

/** What every view of the brightening begins with: the pieces, and the one in hand. */
export interface AtHand {
  restorationId: string;
  /** Only plastic is brightened. */
  pieces: Piece[];
  /** Of each of the pieces, in their order. */
  histories: PieceHistory[];
  piece: Piece;
  history: PieceHistory;
  /** Rates of past pieces of the workshop. */
  past: LearntRate[];
  workshop: Workshop;
  /** Sessions planned for the piece, and the next of them that can still be begun. */
  planned: PlannedSession[];
  coming: PlannedSession | null;
}

/** What is asked of a view in its address. */
export interface AskedView {
  piece?: string;
  way?: string;
  by?: string;
}

/** A way that stands in an address; `null` for none. */
export const wayAsked = ({ way }: AskedView): SchoolId | null => SCHOOLS.find((id) => id === way) ?? null;

/** @returns `null` where nothing is tagged that could be brightened, and whether anything is tagged at all */
export async function atHand(
  restorationId: string,
  pieceId: string | undefined,
  now: Date,
): Promise<AtHand | { piece: null; tagged: boolean }> {
  const [all, workshop, planned] = await Promise.all([
    piecesOf(restorationId),
    getWorkshop(),
    plannedIn(restorationId),
  ]);
  const pieces = all.filter(({ plastic }) => isPlastic(plastic));
  const piece = pieces.find(({ id }) => id === pieceId) ?? pieces[0];
  if (!piece) return { piece: null, tagged: all.length > 0 };
  const histories = await historiesOf(pieces);
  const own = planned.filter((session) => session.pieceId === piece.id);
  return {
    restorationId,
    pieces,
    histories,
    piece,
    history: histories[pieces.indexOf(piece)]!,
    past: await pastPieces(piece),
    workshop,
    planned: own,
    coming: nextPlanned(own, now),
  };
}
