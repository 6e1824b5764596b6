import type { Migration } from './migration';

/** What is put away may be deleted: then it goes for good on a day, and has gone since. Until then it lies there whole. */
export const deleted: readonly Migration[] = [
  {
    name: '0032-deleted',
    statements: [
      'ALTER TABLE put_away ADD COLUMN goesAt TEXT',
      'ALTER TABLE put_away ADD COLUMN goneAt TEXT',
      'CREATE INDEX taken_back_at ON taken_back (at)',
    ],
  },
];
