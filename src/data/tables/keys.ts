import Joi from 'joi';
import { CAP_STATES, STEM_PLACES } from '@/core/keyboard/caps';
import { MEASURES } from '@/core/keyboard/measured';
import { cornersSchema } from '@/core/keyboard/photo/fieldSpec';
import { GRADES } from '@/core/keyboard/practice';
import { REPAIR_OUTCOMES, REPAIR_WAYS } from '@/core/keyboard/repairs';
import type { Corners } from '@/core/picture/corners';
import type { Line } from '@/core/keyboard/board';
import { boardKeysSchema, boardLinesSchema, codesSchema } from '@/core/keyboard/boardSchema';
import { OBSERVED } from '@/core/keyboard/evidence';
import { KEYBOARD_KINDS } from '@/core/keyboard/kinds';
import { MOST_KEYS, type BoardKey } from '@/core/keyboard/layout';
import { MOST } from '@/core/limits';
import { TEST_PHASES } from '@/core/runsheet/functionTest';
import {
  above0,
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
  whole,
  type Row,
} from '../column';

/** Keyboards of a machine, what their keys did, and what was measured on their lines. */
export const KEYS_TABLES = {
  keyboards: table({
    noun: 'keyboard',
    exported: { as: 'keyboards', since: 8, by: 'addedAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      name: title(MOST.person),
      kind: choice(KEYBOARD_KINDS),
      /** Of the field that its keys stand on. */
      widthMm: above0(1500),
      heightMm: above0(1500),
      keys: json<BoardKey[]>(boardKeysSchema),
      lines: json<Line[]>(boardLinesSchema),
      /** Which key the browser’s code of an event belongs to, once that was learnt. */
      codes: json<Record<string, string>>(codesSchema),
      addedAt: time,
    },
  }),
  /** Each key pressed once, before a change or after it. */
  key_tests: table({
    noun: 'key test',
    exported: { as: 'keyTests', since: 8, by: 'at' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      phase: choice(TEST_PHASES),
      at: time,
      endedAt: timeOrNull,
    },
  }),
  /** What one key did in a test. */
  keys_seen: table({
    exported: { as: 'keysSeen', since: 8, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      testId: naming('key_tests'),
      key: text(40),
      seen: choice(OBSERVED),
      at: time,
    },
  }),
  /** A photograph of a keyboard with the corners of its field: what its caps are compared by. */
  keyboard_pictures: table({
    noun: 'marked photograph',
    exported: { as: 'keyboardPictures', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      photoId: naming('photos'),
      corners: json<Corners>(cornersSchema),
      at: time,
    },
  }),
  /** The cap of a key: how it was found, and whether it is off. */
  caps: table({
    exported: { as: 'caps', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      key: text(40),
      state: choice(CAP_STATES),
      /** `off` in the singular: whether it lies beside the machine. */
      isOff: flag,
      /** Where its stem was seen to stand. */
      stem: orNull(choice(STEM_PLACES)),
      at: time,
    },
  }),
  /** Limits of contacts on keyboards of a kind, where this workshop has its own. */
  contact_limits: table({
    noun: 'contact limits',
    columns: {
      id,
      kind: choice(KEYBOARD_KINDS),
      passOhms: above0(1e6),
      cleanOhms: above0(1e6),
      at: time,
    },
  }),
  /** Parts that come off in numbers: how many came out, and what became of them. */
  loose_parts: table({
    noun: 'count',
    exported: { as: 'looseParts', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      part: title(40),
      came: whole(0, MOST.parts),
      cleaned: whole(0, MOST.parts),
      back: whole(0, MOST.parts),
      lost: whole(0, MOST.parts),
      donor: whole(0, MOST.parts),
      at: time,
    },
  }),
  /** What was measured of one key’s part; the newest of a kind counts. */
  key_measures: table({
    noun: 'measured part',
    exported: { as: 'keyMeasures', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      key: text(40),
      what: choice(MEASURES),
      /** `null` for a contact that the meter shows open. */
      value: orNull(real(0, 1e9)),
      at: time,
    },
  }),
  /** A repair of a line, a contact or a switch, and what came of it. */
  key_repairs: table({
    noun: 'key repair',
    exported: { as: 'keyRepairs', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      way: choice(REPAIR_WAYS),
      /** What it was for, in words, and the keys that show whether it works. */
      fault: text(300),
      keys: json<string[]>(Joi.array().items(Joi.string().max(40)).max(MOST_KEYS)),
      ohmsBefore: orNull(real(0, 1e9)),
      ohmsAfter: orNull(real(0, 1e9)),
      startedAt: time,
      endedAt: timeOrNull,
      outcome: orNull(choice(REPAIR_OUTCOMES)),
      words: text(300),
    },
  }),
  /** A practice board that was answered; grade and seed say which. */
  key_practice: table({
    columns: {
      id,
      grade: choice(GRADES),
      seed: whole(0, Number.MAX_SAFE_INTEGER),
      probes: whole(0, 1000),
      /** How many Kvell’s own choice takes there. */
      ours: whole(0, 1000),
      rightly: flag,
      at: time,
    },
  }),
  /** Keys that answered with another one in a test: a sign that two lines are joined. */
  keys_together: table({
    exported: { as: 'keysTogether', since: 9, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      testId: naming('key_tests'),
      pressed: text(40),
      also: text(40),
      at: time,
    },
  }),
  /** Resistance between two places of a line. */
  probes: table({
    noun: 'reading',
    exported: { as: 'probes', since: 8, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      keyboardId: naming('keyboards'),
      line: text(40),
      /** Its two places: the connector, or keys. */
      fromPlace: text(40),
      toPlace: text(40),
      /** `null` where the meter showed it open. */
      ohms: orNull(real(0, 1e9)),
      at: time,
    },
  }),
};

export type KeyboardRow = Row<typeof KEYS_TABLES.keyboards>;
export type KeyTestRow = Row<typeof KEYS_TABLES.key_tests>;
export type KeySeenRow = Row<typeof KEYS_TABLES.keys_seen>;
export type ProbeRow = Row<typeof KEYS_TABLES.probes>;
export type KeyboardPictureRow = Row<typeof KEYS_TABLES.keyboard_pictures>;
export type CapRow = Row<typeof KEYS_TABLES.caps>;
export type LoosePartRow = Row<typeof KEYS_TABLES.loose_parts>;
export type ContactLimitsRow = Row<typeof KEYS_TABLES.contact_limits>;
export type KeyMeasureRow = Row<typeof KEYS_TABLES.key_measures>;
export type KeyRepairRow = Row<typeof KEYS_TABLES.key_repairs>;
export type KeyPracticeRow = Row<typeof KEYS_TABLES.key_practice>;
export type KeysTogetherRow = Row<typeof KEYS_TABLES.keys_together>;
