import Joi from 'joi';
import { LINE_KINDS, type Line } from '@/core/keyboard/board';
import { CAP_STATES, STEM_PLACES, type CapState, type LooseCount, type StemPlace } from '@/core/keyboard/caps';
import { codesSchema } from '@/core/keyboard/boardSchema';
import { OBSERVED, type Observed, type Reading } from '@/core/keyboard/evidence';
import type { ContactLimits } from '@/core/keyboard/trace';
import { MEASURES, type Measure } from '@/core/keyboard/measured';
import { cornersSchema } from '@/core/keyboard/photo/fieldSpec';
import { GRADES, type Grade } from '@/core/keyboard/practice';
import { REPAIR_OUTCOMES, REPAIR_WAYS, type RepairOutcome, type RepairWay } from '@/core/keyboard/repairs';
import { MOST } from '@/core/limits';
import type { Corners } from '@/core/picture/corners';
import { KEYBOARD_KINDS, type KeyboardKind } from '@/core/keyboard/kinds';
import { BLOCKS, MOST_ACROSS, MOST_DOWN, MOST_KEYS, type Block } from '@/core/keyboard/layout';
import { TEST_PHASES, type TestPhase } from '@/core/runsheet/functionTest';

const id = Joi.string().max(60).required();
const keyName = Joi.string().trim().max(40);
const whole = (most: number, label: string) => Joi.number().integer().min(1).max(most).required().label(label);

export interface BlockForm {
  restorationId: string;
  name: string;
  kind: KeyboardKind;
  block: Block;
  across: number;
  down: number;
}

export const blockSchema = Joi.object<BlockForm>({
  restorationId: id,
  name: Joi.string()
    .trim()
    .max(80)
    .required()
    .label('Name')
    .messages({ 'string.empty': 'Say which keyboard it is, like “main keyboard” or “number pad”.' }),
  kind: Joi.string()
    .valid(...KEYBOARD_KINDS)
    .required()
    .label('How it is built'),
  block: Joi.string()
    .valid(...BLOCKS)
    .required()
    .label('Begin from'),
  across: whole(MOST_ACROSS, 'Keys in its widest row'),
  down: whole(MOST_DOWN, 'Rows'),
});

const mm = (label: string, least: number) => Joi.number().min(least).max(1500).required().label(label);

export interface KeyForm {
  keyboardId: string;
  /** Its name until now; empty for a new key. */
  was: string;
  id: string;
  x: number;
  y: number;
  w: number;
  h: number;
}

export const keySchema = Joi.object<KeyForm>({
  keyboardId: id,
  was: keyName.allow('').default(''),
  id: keyName
    .required()
    .label('Name of the key')
    .messages({ 'string.empty': 'Give the key a name: what is on its cap.' }),
  x: mm('From the left', 0),
  y: mm('From above', 0),
  w: mm('Width', 1),
  h: mm('Height', 1),
});

export const splitSchema = Joi.object<{ keyboardId: string; key: string; second: string }>({
  keyboardId: id,
  key: keyName.required(),
  second: keyName.required(),
});

export const togetherSchema = Joi.object<{ keyboardId: string; keys: string[] }>({
  keyboardId: id,
  keys: Joi.array()
    .items(keyName)
    .min(2)
    .max(MOST_KEYS)
    .unique()
    .required()
    .label('Keys')
    .messages({ 'array.min': 'Choose two keys or more.' }),
});

export const keyOfSchema = Joi.object<{ keyboardId: string; key: string }>({ keyboardId: id, key: keyName.required() });
export const idSchema = Joi.object<{ id: string }>({ id });

export const lineSchema = Joi.object<Line & { keyboardId: string }>({
  keyboardId: id,
  id: keyName.required().label('Name of the line').messages({ 'string.empty': 'Give the line a name, like R1.' }),
  kind: Joi.string()
    .valid(...LINE_KINDS)
    .required()
    .label('Row or column'),
  route: Joi.array().items(keyName).max(MOST_KEYS).required().label('Keys along it'),
  foldAfter: Joi.array().items(keyName).max(40).default([]).label('Folds'),
});

export const beginSchema = Joi.object<{ keyboardId: string; phase: TestPhase }>({
  keyboardId: id,
  phase: Joi.string()
    .valid(...TEST_PHASES)
    .required()
    .label('Which test'),
});

export const endSchema = Joi.object<{ testId: string; heard: string; together: [string, string][] }>({
  testId: id,
  together: Joi.array()
    .items(Joi.array().ordered(keyName.required(), keyName.required()))
    .max(MOST_KEYS)
    .default([])
    .label('Keys that answered together'),
  heard: Joi.string().trim().max(500).allow('').default('').label('What was heard'),
});

export const codesFormSchema = Joi.object<{ keyboardId: string; codes: Record<string, string> }>({
  keyboardId: id,
  codes: codesSchema.required(),
});

export const seenSchema = Joi.object<{ testId: string; keys: string[]; seen: Observed }>({
  testId: id,
  keys: Joi.array().items(keyName).min(1).max(MOST_KEYS).required().label('Keys'),
  seen: Joi.string()
    .valid(...OBSERVED)
    .required()
    .label('What it did'),
});

export const readingSchema = Joi.object<Reading & { keyboardId: string; open: boolean }>({
  keyboardId: id,
  line: keyName.required().label('Line'),
  from: keyName.required().label('From'),
  to: keyName.required().label('To'),
  open: Joi.boolean().default(false),
  ohms: Joi.when('open', {
    is: true,
    then: Joi.any().custom(() => null),
    otherwise: Joi.number().min(0).max(1e9).required(),
  })
    .label('Resistance')
    .messages({
      'number.min': '{#label} cannot be below 0 Ω. Turn the tips round, or measure again.',
      'number.max': '{#label} is more than any meter shows. Where it shows no figure, tap “Open”.',
      'any.required': 'Type what the meter shows, or tap “Open” where it shows no figure.',
      'number.base': 'Type what the meter shows in Ω, like 120 or 4700, or tap “Open”.',
    }),
});

/** A keyboard’s file is smaller than this. */
const MOST_FILE_BYTES = 400_000;

export const fileSchema = Joi.object<{ restorationId: string; name: string; text: string }>({
  restorationId: id,
  name: Joi.string().max(200).allow('').default(''),
  text: Joi.string()
    .max(MOST_FILE_BYTES)
    .required()
    .label('The file')
    .messages({ 'string.empty': 'The file is empty. Choose a keyboard as JSON or CSV.' }),
});

export interface PictureForm {
  restorationId: string;
  name: string;
  kind: KeyboardKind;
  widthMm: number;
  heightMm: number;
  photoId: string;
  corners: Corners;
  keys: { x: number; y: number; w: number; h: number }[];
}

export const pictureSchema = Joi.object<PictureForm>({
  restorationId: id,
  name: blockSchema.extract('name'),
  kind: blockSchema.extract('kind'),
  widthMm: mm('Width of the field', 20),
  heightMm: mm('Height of the field', 10),
  photoId: id,
  corners: cornersSchema,
  keys: Joi.array()
    .items(Joi.object({ x: mm('From the left', 0), y: mm('From above', 0), w: mm('Width', 1), h: mm('Height', 1) }))
    .min(1)
    .max(MOST_KEYS)
    .required()
    .label('Keys')
    .messages({ 'array.min': 'Keep at least one key.' }),
});

export const marksSchema = Joi.object<{ keyboardId: string; photoId: string; corners: Corners }>({
  keyboardId: id,
  photoId: id,
  corners: cornersSchema,
});

const someKeys = Joi.array().items(keyName).min(1).max(MOST_KEYS).required().label('Keys');

export const capsSchema = Joi.object<{
  keyboardId: string;
  keys: string[];
  isOff?: boolean;
  state?: CapState;
  stem?: StemPlace;
  unseen: boolean;
}>({
  keyboardId: id,
  keys: someKeys,
  isOff: Joi.boolean(),
  state: Joi.string()
    .valid(...CAP_STATES)
    .label('How the cap is'),
  stem: Joi.string()
    .valid(...STEM_PLACES)
    .label('Where its stem stands'),
  unseen: Joi.boolean().default(false),
}).or('isOff', 'state', 'stem');

const howMany = (label: string) => Joi.number().integer().min(0).max(MOST.parts).empty('').default(0).label(label);

export const countSchema = Joi.object<LooseCount & { keyboardId: string }>({
  keyboardId: id,
  part: Joi.string()
    .trim()
    .max(40)
    .required()
    .label('Part')
    .messages({ 'string.empty': 'Say what was counted, like springs or screws.' }),
  came: howMany('Came out'),
  cleaned: howMany('Cleaned'),
  back: howMany('Back'),
  lost: howMany('Lost'),
  donor: howMany('From a donor'),
});

export const measureSchema = Joi.object<{
  keyboardId: string;
  what: Measure;
  key: string;
  open: boolean;
  value: number | null;
}>({
  keyboardId: id,
  what: Joi.string()
    .valid(...MEASURES)
    .required()
    .label('What was measured'),
  key: keyName.required().label('Key').messages({ 'string.empty': 'Tap the key that was measured.' }),
  open: Joi.boolean().default(false),
  value: Joi.when('open', {
    is: true,
    then: Joi.any().custom(() => null),
    otherwise: Joi.number().min(0).max(1e9).required(),
  })
    .label('The figure')
    .messages({
      'number.min': '{#label} cannot be below 0. Measure again.',
      'number.max': '{#label} is more than any meter shows. Where it shows none, tap “Open”.',
      'any.required': 'Type what was measured.',
      'number.base': 'Type what was measured as a number, like 120.',
    }),
});

const limitOhms = (label: string) => Joi.number().positive().max(1e6).required().label(label);

export const limitsSchema = Joi.object<ContactLimits & { kind: KeyboardKind }>({
  kind: blockSchema.extract('kind'),
  passOhms: limitOhms('Passes under'),
  cleanOhms: limitOhms('Cleaned up to')
    .min(Joi.ref('passOhms'))
    .messages({ 'number.min': '{#label} has to be as much as what passes, or more.' }),
});

const ohmsOrNone = Joi.number().min(0).max(1e9).allow(null).empty('').default(null);

export interface RepairForm {
  keyboardId: string;
  way: RepairWay;
  fault: string;
  keys: string[];
  ohms: number | null;
}

export const repairSchema = Joi.object<RepairForm>({
  keyboardId: id,
  way: Joi.string()
    .valid(...REPAIR_WAYS)
    .required()
    .label('Way'),
  fault: Joi.string().trim().max(300).required().label('What it is for'),
  keys: Joi.array().items(keyName).max(MOST_KEYS).required().label('Keys'),
  ohms: ohmsOrNone.label('Resistance before'),
});

export const answerSchema = Joi.object<{
  repairId: string;
  outcome: RepairOutcome;
  ohmsBefore: number | null;
  ohms: number | null;
  words: string;
}>({
  repairId: id,
  outcome: Joi.string()
    .valid(...REPAIR_OUTCOMES)
    .required()
    .label('What came of it'),
  ohmsBefore: ohmsOrNone.label('Resistance before'),
  ohms: ohmsOrNone.label('Resistance now'),
  words: Joi.string().trim().max(300).allow('').default('').label('In a few words'),
});

export interface PracticeForm {
  grade: Grade;
  seed: number;
  probes: number;
  said: { line: string; segment: number }[];
}

export const practiceSchema = Joi.object<PracticeForm>({
  grade: Joi.string()
    .valid(...GRADES)
    .required()
    .label('Grade'),
  seed: Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).required(),
  probes: Joi.number().integer().min(0).max(1000).required().label('Probes'),
  said: Joi.array()
    .items(Joi.object({ line: keyName.required(), segment: Joi.number().integer().min(1).max(MOST_KEYS).required() }))
    .min(1)
    .max(10)
    .required()
    .label('Where it is broken')
    .messages({ 'array.min': 'Say where it is broken: tap the two keys on both sides of the break.' }),
});
