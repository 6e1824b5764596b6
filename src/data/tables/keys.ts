import type { Line } from '@/core/keyboard/board';
import { boardKeysSchema, boardLinesSchema, codesSchema } from '@/core/keyboard/boardSchema';
import { OBSERVED } from '@/core/keyboard/evidence';
import { KEYBOARD_KINDS } from '@/core/keyboard/kinds';
import type { BoardKey } from '@/core/keyboard/layout';
import { MOST } from '@/core/limits';
import { TEST_PHASES } from '@/core/runsheet/functionTest';
import {
  above0,
  choice,
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
