import { exposureForecast } from '@/core/fade/forecast';
import { priorOf, SCHOOL } from '@/core/session/schools';
import { doseShares, WELL_DONE, type Conduct } from '@/core/rehearse/session';
import { seededRandom } from '@/core/rehearse/seededRandom';
import { Refusal } from '@/core/refusal';
import { findPiece } from '@/data/pieces';
import { historyOf, yellowOf } from '../history';
import { fieldUrl, lookOf, lookUrl } from '../look';
import { pooledFor } from '../pooled';

/** The piece's own photograph as it should look: now, and after one to three sessions. */
export interface Predicted {
  looks: { sessions: number; url: string; b: number; low: number; high: number }[];
  /** As many sessions as are looked ahead, with one thing done wrong: what, and how far apart palest and yellowest come out. */
  wrong: { words: string; apart: number; url: string }[];
  /** Dose that one session counts for, and where that comes from. */
  dose: number;
  from: string;
}

const SESSIONS = [0, 1, 2, 3];
/** A session in good sun, where the piece had none yet. */
const USUAL_DOSE = 12;
const USUAL_HOURS = 24;

const MOST_SESSIONS = 3;
/** What goes wrong at most benches, each by itself, in the same place each time. */
const WRONG: { words: string; conduct: Partial<Conduct> }[] = [
  { words: 'film in wrinkles', conduct: { film: 'wrinkled' } },
  { words: 'cream thick in places', conduct: { spread: 'thick in places' } },
  { words: 'never turned, in sun', conduct: { turned: false } },
];
const [COLUMNS, ROWS] = [120, 60];
/** The same mistakes for the same piece, whenever one looks. */
const SEED = 7;

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
  const look = latest && (await lookOf(latest));
  if (!yellow || !latest || !look)
    throw new Refusal(
      'pieceId',
      'Measure it first, with a card and the hidden patch: what it should look like follows from both.',
    );
  const pooled = await pooledFor(school, piece);
  const strength = history.treatments[history.treatments.length - 1]?.targetPercentWW ?? school.usualPercentWW;
  const prior = priorOf(school, strength, pooled.prior);
  const ahead = { ...yellow, toleranceB: 1, prior };
  const { rate } = exposureForecast(ahead);
  const given = yellow.sessions.map(({ dose }) => dose).filter((dose) => dose > 0);
  const dose =
    given.length > 0
      ? given.reduce((sum, each) => sum + each, 0) / given.length
      : school.driver === 'warmth'
        ? USUAL_HOURS
        : USUAL_DOSE;
  const now = latest.lab?.[2] ?? yellow.startB;
  const looks = await Promise.all(
    SESSIONS.map(async (sessions) => {
      const { median: b, low, high } = exposureForecast({ ...ahead, nextDose: sessions * dose }).nextB!;
      return {
        sessions,
        url: await lookUrl(look, yellow.targetB, Math.exp(-rate.median * sessions * dose)),
        ...{ b, low, high },
      };
    }),
  );
  const wrong = await Promise.all(
    WRONG.map(async ({ words, conduct }) => {
      const shares = doseShares({ ...WELL_DONE, ...conduct }, COLUMNS, ROWS, seededRandom(SEED));
      const left = shares.values.map((share) => Math.exp(-rate.median * share * MOST_SESSIONS * dose));
      const sorted = left.slice().sort();
      const apart =
        (sorted[Math.floor(0.95 * sorted.length)]! - sorted[Math.floor(0.05 * sorted.length)]!) *
        Math.max(0, now - yellow.targetB);
      return { words, apart, url: await fieldUrl(look, yellow.targetB, { ...shares, values: left }) };
    }),
  );
  return {
    looks,
    wrong,
    dose,
    from: given.length > 0 ? 'the mean of its own sessions' : 'a usual session',
  };
}
