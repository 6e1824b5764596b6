import Joi from 'joi';
import { SCHOOLS } from '@/core/session/schools';
import { FAMILY_NAMES } from '@/core/materials/families';
import { VISIBLE } from '@/core/cleaning/ladder';
import { OUTCOMES } from '@/core/cleaning/outcomes';
import { SOIL_IDS } from '@/core/cleaning/soils';
import { SURFACE_IDS } from '@/core/materials/surfaces';
import { AIMS } from '@/core/intake/aim';
import { FINDING_KINDS, FINDING_PARTS, SETTLEMENTS, SEVERITIES } from '@/core/intake/findings';
import { ABOUTS, ANSWERS } from '@/core/intake/owner';
import { measureSpecSchema } from '@/core/picture/spec';
import { VERDICTS } from '@/core/face/verdict';
import { STRENGTH_UNITS } from '@/core/peroxide/strength';
import { FINISHES, MATERIALS, STAGES, STAGE_STATES } from '@/core/runsheet/stages';
import { TEST_PHASES } from '@/core/runsheet/functionTest';
import { testResultsSchema, testWordsSchema } from '@/edge/functionTestSchema';
import { CONNECTION_KINDS, JOINT_KINDS } from '@/core/teardown/joints';
import { DRIVES, FATES, HEADS, MOST_IN_A_LOT, SHANKS, THINGS } from '@/core/teardown/lots';
import { MOST } from '@/edge/limits';
import { currencySchema, timeZoneSchema } from '@/edge/localSchema';
import { measureResultSchema } from '@/edge/measureSchema';
import { agentSchema, surfaceSchema } from '@/edge/cleaningSchema';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type Bundle } from '@/data/bundle';

const id = Joi.string().guid().required();
const ownId = Joi.string()
  .pattern(/^own-[0-9a-f-]{36}$/)
  .required();
const idOrNull = Joi.string().guid().allow(null).required();
const text = (most: number) => Joi.string().max(most).allow('').required();
/** Words that Kvell put together from what was typed. */
const TOLD = 2 * MOST.long;
const textOrNull = Joi.string().max(TOLD).allow('', null).required();
/** As Kvell writes a time: UTC, and within what its own sums reach. */
const instant = Joi.string()
  .pattern(/^(19[7-9]\d|2[01]\d\d)-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}Z$/)
  .messages({ 'string.pattern.base': '{#label} is no time. Times look like 2026-06-21T14:00:00.000Z.' });
const time = instant.required();
const timeOrNull = instant.allow(null).required();
const number = (least: number, most: number) => Joi.number().min(least).max(most).required();
const numberOrNull = (least: number, most: number) => Joi.number().min(least).max(most).allow(null).required();
const whole = (least: number, most: number) => Joi.number().integer().min(least).max(most).required();
/** Minor units; a correction may be below nothing. A currency has at most three decimals. */
const minor = whole(-1000 * MOST.money, 1000 * MOST.money);
const side = numberOrNull(0, MOST.sideMm);
const deep = numberOrNull(0, MOST.fastenerMm);
const lab = Joi.array().items(Joi.number().min(-200).max(200)).length(3).allow(null).required();
/** Further than any measured difference lies. */
const FAR = 1000;
const cautions = Joi.array()
  .items(
    Joi.object({
      id: text(200),
      severity: Joi.string().valid('caution', 'strong').required(),
      hazard: text(TOLD),
      protection: text(TOLD),
      never: text(TOLD),
    }).unknown(),
  )
  .max(50)
  .required();
/** So much lies beside an entry of the log. */
const LARGEST_DATA = 200_000;
const beside = Joi.any().custom((data: unknown, { error }) =>
  JSON.stringify(data ?? null).length > LARGEST_DATA ? error('any.invalid') : data,
);
const stage = Joi.string()
  .valid(...STAGES)
  .required();
const restorationId = id;
const aim = Joi.string().valid(...AIMS);
const surface = surfaceSchema;
const warmth = number(MOST.coldestC, MOST.readingC);
const shareOf = number(0, 1);
const share = Joi.object({ x: shareOf, y: shareOf });
const guessed = number(0, 1000 * MOST.money);
const range = Joi.object({ low: guessed, likely: guessed, high: guessed }).required();
const lotKind = {
  thing: Joi.string()
    .valid(...THINGS)
    .required(),
  drive: Joi.string()
    .valid(...DRIVES)
    .required(),
  head: Joi.string()
    .valid(...HEADS)
    .required(),
  diameterMm: Joi.number().positive().max(MOST.diameterMm).required(),
  lengthMm: Joi.number().positive().max(MOST.fastenerMm).required(),
  shank: Joi.string()
    .valid(...SHANKS)
    .required(),
  fate: Joi.string()
    .valid(...FATES)
    .required(),
};
/** Far more than one restoration ever comes to. */
export const MOST_ROWS = 200_000;
const rows = (fields: Joi.SchemaMap) => Joi.array().items(Joi.object(fields)).max(MOST_ROWS).required();

/** The published shape of `restoration.json`. */
export const bundleSchema = Joi.object<Bundle>({
  format: Joi.string().valid(BUNDLE_FORMAT).required(),
  version: Joi.number().valid(BUNDLE_VERSION).required(),
  workshop: Joi.object({
    name: text(MOST.person),
    timeZone: timeZoneSchema,
    currency: currencySchema,
    hourlyRateMinor: minor,
  }).required(),
  restoration: Joi.object({
    id,
    title: text(MOST.title).min(1).disallow(''),
    machine: text(MOST.machine),
    source: text(MOST.source),
    pricePaidMinor: minor,
    condition: text(MOST.long),
    claim: text(MOST.few),
    packing: text(MOST.few),
    aim: aim.required(),
    worthKeeping: text(MOST.words),
    owner: text(MOST.title),
    allowed: Joi.object({
      stages: Joi.array()
        .items(Joi.string().valid(...STAGES))
        .required(),
      spendMinor: minor,
      words: text(MOST.words),
    }).required(),
    estimate: Joi.object({ parts: range, hours: range, goodOne: range }).allow(null).required(),
    openedAt: time,
    closedAt: timeOrNull,
  }).required(),
  stages: rows({
    id,
    restorationId,
    stage,
    state: Joi.string()
      .valid(...STAGE_STATES)
      .required(),
    settledAt: timeOrNull,
    reason: textOrNull,
  }),
  pieces: rows({
    id,
    restorationId,
    tag: text(MOST.tag),
    name: text(MOST.name),
    plastic: Joi.string()
      .valid(...MATERIALS)
      .required(),
    finish: Joi.string()
      .valid(...FINISHES)
      .required(),
    lengthMm: side,
    widthMm: side,
    heightMm: side,
    labels: text(MOST.few),
    metalInside: text(MOST.few),
    hiddenLab: lab,
    aim: aim.allow(null).required(),
    worthKeeping: text(MOST.few),
    surfaces: Joi.array().items(surface).max(40).required(),
    parts: Joi.number().integer().min(1).max(MOST.parts).required(),
    metalUntilApart: Joi.boolean().required(),
    hollow: Joi.boolean().required(),
  }),
  photos: rows({
    id,
    restorationId,
    pieceId: idOrNull,
    stage,
    hash: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
    extension: Joi.string().valid('jpg', 'png', 'webp').required(),
    mime: Joi.string().valid('image/jpeg', 'image/png', 'image/webp').required(),
    originalName: text(MOST.source),
    bytes: whole(1, 2 ** 31),
    width: whole(1, 200_000),
    height: whole(1, 200_000),
    takenAt: timeOrNull,
    addedAt: time,
    words: text(MOST.long),
  }),
  measurements: rows({
    id,
    restorationId,
    pieceId: id,
    photoId: id,
    stage,
    measuredAt: time,
    spec: measureSpecSchema.required(),
    result: measureResultSchema.required(),
    basis: Joi.string().valid('card', 'white balance', 'picture only').required(),
    lab,
    hiddenLab: lab,
    deltaE00: numberOrNull(-FAR, FAR),
    deltaB: numberOrNull(-FAR, FAR),
    yellownessIndex: numberOrNull(-FAR, FAR),
    verdict: Joi.string()
      .valid(...VERDICTS)
      .allow(null)
      .required(),
  }),
  findings: rows({
    id,
    restorationId,
    pieceId: idOrNull,
    stage,
    kind: Joi.string()
      .valid(...FINDING_KINDS)
      .required(),
    part: Joi.string()
      .valid(...FINDING_PARTS)
      .required(),
    words: text(MOST.long),
    severity: Joi.string()
      .valid(...SEVERITIES)
      .required(),
    photoId: idOrNull,
    pin: share.allow(null).required(),
    closeUpId: idOrNull,
    continues: idOrNull,
    soil: Joi.string()
      .valid(...SOIL_IDS)
      .allow(null)
      .required(),
    visible: Joi.string()
      .valid(...VISIBLE)
      .required(),
    foundAt: time,
    settledAs: Joi.string()
      .valid(...SETTLEMENTS)
      .allow(null)
      .required(),
    settledWords: textOrNull,
    settledAt: timeOrNull,
  }),
  stock: rows({
    id,
    name: text(MOST.name),
    kind: text(60),
    strengthValue: numberOrNull(0, MOST.strength),
    strengthUnit: Joi.string()
      .valid(...STRENGTH_UNITS)
      .allow(null)
      .required(),
    sizeMl: numberOrNull(0, MOST.stockMl),
    priceMinor: minor.allow(null),
    addedAt: time,
    words: text(MOST.words),
  }),
  treatments: rows({
    id,
    restorationId,
    pieceId: id,
    school: Joi.string()
      .valid(...SCHOOLS)
      .required(),
    stockId: idOrNull,
    stockPercentWW: number(0, 100),
    targetPercentWW: number(0, 100),
    amountMl: number(0, MOST.stockMl),
    toleranceB: number(0, MOST.toleranceB),
    plannedAt: time,
    startMeasurementId: idOrNull,
    endedAt: timeOrNull,
    endedWhy: textOrNull,
  }),
  sessions: rows({
    id,
    treatmentId: id,
    restorationId,
    pieceId: id,
    startedAt: time,
    plannedMin: whole(0, MOST.plannedMin),
    turnEveryMin: whole(0, MOST.turnMin),
    cloudFraction: shareOf,
    lampMwPerCm2: number(0, MOST.lampMwPerCm2),
    temperatureC: warmth,
    cautions,
    turns: Joi.array().items(instant).max(2000).required(),
    checks: Joi.array().items(Joi.string().max(1000)).max(50).required(),
    readings: Joi.array()
      .items(Joi.object({ at: time, temperatureC: warmth }))
      .max(2000)
      .required(),
    endedAt: timeOrNull,
    actualMin: numberOrNull(0, 1e7),
    dose: numberOrNull(0, 1e6),
    words: textOrNull,
    leadId: idOrNull,
    coats: Joi.array()
      .items(
        Joi.object({
          at: time,
          amountMl: number(0, MOST.stockMl),
          movementIds: Joi.array().max(0).required(),
          ledgerIds: Joi.array().max(0).required(),
        }),
      )
      .max(500)
      .required(),
    takes: Joi.valid(null).required(),
  }),
  removalSteps: rows({
    id,
    restorationId,
    position: whole(0, MOST_ROWS),
    name: text(MOST.name),
    joint: Joi.string()
      .valid(...JOINT_KINDS)
      .required(),
    way: text(MOST.words),
    springs: text(MOST.few),
    photoId: idOrNull,
    pins: Joi.array().items(share).max(MOST.pins).required(),
    removedAt: time,
    onAt: timeOrNull,
    onWords: textOrNull,
    offBy: text(MOST.person),
    onBy: text(MOST.person),
    laidAside: Joi.boolean().required(),
    pieceId: idOrNull,
  }),
  lots: rows({
    id,
    restorationId,
    stepId: id,
    ...lotKind,
    count: Joi.number().integer().min(1).max(MOST_IN_A_LOT).required(),
    deepestMm: deep,
    tray: text(MOST.trayName),
    cell: numberOrNull(0, MOST.cells).integer(),
    returned: whole(0, MOST_IN_A_LOT),
    missing: whole(0, MOST_IN_A_LOT),
    words: text(TOLD),
  }),
  connections: rows({
    id,
    restorationId,
    stepId: id,
    kind: Joi.string()
      .valid(...CONNECTION_KINDS)
      .required(),
    way: text(MOST.few),
    tickedAt: timeOrNull,
  }),
  blocks: rows({ id, restorationId, firstId: id, thenId: id, why: text(MOST.few) }),
  functionTests: rows({
    id,
    restorationId,
    phase: Joi.string()
      .valid(...TEST_PHASES)
      .required(),
    at: time,
    results: testResultsSchema.required(),
    words: testWordsSchema.required(),
    waivedWhy: textOrNull,
  }),
  requests: rows({
    id,
    restorationId,
    pieceId: idOrNull,
    stage,
    about: Joi.string()
      .valid(...ABOUTS)
      .required(),
    what: text(MOST.long),
    why: text(MOST.long),
    costMinor: whole(0, 1000 * MOST.money),
    alternatives: text(MOST.long),
    askedAt: time,
    answer: Joi.string()
      .valid(...ANSWERS)
      .allow(null)
      .required(),
    answerWords: text(MOST.words),
    answeredAt: timeOrNull,
  }),
  looksAgain: rows({
    id,
    restorationId,
    pieceId: id,
    treatmentId: id,
    dueAt: time,
    storage: Joi.string().valid('dark', 'light').required(),
    measurementId: idOrNull,
  }),
  sinkSteps: rows({
    id,
    restorationId,
    findingId: id,
    pieceId: idOrNull,
    timerId: idOrNull,
    agent: agentSchema.required(),
    soil: Joi.string()
      .valid(...SOIL_IDS)
      .required(),
    surface: surface.required(),
    startedAt: time,
    endedAt: timeOrNull,
    outcome: Joi.string()
      .valid(...OUTCOMES)
      .allow(null)
      .required(),
    words: text(TOLD),
    photoId: idOrNull,
    cautions,
  }),
  ownAgents: rows({
    id: ownId,
    title: text(MOST.name),
    does: text(MOST.few),
    families: Joi.array()
      .items(Joi.string().valid(...FAMILY_NAMES))
      .min(1)
      .required(),
    roughness: Joi.number().integer().min(0).max(9).required(),
    wet: Joi.string().valid('dry', 'damp', 'bath').required(),
    leaves: Joi.string().valid('nothing', 'water', 'alcohol', 'vinegar', 'oil').required(),
    dwellMin: number(0, 2880),
    handsMin: number(0, 240),
    rinse: text(MOST.few),
    protection: text(MOST.few),
    perLitre: Joi.object({
      amount: Joi.number().positive().max(1000).required(),
      unit: Joi.string().valid('mL', 'g').required(),
    })
      .allow(null)
      .required(),
    bathC: numberOrNull(0, 50),
    source: Joi.string().valid('this workshop').required(),
    takes: Joi.object()
      .pattern(Joi.string().valid(...SOIL_IDS), Joi.number().min(0).max(1))
      .required(),
    addedAt: time,
  }),
  ownSurfaces: rows({
    id: ownId,
    title: text(MOST.name),
    like: Joi.string()
      .valid(...SURFACE_IDS)
      .required(),
    addedAt: time,
  }),
  ledger: rows({
    id,
    restorationId,
    stage,
    kind: Joi.string().valid('price', 'material', 'minutes').required(),
    words: text(TOLD),
    amountMinor: minor,
    minutes: whole(-1e7, 1e7),
    at: time,
  }),
  log: rows({
    id: whole(1, Number.MAX_SAFE_INTEGER),
    restorationId,
    at: time,
    stage: Joi.string()
      .valid(...STAGES)
      .allow(null)
      .required(),
    kind: text(60),
    words: text(20_000),
    data: beside,
    corrects: whole(1, Number.MAX_SAFE_INTEGER).allow(null),
  }),
  missing: Joi.array()
    .items(Joi.string().pattern(/^[0-9a-f]{64}$/))
    .max(MOST_ROWS)
    .required(),
});
