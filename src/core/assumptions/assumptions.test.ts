import { cleaningLadder, NOTHING_OWN, worthOf, type Spot } from '../cleaning/ladder';
import { agentOf } from '../materials/agents';
import { scrubMinutes } from '../cleaning/bath';
import { dryHours } from '../cleaning/drying';
import { chanceOf } from '../cleaning/outcomes';
import { adviseAfter } from '../choice/advice';
import { commonTarget } from '../fade/commonTarget';
import { compareWays, effortOf, guessOf, type CompareInput, type Way } from '../choice/compare';
import { exposureForecast } from '../fade/forecast';
import { noDoseGate } from '../session/gates';
import { pooledPrior } from '../fade/pooling';
import { priorOf, SCHOOL } from '../session/schools';
import type { Band, ForecastInput } from '../fade/fade';
import { errorsOf } from '../fade/dose';
import { rehearse } from '../rehearse/rehearse';
import { seededRandom } from '../rehearse/seededRandom';
import { WELL_DONE } from '../rehearse/session';
import { yellowReturning } from '../fade/returning';
import { windowNow } from '../session/sessions';
import { compareRails } from '../intake/rails';
import { worth } from '../ledger/worth';
import { agedStrength } from '../peroxide/agedBottle';
import { agedSince, type Bottle } from '../peroxide/bottle';
import { isOneColour, isSeveralParts, judge } from '../face/verdict';
import type { SunSample } from '../sun/day';
import { cloudTransmission } from '../sun/uvIndex';
import { worthStretch } from '../sun/worthStretch';
import { grid } from '../keyboard/boards.testing';
import { diagnose, type Diagnosing } from '../keyboard/diagnosis';
import { saysOf } from '../keyboard/evidence';
import { expectedOf, oddsOfWay, type RepairWay } from '../keyboard/repairs';
import { contactVerdict, usualContactLimits } from '../keyboard/trace';
import { bossAndScrew, type BossAndScrew } from '../mending/bossAndScrew';
import { pinInStub, type StubAndPin } from '../mending/pinInStub';
import { partOf } from '../mending/part/part';
import { bellTime, everyDay } from '../runsheet/hours';
import { FINISH_CASES } from './finishCases.testing';
import { PLAN_CASES } from './planCases.testing';
import { TINT_CASES } from './tintCases.testing';
import { MENDING_CASES } from './mendingCases.testing';
import { ASSUMPTIONS, assumed, STANDINGS, type AssumptionName } from './assumptions';

interface Case {
  /** What it decides here. */
  decides: string;
  of: () => unknown;
  is: unknown;
  /** A value not far off, with which it would come out otherwise. */
  other: number;
}

const KEYS = grid(2, 4);
const FOLDED = KEYS.lines.map((line) => (line.id === 'R0' ? { ...line, foldAfter: ['k0.2'] } : line));
const PLUGGED = { plug: { lines: ['R0', 'R1'] } };
const ROW = ['k0.0', 'k0.1', 'k0.2', 'k0.3'];
const seenOn = (dead: readonly string[]): Diagnosing => ({
  ...KEYS,
  observations: Object.fromEntries(KEYS.keys.map(({ id }) => [id, dead.includes(id) ? 'dead' : 'works'] as const)),
  readings: [],
});
/** What the last key of the first row is, dead as it is. */
function lastOfRow(more: Partial<Diagnosing>, dead: readonly string[] = ['k0.3']) {
  const { marginals, plug } = diagnose({ ...seenOn(dead), ...more });
  const { contact } = marginals.keys.find(({ key }) => key === 'k0.3')!;
  return { open: marginals.lines[0]!.segments[3]!.probability, contact, plug };
}

const STUB: StubAndPin = {
  ...{ stubMm: 6, deepestMm: 12, pinMm: null, loadN: 20, armMm: 3 },
  ...{ bearingMPa: 20, bendingMPa: 250, safetyFactor: 2 },
};
const BOSS: BossAndScrew = {
  ...{ bossMm: 7, holeMm: 2.4, threadMm: 3, coreMm: 2, pitchMm: 1.2, shank: 'straight' },
  ...{ engagedMm: 8, shearMPa: 19, friction: 0.25 },
};

/** How many of a hundred faults a way alone leaves. */
const leftOver = (way: RepairWay) => Math.round(100 * expectedOf([oddsOfWay(way, [])]).leftOver);

const NOW = new Date('2026-06-15T06:00:00Z');
const inDays = (days: number) => new Date(NOW.getTime() + days * 86_400_000).toISOString();
const WAY: Way = {
  ...{
    school: 'bag-sun',
    title: 'Bag, sun',
    dose: null,
    sessions: 1,
    waitingH: 0,
    costMinor: 0,
    blocked: [],
    sun: null,
  },
  ...{
    finish: inDays(0),
    finishSlow: inDays(0),
    handsMin: 0,
    spreadB: 0,
    risks: [],
    missing: [],
    buy: [],
    supply: null,
  },
};
/** Which of two ways weighs less. */
const lighter = (a: Partial<Way>, b: Partial<Way>, by: Date | null = null) => {
  const effort = (way: Partial<Way>) => effortOf({ ...WAY, ...way }, { now: NOW, by, going: null });
  return effort(a) < effort(b) ? 'the first' : 'the second';
};

const HOURS = Array.from({ length: 14 }, (_, day) => ({
  from: new Date(NOW.getTime() + day * 86_400_000 + 2 * 3_600_000),
  to: new Date(NOW.getTime() + day * 86_400_000 + 11 * 3_600_000),
}));
const CLEAR = Array.from({ length: 14 * 24 }, (_, i) => ({ at: new Date(NOW.getTime() + i * 3_600_000), cloud: 0 }));
const LID: CompareInput = {
  piece: {
    lengthMm: 400,
    widthMm: 300,
    heightMm: 60,
    labels: '',
    metalInside: '',
    printed: false,
    painted: false,
    clear: false,
    brittle: false,
    spared: [],
    marks: [],
  },
  ...{
    aim: 'presentable',
    aboveB: 18,
    toleranceB: 1.5,
    priorOf: guessOf,
    place: { latitude: 50, longitude: 10 },
    shading: [],
    hours: HOURS,
  },
  yellowOf: () => ({ startB: 24, targetB: 6, sessions: [], measurementSd: 0.6 }),
  ...{ clouds: CLEAR, now: NOW, lampMwPerCm2: 5, going: null, by: null },
  tubs: [],
  stock: [
    { id: 'a', name: 'Tube', kind: 'cream', percentWW: 11.7, sizeMl: 1000, priceMinor: 1200, left: 1000 },
    { id: 'b', name: 'Bottle', kind: 'liquid', percentWW: 12, sizeMl: 9000, priceMinor: 2000, left: 9000 },
  ],
};
const doseToGo = (
  school: 'cream-film-sun' | 'bag-sun' | 'bath-lamp' | 'vapour' | 'oxygen-soak',
  percentWW = SCHOOL[school].usualPercentWW,
) => {
  const { doseToGo: to } = exposureForecast({
    ...{ startB: 24, targetB: 6, sessions: [], measurementSd: 0.6, toleranceB: 1.5 },
    prior: priorOf(SCHOOL[school], percentWW),
  });
  return Math.round(to.median);
};

const SPOT: Spot = {
  soil: 'hand-grease',
  surfaces: ['abs-textured'],
  severity: 'plain',
  visible: 'front',
  aim: 'presentable',
  paperLabel: '',
  metalInside: '',
};
const rungOf = (spot: Partial<Spot>, agent: string, own = NOTHING_OWN) =>
  cleaningLadder({ ...SPOT, ...spot }, own).rungs.find((rung) => rung.agent === agent);
const FADE: ForecastInput = {
  ...{ startB: 20, targetB: 6, toleranceB: 1, measurementSd: 0.2, prior: { medianRate: 0.06, logSd: 0.3 } },
  sessions: [{ dose: 10, measuredB: 12 }],
};
const advised = (
  deltaB: number,
  evenness: number,
  dose: number,
  handsMin: number,
  measuredB: number | null = 6 + deltaB,
) =>
  adviseAfter({
    ...{ verdict: 'to go' as const, deltaB, evenness, uneven: false, session: { dose, handsMin, waitingH: 3 } },
    fade: measuredB === null ? null : { ...FADE, sessions: [{ dose: 10, measuredB }] },
  }).what;
const wide = ({ low, high }: Band) => (high - low).toFixed(2);
const piece = (id: string, hiddenB: number, currentB: number) => ({ id, tag: id, hiddenB, currentB });
const shell = { surfaces: [{ dryH: 18 }], hollow: false, airing: false, temperatureC: 20, humidity: 0.5 };
const BOTTLE: Bottle = {
  kind: 'peroxide liquid',
  strengthValue: 12,
  strengthUnit: 'percentWW',
  addedAt: '2026-01-01T00:00:00Z',
  tested: null,
};
const old = { months: 12, openMonths: 0, storageC: 20 };
const narrow = (value: number) => ({ low: value, likely: value, high: value });
/** A sky that is grey but for one day. */
const greyBut = (day: number, cloud: number) =>
  CLEAR.map(({ at }) => ({ at, cloud: Math.floor((at.getTime() - NOW.getTime()) / 86_400_000) === day ? 0 : cloud }));

/** Sun of one strength every ten minutes, so many samples of it. */
const weak = (uvIndex: number, samples = 20): SunSample[] =>
  Array.from({ length: samples }, (_, i) => ({
    ...{
      time: new Date(NOW.getTime() + i * 600_000).toISOString(),
      elevationDeg: 30,
      azimuthDeg: 180,
      uvIndexClear: uvIndex,
    },
    uvIndex,
  }));

const CASES: Record<AssumptionName, Case> = {
  'fade of cream': { decides: 'the dose to go by cream', of: () => doseToGo('cream-film-sun'), is: 41, other: 0.05 },
  'fade of bag and bath': { decides: 'the dose to go in a bag', of: () => doseToGo('bag-sun'), is: 62, other: 0.05 },
  'fade of a strong bath': {
    decides: 'the dose to go in a bath of 15 %',
    of: () => doseToGo('bath-lamp', 15),
    is: 25,
    other: 0.08,
  },
  'fade of oxygen soak': {
    decides: 'the hours in oxygen bleach',
    of: () => doseToGo('oxygen-soak'),
    is: 166,
    other: 0.018,
  },
  'fade of vapour': { decides: 'the hours in vapour', of: () => doseToGo('vapour'), is: 62, other: 0.05 },
  'spread of fades': {
    decides: 'how long a first forecast may take at worst',
    of: () => {
      const prior = priorOf(SCHOOL['cream-film-sun'], 12);
      return Math.round(
        exposureForecast({ startB: 24, targetB: 6, sessions: [], measurementSd: 0.6, toleranceB: 1.5, prior }).doseToGo
          .high,
      );
    },
    is: 111,
    other: 0.5,
  },
  'spread of workshops': {
    decides: 'how far two pieces move the first guess',
    of: () => {
      const words = [0.12, 0.12].map((rate) => ({ mean: Math.log(rate), variance: 0.02 }));
      return pooledPrior(words, { medianRate: 0.06, logSd: 0.6 }).prior.medianRate.toFixed(3);
    },
    is: '0.112',
    other: 0.5,
  },
  'spread of pieces': {
    decides: 'how sure a workshop’s rate is of its next piece',
    of: () =>
      pooledPrior([{ mean: Math.log(0.1), variance: 0.02 }], { medianRate: 0.06, logSd: 0.6 }).prior.logSd.toFixed(2),
    is: '0.59',
    other: 0.4,
  },
  'a measured b*': {
    decides: 'whether what came back in a year is more than the error of measuring',
    of: () =>
      yellowReturning([
        { at: '2026-01-01T00:00:00Z', b: 6, sd: assumed('a measured b*') },
        { at: '2027-01-01T00:00:00Z', b: 8.2, sd: assumed('a measured b*') },
      ])!.certain,
    is: true,
    other: 0.75,
  },
  'a day of waiting': {
    decides: 'three days sooner against 55 min of hands',
    of: () => lighter({ handsMin: 55 }, { finishSlow: inDays(3) }),
    is: 'the first',
    other: 16,
  },
  'a unit of uneven b*': {
    decides: 'two of b* evener against 25 min of hands',
    of: () => lighter({ handsMin: 25 }, { spreadB: 2 }),
    is: 'the first',
    other: 12,
  },
  'a risk': {
    decides: 'one risk less against 25 min of hands',
    of: () => lighter({ handsMin: 25 }, { risks: [{ kind: 'streaks' }] }),
    is: 'the first',
    other: 24,
  },
  'a thing to buy': {
    decides: 'nothing to buy against 50 min of hands',
    of: () => lighter({ handsMin: 50 }, { missing: [{ kind: 'lamp' }] }),
    is: 'the first',
    other: 45,
  },
  'too late': {
    decides: 'a way in time that asks 560 min more of the hands',
    of: () => lighter({ handsMin: 560, finish: inDays(1) }, { finish: inDays(3) }, new Date(inDays(2))),
    is: 'the first',
    other: 500,
  },
  'a change of way': {
    decides: 'whether the bath under the lamp goes on',
    of: () => compareWays({ ...LID, lampMwPerCm2: 3, going: 'bath-lamp' }).recommended,
    is: 'bath-lamp',
    other: 80,
  },
  'seen b*': {
    decides: 'whether a small session is worth the hands',
    of: () => advised(2.6, 0, 10, 85),
    is: 'go on',
    other: 1.5,
  },
  'palest part': {
    decides: 'whether the same again takes the palest parts past it',
    of: () => advised(3, 8.6, 6, 40, null),
    is: 'go on',
    other: -1.2,
  },
  'a unit of yellow left': {
    decides: 'whether a session is worth its hands',
    of: () => advised(3, 0, 10, 70),
    is: 'go on',
    other: 30,
  },
  'evening out': {
    decides: 'whether pale parts are shaded',
    of: () => advised(3, 10, 10, 30),
    is: 'even it out',
    other: 120,
  },
  strength: {
    decides: 'the dose to go in a bag at 3 %',
    of: () => doseToGo('bag-sun', 3),
    is: 94,
    other: 0.5,
  },
  'cream dries': {
    decides: 'what a morning without film brings',
    of: () =>
      rehearse(
        {
          ...{ startB: 24, targetB: 6, rate: 0.06, place: LID.place!, start: new Date('2026-06-21T10:00:00Z') },
          ...{ durationMin: 240, transmission: 0.9, percentWW: 12, usualPercentWW: 12, temperatureC: 25 },
          conduct: { ...WELL_DONE, film: 'none' },
        },
        5,
        seededRandom,
      ).dose.toFixed(1),
    is: '6.5',
    other: 75,
  },
  'dose of the sun': {
    decides: 'how wide the band is after a session in the sun',
    of: () =>
      wide(
        exposureForecast({ ...FADE, sessions: [{ dose: 10, measuredB: null }], ...errorsOf({ driver: 'sun' }) })
          .currentBand,
      ),
    is: '5.66',
    other: 0.3,
  },
  'dose of a lamp': {
    decides: 'how wide the band is after a lamp',
    of: () =>
      wide(
        exposureForecast({ ...FADE, sessions: [{ dose: 10, measuredB: null }], ...errorsOf({ driver: 'lamp' }) })
          .currentBand,
      ),
    is: '4.93',
    other: 0.2,
  },
  'dose of warmth': {
    decides: 'how wide the band is after hours in vapour',
    of: () =>
      wide(
        exposureForecast({ ...FADE, sessions: [{ dose: 10, measuredB: null }], ...errorsOf({ driver: 'warmth' }) })
          .currentBand,
      ),
    is: '5.22',
    other: 0.25,
  },
  'rest off the target': {
    decides: 'how wide the dose to go is',
    of: () => wide(exposureForecast({ ...FADE, ...errorsOf({ driver: 'lamp' }) }).doseToGo),
    is: '15.37',
    other: 0.7,
  },
  'there together': {
    decides: 'whether a piece still leads',
    of: () => commonTarget([piece('K1', 6, 7.7), piece('K2', 6, 6)])!.leads,
    is: 'K1',
    other: 1.8,
  },
  'patch apart': {
    decides: 'whether a hidden patch is trusted',
    of: () => commonTarget([piece('K1', 6, 20), piece('K2', 6, 20), piece('K3', 9.4, 20)])!.apart,
    is: ['K3'],
    other: 3.6,
  },
  'come to rest': {
    decides: 'whether a session that took little is called at rest',
    of: () =>
      /come to rest/.test(
        exposureForecast({
          ...{ startB: 26, targetB: 6, measurementSd: 0.3, toleranceB: 1.5, prior: { medianRate: 0.06, logSd: 0.6 } },
          sessions: [
            { dose: 10, measuredB: 16 },
            { dose: 10, measuredB: 14.6 },
          ],
        }).doubt ?? '',
      ),
    is: true,
    other: 0.24,
  },
  'worth moving': {
    decides: 'whether a planned window is moved to a clearer day',
    of: () =>
      windowNow({ place: LID.place!, shading: [], hours: HOURS, clouds: greyBut(2, 0.9), transmission: 1 }, HOURS[0]!)
        .better !== null,
    is: true,
    other: 1.9,
  },
  'next to no dose': {
    decides: 'whether a session is asked about',
    of: () => noDoseGate({ driver: 'sun' }, 0.18).length,
    is: 1,
    other: 0.16,
  },
  haze: {
    decides: 'whether a hazy afternoon is worth it',
    of: () => worthStretch(weak(2.3 * (1 - assumed('haze'))), NOW) !== null,
    is: true,
    other: 0.2,
  },
  'UV under a closed sky': {
    decides: 'whether a high sun behind a closed sky is worth it',
    of: () => worthStretch(weak(5.2 * cloudTransmission(1)), NOW) !== null,
    is: true,
    other: 0.36,
  },
  'worth putting out': {
    decides: 'whether a weak afternoon is worth it',
    of: () => worthStretch(weak(2.2), NOW) !== null,
    is: true,
    other: 2.4,
  },
  'worth the setting up': {
    decides: 'whether an hour of sun is worth it',
    of: () => worthStretch(weak(5, 7), NOW) !== null,
    is: true,
    other: 1.2,
  },
  'a spot in front': { decides: 'what a plain spot in front is worth', of: () => worthOf(SPOT), is: 90, other: 80 },
  'a spot underneath': {
    decides: 'whether a rough rung stands for a spot underneath',
    of: () => worthOf({ ...SPOT, visible: 'underside' }),
    is: 25,
    other: 22,
  },
  'a spot inside': {
    decides: 'what a plain spot inside is worth',
    of: () => worthOf({ ...SPOT, visible: 'hidden' }),
    is: 6,
    other: 5,
  },
  'what eats on': {
    decides: 'what a leak is worth inside',
    of: () => worthOf({ ...SPOT, soil: 'alkaline-leak' as Spot['soil'], visible: 'hidden' }),
    is: 400,
    other: 350,
  },
  'a test spot': {
    decides: 'the minutes of a rung that is tested first',
    of: () => rungOf({ soil: 'marker', surfaces: ['polystyrene'] }, 'isopropyl')?.minutes,
    is: 17.1,
    other: 6,
  },
  'waiting at the sink': {
    decides: 'the minutes of a soak',
    of: () => rungOf({ soil: 'general-grime' }, 'soap-soak')?.minutes,
    is: 13.5,
    other: 0.12,
  },
  'wear of the delicate': {
    decides: 'whether the rougher of two stands on gloss',
    of: () =>
      cleaningLadder({ ...SPOT, soil: 'ballpoint', surfaces: ['abs-glossy'], visible: 'underside' }).rungs.map(
        ({ agent }) => agent,
      ),
    is: [],
    other: 1.3,
  },
  'a twin': {
    decides: 'the chance of an agent whose twin did nothing',
    of: () => rungOf({ soil: 'alkaline-leak', failed: ['vinegar'] }, 'citric-acid')?.chance.mean.toFixed(3),
    is: '0.262',
    other: 0.5,
  },
  'weight of the data set': {
    decides: 'the chance after four passes that did nothing',
    of: () => {
      const tried = [
        { agent: 'isopropyl', soil: 'hand-grease', surface: 'abs-textured', outcome: 'no change', times: 4 },
      ] as const;
      const { mean, prior } = chanceOf('isopropyl', 'hand-grease', tried)!;
      return (mean / prior).toFixed(2);
    },
    is: '0.50',
    other: 5,
  },
  'handling a part': {
    decides: 'the minutes for fifty caps',
    of: () => Math.round(scrubMinutes({ parts: 50, size: { lengthMm: 260, widthMm: 140, heightMm: 12 } })),
    is: 19,
    other: 0.36,
  },
  brushing: {
    decides: 'the minutes for a large shell',
    of: () => Math.round(scrubMinutes({ parts: 1, size: { lengthMm: 400, widthMm: 300, heightMm: 60 } })),
    is: 17,
    other: 0.01,
  },
  'drying hollow': {
    decides: 'the hours of a hollow shell',
    of: () => dryHours(agentOf('soap-soak'), { ...shell, hollow: true }),
    is: 27,
    other: 1.3,
  },
  'drying in moving air': {
    decides: 'the hours in front of a fan',
    of: () => dryHours(agentOf('soap-soak'), { ...shell, airing: true }),
    is: 9,
    other: 0.6,
  },
  'drying after a cloth': {
    decides: 'the hours after a cloth',
    of: () => Number(dryHours(agentOf('soap-wipe'), shell).toFixed(1)),
    is: 3.6,
    other: 0.25,
  },
  'a closed bottle': {
    decides: 'what a closed bottle holds after a year',
    of: () => agedStrength(12, old).median.toFixed(2),
    is: '11.76',
    other: 0.03,
  },
  'an open bottle': {
    decides: 'what an open bottle holds after a year',
    of: () => agedStrength(12, { ...old, openMonths: 12 }).median.toFixed(1),
    is: '10.3',
    other: 0.18,
  },
  'doubt about a bottle': {
    decides: 'what it may hold at worst',
    of: () => agedStrength(12, { ...old, openMonths: 12 }).low.toFixed(1),
    is: '8.2',
    other: 2,
  },
  'an old bottle': {
    decides: 'whether its age is spoken of',
    of: () => agedSince(BOTTLE, new Date('2026-04-20T00:00:00Z')) !== null,
    is: true,
    other: 4,
  },
  'likely worth it': {
    decides: 'whether it is called worth it',
    of: () => {
      const estimate = { parts: narrow(20), hours: narrow(4), goodOne: { low: 100, likely: 108, high: 150 } };
      return worth({ ...estimate, pricePaid: 50, spent: 0, hoursWorked: 0, hourlyRate: 10 }).verdict;
    },
    is: 'worth it',
    other: 0.85,
  },
  'matched ΔE00': { decides: 'whether it matches', of: () => judge(1.9, 0, 1.5, 1), is: 'matched', other: 1.7 },
  'uneven b*': { decides: 'whether it is uneven', of: () => judge(1, 0, 0.5, 5.3), is: 'uneven', other: 5.5 },
  'several parts': {
    decides: 'whether one outline holds several parts',
    of: () => isSeveralParts(16),
    is: true,
    other: 17,
  },
  'of one colour': { decides: 'whether a verdict is given', of: () => isOneColour(0.45), is: false, other: 0.4 },
  'still there': {
    decides: 'whether a bell rings after hours',
    of: () =>
      bellTime(
        new Date('2026-06-21T21:50:00Z'),
        new Date('2026-06-21T20:00:00Z'),
        'Etc/UTC',
        everyDay(9, 18),
      ).toISOString(),
    is: '2026-06-21T21:50:00.000Z',
    other: 1.6,
  },
  'line breaks': {
    decides: 'whether a fold is taken to be broken by two in three',
    of: () => lastOfRow({ lines: FOLDED }).open > 0.66,
    is: true,
    other: 0.0035,
  },
  'fold breaks': {
    decides: 'whether a fold is taken to be broken by two in three',
    of: () => lastOfRow({ lines: FOLDED }).open > 0.66,
    is: true,
    other: 8.6,
  },
  'contact fails': {
    decides: 'whether one dead key is its contact by four in ten',
    of: () => lastOfRow({}).contact > 0.4,
    is: true,
    other: 0.0088,
  },
  'key sticks': {
    decides: 'how many keys of four hundred that nobody tried are stuck',
    of: () => Math.floor(400 * diagnose({ ...KEYS, observations: {}, readings: [] }).marginals.keys[0]!.stuck),
    is: 1,
    other: 0.0024,
  },
  'seen wrongly': {
    decides: 'whether one dead key is its contact by four in ten',
    of: () => lastOfRow({}).contact > 0.4,
    is: true,
    other: 0.0115,
  },
  'read wrongly': {
    decides: 'whether one open reading makes sure',
    of: () => lastOfRow({ readings: [{ line: 'R0', from: 'k0.2', to: 'k0.3', ohms: null }] }).open > 0.95,
    is: true,
    other: 0.0115,
  },
  'stretch is whole': { decides: 'whether 1.9 kΩ is whole', of: () => saysOf({ ohms: 1900 }), is: 'low', other: 1800 },
  'stretch is broken': {
    decides: 'whether 21 kΩ is broken',
    of: () => saysOf({ ohms: 21_000 }),
    is: 'open',
    other: 22_000,
  },
  'plug sits badly': {
    decides: 'whether a dead row is rather the plug',
    of: () => lastOfRow(PLUGGED, ROW).plug! > 0.54,
    is: true,
    other: 0.0175,
  },
  'badly plugged line': {
    decides: 'whether a dead row is rather the plug',
    of: () => lastOfRow(PLUGGED, ROW).plug! > 0.555,
    is: true,
    other: 0.58,
  },
  'lines bridged': {
    decides: 'whether one double answer is more than one chance in six and a half',
    of: () =>
      diagnose({ ...seenOn([]), bridges: [{ lines: ['C1', 'C2'], answered: { 'k0.1': ['k0.2'] } }] }).bridges[0]!
        .probability > 0.155,
    is: true,
    other: 0.0018,
  },
  'repair: reseat': {
    decides: 'how many of a hundred are left over after reseat',
    of: () => leftOver('reseat'),
    is: 38,
    other: 0.605,
  },
  'repair: wipe': {
    decides: 'how many of a hundred are left over after wipe',
    of: () => leftOver('wipe'),
    is: 43,
    other: 0.55,
  },
  'repair: abrade': {
    decides: 'how many of a hundred are left over after abrade',
    of: () => leftOver('abrade'),
    is: 40,
    other: 0.58,
  },
  'repair: free': {
    decides: 'how many of a hundred are left over after free',
    of: () => leftOver('free'),
    is: 25,
    other: 0.73,
  },
  'repair: paint': {
    decides: 'how many of a hundred are left over after paint',
    of: () => leftOver('paint'),
    is: 30,
    other: 0.68,
  },
  'repair: film pads': {
    decides: 'how many of a hundred are left over after film pads',
    of: () => leftOver('film pads'),
    is: 20,
    other: 0.78,
  },
  'repair: wire link': {
    decides: 'how many of a hundred are left over after wire link',
    of: () => leftOver('wire link'),
    is: 20,
    other: 0.78,
  },
  'repair: re-tin': {
    decides: 'how many of a hundred are left over after re-tin',
    of: () => leftOver('re-tin'),
    is: 40,
    other: 0.58,
  },
  'repair: unbridge': {
    decides: 'how many of a hundred are left over after unbridge',
    of: () => leftOver('unbridge'),
    is: 30,
    other: 0.68,
  },
  'repair: donor part': {
    decides: 'how many of a hundred are left over after donor part',
    of: () => leftOver('donor part'),
    is: 10,
    other: 0.88,
  },
  'repair: new membrane': {
    decides: 'how many of a hundred are left over after new membrane',
    of: () => leftOver('new membrane'),
    is: 5,
    other: 0.93,
  },
  'weight of a guessed repair': {
    decides: 'whether a way that failed four times is still as likely to help as not',
    of: () =>
      oddsOfWay(
        'paint',
        Array.from({ length: 4 }, () => ({ way: 'paint', outcome: 'no better' })),
      ).odds >= 0.5,
    is: true,
    other: 9.9,
  },
  'contact passes': {
    decides: 'whether 950 Ω pass',
    of: () => contactVerdict(950, usualContactLimits()),
    is: 'pass',
    other: 900,
  },
  'contact is cleaned': {
    decides: 'whether 4.8 kΩ are worth cleaning',
    of: () => contactVerdict(4800, usualContactLimits()),
    is: 'clean',
    other: 4700,
  },
  'glue film round a pin': {
    decides: 'whether a stub of 4.1 mm takes a pin of 2 mm',
    of: () => pinInStub({ ...STUB, stubMm: 4.1 }).pinMm,
    is: 2,
    other: 0.06,
  },
  'least wall round a pin': {
    decides: 'whether a stub of 2.7 mm takes a pin of 1 mm',
    of: () => pinInStub({ ...STUB, stubMm: 2.7, pinMm: 1 }).splits,
    is: false,
    other: 0.81,
  },
  'wall round a pin': {
    decides: 'whether a stub of 8.2 mm takes a pin of 4 mm',
    of: () => pinInStub({ ...STUB, stubMm: 8.2 }).pinMm,
    is: 4,
    other: 0.52,
  },
  'depth of a pin': {
    decides: 'how deep a pin of 2 mm is set',
    of: () => pinInStub({ ...STUB, pinMm: 2 }).depthMm,
    is: 6,
    other: 2.9,
  },
  'length that a taper bites': {
    decides: 'whether a tapered screw bears 220 N',
    of: () => bossAndScrew({ ...BOSS, shank: 'tapered' }).pullOutN > 220,
    is: true,
    other: 0.4,
  },
  'share of a thread in plastic': {
    decides: 'whether a screw bears 500 N',
    of: () => bossAndScrew(BOSS).pullOutN > 500,
    is: true,
    other: 0.56,
  },
  'thread spins under': {
    decides: 'whether a thread that bites a fifth and a hair spins',
    of: () => bossAndScrew({ ...BOSS, holeMm: 2.79 }).verdict,
    is: 'weak',
    other: 0.22,
  },
  'thread holds from': {
    decides: 'whether a thread that bites half and a hair holds',
    of: () => bossAndScrew({ ...BOSS, holeMm: 2.49 }).verdict,
    is: 'holds',
    other: 0.52,
  },
  'wall of a boss': {
    decides: 'whether a boss of 4.6 mm bursts round a thread of 3 mm',
    of: () => bossAndScrew({ ...BOSS, bossMm: 4.6 }).verdict,
    is: 'holds',
    other: 0.27,
  },
  'stop before it strips': {
    decides: 'where to stop, of the torque that strips',
    of: () => {
      const { stopNcm, stripsNcm } = bossAndScrew(BOSS);
      return Number((stopNcm / stripsNcm).toFixed(3));
    },
    is: 0.5,
    other: 0.49,
  },
  ...MENDING_CASES,
  ...TINT_CASES,
  ...FINISH_CASES,
  ...PLAN_CASES,
  'thinnest wall': {
    decides: 'whether a sleeve with a wall of 0.42 mm is made',
    of: () => {
      try {
        return partOf('sleeve', { innerMm: 6.16, outerMm: 7, lengthMm: 9 }).solid.watertight;
      } catch {
        return 'refused';
      }
    },
    is: true,
    other: 0.45,
  },
  'volts off': {
    decides: 'whether a supply of 9.4 V is right for 9',
    of: () => compareRails([{ pin: '', volts: 9 }], [{ pin: '', volts: 9.4 }]).wrong.length,
    is: 0,
    other: 0.04,
  },
};

it.each(Object.entries(CASES) as [AssumptionName, Case][])(
  '“%s” decides something, and at its value',
  (name, { of, is, other }) => {
    const kept = ASSUMPTIONS[name].value;
    expect(of()).toEqual(is);
    try {
      ASSUMPTIONS[name].value = other;
      expect(of()).not.toEqual(is);
    } finally {
      ASSUMPTIONS[name].value = kept;
    }
  },
);

it('each has its standing, its source and words', () => {
  for (const { standing, source, what, unit } of Object.values(ASSUMPTIONS)) {
    expect(STANDINGS).toContain(standing);
    expect([source, what, unit].every((words) => words.length > 0)).toBe(true);
  }
});
