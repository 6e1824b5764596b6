/** Rows as the rest of the house sees them: plain data, never model instances. Each follows from its table. */
export type { RowOf } from './tables';
export type * from './tables/brighten';
export type * from './tables/finish';
export type * from './tables/keys';
export type * from './tables/machine';
export type * from './tables/mend';
export type * from './tables/plan';
export type * from './tables/teardown';
export type * from './tables/wash';
export type * from './tables/workshop';
