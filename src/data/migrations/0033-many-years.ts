import type { Migration } from './migration';

/** What a workshop of many years is asked for is found by an index, not by reading all that there ever was. */
export const manyYears: readonly Migration[] = [
  {
    name: '0033-many-years',
    statements: [
      'CREATE INDEX measurements_basis ON measurements (basis, measuredAt)',
      'CREATE INDEX timers_restoration ON timers (restorationId, endedAt, dueAt)',
      ...['key_tests', 'keys_seen', 'probes'].map(
        (table) => `CREATE INDEX ${table}_restoration ON ${table} (restorationId)`,
      ),
      'CREATE INDEX task_runs_outcome ON task_runs (outcome, endedAt)',
      'CREATE INDEX task_runs_ended ON task_runs (endedAt, startedAt)',
      'CREATE INDEX task_marks_dropped ON task_marks (dropped, at)',
      `CREATE INDEX log_first_power ON log (restorationId) WHERE kind = 'first power'`,
      'CREATE INDEX treatments_school ON treatments (school, pieceId)',
      'CREATE INDEX lessons_at ON lessons (at)',
      'CREATE INDEX taken_back_open ON taken_back (at) WHERE broughtBackAt IS NULL',
      'CREATE INDEX orders_fitted ON orders (fittedAt)',
      // What lies in a cell is told from the index alone, however many lots ever lay there.
      'CREATE INDEX lots_cells ON lots (tray, cell, returned, missing, count) WHERE cell IS NOT NULL',
      // What is left of everything on the shelf is added up from the index alone.
      'CREATE INDEX movements_left ON movements (stockId, kind, change)',
    ],
  },
];
