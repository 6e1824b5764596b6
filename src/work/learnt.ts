import { assumed } from '@/core/assumptions/assumptions';
import { seenShare, type SeenShare } from '@/core/ledger/seenShare';
import { priorOf, SCHOOL, type SchoolId } from '@/core/session/schools';
import { exposureForecast } from '@/core/fade/forecast';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { dataFolder } from '@/data/folder';
import { NOT_GONE } from '@/data/putAway';
import { findRows, select } from '@/data/table';
import { yellowLooks, type PieceLook } from './finish/yellowLooks';

/** The band of a forecast that is said to hold nine times in ten, of a spread of its logarithm. */
const NINE_IN_TEN = 1.645;

/** What a way of brightening brought in this workshop. */
interface WayLearnt {
  school: SchoolId;
  plastic: string;
  pieces: number;
  /** What b* fell by, the middle one and the least and most. */
  fell: { least: number; middle: number; most: number };
  sessions: number;
  /** Hours under light or in warmth, each piece. */
  hours: number;
  /** Minutes of hands and materials booked at this stage, each piece; `null` where nothing was booked. */
  minutes: number | null;
  costMinor: number | null;
}

export interface Learnt {
  ways: WayLearnt[];
  agents: { agent: string; soil: string; share: SeenShare }[];
  repairs: { way: string; share: SeenShare }[];
  /** Of forecasts that were to hold nine times in ten, how many did. */
  forecasts: { what: 'dose' | 'minutes'; share: SeenShare }[];
  /** How fast yellow came back where somebody looked again, the newest first. */
  returned: PieceLook[];
  stages: { stage: Stage; minutes: number }[];
  worth: {
    title: string;
    restorationId: string;
    spentMinor: number;
    minutes: number; /** What a good one costs, in whole units, as it was last estimated. */
    goodOne: { low: number; high: number } | null;
  }[];
}

/** Machines whose price is held against their worth: those that were finished last. */
const LAST_FINISHED = 12;

interface Treated {
  restorationId: string;
  school: SchoolId;
  plastic: string;
  startB: number;
  lastB: number;
  sessions: number;
  minutes: number;
  dose: number;
  toleranceB: number;
  targetPercentWW: number;
  endedAt: string | null;
}

const middle = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** Treatments that were measured before and after, with what they took. */
const treated = (): Promise<Treated[]> =>
  select<Treated>(
    `SELECT treatments.restorationId, treatments.school, pieces.plastic, start.deltaB AS startB, after.deltaB AS lastB,
        treatments.toleranceB, treatments.targetPercentWW, treatments.endedAt,
        done.sessions, done.minutes, done.dose
      FROM treatments JOIN pieces ON pieces.id = treatments.pieceId
        JOIN measurements AS start ON start.id = treatments.startMeasurementId
        JOIN (SELECT treatmentId, COUNT(*) AS sessions, SUM(actualMin) AS minutes, SUM(COALESCE(dose, 0)) AS dose, MAX(endedAt) AS endedAt
          FROM sessions WHERE endedAt IS NOT NULL GROUP BY treatmentId) AS done ON done.treatmentId = treatments.id
        JOIN measurements AS after ON after.id = (SELECT id FROM measurements WHERE pieceId = treatments.pieceId AND measuredAt >= done.endedAt AND deltaB IS NOT NULL ORDER BY measuredAt LIMIT 1)
      WHERE start.deltaB IS NOT NULL`,
  );

/** Whether the dose that a piece took lay in what was foretold of it before anything was tried. */
function doseHeld({ school, startB, dose, toleranceB, targetPercentWW }: Treated): boolean {
  const { doseToGo } = exposureForecast({
    ...{ startB, targetB: 0, toleranceB, sessions: [], measurementSd: assumed('a measured b*') },
    prior: priorOf(SCHOOL[school], targetPercentWW),
  });
  return dose >= doseToGo.low && dose <= doseToGo.high;
}

/** What was worked out last, and of which state. */
let last: { of: string; learnt: Promise<Learnt> } | null = null;

/** What this workshop has learnt, over all of its restorations; worked out anew when something was written since. */
export async function learnt(): Promise<Learnt> {
  const [newest] = await findRows('log', {}, [['id', 'DESC']], 1);
  const of = [dataFolder(), newest?.id, newest?.at].join(' ');
  if (last?.of !== of) {
    const found = workedOut();
    last = { of, learnt: found };
    // What failed is tried again by whoever asks next.
    found.catch(() => (last = null));
  }
  return last.learnt;
}

async function workedOut(): Promise<Learnt> {
  const [pieces, returned, booked, outcomes, repairs, runs, minutes, worth] = await Promise.all([
    treated(),
    yellowLooks(),
    select<{ restorationId: string; minutes: number; costMinor: number }>(
      `SELECT restorationId, SUM(minutes) AS minutes, SUM(CASE WHEN kind = 'material' THEN amountMinor ELSE 0 END) AS costMinor
        FROM ledger WHERE stage = 'brighten' GROUP BY restorationId`,
    ),
    select<{ agent: string; soil: string; wins: number; times: number }>(
      `SELECT agent, soil, SUM(CASE outcome WHEN 'gone' THEN times WHEN 'better' THEN times / 2.0 ELSE 0 END) AS wins, SUM(times) AS times
        FROM learnt_outcomes WHERE times > 0 GROUP BY agent, soil ORDER BY times DESC LIMIT 60`,
    ),
    select<{ way: string; ended: number; broke: number }>(
      `SELECT way, COUNT(*) AS ended, SUM(brokeAt IS NOT NULL) AS broke FROM repairs
        WHERE endedAt IS NOT NULL AND way IS NOT NULL GROUP BY way ORDER BY ended DESC`,
    ),
    select<{ minutes: number; plannedMin: number }>(
      `SELECT minutes, plannedMin FROM task_runs WHERE outcome = 'done' AND minutes > 0 AND plannedMin > 0 ORDER BY startedAt DESC LIMIT 2000`,
    ),
    select<{ stage: Stage; minutes: number }>(
      `SELECT stage, SUM(minutes) AS minutes FROM ledger WHERE minutes > 0 AND stage IS NOT NULL GROUP BY stage`,
    ),
    select<{ id: string; title: string; spentMinor: number; minutes: number; estimate: string | null }>(
      `SELECT restorations.id, restorations.title, restorations.estimate,
          COALESCE((SELECT SUM(amountMinor) FROM ledger WHERE restorationId = restorations.id), 0) AS spentMinor,
          COALESCE((SELECT SUM(minutes) FROM ledger WHERE restorationId = restorations.id), 0) AS minutes
        FROM restorations WHERE closedAt IS NOT NULL AND ${NOT_GONE} ORDER BY closedAt DESC LIMIT ${LAST_FINISHED}`,
    ),
  ]);
  const bookedOf = new Map(booked.map((one) => [one.restorationId, one]));
  const inMachine = new Map<string, number>();
  for (const { restorationId } of pieces) inMachine.set(restorationId, (inMachine.get(restorationId) ?? 0) + 1);
  const groups = new Map<string, Treated[]>();
  for (const piece of pieces) {
    const name = `${piece.school} ${piece.plastic}`;
    const group = groups.get(name);
    if (group) group.push(piece);
    else groups.set(name, [piece]);
  }
  const mean = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0) / numbers.length;
  const shareOf = (all: readonly Treated[], what: 'minutes' | 'costMinor'): number | null => {
    const known = all.flatMap(({ restorationId }) => {
      const of = bookedOf.get(restorationId);
      // Of what was never booked nobody knows what it took.
      return of && of[what] > 0 ? [of[what] / inMachine.get(restorationId)!] : [];
    });
    return known.length > 0 ? mean(known) : null;
  };
  // What ended within its tolerance tells what it took; what went on or was given up does not.
  const reached = pieces.filter(({ endedAt, lastB, toleranceB }) => endedAt !== null && lastB <= toleranceB);
  const band = Math.exp(NINE_IN_TEN * assumed('spread of hands work'));
  return {
    ways: [...groups.values()]
      .map((all): WayLearnt => {
        const fell = all.map(({ startB, lastB }) => startB - lastB).sort((a, b) => a - b);
        return {
          ...{ school: all[0]!.school, plastic: all[0]!.plastic, pieces: all.length },
          fell: { least: fell[0]!, middle: middle(fell), most: fell.at(-1)! },
          sessions: mean(all.map(({ sessions }) => sessions)),
          hours: mean(all.map(({ minutes: light }) => light)) / 60,
          minutes: shareOf(all, 'minutes'),
          costMinor: shareOf(all, 'costMinor'),
        };
      })
      .sort((a, b) => b.pieces - a.pieces),
    agents: outcomes.map(({ agent, soil, wins, times }) => ({ agent, soil, share: seenShare(wins, times) })),
    repairs: repairs.map(({ way, ended, broke }) => ({ way, share: seenShare(ended - broke, ended) })),
    forecasts: [
      { what: 'dose', share: seenShare(reached.filter(doseHeld).length, reached.length) },
      {
        what: 'minutes',
        share: seenShare(
          runs.filter((run) => run.minutes <= run.plannedMin * band && run.minutes >= run.plannedMin / band).length,
          runs.length,
        ),
      },
    ],
    returned,
    stages: STAGES.flatMap((stage) => minutes.filter((one) => one.stage === stage)),
    worth: worth.map(({ id, title, spentMinor, minutes: spent, estimate }) => {
      const goodOne = estimate ? (JSON.parse(estimate) as { goodOne: { low: number; high: number } }).goodOne : null;
      return { title, restorationId: id, spentMinor, minutes: spent, goodOne };
    }),
  };
}
