import Joi from 'joi';
import { SCHOOLS } from '@/core/exposure/schools';
import { FAMILY_NAMES } from '@/core/cleaning/families';
import { VISIBLE } from '@/core/cleaning/ladder';
import { OUTCOMES } from '@/core/cleaning/outcomes';
import { SOIL_IDS } from '@/core/cleaning/soils';
import { SURFACE_IDS } from '@/core/cleaning/surfaces';
import { AIMS } from '@/core/intake/aim';
import { FINDING_KINDS, FINDING_PARTS, SETTLEMENTS, SEVERITIES } from '@/core/intake/findings';
import { ABOUTS, ANSWERS } from '@/core/intake/owner';
import { measureSpecSchema } from '@/core/photo/spec';
import { VERDICTS } from '@/core/photo/verdict';
import { STRENGTH_UNITS } from '@/core/peroxide/strength';
import { STAGES, STAGE_STATES } from '@/core/runsheet/stages';
import { TEST_PHASES } from '@/core/runsheet/functionTest';
import { testResultsSchema, testWordsSchema } from '@/edge/functionTestSchema';
import { CONNECTION_KINDS, JOINT_KINDS } from '@/core/teardown/joints';
import { DRIVES, FATES, HEADS, MOST_IN_A_LOT, SHANKS, THINGS } from '@/core/teardown/lots';
import { agentSchema, surfaceSchema } from '@/edge/cleaningSchema';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type Bundle } from '@/data/bundle';

const id = Joi.string().guid().required();
const ownId = Joi.string()
  .pattern(/^own-[0-9a-f-]{36}$/)
  .required();
const idOrNull = Joi.string().guid().allow(null).required();
const text = Joi.string().max(20_000).allow('').required();
const textOrNull = Joi.string().max(20_000).allow('', null).required();
const time = Joi.string().isoDate().raw().required();
const timeOrNull = Joi.string().isoDate().raw().allow(null).required();
const number = Joi.number().required();
const numberOrNull = Joi.number().allow(null).required();
const whole = Joi.number().integer().required();
const lab = Joi.array().items(Joi.number()).length(3).allow(null).required();
const stage = Joi.string()
  .valid(...STAGES)
  .required();
const restorationId = id;
const aim = Joi.string().valid(...AIMS);
const surface = surfaceSchema;
const share = Joi.object({ x: number, y: number });
const range = Joi.object({ low: number, likely: number, high: number }).required();
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
  diameterMm: Joi.number().positive().required(),
  lengthMm: Joi.number().positive().required(),
  shank: Joi.string()
    .valid(...SHANKS)
    .required(),
  fate: Joi.string()
    .valid(...FATES)
    .required(),
};
const rows = (fields: Joi.SchemaMap) => Joi.array().items(Joi.object(fields)).max(20_000).required();

/** The published shape of `restoration.json`. */
export const bundleSchema = Joi.object<Bundle>({
  format: Joi.string().valid(BUNDLE_FORMAT).required(),
  version: Joi.number().valid(BUNDLE_VERSION).required(),
  workshop: Joi.object({ name: text, timeZone: text, currency: text, hourlyRateMinor: whole }).required(),
  restoration: Joi.object({
    id,
    title: text,
    machine: text,
    source: text,
    pricePaidMinor: whole,
    condition: text,
    claim: text,
    packing: text,
    aim: aim.required(),
    worthKeeping: text,
    owner: text,
    allowed: Joi.object({
      stages: Joi.array()
        .items(Joi.string().valid(...STAGES))
        .required(),
      spendMinor: whole,
      words: text,
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
    tag: text,
    name: text,
    plastic: text,
    finish: text,
    lengthMm: numberOrNull,
    widthMm: numberOrNull,
    heightMm: numberOrNull,
    labels: text,
    metalInside: text,
    hiddenLab: lab,
    aim: aim.allow(null).required(),
    worthKeeping: text,
    surfaces: Joi.array().items(surface).required(),
    parts: Joi.number().integer().min(1).max(1000).required(),
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
    mime: text,
    originalName: text,
    bytes: whole,
    width: whole,
    height: whole,
    takenAt: timeOrNull,
    addedAt: time,
    words: text,
  }),
  measurements: rows({
    id,
    restorationId,
    pieceId: id,
    photoId: id,
    stage,
    measuredAt: time,
    spec: measureSpecSchema.required(),
    result: Joi.object().unknown().required(),
    basis: text,
    lab,
    hiddenLab: lab,
    deltaE00: numberOrNull,
    deltaB: numberOrNull,
    yellownessIndex: numberOrNull,
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
    words: text,
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
    name: text,
    kind: text,
    strengthValue: numberOrNull,
    strengthUnit: Joi.string()
      .valid(...STRENGTH_UNITS)
      .allow(null)
      .required(),
    sizeMl: numberOrNull,
    priceMinor: numberOrNull,
    addedAt: time,
    words: text,
  }),
  treatments: rows({
    id,
    restorationId,
    pieceId: id,
    school: Joi.string()
      .valid(...SCHOOLS)
      .required(),
    stockId: idOrNull,
    stockPercentWW: number,
    targetPercentWW: number,
    amountMl: number,
    toleranceB: number,
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
    plannedMin: whole,
    turnEveryMin: whole,
    cloudFraction: number,
    lampMwPerCm2: number,
    temperatureC: number,
    cautions: Joi.array().items(Joi.object().unknown()).required(),
    turns: Joi.array().items(Joi.string().isoDate().raw()).required(),
    checks: Joi.array().items(Joi.string().max(1000)).max(50).required(),
    readings: Joi.array()
      .items(Joi.object({ at: time, temperatureC: number }))
      .max(2000)
      .required(),
    endedAt: timeOrNull,
    actualMin: numberOrNull,
    dose: numberOrNull,
    words: textOrNull,
    leadId: idOrNull,
    coats: Joi.array()
      .items(Joi.object({ at: time, amountMl: number, movementIds: Joi.array().max(0).required(), ledgerIds: Joi.array().max(0).required() }))
      .max(500)
      .required(),
    takes: Joi.valid(null).required(),
  }),
  removalSteps: rows({
    id,
    restorationId,
    position: Joi.number().integer().required(),
    name: text,
    joint: Joi.string()
      .valid(...JOINT_KINDS)
      .required(),
    way: text,
    springs: text,
    photoId: idOrNull,
    pins: Joi.array().items(share).max(200).required(),
    removedAt: time,
    onAt: timeOrNull,
    onWords: textOrNull,
    offBy: text,
    onBy: text,
    laidAside: Joi.boolean().required(),
    pieceId: idOrNull,
  }),
  lots: rows({
    id,
    restorationId,
    stepId: id,
    ...lotKind,
    count: Joi.number().integer().min(1).max(MOST_IN_A_LOT).required(),
    deepestMm: numberOrNull,
    tray: text,
    cell: numberOrNull,
    returned: whole,
    missing: whole,
    words: text,
  }),
  connections: rows({
    id,
    restorationId,
    stepId: id,
    kind: Joi.string()
      .valid(...CONNECTION_KINDS)
      .required(),
    way: text,
    tickedAt: timeOrNull,
  }),
  blocks: rows({ id, restorationId, firstId: id, thenId: id, why: text }),
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
    what: text,
    why: text,
    costMinor: Joi.number().integer().min(0).required(),
    alternatives: text,
    askedAt: time,
    answer: Joi.string()
      .valid(...ANSWERS)
      .allow(null)
      .required(),
    answerWords: text,
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
    words: text,
    photoId: idOrNull,
    cautions: Joi.array().items(Joi.object().unknown()).max(50).required(),
  }),
  ownAgents: rows({
    id: ownId,
    title: text,
    does: text,
    families: Joi.array()
      .items(Joi.string().valid(...FAMILY_NAMES))
      .min(1)
      .required(),
    roughness: Joi.number().integer().min(0).max(9).required(),
    wet: Joi.string().valid('dry', 'damp', 'bath').required(),
    leaves: Joi.string().valid('nothing', 'water', 'alcohol', 'vinegar', 'oil').required(),
    dwellMin: Joi.number().min(0).required(),
    handsMin: Joi.number().min(0).required(),
    rinse: text,
    protection: text,
    perLitre: Joi.object({ amount: Joi.number().positive().required(), unit: Joi.string().valid('mL', 'g').required() })
      .allow(null)
      .required(),
    bathC: numberOrNull,
    source: Joi.string().valid('this workshop').required(),
    takes: Joi.object()
      .pattern(Joi.string().valid(...SOIL_IDS), Joi.number().min(0).max(1))
      .required(),
    addedAt: time,
  }),
  ownSurfaces: rows({
    id: ownId,
    title: text,
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
    words: text,
    amountMinor: whole,
    minutes: whole,
    at: time,
  }),
  log: rows({
    id: whole,
    restorationId,
    at: time,
    stage: Joi.string()
      .valid(...STAGES)
      .allow(null)
      .required(),
    kind: text,
    words: text,
    data: Joi.any(),
    corrects: numberOrNull,
  }),
});
