import Joi from 'joi';
import { FAMILY_NAMES } from '@/core/mending/part/families';
import { MOST } from '@/core/limits';
import { choice, id, json, naming, ofRestoration, orNull, table, time, title, type Row } from '../column';

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
};

export type PartRow = Row<typeof MEND_TABLES.parts>;
