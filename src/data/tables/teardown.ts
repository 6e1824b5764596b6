import Joi from 'joi';
import { MOST } from '@/core/limits';
import type { Share } from '@/core/picture/picture';
import { CONNECTION_KINDS, JOINT_KINDS } from '@/core/teardown/joints';
import { DRIVES, FATES, HEADS, MOST_IN_A_LOT, SHANKS, THINGS } from '@/core/teardown/lots';
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
  textOrNull,
  time,
  timeOrNull,
  TOLD,
  whole,
  type Row,
} from '../column';
import { shareSchema } from './machine';

/** What came off, what held it, and what must be on before what. */
export const TEARDOWN_TABLES = {
  /** One thing that came off. */
  removal_steps: table({
    noun: 'step',
    exported: { as: 'removalSteps', since: 2, by: 'position' },
    columns: {
      id,
      restorationId: ofRestoration,
      /** From 1 in the order taken off. */
      position: whole(0, 200_000),
      name: text(MOST.name),
      joint: choice(JOINT_KINDS),
      /** Force or trick that it needed: “slides left, then up”. */
      way: text(MOST.words),
      springs: text(MOST.few),
      /** It was off before anybody took the machine apart here. */
      laidAside: flag,
      /** The tagged piece that it is, where somebody said so. */
      pieceId: orNull(naming('pieces')),
      photoId: orNull(naming('photos')),
      /** Where the fasteners sat, as shares of the photograph's width and height. */
      pins: json<Share[]>(Joi.array().items(shareSchema).max(MOST.pins)),
      removedAt: time,
      onAt: timeOrNull,
      onWords: textOrNull,
      /** Who did it, where the workshop has more than one name. */
      offBy: text(MOST.person),
      onBy: text(MOST.person),
    },
  }),
  lots: table({
    noun: 'lot',
    exported: { as: 'lots', since: 2, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      stepId: naming('removal_steps'),
      thing: choice(THINGS),
      drive: choice(DRIVES),
      head: choice(HEADS),
      diameterMm: above0(MOST.diameterMm),
      lengthMm: above0(MOST.fastenerMm),
      shank: choice(SHANKS),
      count: whole(1, MOST_IN_A_LOT),
      fate: choice(FATES),
      /** Deepest that a screw may go there, where it was measured. */
      deepestMm: orNull(real(0, MOST.fastenerMm)),
      tray: text(MOST.trayName),
      cell: orNull(whole(0, MOST.cells)),
      returned: whole(0, MOST_IN_A_LOT),
      missing: whole(0, MOST_IN_A_LOT),
      /** What became of those that did not come back as they were. */
      words: text(TOLD),
    },
  }),
  connections: table({
    noun: 'connection',
    exported: { as: 'connections', since: 2, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      stepId: naming('removal_steps'),
      kind: choice(CONNECTION_KINDS),
      way: text(MOST.few),
      tickedAt: timeOrNull,
    },
  }),
  blocks: table({
    noun: 'block',
    exported: { as: 'blocks', since: 2, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      firstId: naming('removal_steps'),
      thenId: naming('removal_steps'),
      why: text(MOST.few),
    },
  }),
  trays: table({
    columns: { id, name: text(), columns: whole(1, MOST.cells), rows: whole(1, MOST.cells), addedAt: time },
  }),
};

export type RemovalStep = Row<typeof TEARDOWN_TABLES.removal_steps>;
export type LotRow = Row<typeof TEARDOWN_TABLES.lots>;
export type ConnectionRow = Row<typeof TEARDOWN_TABLES.connections>;
export type BlockRow = Row<typeof TEARDOWN_TABLES.blocks>;
export type Tray = Row<typeof TEARDOWN_TABLES.trays>;
