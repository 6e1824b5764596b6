import Joi from 'joi';
import { VISIBLE } from '@/core/cleaning/ladder';
import { SOIL_IDS } from '@/core/cleaning/soils';
import type { Lab } from '@/core/colour/types';
import { VERDICTS } from '@/core/face/verdict';
import { AIMS } from '@/core/intake/aim';
import { FINDING_KINDS, FINDING_PARTS, SETTLEMENTS, SEVERITIES } from '@/core/intake/findings';
import { ABOUTS, ANSWERS, type Allowed } from '@/core/intake/owner';
import type { WorthEstimate } from '@/core/ledger/worth';
import { MOST } from '@/core/limits';
import { surfaceSchema } from '@/core/materials/schema';
import type { SurfaceId } from '@/core/materials/surfaces';
import type { MeasureResult } from '@/core/picture/measure';
import type { Share } from '@/core/picture/picture';
import { measureResultSchema } from '@/core/picture/resultSchema';
import { measureSpecSchema, type MeasureSpec } from '@/core/picture/spec';
import { TEST_PHASES, type TestResults, type TestWords } from '@/core/runsheet/functionTest';
import { testResultsSchema, testWordsSchema } from '@/core/runsheet/functionTestSchema';
import { FINISHES, MATERIALS, STAGES, STAGE_STATES } from '@/core/runsheet/stages';
import {
  choice,
  flag,
  id,
  json,
  matching,
  minor,
  naming,
  number,
  ofRestoration,
  orNull,
  real,
  stage,
  table,
  text,
  textOrNull,
  time,
  timeOrNull,
  title,
  TOLD,
  whole,
  type Row,
} from '../column';

const shareOf = Joi.number().min(0).max(1).required();
export const shareSchema = Joi.object({ x: shareOf, y: shareOf });
const lab = orNull(json<Lab>(Joi.array().items(Joi.number().min(-200).max(200)).length(3)));
const side = orNull(real(0, MOST.sideMm));
/** Further than any measured difference lies. */
const FAR = 1000;
const difference = orNull(real(-FAR, FAR));
const guessed = Joi.number()
  .min(0)
  .max(1000 * MOST.money)
  .required();
const range = Joi.object({ low: guessed, likely: guessed, high: guessed }).required();
/** So much lies beside an entry of the log. */
const LARGEST_DATA = 200_000;
const beside = Joi.any().custom((data: unknown, { error }) =>
  JSON.stringify(data ?? null).length > LARGEST_DATA ? error('any.invalid') : data,
);

/** What a restoration is told by: the machine, its pieces, what was photographed, measured, found, asked and spent. */
export const MACHINE_TABLES = {
  restorations: table({
    noun: 'restoration',
    columns: {
      id,
      title: title(MOST.title),
      machine: text(MOST.machine),
      source: text(MOST.source),
      pricePaidMinor: minor,
      condition: text(MOST.long),
      /** What the seller said of it: “untested”, “faulty”. */
      claim: text(MOST.few),
      packing: text(MOST.few),
      aim: choice(AIMS),
      worthKeeping: text(MOST.words),
      /** Whose machine it is; empty for the workshop's own. */
      owner: text(MOST.title),
      allowed: json<Allowed>(
        Joi.object({
          stages: Joi.array()
            .items(Joi.string().valid(...STAGES))
            .required(),
          spendMinor: minor.schema,
          words: text(MOST.words).schema,
        }),
      ),
      /** What is still to come and what a good one costs, as it was last estimated. */
      estimate: orNull(json<WorthEstimate>(Joi.object({ parts: range, hours: range, goodOne: range }))),
      openedAt: time,
      closedAt: timeOrNull,
    },
  }),
  stages: table({
    exported: { as: 'stages', since: 1, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      stage,
      state: choice(STAGE_STATES),
      settledAt: timeOrNull,
      reason: textOrNull,
    },
  }),
  pieces: table({
    noun: 'piece',
    exported: { as: 'pieces', since: 1, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      tag: text(MOST.tag),
      name: text(MOST.name),
      plastic: choice<string>(MATERIALS),
      finish: choice<string>(FINISHES),
      lengthMm: side,
      widthMm: side,
      heightMm: side,
      labels: text(MOST.few),
      metalInside: text(MOST.few),
      hiddenLab: lab,
      /** Where it differs from the machine's. */
      aim: orNull(choice(AIMS)),
      worthKeeping: text(MOST.few),
      /** Where they are not just what plastic and finish say. */
      surfaces: json<SurfaceId[]>(Joi.array().items(surfaceSchema).max(40)),
      /** Holds water inside. */
      hollow: flag,
      /** How many parts it is: fifty-four caps under one tag. */
      parts: whole(1, MOST.parts),
      /** Its metal is out once the machine is apart. */
      metalUntilApart: flag,
    },
  }),
  photos: table({
    noun: 'photograph',
    exported: { as: 'photos', since: 1, by: 'addedAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      stage,
      hash: matching(/^[0-9a-f]{64}$/),
      extension: choice<string>(['jpg', 'png', 'webp']),
      mime: choice<string>(['image/jpeg', 'image/png', 'image/webp']),
      originalName: text(MOST.source),
      bytes: whole(1, 2 ** 31),
      width: whole(1, 200_000),
      height: whole(1, 200_000),
      takenAt: timeOrNull,
      addedAt: time,
      words: text(MOST.long),
    },
  }),
  measurements: table({
    noun: 'measurement',
    exported: { as: 'measurements', since: 1, by: 'measuredAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      photoId: naming('photos'),
      stage,
      measuredAt: time,
      spec: json<MeasureSpec>(measureSpecSchema),
      result: json<MeasureResult>(measureResultSchema),
      basis: choice(['card', 'white balance', 'picture only']),
      lab,
      hiddenLab: lab,
      deltaE00: difference,
      deltaB: difference,
      yellownessIndex: difference,
      verdict: orNull(choice(VERDICTS)),
    },
  }),
  findings: table({
    noun: 'finding',
    exported: { as: 'findings', since: 1, by: 'foundAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      stage,
      kind: choice(FINDING_KINDS),
      /** What of the machine it is on. */
      part: choice(FINDING_PARTS),
      words: text(MOST.long),
      severity: choice(SEVERITIES),
      /** The photograph that it is pinned on, and where. */
      photoId: orNull(naming('photos')),
      pin: orNull(json<Share>(shareSchema)),
      closeUpId: orNull(naming('photos')),
      /** The finding whose wash left this over: its passes count for this one too. */
      continues: orNull(naming('findings')),
      /** What it is made of, once somebody has looked. */
      soil: orNull(choice(SOIL_IDS)),
      /** How it is seen when the machine is together. */
      visible: choice(VISIBLE),
      foundAt: time,
      settledAs: orNull(choice(SETTLEMENTS)),
      settledWords: textOrNull,
      settledAt: timeOrNull,
    },
  }),
  function_tests: table({
    exported: { as: 'functionTests', since: 2, by: 'at' },
    columns: {
      id,
      restorationId: ofRestoration,
      phase: choice(TEST_PHASES),
      at: time,
      results: json<TestResults>(testResultsSchema),
      /** A word to an item, by item. */
      words: json<TestWords>(testWordsSchema),
      waivedWhy: textOrNull,
    },
  }),
  /** Something that the owner is asked first. */
  requests: table({
    exported: { as: 'requests', since: 3, by: 'askedAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      stage,
      about: choice(ABOUTS),
      what: text(MOST.long),
      why: text(MOST.long),
      costMinor: whole(0, 1000 * MOST.money),
      alternatives: text(MOST.long),
      askedAt: time,
      answer: orNull(choice(ANSWERS)),
      answerWords: text(MOST.words),
      answeredAt: timeOrNull,
    },
  }),
  ledger: table({
    exported: { as: 'ledger', since: 1, by: 'at' },
    columns: {
      id,
      restorationId: ofRestoration,
      stage,
      kind: choice(['price', 'material', 'minutes']),
      words: text(TOLD),
      amountMinor: minor,
      minutes: whole(-1e7, 1e7),
      at: time,
    },
  }),
  log: table({
    columns: {
      id: number,
      /** `null` for what concerns the workshop; what goes along with a restoration is always its own. */
      restorationId: { ...orNull(ofRestoration), schema: ofRestoration.schema },
      at: time,
      stage: orNull(stage),
      kind: text(60),
      words: text(20_000),
      data: { ...orNull(json<unknown>(beside)), schema: beside },
      /** Id of the entry that this one takes the place of; the old one can still be read. */
      corrects: orNull({ ...number, attribute: whole(1, Number.MAX_SAFE_INTEGER).attribute, names: 'log' }),
    },
  }),
};

export type Restoration = Row<typeof MACHINE_TABLES.restorations>;
export type StageRow = Row<typeof MACHINE_TABLES.stages>;
export type Piece = Row<typeof MACHINE_TABLES.pieces>;
export type Photo = Row<typeof MACHINE_TABLES.photos>;
export type Measurement = Row<typeof MACHINE_TABLES.measurements>;
export type Finding = Row<typeof MACHINE_TABLES.findings>;
export type FunctionTest = Row<typeof MACHINE_TABLES.function_tests>;
export type OwnerRequest = Row<typeof MACHINE_TABLES.requests>;
export type LedgerEntry = Row<typeof MACHINE_TABLES.ledger>;
export type LogEntry = Row<typeof MACHINE_TABLES.log>;
