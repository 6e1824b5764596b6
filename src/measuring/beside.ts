import { likeWords, select } from '@/data/table';
import { facePng, isNoFace, measuredFace } from '@/data/photos/face';
import { findRows } from '@/data/table';
import { measurementsOfPiece } from '@/data/measurements';
import { NOT_AWAY } from '@/data/putAway';
import type { Measurement } from '@/data/rows';

/** Cells across. */
const COLUMNS = 520;

/** A piece that was measured, as it is laid beside another. */
export interface Beside {
  id: string;
  restorationId: string;
  title: string;
  tag: string;
  name: string;
  plastic: string;
  first: Measurement;
  last: Measurement;
  sessions: number;
  minutes: number;
  /** Its last measured face, straight on and in the card’s light; `null` where its photograph or outline is gone. */
  faceUrl: string | null;
}

/** A piece to be laid beside another. */
export interface Candidate {
  id: string;
  words: string;
}

/** Measured pieces whose words hold what was typed, those of the same plastic first. */
export const candidates = (beside: string, words: string, most: number): Promise<Candidate[]> =>
  select<Candidate>(
    `SELECT pieces.id, pieces.tag || ' ' || pieces.name || ', ' || restorations.title AS words FROM pieces
      JOIN restorations ON restorations.id = pieces.restorationId
      WHERE ${NOT_AWAY} AND pieces.id <> :beside AND EXISTS (SELECT 1 FROM measurements WHERE measurements.pieceId = pieces.id)
        AND pieces.tag || ' ' || pieces.name || ' ' || pieces.plastic || ' ' || restorations.title LIKE :words ESCAPE '\\'
      ORDER BY pieces.plastic <> COALESCE((SELECT plastic FROM pieces WHERE id = :beside), ''), pieces.rowid DESC LIMIT :most`,
    { beside, words: `%${likeWords(words)}%`, most },
  );

/** A piece with its face and figures; `null` where it is not here or was never measured. */
export async function besideOf(pieceId: string): Promise<Beside | null> {
  const [piece] = await findRows('pieces', { id: pieceId });
  if (!piece) return null;
  const [restoration] = await findRows('restorations', { id: piece.restorationId });
  const measurements = await measurementsOfPiece(pieceId);
  const [first, last] = [measurements[0], measurements.at(-1)];
  if (!restoration || !first || !last) return null;
  const sessions = await findRows('sessions', { pieceId });
  const faceUrl = await measuredFace(last, COLUMNS)
    .then(async ({ plane }) => `data:image/png;base64,${(await facePng(plane)).toString('base64')}`)
    .catch((failure: unknown) => {
      if (isNoFace(failure)) return null;
      throw failure;
    });
  return {
    ...{ id: piece.id, restorationId: restoration.id, title: restoration.title, first, last, faceUrl },
    ...{ tag: piece.tag, name: piece.name, plastic: piece.plastic, sessions: sessions.length },
    minutes: sessions.reduce((sum, { actualMin }) => sum + (actualMin ?? 0), 0),
  };
}
