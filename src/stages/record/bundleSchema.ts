import Joi from 'joi';
import { MOST } from '@/core/limits';
import { BUNDLE_FORMAT, BUNDLE_PARTS, BUNDLE_TABLES, BUNDLE_VERSION, type Bundle } from '@/data/bundle';
import { minor, text, type Columns } from '@/data/column';
import { TABLES } from '@/data/tables';
import { currencySchema, timeZoneSchema } from '@/edge/localSchema';

/** Far more than one restoration ever comes to. */
export const MOST_ROWS = 200_000;

const rowOf = (columns: Columns): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries(Object.entries(columns).map(([name, { schema }]) => [name, schema])));
const rows = ({ columns }: { columns: Columns }) => Joi.array().items(rowOf(columns)).max(MOST_ROWS).required();

/** The published shape of `restoration.json`: each part as its table is written down. */
export const bundleSchema = Joi.object<Bundle>({
  format: Joi.string().valid(BUNDLE_FORMAT).required(),
  version: Joi.number().valid(BUNDLE_VERSION).required(),
  workshop: Joi.object({
    name: text(MOST.person).schema,
    timeZone: timeZoneSchema,
    currency: currencySchema,
    hourlyRateMinor: minor.schema,
  }).required(),
  restoration: rowOf(TABLES.restorations.columns).required(),
  ...Object.fromEntries(BUNDLE_PARTS.map((part) => [part, rows(TABLES[BUNDLE_TABLES[part]])])),
  stock: rows(TABLES.stock),
  ownAgents: rows(TABLES.own_agents),
  ownSurfaces: rows(TABLES.own_surfaces),
  log: rows(TABLES.log),
  missing: Joi.array()
    .items(Joi.string().pattern(/^[0-9a-f]{64}$/))
    .max(MOST_ROWS)
    .required(),
});
