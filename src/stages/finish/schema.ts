import Joi from 'joi';
import { BATH_ACIDS, BATH_C, BATH_PERCENT, type BathAcid } from '@/core/finish/acidBath';
import { RUST_OUTCOMES, RUST_WAYS, type RustOutcome, type RustPatch, type RustWay } from '@/core/finish/rust';
import { patchSchema } from '@/core/finish/rustSchema';
import { COAT_WAYS, type CoatWay, type PaintSheet } from '@/core/finish/coat';
import { AREA_USES, type AreaUse } from '@/core/finish/areas';
import { COAT_KINDS, type CoatKind } from '@/core/finish/coatKinds';
import { LOST_KINDS, LOST_WAYS, type LostKind, type LostWay } from '@/core/finish/lostMarks';
import { ORIGINS, type Origin } from '@/core/finish/originality';
import { sheetSchema } from '@/core/finish/coatSchema';
import { MOST } from '@/core/limits';
import type { Share } from '@/core/picture/picture';

const id = Joi.string().max(60).required();
const words = Joi.string().trim().max(MOST.long).allow('').default('').label('How it went');

export const tellSchema = Joi.object<{ restorationId: string; findingId: string; name: string; patch: RustPatch }>({
  restorationId: id,
  findingId: id,
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Which place')
    .messages({ 'string.empty': 'Say which place it is, like “edge of the lower shield”.' }),
  patch: patchSchema.required(),
});

export const rungSchema = Joi.object<{
  rustId: string;
  way: RustWay;
  acid: BathAcid;
  percent: number;
  bathC: number;
  masked: boolean;
}>({
  rustId: id,
  way: Joi.string()
    .valid(...RUST_WAYS)
    .required(),
  acid: Joi.string()
    .valid(...BATH_ACIDS)
    .default('citric acid'),
  percent: Joi.number().min(BATH_PERCENT.lowest).max(BATH_PERCENT.highest).unit('%').default(5).label('Strength'),
  bathC: Joi.number().min(BATH_C.lowest).max(BATH_C.highest).unit('°C').default(20).label('Warmth of the bath'),
  masked: Joi.boolean().default(false),
});

export const rungEndSchema = Joi.object<{ stepId: string; outcome: RustOutcome; words: string }>({
  stepId: id,
  outcome: Joi.string()
    .valid(...RUST_OUTCOMES)
    .required()
    .label('What came of it'),
  words,
});

const share = Joi.number().min(0).max(1).required();
export const shareSchema = Joi.object<{
  rustId: string;
  photoId: string | null;
  share: number;
  low: number;
  high: number;
  pits: number;
}>({
  rustId: id,
  photoId: Joi.string().max(60).allow(null).default(null),
  share,
  low: share,
  high: share,
  pits: share,
});

export const ohmSchema = Joi.object<{ rustId: string; when: 'before' | 'after'; ohm: number }>({
  rustId: id,
  when: Joi.string().valid('before', 'after').required(),
  ohm: Joi.number().min(0).max(MOST.ohm).required().unit('ohm').label('From land to land'),
});

export const rustEndSchema = Joi.object<{ rustId: string; outcome: 'done' | 'left' | 'replaced'; words: string }>({
  rustId: id,
  outcome: Joi.string().valid('done', 'left', 'replaced').required(),
  words: words.label('Why, or how'),
});

const kind = Joi.string().valid(...COAT_KINDS);

export const coatingSchema = Joi.object<{
  restorationId: string;
  pieceId: string | null;
  name: string;
  areaCm2: number;
  way: CoatWay;
  inside: boolean;
  coverageM2PerL: number;
  masks: string;
  sheet: PaintSheet;
  kinds: CoatKind[];
}>({
  restorationId: id,
  pieceId: Joi.string().max(60).empty('').allow(null).default(null),
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What is coated')
    .messages({ 'string.empty': 'Say what is coated, like “upper lid, outside”.' }),
  areaCm2: Joi.number().positive().max(200_000).unit('cm²').required().label('Area'),
  way: Joi.string()
    .valid(...COAT_WAYS)
    .required(),
  inside: Joi.boolean().required(),
  coverageM2PerL: Joi.number().positive().max(MOST.coverageM2PerL).required().label('One coat covers'),
  masks: Joi.string().trim().max(MOST.words).allow('').default('').label('Covered before'),
  sheet: sheetSchema.required(),
  kinds: Joi.array().items(kind).min(1).max(12).required().label('Coats'),
});

const c = (label: string) => Joi.number().min(-50).max(80).unit('°C').required().label(label);
export const layCoatSchema = Joi.object<{
  jobId: string;
  airC: number;
  surfaceC: number;
  humidityPercent: number;
  windMs: number;
  airDrawn: boolean;
  tested: boolean;
  covered: boolean;
  stockId: string | null;
  words: string;
}>({
  jobId: id,
  airC: c('Air'),
  surfaceC: c('Surface'),
  humidityPercent: Joi.number().min(1).max(100).unit('%').required().label('Humidity'),
  windMs: Joi.number().min(0).max(60).empty('').default(0).label('Wind'),
  airDrawn: Joi.boolean().default(false),
  tested: Joi.boolean().default(false),
  covered: Joi.boolean().default(false),
  stockId: Joi.string().max(60).empty('').allow(null).default(null),
  words,
});

export const moreCoatSchema = Joi.object<{ jobId: string; kind: CoatKind }>({ jobId: id, kind: kind.required() });
export const offSchema = Joi.object<{ coatId: string; words: string }>({ coatId: id, words });
export const coatingEndSchema = Joi.object<{ jobId: string }>({ jobId: id });
export const coatSheetSchema = Joi.object<{ coatId: string; sheet: PaintSheet }>({
  coatId: id,
  sheet: sheetSchema.required(),
});

const pieceId = Joi.string().max(60).empty('').allow(null).default(null).label('Piece');
const photoId = Joi.string().max(60).empty('').allow(null).default(null);
const partName = Joi.string().trim().max(MOST.name).allow('').default('');
const shareOfPicture = Joi.number().min(0).max(1).required();

export const areaSchema = Joi.object<{
  restorationId: string;
  photoId: string;
  pieceId: string | null;
  use: AreaUse;
  name: string;
  corners: Share[];
}>({
  restorationId: id,
  photoId: id,
  pieceId,
  use: Joi.string()
    .valid(...AREA_USES)
    .required(),
  name: partName.label('Which one'),
  corners: Joi.array()
    .items(Joi.object({ x: shareOfPicture, y: shareOfPicture }))
    .min(3)
    .max(60)
    .required(),
});

export const originSchema = Joi.object<{
  restorationId: string;
  pieceId: string;
  what: string;
  state: Origin;
  percent: number | null;
  words: string;
}>({
  restorationId: id,
  pieceId: id.label('Piece').messages({ 'string.empty': 'Say of which piece.' }),
  what: partName.label('Which part'),
  state: Joi.string()
    .valid(...ORIGINS)
    .required(),
  percent: Joi.number().min(0).max(100).empty('').allow(null).default(null).unit('%').label('Share of the piece'),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('In words'),
});

const mm = (label: string) =>
  Joi.number().min(0).max(MOST.sideMm).empty('').allow(null).default(null).unit('mm').label(label);

export const lostSchema = Joi.object<{
  restorationId: string;
  pieceId: string | null;
  photoId: string | null;
  kind: LostKind;
  name: string;
  left: boolean;
  raised: boolean;
  widthMm: number | null;
  lengthMm: number | null;
  fromEdgeMm: number | null;
  words: string;
}>({
  restorationId: id,
  pieceId,
  photoId,
  kind: Joi.string()
    .valid(...LOST_KINDS)
    .required(),
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Which one')
    .messages({ 'string.empty': 'Say which it is, like “silver stripe along the front”.' }),
  left: Joi.boolean().required(),
  raised: Joi.boolean().required(),
  widthMm: mm('Width'),
  lengthMm: mm('Length'),
  fromEdgeMm: mm('From the edge'),
  words,
});

export const settleLostSchema = Joi.object<{ lostMarkId: string; way: LostWay; done: boolean; words: string }>({
  lostMarkId: id,
  way: Joi.string()
    .valid(...LOST_WAYS)
    .required(),
  done: Joi.boolean().required(),
  words,
});
export const lostAgainSchema = Joi.object<{ lostMarkId: string }>({ lostMarkId: id });

export const hazeSchema = Joi.object<{
  restorationId: string;
  pieceId: string | null;
  photoId: string | null;
  name: string;
  haze: number;
  sd: number;
  after: string;
}>({
  restorationId: id,
  pieceId,
  photoId,
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Which window or face')
    .messages({ 'string.empty': 'Say which it is, like “window of the lid”.' }),
  haze: share,
  sd: share,
  after: partName.label('After which step'),
});
