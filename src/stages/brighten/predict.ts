import sharp from 'sharp';
import { exposureForecast, yellowAfter } from '@/core/exposure/forecast';
import { SCHOOL } from '@/core/exposure/schools';
import { correctionOf } from '@/core/photo/measure';
import type { Point } from '@/core/photo/picture';
import { recoloured } from '@/core/photo/recolour';
import { Refusal } from '@/core/refusal';
import { PIECE_REGION } from '@/data/measurements';
import { decodePicture } from '@/data/photos/decode';
import { findPhoto, readOriginal } from '@/data/photos/store';
import { findPiece } from '@/data/pieces';
import { historyOf, yellowOf } from './history';
import { pooledFor } from './pooled';

/** The piece's own photograph as it should look: now, and after one to three sessions. */
export interface Predicted {
  looks: { sessions: number; url: string; b: number; low: number; high: number }[];
  /** Dose that one session counts for, and where that comes from. */
  dose: number;
  from: string;
}

const WIDE_PX = 560;
/** Rim round the outline, as a share of its longer side. */
const ROUND = 0.08;
const SESSIONS = [0, 1, 2, 3];
/** A session in good sun, where the piece had none yet. */
const USUAL_DOSE = 12;
const USUAL_HOURS = 24;

/** What is outlined with some of its surroundings: in a large picture the change would hardly be seen. */
function around(outline: readonly Point[], { width, height }: { width: number; height: number }) {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const rim = ROUND * Math.max(right - left, bottom - top);
  const from = (at: number) => Math.max(0, Math.floor(at - rim));
  return {
    left: from(left),
    top: from(top),
    width: Math.min(width, Math.ceil(right + rim)) - from(left),
    height: Math.min(height, Math.ceil(bottom + rim)) - from(top),
  };
}

/**
 * The predicted picture of a piece.
 *
 * @throws Refusal before it is measured with a card and a hidden patch
 */
export async function predicted(pieceId: string): Promise<Predicted> {
  const piece = await findPiece(pieceId);
  if (!piece) throw new Refusal('pieceId', 'This piece is not here any more. Go back and choose another.');
  const history = await historyOf(piece);
  const school = SCHOOL[history.treatments[history.treatments.length - 1]?.school ?? 'cream-film-sun'];
  const yellow = yellowOf(piece, history, school);
  const latest = history.measurements.filter(({ basis }) => basis === 'card').pop();
  const outline = latest?.spec.regions.find(({ id }) => id === PIECE_REGION)?.polygon;
  const photo = latest && (await findPhoto(latest.photoId));
  if (!yellow || !latest || !photo || !outline)
    throw new Refusal('pieceId', 'Measure it first, with a card and the hidden patch: what it should look like follows from both.');
  const { prior } = await pooledFor(school, piece);
  const { rate } = exposureForecast({ ...yellow, toleranceB: 1, prior });
  const given = yellow.sessions.map(({ dose }) => dose).filter((dose) => dose > 0);
  const dose = given.length > 0 ? given.reduce((sum, each) => sum + each, 0) / given.length : school.driver === 'warmth' ? USUAL_HOURS : USUAL_DOSE;
  const full = await decodePicture(await readOriginal(photo));
  const { correction } = correctionOf(full, latest.spec);
  const box = around(outline, full);
  const scale = Math.min(1, WIDE_PX / box.width);
  const { data, info } = await sharp(full.data, { raw: { width: full.width, height: full.height, channels: 4 } })
    .extract(box)
    .resize(Math.round(box.width * scale))
    .raw()
    .toBuffer({ resolveWithObject: true });
  const small = { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
  const shrunk = outline.map(([x, y]): Point => [(x - box.left) * scale, (y - box.top) * scale]);
  const now = latest.lab?.[2] ?? yellow.startB;
  const looks = await Promise.all(
    SESSIONS.map(async (sessions) => {
      const left = Math.exp(-rate.median * sessions * dose);
      const picture = sessions === 0 ? small : recoloured(small, shrunk, correction, yellow.targetB, left);
      const jpeg = await sharp(picture.data, { raw: { width: small.width, height: small.height, channels: 4 } })
        .flatten()
        .jpeg({ quality: 82 })
        .toBuffer();
      const at = (k: number) => yellowAfter(now, Math.min(now, yellow.targetB), k, sessions * dose);
      return { sessions, url: `data:image/jpeg;base64,${jpeg.toString('base64')}`, b: at(rate.median), low: at(rate.high), high: at(rate.low) };
    }),
  );
  return {
    looks,
    dose,
    from: given.length > 0 ? 'the mean of its own sessions' : 'a usual session',
  };
}
