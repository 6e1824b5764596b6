import type { Row } from '../column';
import { BRIGHTEN_TABLES } from './brighten';
import { FINISH_TABLES } from './finish';
import { KEYS_TABLES } from './keys';
import { LEARNT_TABLES } from './learnt';
import { MACHINE_TABLES } from './machine';
import { MEND_TABLES } from './mend';
import { PLAN_TABLES } from './plan';
import { TEARDOWN_TABLES } from './teardown';
import { WASH_TABLES } from './wash';
import { WORKSHOP_TABLES } from './workshop';

/**
 * Every table, as it is written down in its room of this folder. The migrations make the tables; a test holds the two
 * against each other.
 */
export const TABLES = {
  ...WORKSHOP_TABLES,
  ...MACHINE_TABLES,
  ...BRIGHTEN_TABLES,
  ...TEARDOWN_TABLES,
  ...WASH_TABLES,
  ...KEYS_TABLES,
  ...MEND_TABLES,
  ...FINISH_TABLES,
  ...PLAN_TABLES,
  ...LEARNT_TABLES,
};

export type TableName = keyof typeof TABLES;
/** Which row each table holds. */
export type RowOf = { [T in TableName]: Row<(typeof TABLES)[T]> };
