import type { FindingKind, Severity } from '@/core/intake/findings';
import type { WorthEstimate } from '@/core/ledger/worth';
import type { Share } from '@/core/picture/picture';
import { keepLesson } from '../src/work/lessons';
import { addFinding, settleFinding } from '../src/work/findings';
import { addTub } from '../src/work/knowledge';
import { addObstacle, addPerson, saveWorkshop } from '../src/work/workshop';
import { answerRequest, askOwner } from '../src/work/owner';
import { caution } from '@/core/peroxide/cautions';
import { everyDay } from '@/core/runsheet/hours';
import type { Stage } from '@/core/runsheet/stages';
import { writeNote } from '../src/work/notes';
import { type NewPiece, addPiece } from '../src/work/pieces';
import { findPiece } from '@/data/pieces';
import { settleStage } from '../src/work/stages';
import { openRestoration, setAim, setEstimate, setOwner } from '../src/work/restorations';
import { worthWords } from '@/runsheet/worth';
import type { Piece, Session, StockItem } from '@/data/rows';
import { addLedgerEntry } from '../src/work/ledger';
import { inTransaction } from '@/data/connection';
import { addStock, takeOut } from '../src/work/stock';
import type { SkySource } from '@/core/session/sessions';
import { surfaceCm2 } from '@/core/session/amounts';
import { FILM_MM } from '../src/core/session/amounts';
import { creamAmount } from '@/core/peroxide/cream';
import { peroxideDilution } from '@/core/peroxide/dilution';
import { historyOf } from '@/stages/brighten/history';
import { planSession } from '@/stages/brighten/plan/planSession';
import { benchAsItStands, waysFor } from '@/stages/brighten/ways/ways';
import { simulatedSky } from '@/simulators/weather/sky';
import { noteTurn, startTimer } from '../src/work/timers';
import { runningTimers } from '@/data/timers';
import { endExposure } from '../src/work/brighten/end';
import { type StartExposure, startExposure } from '../src/work/brighten/begin';
import { endTreatment } from '../src/work/brighten/treatments';
import { treatmentsOf } from '@/data/treatments';
import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { LIGHTS } from '@/simulators/camera/shot';
import { measured, middleOf, photograph } from './photographs';
import { brimselCover } from './cover';
import { brimselFinish } from './finish';
import { brimselKeys } from './keys';
import { brimselApart, pellwigThereAndBack } from './teardowns';
import { orvane, washedBefore } from './wash';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** An invented workshop in a sunny place in mid-ocean, so that its sun is worth something in every month. */
const WORKSHOP = {
  name: 'Lindra’s bench, Port Amarel',
  latitude: 14.6,
  longitude: -30.2,
  altitudeM: 40,
  ozoneDU: 300,
  timeZone: 'Etc/GMT+2',
  units: 'metric',
  currency: 'EUR',
  hours: everyDay(10, 18),
  lampMwPerCm2: 0,
  hourlyRateMinor: 1200,
} as const;

/** A moment so many days ago, at an hour of the workshop's own clock (two hours behind UTC). */
function clockOf(now: Date) {
  const midnight = Math.floor((now.getTime() - 2 * HOUR_MS) / DAY_MS) * DAY_MS + 2 * HOUR_MS;
  return (daysAgo: number, hour: number, minute = 0) =>
    new Date(midnight - daysAgo * DAY_MS + hour * HOUR_MS + minute * 60_000);
}

type Clock = ReturnType<typeof clockOf>;

const piece = (restorationId: string, tag: string, name: string, rest: Partial<NewPiece> = {}): NewPiece => ({
  restorationId,
  tag,
  name,
  plastic: 'ABS',
  finish: 'textured',
  lengthMm: null,
  widthMm: null,
  heightMm: null,
  labels: '',
  metalInside: '',
  ...rest,
});

const minutes = (restorationId: string, stage: Stage, spent: number, words: string, at: Date) =>
  addLedgerEntry({ restorationId, stage, kind: 'minutes', words, amountMinor: 0, minutes: spent }, at);
const material = (restorationId: string, stage: Stage, amountMinor: number, words: string, at: Date) =>
  addLedgerEntry({ restorationId, stage, kind: 'material', words, amountMinor, minutes: 0 }, at);
/** An estimate with its verdict, as the form keeps it. */
async function estimate(restorationId: string, guesses: WorthEstimate, at: Date): Promise<void> {
  await setEstimate(restorationId, guesses, await worthWords(restorationId, guesses), at);
}
const note = (restorationId: string, stage: Stage, words: string, at: Date) =>
  writeNote({ restorationId, stage, words, corrects: null }, at);

/** Cream for one coat on the shell of the Brimsel Nine, mL. */
const CREAM_ML = creamAmount(surfaceCm2({ lengthMm: 400, widthMm: 220, heightMm: 45 }), FILM_MM, 1, 100).creamMl;

/** What of a bottle goes into a bag of so much weaker solution. */
const intoBag = (
  stock: StockItem,
  percentWW: number,
  amountMl: number,
): Pick<StartExposure, 'amountMl' | 'targetPercentWW' | 'takes'> => ({
  amountMl,
  targetPercentWW: percentWW,
  takes: {
    amount: 1000 * peroxideDilution(stock.strengthValue!, percentWW, amountMl / 1000).stockVolumeL,
    unit: 'mL',
    otherwise: stock.name,
  },
});

async function expose(
  target: Piece,
  stock: StockItem,
  from: Date,
  planned: number,
  real: { minutes: number; cloud: number; words: string },
  rest: Partial<StartExposure> = {},
): Promise<Session> {
  const start: StartExposure = {
    pieceIds: [target.id],
    school: 'cream-film-sun',
    stockId: stock.id,
    stockPercentWW: 11.66,
    targetPercentWW: 11.66,
    amountMl: CREAM_ML,
    takes: { amount: CREAM_ML, unit: 'mL', otherwise: stock.name },
    toleranceB: 1.5,
    plannedMin: planned,
    turnEveryMin: 30,
    cloudFraction: 0.1,
    lampMwPerCm2: 0,
    temperatureC: 27,
    cautions: [caution('peroxide-stings'), caution('sun-heat')],
    checks: [],
    ...rest,
  };
  const session = await startExposure(start, from);
  const timer = (await runningTimers()).find(({ sessionId }) => sessionId === session.id)!;
  for (let turn = start.turnEveryMin; turn < real.minutes; turn += start.turnEveryMin)
    await noteTurn(timer.id, new Date(from.getTime() + turn * 60_000));
  const end = new Date(from.getTime() + real.minutes * 60_000);
  return endExposure(
    session.id,
    { endedAt: end.toISOString(), cloudFraction: real.cloud, temperatureC: 31, words: real.words },
    end,
  );
}

/** Share of yellow left after a dose, with the rate this demo's plastic happens to have. */
const left = (dose: number) => Math.exp(-0.052 * dose);

/** Folds of the film along the front, where less of the yellow went. */
const FOLDS = [
  [70, 126, 170, 112],
  [190, 125, 290, 113],
  [300, 127, 400, 113],
] as const;

/** A home computer in the middle of brightening: two measured sessions, a fold line found, a third planned, caps from a mixed bottle. */
async function brimsel(at: Clock, now: Date, cream: StockItem, mixed: StockItem): Promise<void> {
  const { id } = await openRestoration(
    {
      title: 'Brimsel Nine',
      machine: 'Brimsel Nine home computer, one-piece keyboard, serial plate 0417',
      source: 'clearance of a school store',
      pricePaidMinor: 3500,
      claim: 'worked when it was put away',
      packing: 'loose in a cardboard box, cable around it',
      condition: 'Dusty, smells of cellar, deeply yellow on the left. Untested. A paper label under the badge.',
    },
    at(9, 17),
  );
  const yellow = { amount: 24, oneSided: { angleDeg: 0, farShare: 0.72 } };
  const came = await photograph({
    restorationId: id,
    stage: 'intake',
    pieceId: null,
    name: 'brimsel-as-it-came',
    takenAt: at(9, 17, 10),
    scene: homeComputer(yellow, { amount: 29 }),
    shot: { light: LIGHTS['shed dusk'], tilt: 0.5, seed: 3 },
  });
  const found = (kind: FindingKind, severity: Severity, words: string, pin: Share | null, minute: number) =>
    addFinding(
      { restorationId: id, pieceId: null, stage: 'intake', kind, severity, words, photoId: pin && came.photo.id, pin },
      at(9, 17, minute),
    );
  await found('yellowed', 'bad', 'upper shell and keys, left side more', middleOf(came, 'lid', { x: -0.2, y: 0 }), 20);
  const soiled = await found(
    'soiled',
    'plain',
    'dust under the caps, hand grease on the space bar',
    middleOf(came, 'lid', { x: 0, y: 0.22 }),
    22,
  );
  await found(
    'dead',
    'plain',
    'three keys of the lower row do not answer',
    middleOf(came, 'lid', { x: 0.18, y: 0.16 }),
    24,
  );
  await found(
    'keep this mark',
    'slight',
    'the school’s number, scratched in by hand',
    middleOf(came, 'hidden', { x: 0.03, y: -0.02 }),
    26,
  );
  await found('rust', 'slight', 'edge of the inner shield', null, 28);
  await setAim(id, 'presentable', 'the scratched school number', at(9, 17, 30));
  const guess = (low: number, likely: number, high: number) => ({ low, likely, high });
  await estimate(
    id,
    { parts: guess(10, 25, 60), hours: guess(8, 12, 20), goodOne: guess(140, 190, 260) },
    at(9, 17, 40),
  );
  await settleStage(id, 'intake', 'done', null, at(9, 18));
  await note(
    id,
    'teardown',
    'Six screws below, two long ones at the back. Ribbon of the keyboard: blue stripe to the left.',
    at(8, 10, 30),
  );
  await brimselApart(id, came.photo.id, at(8, 10), at(2, 17));
  await brimselKeys(id, at(8, 10, 45), at(7, 18));
  await brimselFinish(id, at);
  await minutes(id, 'teardown', 40, 'Shell open, board and keyboard out', at(8, 10, 40));
  await settleStage(id, 'teardown', 'done', null, at(8, 11));
  const shell = await addPiece(
    piece(id, 'K1', 'Upper shell', {
      lengthMm: 400,
      widthMm: 220,
      heightMm: 45,
      labels: 'paper label under the badge, taped over',
    }),
    at(8, 11, 10),
  );
  const caps = await addPiece(
    piece(id, 'K2', 'Key caps, pale', { plastic: 'ABS', finish: 'smooth', lengthMm: 260, widthMm: 140, heightMm: 12 }),
    at(8, 11, 12),
  );
  await brimselCover(id, { came: came.photo, shell, caps }, piece(id, 'K3', 'Cover', {}), at);
  await minutes(id, 'wash', 55, 'Vacuum, dish soap, toothbrush on every face', at(8, 16));
  await material(id, 'wash', 150, 'Dish soap and two toothbrushes', at(8, 16, 5));
  await settleFinding(soiled.id, 'done', 'soap and toothbrush; the space bar took alcohol', at(8, 17));
  const scene = (share: number, extra: object = {}) =>
    homeComputer({ ...yellow, amount: 24 * share, ...extra }, { amount: 29 });
  const take = (
    name: string,
    share: number,
    when: Date,
    light: keyof typeof LIGHTS,
    seed: number,
    extra: object = {},
  ) =>
    measured(
      {
        restorationId: id,
        stage: 'brighten',
        pieceId: shell.id,
        name,
        takenAt: when,
        scene: scene(share, extra),
        shot: { light: LIGHTS[light], seed },
      },
      shell,
      'lid',
    );
  await take('K1-before', 1, at(4, 8, 30), 'north window', 4);
  await measured(
    {
      restorationId: id,
      stage: 'brighten',
      pieceId: caps.id,
      name: 'K2-before',
      takenAt: at(4, 8, 40),
      scene: homeComputer(yellow, { amount: 29 }),
      shot: { light: LIGHTS['north window'], seed: 9 },
    },
    caps,
    'lid',
  );
  const first = await expose(shell, cream, at(4, 9), 150, {
    minutes: 145,
    cloud: 0.25,
    words: 'Film wrinkled along the front edge.',
  });
  await take('K1-after-1', left(first.dose!), at(3, 8, 20), 'daylight', 5, {
    folds: { lines: FOLDS, widthMm: 1.6, amount: 6 },
  });
  await expose(
    caps,
    mixed,
    at(3, 10),
    240,
    { minutes: 240, cloud: 0.4, words: 'In a zip bag, shaken over and vented at each turn.' },
    {
      school: 'bag-sun',
      stockPercentWW: 12,
      ...intoBag(mixed, 6, 700),
      checks: ['Two caps of a scrap keyboard came through this way'],
    },
  );
  const second = await expose(shell, cream, at(2, 9, 30), 120, {
    minutes: 120,
    cloud: 0.4,
    words: 'New film, laid without folds. Turned every half hour.',
  });
  await take('K1-after-2', left(first.dose! + second.dose!), at(1, 8, 15), 'north window', 6, {
    folds: { lines: FOLDS, widthMm: 1.6, amount: 4.5 },
  });
  await measured(
    {
      restorationId: id,
      stage: 'brighten',
      pieceId: caps.id,
      name: 'K2-after-1',
      takenAt: at(1, 8, 25),
      scene: homeComputer({ amount: 13 }, { amount: 13 }),
      shot: { light: LIGHTS['north window'], seed: 10 },
    },
    caps,
    'lid',
  );
  const ways = await waysFor(
    (await findPiece(shell.id))!,
    await historyOf((await findPiece(shell.id))!),
    [],
    sky,
    null,
    now,
    await benchAsItStands(),
  );
  const next = ways?.ways
    .find(({ school }) => school === 'cream-film-sun')
    ?.sun?.sessions.find(({ from }) => Date.parse(from) > now.getTime() + 3_600_000);
  if (next) await planSession(shell, 'cream-film-sun', { from: new Date(next.from), to: new Date(next.to) }, now);
}

/** A desktop machine just taken in. */
async function tovarn(at: Clock): Promise<void> {
  const { id } = await openRestoration(
    {
      title: 'Tovarn Desk Two',
      machine: 'Tovarn Desk Two, desktop case with one drive',
      source: 'swapped for a monitor stand',
      pricePaidMinor: 0,
      condition: 'Front yellow but for the drive door and where a sticker sat. One foot missing. Power switch stiff.',
    },
    at(1, 19),
  );
  const scene = desktopFront({ amount: 17, blotches: { sizeMm: 60, amount: 1.2, seed: 5 } });
  const front = await photograph({
    restorationId: id,
    stage: 'intake',
    pieceId: null,
    name: 'tovarn-front',
    takenAt: at(1, 19, 5),
    scene,
    shot: { light: LIGHTS['warm lamp'], seed: 11 },
  });
  await photograph({
    restorationId: id,
    stage: 'intake',
    pieceId: null,
    name: 'tovarn-from-the-left',
    takenAt: at(1, 19, 6),
    scene,
    shot: { light: LIGHTS['warm lamp'], tilt: 0.9, turnDeg: -7, seed: 12 },
  });
  const found = (kind: FindingKind, severity: Severity, words: string, pin: Share | null, minute: number) =>
    addFinding(
      { restorationId: id, pieceId: null, stage: 'intake', kind, severity, words, photoId: pin && front.photo.id, pin },
      at(1, 19, minute),
    );
  await found('yellowed', 'bad', 'front, but for the drive door', { x: 0.3, y: 0.45 }, 10);
  await found('missing', 'plain', 'one rubber foot', null, 12);
  await found('sticky', 'slight', 'power switch', { x: 0.74, y: 0.6 }, 13);
  await setOwner(
    id,
    'Ines Torvel',
    { stages: ['wash', 'keys'], spendMinor: 500, words: 'Clean it by all means. Ask me before it changes colour.' },
    at(1, 19, 20),
  );
  const feet = await askOwner(
    {
      restorationId: id,
      pieceId: null,
      stage: 'mend',
      about: 'purchase',
      what: 'Buy a set of four rubber feet.',
      why: 'One is missing, and a single new one would stand higher than the three old ones.',
      costMinor: 640,
      alternatives: 'Cut one from sheet rubber; it will be seen from below.',
    },
    at(1, 19, 25),
  );
  await answerRequest(feet.id, 'with conditions', 'keep the three old ones in a bag', at(0, 8));
  await askOwner(
    {
      restorationId: id,
      pieceId: null,
      stage: 'brighten',
      about: 'treatment',
      what: 'Brighten the front with cream and sun, in two sessions.',
      why: 'It is bad yellow but for the drive door, which is now the only part in the first colour.',
      costMinor: 0,
      alternatives: 'Leave the yellow and only wash it; vapour in a box, which is slower and more even.',
    },
    at(1, 19, 30),
  );
}

/** A pocket computer finished with its record. */
async function pellwig(at: Clock, liquid: StockItem): Promise<void> {
  const { id } = await openRestoration(
    {
      title: 'Pellwig Pocket',
      machine: 'Pellwig Pocket, pocket computer with nine wide keys',
      source: 'a neighbour’s drawer',
      pricePaidMinor: 800,
      condition: 'Shell straw yellow, strap mark pale. Works with fresh cells. Window lightly scratched.',
    },
    at(30, 18),
  );
  const yellow = { amount: 18 };
  await photograph({
    restorationId: id,
    stage: 'intake',
    pieceId: null,
    name: 'pellwig-as-it-came',
    takenAt: at(30, 18, 5),
    scene: handheld(yellow),
    shot: { light: LIGHTS['cold tube'], tilt: 0.6, seed: 21 },
  });
  const scratched = await addFinding(
    { restorationId: id, pieceId: null, stage: 'intake', kind: 'scuffed', severity: 'slight', words: 'window' },
    at(30, 18, 15),
  );
  const yellowed = await addFinding(
    { restorationId: id, pieceId: null, stage: 'intake', kind: 'yellowed', severity: 'plain', words: 'shell' },
    at(30, 18, 16),
  );
  await settleStage(id, 'intake', 'done', null, at(30, 19));
  await pellwigThereAndBack(id, at(29, 10), at(25, 13));
  await minutes(id, 'teardown', 25, 'Four screws, cells and board out', at(29, 10));
  await settleStage(id, 'teardown', 'done', null, at(29, 10, 30));
  const shell = await addPiece(
    piece(id, 'K1', 'Front shell', { lengthMm: 180, widthMm: 75, heightMm: 14 }),
    at(29, 10, 40),
  );
  await washedBefore(shell, at);
  await minutes(id, 'wash', 20, 'Dish soap, soft brush', at(29, 11));
  await settleFinding(scratched.id, 'left on purpose', 'original window, scratches are shallow', at(29, 11, 30));
  const take = (name: string, share: number, when: Date, seed: number) =>
    measured(
      {
        restorationId: id,
        stage: 'brighten',
        pieceId: shell.id,
        name,
        takenAt: when,
        scene: handheld({ amount: 18 * share }),
        shot: { light: LIGHTS['north window'], seed },
      },
      shell,
      'shell',
    );
  await take('K1-before', 1, at(28, 9), 22);
  const bag: Partial<StartExposure> = {
    school: 'bag-sun',
    stockPercentWW: 35,
    ...intoBag(liquid, 6, 800),
    cautions: [caution('peroxide-burns'), caution('sun-heat')],
  };
  await expose(
    shell,
    liquid,
    at(28, 9, 30),
    240,
    { minutes: 240, cloud: 0.2, words: 'In a zip bag, vented at each turn.' },
    bag,
  );
  await take('K1-after-1', 0.2, at(27, 9), 23);
  await expose(shell, liquid, at(27, 9, 30), 180, { minutes: 170, cloud: 0.1, words: 'Same bag, fresh liquid.' }, bag);
  const last = await take('K1-after-2', 0.05, at(26, 9), 24);
  const [treatment] = await treatmentsOf(id);
  await endTreatment(treatment!.id, `matched: ΔE00 ${last.deltaE00!.toFixed(1)} to the hidden patch`, at(26, 9, 10));
  await settleFinding(yellowed.id, 'done', 'two sessions in the bag', at(26, 9, 20));
  await minutes(id, 'finish', 15, 'Two thin coats of wax, buffed with flannel', at(25, 11));
  await material(id, 'finish', 60, 'Microcrystalline wax', at(25, 11));
  await settleStage(id, 'finish', 'done', null, at(25, 11, 30));
  await minutes(id, 'rebuild', 30, 'Closed, tested key by key before and after', at(25, 14));
  await settleStage(id, 'rebuild', 'done', null, at(25, 14, 30));
  await note(id, 'record', 'Look again in a year to see whether the yellow came back.', at(25, 15));
  await keepLesson(
    {
      ...{ restorationId: id, stage: 'brighten', about: '', came: 'went wrong' },
      words: 'Turn what lies in the light each half hour: the side below stayed darker',
    },
    at(25, 15, 2),
  );
  await keepLesson(
    {
      ...{ restorationId: id, stage: 'teardown', about: 'lid', came: 'helped' },
      words: 'Hand-warm clips let go without a sound, cold ones snap',
    },
    at(25, 15, 3),
  );
  await settleStage(id, 'record', 'done', null, at(25, 15, 5));
}

const sky: SkySource = (place, from, hours) =>
  Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours));

/** A bottle for the caps, mixed from the strong one. */
async function mixedFrom(strong: StockItem, at: Clock): Promise<StockItem> {
  const { stockVolumeL, waterVolumeL } = peroxideDilution(strong.strengthValue!, 12, 1);
  await inTransaction(() =>
    takeOut({ stockId: strong.id, restorationId: null, amount: 1000 * stockVolumeL }, at(3, 9)),
  );
  return addStock(
    {
      name: 'Peroxide 12 %, own mix, 1 L',
      kind: 'peroxide liquid',
      strengthValue: 12,
      strengthUnit: 'percentWW',
      sizeMl: 1000,
      priceMinor: Math.round((strong.priceMinor! * 1000 * stockVolumeL) / strong.sizeMl!),
      words: `${Math.round(1000 * stockVolumeL)} mL of the ${strong.strengthValue} % into ${Math.round(1000 * waterVolumeL)} mL of water, vented cap`,
    },
    at(3, 9),
  );
}

/** Loads the demo workshop as if it had been kept until `now`. */
export async function loadWorkshop(now: Date, tell: (words: string) => void): Promise<void> {
  const at = clockOf(now);
  await addStock(
    {
      name: 'Peroxide 30 volumes, brown bottle',
      kind: 'peroxide liquid',
      strengthValue: 30,
      strengthUnit: 'volumes',
      sizeMl: 500,
      priceMinor: 420,
      words: 'from the shelf of the school store',
    },
    at(420, 10),
  );
  await saveWorkshop(WORKSHOP, at(31, 9));
  for (const name of ['Lindra', 'Osk']) await addPerson(name, at(31, 9, 5));
  await addObstacle({ name: 'shed wall', fromDeg: 245, toDeg: 330, heightDeg: 38 }, at(31, 9, 6));
  await addTub({ name: 'Grey tub', lengthMm: 620, widthMm: 420, depthMm: 190 }, at(31, 9, 8));
  const liquid = await addStock(
    {
      name: 'Peroxide 35 %, 1 L',
      kind: 'peroxide liquid',
      strengthValue: 35,
      strengthUnit: 'percentWW',
      sizeMl: 1000,
      priceMinor: 1490,
      words: 'cool and dark, vented cap',
    },
    at(31, 9, 10),
  );
  const cream = await addStock(
    {
      name: 'Cream peroxide 40 volumes, 1 L',
      kind: 'peroxide cream',
      strengthValue: 40,
      strengthUnit: 'volumes',
      sizeMl: 1000,
      priceMinor: 990,
      words: '',
    },
    at(31, 9, 12),
  );
  tell('Pellwig Pocket, finished with its record');
  await pellwig(at, liquid);
  tell('Brimsel Nine, in the middle of brightening');
  await brimsel(at, now, cream, await mixedFrom(liquid, at));
  tell('Orvane Slab, at the sink');
  await orvane(at);
  tell('Tovarn Desk Two, just taken in');
  await tovarn(at);
  await startTimer(
    {
      restorationId: null,
      pieceId: null,
      label: 'Tovarn feet: soaking in alcohol',
      atTheBell: 'Wipe the old glue off while it is soft.',
      minutes: 180,
    },
    new Date(now.getTime() - 20 * 60_000),
  );
}
