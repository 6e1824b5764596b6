import Joi from 'joi';
import { AREA_USES } from '@/core/finish/areas';
import { COAT_KINDS } from '@/core/finish/coatKinds';
import { COAT_WAYS, type PaintSheet } from '@/core/finish/coat';
import { patchSchema } from '@/core/finish/rustSchema';
import { sheetSchema } from '@/core/finish/coatSchema';
import { LOST_KINDS, LOST_WAYS } from '@/core/finish/lostMarks';
import { ORIGINS } from '@/core/finish/originality';
import { RUST_OUTCOMES, RUST_WAYS, type RustPatch } from '@/core/finish/rust';
import { MOST } from '@/core/limits';
import type { Share } from '@/core/picture/picture';
import {
  choice,
  flag,
  id,
  json,
  naming,
  ofRestoration,
  orNull,
  real,
  table,
  text,
  time,
  timeOrNull,
  title,
  type Row,
} from '../column';
import { shareSchema } from './machine';

const share = real(0, 1);

/** Metal that rusts, what was done about it, and coats. */
export const FINISH_TABLES = {
  /** A rusted place, as it was told and measured. */
  rusts: table({
    noun: 'rusted place',
    exported: { as: 'rusts', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      /** What it is for. */
      findingId: orNull(naming('findings')),
      name: title(MOST.name),
      patch: json<RustPatch>(patchSchema),
      at: time,
      /** Resistance between its lands, ohm, before and after. */
      ohmBefore: orNull(real(0, MOST.ohm)),
      ohmAfter: orNull(real(0, MOST.ohm)),
      endedAt: timeOrNull,
      outcome: orNull(choice(['done', 'left', 'replaced'])),
      words: text(MOST.long),
    },
  }),
  /** One rung of the ladder of a rusted place. */
  rust_steps: table({
    noun: 'step on rust',
    exported: { as: 'rustSteps', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      rustId: naming('rusts'),
      way: choice(RUST_WAYS),
      startedAt: time,
      /** When its bath or its coats are over; `null` where hands alone do it. */
      dueAt: timeOrNull,
      endedAt: timeOrNull,
      outcome: orNull(choice(RUST_OUTCOMES)),
      words: text(MOST.long),
    },
  }),
  /** How much of its face was rusty on a photograph. */
  rust_shares: table({
    noun: 'share of rust',
    exported: { as: 'rustShares', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      rustId: naming('rusts'),
      photoId: orNull(naming('photos')),
      share,
      low: share,
      high: share,
      pits: share,
      at: time,
    },
  }),
  /** What is to be coated. */
  coat_jobs: table({
    noun: 'coating',
    exported: { as: 'coatJobs', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      name: title(MOST.name),
      areaCm2: real(0, 200_000),
      way: choice(COAT_WAYS),
      /** In a room, where neither wind nor rain comes. */
      inside: flag,
      /** As the sheet of the paint asks. */
      sheet: json<PaintSheet>(sheetSchema),
      /** Wax goes further than any paint. */
      coverageM2PerL: real(0, MOST.coverageM2PerL),
      /** What is covered before the first coat. */
      masks: text(MOST.words),
      at: time,
      endedAt: timeOrNull,
    },
  }),
  /** One coat, laid or to be laid. */
  coats: table({
    noun: 'coat',
    exported: { as: 'coats', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      jobId: naming('coat_jobs'),
      kind: choice(COAT_KINDS),
      /** What its own product asks, where that is another than the rest of the coating. */
      sheet: orNull(json<PaintSheet>(sheetSchema)),
      laidAt: timeOrNull,
      /** As the meters read when it was laid. */
      airC: orNull(real(-50, 80)),
      surfaceC: orNull(real(-50, 80)),
      humidityPercent: orNull(real(0, 100)),
      words: text(MOST.long),
    },
  }),
  /** What is outlined on a photograph: a piece, or a place that a coat must not come to. */
  areas: table({
    noun: 'outlined place',
    exported: { as: 'areas', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      photoId: naming('photos'),
      pieceId: orNull(naming('pieces')),
      use: choice(AREA_USES),
      name: text(MOST.name),
      /** Shares of the upright picture, round the place. */
      corners: json<Share[]>(Joi.array().items(shareSchema).min(3).max(60)),
      at: time,
    },
  }),
  /** What somebody said of how original a part is. */
  origins: table({
    noun: 'word on originality',
    exported: { as: 'origins', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      /** Which part of the piece; empty for all of it. */
      what: text(MOST.name),
      state: choice(ORIGINS),
      share: orNull(share),
      words: text(MOST.words),
      at: time,
    },
  }),
  /** A stripe, a legend, a logo or a label that is worn off, and what is done about it. */
  lost_marks: table({
    noun: 'lost mark',
    exported: { as: 'lostMarks', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      photoId: orNull(naming('photos')),
      kind: choice(LOST_KINDS),
      name: title(MOST.name),
      /** Enough of it is left to measure. */
      left: flag,
      /** It lies on a raised edge. */
      raised: flag,
      widthMm: orNull(real(0, MOST.sideMm)),
      lengthMm: orNull(real(0, MOST.sideMm)),
      fromEdgeMm: orNull(real(0, MOST.sideMm)),
      at: time,
      way: orNull(choice(LOST_WAYS)),
      doneAt: timeOrNull,
      words: text(MOST.long),
    },
  }),
  /** How much a window or a glossy face takes of what is seen through it, each time that it was measured. */
  hazes: table({
    noun: 'haze',
    exported: { as: 'hazes', since: 13, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      photoId: orNull(naming('photos')),
      /** Which window or face. */
      name: title(MOST.name),
      haze: share,
      sd: share,
      /** The last step before it; empty at first. */
      after: text(MOST.name),
      at: time,
    },
  }),
};

export type CoatJobRow = Row<typeof FINISH_TABLES.coat_jobs>;
export type CoatRow = Row<typeof FINISH_TABLES.coats>;
export type RustRow = Row<typeof FINISH_TABLES.rusts>;
export type RustStepRow = Row<typeof FINISH_TABLES.rust_steps>;
export type RustShareRow = Row<typeof FINISH_TABLES.rust_shares>;
export type AreaRow = Row<typeof FINISH_TABLES.areas>;
export type OriginRow = Row<typeof FINISH_TABLES.origins>;
export type LostMarkRow = Row<typeof FINISH_TABLES.lost_marks>;
export type HazeRow = Row<typeof FINISH_TABLES.hazes>;
