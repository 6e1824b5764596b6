import Joi from 'joi';
import { SIZE_KINDS } from '@/core/mending/marks/sizeKinds';
import { FAMILY_NAMES } from '@/core/mending/part/families';
import { MOST } from '@/core/limits';
import type { Srgb } from '@/core/colour/types';
import { DROP_USES } from '@/core/finish/dropUses';
import { dropAmounts, srgbSchema } from '@/core/finish/dropSchema';
import type { Damage } from '@/core/mending/repair/damage';
import { damageSchema } from '@/core/mending/repair/damageSchema';
import { MEND_OUTCOMES, MEND_WAYS } from '@/core/mending/repair/ways';
import {
  choice,
  id,
  json,
  minor,
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

/** Parts that were drawn to be made. */
export const MEND_TABLES = {
  parts: table({
    noun: 'part',
    exported: { as: 'parts', since: 9, by: 'at' },
    columns: {
      id,
      restorationId: ofRestoration,
      name: title(MOST.person),
      family: choice(FAMILY_NAMES),
      /** Its sizes, as its family takes them. */
      sizes: json<Record<string, unknown>>(Joi.object().unknown()),
      /** The photograph that its outline was taken from. */
      photoId: orNull(naming('photos')),
      at: time,
    },
  }),
  /** Sizes that were measured on photographs. */
  sizes: table({
    noun: 'size',
    exported: { as: 'sizes', since: 10, by: 'at' },
    columns: {
      id,
      restorationId: ofRestoration,
      name: title(MOST.person),
      kind: choice(SIZE_KINDS),
      /** mm, degrees or mm², and one standard deviation. */
      value: real(0, 1e7),
      sd: real(0, 1e7),
      photoId: orNull(naming('photos')),
      /** What the bar of 100 mm on the sheet of marks measured; `null` where a thing of known size lay there. */
      barMm: orNull(real(80, 120)),
      at: time,
    },
  }),
  /** Drops of a mixture that were let set and photographed beside what they are to match. */
  test_drops: table({
    noun: 'test drop',
    exported: { as: 'testDrops', since: 11, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      /** What it is mixed for. */
      use: choice(DROP_USES),
      /** What the pigments go into: a resin, a paint. */
      base: title(MOST.person),
      amounts: json<Record<string, number>>(dropAmounts),
      srgb: json<Srgb>(srgbSchema),
      /** The piece beside it on the same photograph. */
      beside: orNull(json<Srgb>(srgbSchema)),
      photoId: orNull(naming('photos')),
      at: time,
    },
  }),
  /** Something that is to be bought, for a machine or for the stores, and how far it is. */
  orders: table({
    noun: 'order',
    exported: { as: 'orders', since: 12, by: 'rowid' },
    columns: {
      id,
      restorationId: orNull(ofRestoration),
      pieceId: orNull(naming('pieces')),
      repairId: orNull(naming('repairs')),
      what: title(MOST.name),
      /** Where from, and what stands in meanwhile. */
      words: text(MOST.words),
      at: time,
      orderedAt: timeOrNull,
      priceMinor: orNull(minor),
      /** Where its price is booked. */
      ledgerId: orNull(naming('ledger')),
      dueAt: timeOrNull,
      arrivedAt: timeOrNull,
      /** Held beside the old one. */
      comparedAt: timeOrNull,
      fittedAt: timeOrNull,
    },
  }),
  /** A broken place that is mended, or was. */
  repairs: table({
    noun: 'repair',
    exported: { as: 'repairs', since: 10, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: orNull(naming('pieces')),
      /** What it is for. */
      findingId: orNull(naming('findings')),
      name: title(MOST.name),
      damage: json<Damage>(damageSchema),
      at: time,
      /** How it is mended, once that was chosen, and since when. */
      way: orNull(choice(MEND_WAYS)),
      startedAt: timeOrNull,
      /** Warmth of the place that it cures in, °C. */
      roomC: orNull(real(-20, 60)),
      /** Steps of the way that are done, by their place in it. */
      done: json<number[]>(Joi.array().items(Joi.number().integer().min(0).max(40)).max(40)),
      /** When its glue bears: nothing else is done to the piece before. */
      curedAt: timeOrNull,
      endedAt: timeOrNull,
      outcome: orNull(choice(MEND_OUTCOMES)),
      words: text(MOST.long),
      /** When it broke again, which moves the odds of its way. */
      brokeAt: timeOrNull,
    },
  }),
};

export type PartRow = Row<typeof MEND_TABLES.parts>;
export type TestDropRow = Row<typeof MEND_TABLES.test_drops>;
export type SizeRow = Row<typeof MEND_TABLES.sizes>;
export type OrderRow = Row<typeof MEND_TABLES.orders>;
export type RepairRow = Row<typeof MEND_TABLES.repairs>;
