import { scrubMinutes } from '@/core/cleaning/bath';
import { waitsForMeasuring } from '@/core/fade/after';
import { exposureForecast } from '@/core/fade/forecast';
import { UVI_PER_MW_CM2 } from '@/core/fade/dose';
import { outdoors, type AirSource } from '@/core/finish/air';
import { coatFaults, TRANSFER } from '@/core/finish/coat';
import { paintAmount } from '@/core/finish/paintAmount';
import { creamAmount } from '@/core/peroxide/cream';
import { FILM_MM, surfaceCm2 } from '@/core/session/amounts';
import { rustLadder } from '@/core/finish/rust';
import { agentOf } from '@/core/materials/agents';
import { mixtureOf } from '@/core/materials/mixing';
import { chooseWait } from './chooseWait';
import { hoursOfDays } from '@/core/runsheet/hours';
import { dayAround, showTime } from '@/core/runsheet/time';
import type { Aim } from '@/core/intake/aim';
import { proposalFor } from '@/core/intake/proposals';
import { isPlastic, type Stage } from '@/core/runsheet/stages';
import type {
  BenchFacts,
  BenchThings,
  CoatFacts,
  JobFacts,
  MachineFacts,
  PersonFacts,
  PieceFacts,
  SunDayFacts,
  Takes,
  YellowFacts,
} from '@/core/schedule/facts/facts';
import type { Interval } from '@/core/schedule/problem';
import { priorOf, SCHOOL, type School, type SchoolId } from '@/core/session/schools';
import { quarters, type SkySource } from '@/core/session/sessions';
import { assumed } from '@/core/assumptions/assumptions';
import { ownKnowledge } from '@/data/cleaning';
import { powerDecided } from '@/data/firstPower';
import { newestPhotos } from '@/data/photos/store';
import { piecesOfAll, sizeOf } from '@/data/pieces';
import { openRestorations } from '@/data/restorations';
import type { Person, RowOf, Workshop } from '@/data/rows';
import { stagesOfAll } from '@/data/stages';
import { ofEach } from '@/data/ofEach';
import { findColumns, findRows, select } from '@/data/table';
import { literal, Op } from 'sequelize';
import { inTurns } from '@/data/turns';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';
import { washSpotsOf } from '../wash/spots';
import { parcelsOf } from './parcels';

const MINUTE_MS = 60_000;
/** So far ahead hands are looked for, and so far the sky. */
const HAND_DAYS = 60;
const SKY_DAYS = 45;

/** Where the sky and the air of the coming hours come from. */
export interface Outside {
  sky: SkySource;
  air: AirSource;
}

/** What there is of each where nobody has said: one pair of hands’ bench. */
export const usualThings = ({ lampMwPerCm2 }: Workshop, tubs: number): BenchThings => ({
  ...{ sink: 1, tub: Math.max(1, tubs), sun: 3, lamp: lampMwPerCm2 > 0 ? 1 : 0, box: 1, rack: 20, clamp: 6, meter: 1 },
});

/** A name for whoever works alone and has not given one. */
const SOMEBODY = 'somebody';

const minutesFrom = (now: Date) => (iso: string) => Math.round((Date.parse(iso) - now.getTime()) / MINUTE_MS);

/** When each person is there, from a moment on. */
export function peopleFacts(people: readonly Person[], { hours, timeZone }: Workshop, now: Date): PersonFacts[] {
  const at = minutesFrom(now);
  const who = people.length > 0 ? people : [{ id: SOMEBODY, hours: null, daysOff: [] as string[] }];
  return who.map(({ id, hours: own, daysOff }) => ({
    id,
    available: hoursOfDays(now, timeZone, own ?? hours, HAND_DAYS)
      .filter(({ from }) => !daysOff.includes(dayName(from, timeZone)))
      .map(({ from, to }): Interval => [at(from.toISOString()), at(to.toISOString())])
      .filter(([from, to]) => to > from),
  }));
}

/** A day as people write days off: `2026-06-21`, in the workshop’s zone. */
export const dayName = (at: Date, timeZone: string): string => showTime(at.toISOString(), timeZone, 'yyyy-MM-dd');

/** The light of the coming days, within the hours that somebody is there. */
async function sunFacts(
  workshop: Workshop,
  people: readonly PersonFacts[],
  sky: SkySource,
  now: Date,
): Promise<SunDayFacts[]> {
  const place = placeOf(workshop);
  if (!place) return [];
  const { start } = dayAround(now, workshop.timeZone);
  const [clouds, shading] = await Promise.all([sky(place, start, 24 * (SKY_DAYS + 1)), listObstacles()]);
  const attended = people.flatMap(({ available }) => available).filter(([from]) => from < SKY_DAYS * 1440);
  const seen = new Map<string, SunDayFacts>();
  for (const [from, to] of attended) {
    const hours = {
      from: new Date(now.getTime() + from * MINUTE_MS),
      to: new Date(now.getTime() + to * MINUTE_MS),
    };
    const of = quarters({ place, shading, clouds, transmission: 1 }, hours);
    const washOff = hours.to.getTime() - (assumed('washing off') + 15) * MINUTE_MS;
    // Somebody is still there when it is washed off.
    const worth = of.filter(({ at, dose }) => 4 * dose >= assumed('worth putting out') && at < washOff);
    const [first, last] = [worth[0], worth.at(-1)];
    if (!first || !last) continue;
    const stretch: SunDayFacts = {
      from: Math.round((first.at - now.getTime()) / MINUTE_MS),
      to: Math.round((last.at - now.getTime()) / MINUTE_MS) + 15,
      dose: worth.reduce((sum, { dose }) => sum + dose, 0),
      own: clouds.some(({ at, own }) => own === true && at.getTime() >= first.at && at.getTime() <= last.at),
    };
    if (stretch.to - stretch.from < 60 * assumed('worth the setting up')) continue;
    const day = dayName(hours.from, workshop.timeZone);
    const known = seen.get(day);
    if (!known || known.dose < stretch.dose) seen.set(day, stretch);
  }
  return [...seen.values()].sort((a, b) => a.from - b.from);
}

/** How a piece goes, or would go: by its treatment, else by what light there is. */
function schoolFor(parts: number, going: SchoolId | null, sun: readonly SunDayFacts[], lamp: boolean): SchoolId {
  if (going !== null) return going;
  if (sun.length > 1) return parts > 1 ? 'bag-sun' : 'cream-film-sun';
  return lamp ? 'cream-film-lamp' : 'vapour';
}

type Sized = Pick<RowOf['pieces'], 'lengthMm' | 'widthMm' | 'heightMm'>;

interface Read {
  workshop: Workshop;
  sun: readonly SunDayFacts[];
  at: (iso: string) => number;
}

function yellowOf(
  piece: Sized & Pick<RowOf['pieces'], 'parts'>,
  deltaB: number,
  treatment: RowOf['treatments'] | null,
  planned: RowOf['timers'] | null,
  { workshop, sun, at }: Read,
): YellowFacts | null {
  const tolerance = treatment?.toleranceB ?? 1.5;
  if (deltaB <= tolerance) return null;
  const id = schoolFor(piece.parts, treatment?.school ?? null, sun, workshop.lampMwPerCm2 > 0);
  const school = SCHOOL[id];
  const { doseToGo } = exposureForecast({
    ...{ startB: deltaB, targetB: 0, toleranceB: tolerance, sessions: [], measurementSd: assumed('a measured b*') },
    prior: priorOf(school, treatment?.targetPercentWW ?? school.usualPercentWW),
  });
  const lit = workshop.lampMwPerCm2 * UVI_PER_MW_CM2 * school.transmission;
  return {
    driver: school.driver,
    toGo: doseToGo,
    transmission: school.transmission,
    setUpMin: school.hands.setUpMin,
    perHour: school.driver === 'lamp' ? lit : school.driver === 'warmth' ? 1 : 0,
    longestMin: 60 * school.usualHours[1],
    planned: planned ? { start: at(planned.dueAt), end: at(planned.plannedTo!) } : null,
    takes: takesOf(school, piece, treatment),
  };
}

/** What one session of a way uses up: as its treatment was planned, else by the size of the piece; nothing where that is not known. */
function takesOf(school: School, piece: Sized, treatment: RowOf['treatments'] | null): Takes | null {
  const word = { cream: 'peroxide cream', liquid: 'peroxide liquid', powder: 'oxygen-bleach powder' }[school.medium];
  if (treatment && treatment.amountMl > 0) return { stockId: treatment.stockId, word, amount: treatment.amountMl };
  const size = sizeOf(piece);
  if (!size) return { stockId: null, word, amount: null };
  const amount = school.medium === 'cream' ? creamAmount(surfaceCm2(size), FILM_MM, 1, 100).creamMl : null;
  return { stockId: null, word, amount };
}

/** All that is open at the bench, read in as many queries for a hundred machines as for one. */
export async function benchFacts(now: Date, outside: Outside): Promise<BenchFacts & { titles: Map<string, string> }> {
  const workshop = await getWorkshop();
  const at = minutesFrom(now);
  const restorations = await openRestorations();
  const ids = restorations.map(({ id }) => id);
  const own = await ownKnowledge();
  const [people, tubs, stages, pieces, photographed, power, measurements, sessions, treatments, timers] =
    await Promise.all([
      findRows('people', {}, [['addedAt', 'ASC']]),
      findRows('tubs'),
      stagesOfAll(ids),
      piecesOfAll(ids),
      newestPhotos(ids),
      powerDecided(ids),
      findColumns(
        'measurements',
        ['id', 'restorationId', 'pieceId', 'measuredAt', 'deltaB', 'verdict'],
        { restorationId: ids },
        [
          ['measuredAt', 'ASC'],
          ['id', 'ASC'],
        ],
      ),
      findRows('sessions', { restorationId: ids }, [['startedAt', 'ASC']]),
      findRows('treatments', { restorationId: ids, endedAt: null }),
      findRows('timers', { endedAt: null }),
    ]);
  const [spots, steps, washed, boards, tests, repairs, rusts, rustSteps, jobs, coats, requests, orders, looks] =
    await Promise.all([
      washSpotsOf(restorations, own),
      select<{ restorationId: string; out: number; back: number }>(
        `SELECT restorationId, COUNT(*) AS "out", SUM(onAt IS NULL) AS back FROM removal_steps WHERE restorationId IN (:ids) GROUP BY restorationId`,
        { ids: [...ids, ''] },
      ),
      findColumns('sink_steps', ['id', 'restorationId', 'pieceId'], { restorationId: ids }),
      findRows('keyboards', { restorationId: ids }),
      findRows('key_tests', { restorationId: ids }, [['at', 'ASC']]),
      findRows('repairs', { restorationId: ids, endedAt: null }),
      findRows('rusts', { restorationId: ids, endedAt: null }),
      findRows('rust_steps', { restorationId: ids }),
      findRows('coat_jobs', { restorationId: ids, endedAt: null }),
      findRows('coats', { restorationId: ids }, [['rowid', 'ASC']]),
      findRows('requests', { restorationId: ids, answer: null }, [['askedAt', 'ASC']]),
      parcelsOf(now),
      findRows('looks_again', {
        measurementId: null,
        restorationId: { [Op.notIn]: literal('(SELECT id FROM put_away)') },
        dueAt: { [Op.lte]: new Date(now.getTime() + HAND_DAYS * 1440 * MINUTE_MS).toISOString() },
      }),
    ]);
  const found = await findRows('findings', { restorationId: ids, settledAs: null }, [['foundAt', 'ASC']]);
  const [wishes, ownTasks, marks, runs] = await Promise.all([
    findRows('wishes'),
    findRows('own_tasks', {}, [['at', 'ASC']]),
    findRows('task_marks'),
    findRows('task_runs', {}, [['startedAt', 'ASC']]),
  ]);
  const persons = peopleFacts(people, workshop, now);
  const sun = await sunFacts(workshop, persons, outside.sky, now);
  const coatWindows = await coatHours(workshop, jobs, outside, now);
  const read: Read = { workshop, sun, at };
  const rowsOf = ofEach();
  const wishOfEach = new Map(wishes.map((wish) => [wish.id, wish]));
  const machines = await inTurns(restorations, (restoration): MachineFacts => {
    const of = rowsOf(restoration.id);
    const ownPieces = of(pieces);
    const [step] = of(steps);
    const ownTimers = of(timers);
    const opens = stages
      .get(restoration.id)!
      .filter(({ state }) => state === 'open')
      .map(({ stage }) => stage);
    const [spotsHere, washedHere] = [spots.get(restoration.id)!, of(washed)];
    const busy = (pieceId: string) =>
      ownTimers
        .filter((timer) => timer.pieceId === pieceId && timer.kind === 'drying')
        .reduce((until, { dueAt }) => Math.max(until, at(dueAt)), 0);
    const pieceFacts = ownPieces.map((piece): PieceFacts => {
      const looked = of(measurements).filter(({ pieceId }) => pieceId === piece.id);
      const had = of(sessions).filter(({ pieceId }) => pieceId === piece.id);
      const running = had.find(({ endedAt }) => endedAt === null);
      const latest = looked.at(-1) ?? null;
      const brightens =
        isPlastic(piece.plastic) &&
        (piece.aim ?? restoration.aim) !== 'keep the age' &&
        (piece.aim ?? restoration.aim) !== 'clean only';
      const treatment =
        of(treatments)
          .filter(({ pieceId }) => pieceId === piece.id)
          .at(-1) ?? null;
      const planned =
        ownTimers.find((timer) => timer.pieceId === piece.id && timer.plannedTo !== null && at(timer.plannedTo) > 0) ??
        null;
      const toGo = latest?.verdict === 'to go' || latest?.verdict === 'uneven' ? (latest.deltaB ?? 0) : 0;
      const curing = of(repairs)
        .filter(({ pieceId, curedAt }) => pieceId === piece.id && curedAt !== null)
        .reduce((until, { curedAt }) => Math.max(until, at(curedAt!)), 0);
      return {
        ...{ id: piece.id, tag: piece.tag, name: piece.name, plastic: isPlastic(piece.plastic) },
        brushMin:
          opens.includes('wash') && !washedHere.some(({ pieceId }) => pieceId === piece.id)
            ? scrubMinutes({ parts: piece.parts, size: sizeOf(piece) })
            : null,
        busyUntil: Math.max(0, busy(piece.id), curing),
        exposedUntil: running ? Math.max(0, at(running.startedAt) + running.plannedMin) : null,
        sessionsDone: had.length,
        unmeasured: brightens && latest === null,
        measureAgain: running === undefined && waitsForMeasuring(had, looked) !== null,
        yellow: brightens && running === undefined ? yellowOf(piece, toGo, treatment, planned, read) : null,
      };
    });
    const guess =
      pieceFacts.length === 0 && restoration.aim !== 'keep the age' ? [someShells(restoration.aim, read)] : [];
    return {
      id: restoration.id,
      open: opens,
      photographed: photographed.has(restoration.id),
      powerDecided: power.has(restoration.id),
      toTakeOut: 0,
      toPutBack: Number(step?.back ?? 0),
      pieces: [...pieceFacts, ...guess],
      spots: spotsHere.flatMap((spot): JobFacts[] => {
        const { finding, next, spot: known, running, done } = spot;
        if (finding.settledAs !== null || (known !== null && next === null && running === null)) return [];
        const agent = next ? agentOf(next.agent, own.agents) : null;
        const name = `${finding.words || finding.kind}${done.length > 0 ? `, pass ${done.length + 1}` : ''}`;
        const timer = running ? ownTimers.find(({ id }) => id === running.timerId) : undefined;
        return [
          {
            // Each pass is a task of its own: one that failed is followed by another.
            ...{ id: `${finding.id}.${done.length}`, name, pieceId: finding.pieceId },
            handsMin: agent ? Math.max(3, agent.handsMin) : 5,
            waitMin: agent ? (agent.wet === 'bath' ? 18 * 60 : agent.dwellMin > 20 ? agent.dwellMin : 0) : 0,
            acid: agent !== null && mixtureOf(agent.families, ['peroxide']).together !== 'fine',
            notBefore: timer ? at(timer.dueAt) : 0,
            orderId: null,
            takes:
              agent && agent.perLitre === null && agent.wet !== 'dry'
                ? [{ stockId: null, word: agent.title.toLowerCase(), amount: null, owned: true }]
                : [],
          },
        ];
      }),
      boards: of(boards)
        .filter(({ id }) => !of(tests).some((test) => test.keyboardId === id && test.endedAt !== null))
        .map(({ id, name, keys }) => ({ id, name, keys: keys.length })),
      mends: [
        ...toLookAt(restoration, 'mend', of(found), ownPieces, of(repairs)),
        ...of(repairs).map((repair): JobFacts => {
          const { id, name, pieceId, curedAt, way } = repair;
          const begun = curedAt !== null;
          return {
            ...{ id: begun ? `${id}.cured` : id, name, pieceId, acid: false },
            ...(begun ? { handsMin: 5, waitMin: 0, takes: [] } : chooseWait(way, repair.damage)),
            notBefore: begun ? at(curedAt) : 0,
            orderId: of(orders).find((order) => order.repairId === id)?.id ?? null,
          };
        }),
      ],
      rusts: [
        ...toLookAt(restoration, 'finish', of(found), ownPieces, of(rusts)),
        ...of(rusts).map((rust): JobFacts => {
          const running = of(rustSteps).find(({ rustId, endedAt }) => rustId === rust.id && endedAt === null);
          const done = of(rustSteps).filter(({ rustId, endedAt }) => rustId === rust.id && endedAt !== null).length;
          const rung = rustLadder(rust.patch, 20).rungs[Math.min(done, rustLadder(rust.patch, 20).rungs.length - 1)];
          return {
            ...{ id: `${rust.id}.${done}`, name: rust.name, pieceId: rust.pieceId, orderId: null },
            takes: rung?.way === 'converter' ? [{ stockId: null, word: 'converter', amount: null }] : [],
            handsMin: running ? 5 : Math.max(5, Math.round(rung?.handsMin ?? 15)),
            waitMin: running ? 0 : Math.round(60 * (rung?.waitH ?? 0)),
            acid: rung?.way === 'acid bath' || rung?.way === 'strong acid',
            notBefore: running?.dueAt ? at(running.dueAt) : 0,
          };
        }),
      ],
      coats: of(jobs).flatMap((job): CoatFacts[] => {
        const all = of(coats).filter(({ jobId }) => jobId === job.id);
        const laid = all.filter(({ laidAt }) => laidAt !== null).at(-1) ?? null;
        return all
          .filter(({ laidAt }) => laidAt === null)
          .map((coat, i) => {
            const sheet = coat.sheet ?? job.sheet;
            return {
              ...{ id: coat.id, name: `${job.name}: ${coat.kind}`, jobId: job.id, pieceId: job.pieceId },
              minLag: Math.round(60 * sheet.soonestH),
              maxLag: sheet.latestH === null ? null : Math.round(60 * sheet.latestH),
              underLaid: i === 0 && laid ? at(laid.laidAt!) : null,
              windows: coatWindows.get(job.id) ?? null,
              takes: {
                stockId: null,
                word:
                  coat.kind === 'wax'
                    ? 'wax'
                    : coat.kind.includes('primer')
                      ? 'primer'
                      : coat.kind === 'protectant'
                        ? 'protectant'
                        : 'paint',
                amount: paintAmount({
                  areaCm2: job.areaCm2,
                  coverageM2PerL: job.coverageM2PerL,
                  coats: 1,
                  transfer: TRANSFER[job.way],
                }).paintMl,
              },
            };
          });
      }),
      requests: of(requests).map(({ id, what, stage, pieceId, askedAt }) => ({
        id,
        what,
        stage,
        pieceId,
        asked: at(askedAt),
      })),
      orders: of(orders).map(({ id, what, dueAt, spread }) => ({
        id,
        what,
        due: dueAt === null ? null : at(dueAt),
        spread,
      })),
      looks: looksIn(of(looks), at),
      wish: wishOf(wishOfEach.get(restoration.id), at),
    };
  });
  // Those that are finished are looked at again.
  const opened = new Set(ids);
  const finished = [...new Set(looks.map(({ restorationId }) => restorationId))].filter((id) => !opened.has(id));
  const latestRun = new Map(runs.map((run) => [run.task, run]));
  return {
    titles: new Map(restorations.map(({ id, title }) => [id, title])),
    people: persons,
    things: workshop.things ?? usualThings(workshop, tubs.length),
    sun,
    machines: [
      ...machines,
      ...finished.map((id) => ({
        ...FINISHED,
        ...{
          id,
          looks: looksIn(rowsOf(id)(looks), at),
        },
      })),
    ],
    own: ownTasks
      .filter(({ restorationId }) => restorationId === null || opened.has(restorationId))
      .map(({ id, restorationId, what, minutes, hands, place, afterTask }) => ({
        ...{ id, what, minutes, hands, place },
        ...{ machine: restorationId, after: afterTask },
      })),
    running: [
      ...sessions
        .filter(({ endedAt, leadId }) => endedAt === null && leadId === null)
        .map(({ treatmentId, startedAt, plannedMin }) => {
          const driver = SCHOOL[treatments.find(({ id }) => id === treatmentId)?.school ?? 'vapour'].driver;
          return {
            place: driver === 'sun' ? ('sun' as const) : driver === 'lamp' ? ('lamp' as const) : ('box' as const),
            ...{ until: Math.max(1, at(startedAt) + plannedMin), peroxide: true },
          };
        }),
      ...timers
        .filter(({ kind, repairId }) => kind === 'sink' || repairId !== null)
        .map(({ kind, dueAt }) => ({
          place: kind === 'sink' ? ('tub' as const) : ('clamp' as const),
          ...{ until: at(dueAt), peroxide: false },
        })),
    ],
    marks: Object.fromEntries(
      marks.map(({ id, startAt, notBefore, minutes, dropped, personId }) => [
        id,
        {
          ...(startAt !== null && { at: at(startAt) }),
          ...(notBefore !== null && { notBefore: at(notBefore) }),
          ...(minutes !== null && { minutes }),
          ...(personId !== null && { personId }),
          dropped,
        },
      ]),
    ),
    done: [...latestRun.values()].filter(({ outcome }) => outcome === 'done').map(({ task }) => task),
    before: {},
  };
}

/** Minutes at the brush and b* of a machine whose pieces nobody has tagged yet: about what one is like. */
const UNTAGGED = { brushMin: 60, aboveB: 8 };

/** Stands for the shells of a machine whose pieces are not tagged yet, so that its date is no wild one. */
function someShells(aim: Aim, read: Read): PieceFacts {
  return {
    ...{ id: 'untagged', guessed: true, tag: '', name: '', plastic: true, brushMin: UNTAGGED.brushMin },
    ...{ busyUntil: 0, exposedUntil: null, sessionsDone: 0, unmeasured: false, measureAgain: false },
    yellow:
      aim === 'clean only'
        ? null
        : yellowOf({ parts: 1, lengthMm: null, widthMm: null, heightMm: null }, UNTAGGED.aboveB, null, null, read),
  };
}

/** Findings that ask for a stage and of which nothing is measured or chosen yet: somebody looks at them first. */
const toLookAt = (
  { aim }: { aim: Aim },
  stage: Stage,
  found: readonly RowOf['findings'][],
  pieces: readonly RowOf['pieces'][],
  begun: readonly { findingId: string | null }[],
): JobFacts[] =>
  found
    .filter(
      (finding) =>
        proposalFor(finding, pieces.find(({ id }) => id === finding.pieceId)?.aim ?? aim).stage === stage &&
        !begun.some(({ findingId }) => findingId === finding.id),
    )
    .map(({ id, words, kind, pieceId }) => ({
      ...{ id, name: words || kind, pieceId, handsMin: assumed('a stage nobody knows of'), waitMin: 0 },
      ...{ acid: false, notBefore: 0, orderId: null, takes: [] },
    }));

/** A machine of which nothing is open any more. */
const FINISHED: Omit<MachineFacts, 'id' | 'looks'> = {
  ...{ open: [], photographed: true, powerDecided: true, toTakeOut: 0, toPutBack: 0, wish: null },
  ...{ pieces: [], spots: [], boards: [], mends: [], rusts: [], coats: [], requests: [], orders: [] },
};

const looksIn = (looks: readonly RowOf['looks_again'][], at: Read['at']): MachineFacts['looks'] =>
  looks.map(({ id, pieceId, dueAt }) => ({ id, pieceId, due: at(dueAt) }));

const wishOf = (wish: RowOf['wishes'] | undefined, at: Read['at']) =>
  wish ? { dueMin: at(wish.wantedAt), weight: wish.weight } : null;

/** When the air allows a coat of each job; nothing for what is painted inside. */
async function coatHours(
  workshop: Workshop,
  jobs: readonly RowOf['coat_jobs'][],
  { air }: Outside,
  now: Date,
): Promise<Map<string, Interval[]>> {
  const place = placeOf(workshop);
  const outside = jobs.filter(({ inside }) => !inside);
  if (!place || outside.length === 0) return new Map();
  const from = new Date(Math.floor(now.getTime() / 3_600_000) * 3_600_000);
  const hours = outdoors(await air(place, from, 24 * SKY_DAYS), place, true);
  const at = minutesFrom(now);
  const known = new Map<string, Interval[]>();
  return new Map(
    outside.map((job) => {
      // The same sheet has the same hours, on however many machines.
      const sheet = JSON.stringify([job.sheet, job.way]);
      const found = known.get(sheet);
      if (found) return [job.id, found];
      const good = hours.filter((hour) => coatFaults(hour, job.sheet, job.way, false).length === 0);
      const windows: [number, number][] = [];
      for (const { at: hour } of good) {
        const start = at(hour.toISOString());
        const last = windows.at(-1);
        if (last && start <= last[1] + 1) last[1] = start + 60;
        else windows.push([start, start + 60]);
      }
      const ahead = windows.filter(([, to]) => to > 0).map(([a, b]): Interval => [Math.max(0, a), b]);
      known.set(sheet, ahead);
      return [job.id, ahead];
    }),
  );
}
