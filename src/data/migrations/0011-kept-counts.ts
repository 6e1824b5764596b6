import type { Migration } from './migration';

/** What changes a rate that was learnt from a restoration. */
const SPEAKS: readonly [table: string, events: readonly string[], key: string][] = [
  ['sessions', ['INSERT', 'UPDATE', 'DELETE'], 'restorationId'],
  ['treatments', ['INSERT', 'UPDATE', 'DELETE'], 'restorationId'],
  ['measurements', ['INSERT', 'UPDATE', 'DELETE'], 'restorationId'],
  ['pieces', ['UPDATE', 'DELETE'], 'restorationId'],
  ['restorations', ['UPDATE OF aim'], 'id'],
];

const OUTCOME_ID = (row: string) =>
  `${row}.agent || '|' || ${row}.soil || '|' || ${row}.surface || '|' || ${row}.outcome`;
const COUNT_UP = `INSERT INTO learnt_outcomes (id, agent, soil, surface, outcome, times)
  SELECT ${OUTCOME_ID('NEW')}, NEW.agent, NEW.soil, NEW.surface, NEW.outcome, 1 WHERE NEW.outcome IS NOT NULL
  ON CONFLICT (id) DO UPDATE SET times = times + 1;`;
const COUNT_DOWN = `UPDATE learnt_outcomes SET times = times - 1 WHERE OLD.outcome IS NOT NULL AND id = ${OUTCOME_ID('OLD')};`;

/**
 * What every page of a workshop of many years would count anew is kept and brought up to date by the database itself,
 * whatever writes: how often an agent took a soil, rates learnt of brightened pieces (those to be worked out again are
 * listed), and when each restoration was worked on last.
 */
export const keptCounts: Migration = {
  name: '0011-kept-counts',
  statements: [
    `CREATE TABLE learnt_outcomes (id TEXT PRIMARY KEY, agent TEXT NOT NULL, soil TEXT NOT NULL, surface TEXT NOT NULL, outcome TEXT NOT NULL,
      times INTEGER NOT NULL)`,
    `INSERT INTO learnt_outcomes SELECT ${OUTCOME_ID('sink_steps')}, agent, soil, surface, outcome, COUNT(*) FROM sink_steps
      WHERE outcome IS NOT NULL GROUP BY agent, soil, surface, outcome`,
    `CREATE TRIGGER outcome_came AFTER INSERT ON sink_steps BEGIN ${COUNT_UP} END`,
    `CREATE TRIGGER outcome_changed AFTER UPDATE ON sink_steps BEGIN ${COUNT_DOWN} ${COUNT_UP} END`,
    `CREATE TRIGGER outcome_went AFTER DELETE ON sink_steps BEGIN ${COUNT_DOWN} END`,
    `CREATE TABLE learnt_rates (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL, pieceId TEXT NOT NULL, school TEXT NOT NULL, plastic TEXT NOT NULL,
      mean REAL NOT NULL, variance REAL NOT NULL, at TEXT NOT NULL)`,
    `CREATE INDEX learnt_rates_by_way ON learnt_rates(school, plastic, at)`,
    `CREATE INDEX learnt_rates_by_restoration ON learnt_rates(restorationId)`,
    `CREATE TABLE learnt_stale (id TEXT PRIMARY KEY)`,
    `INSERT INTO learnt_stale SELECT DISTINCT restorationId FROM treatments`,
    ...SPEAKS.flatMap(([table, events, key]) =>
      events.map(
        (event) => `CREATE TRIGGER ${table}_${event.split(' ')[0]!.toLowerCase()}_speaks AFTER ${event} ON ${table}
          BEGIN INSERT OR IGNORE INTO learnt_stale (id) VALUES (${event === 'DELETE' ? 'OLD' : 'NEW'}.${key}); END`,
      ),
    ),
    `CREATE TABLE worked (id TEXT PRIMARY KEY, logId INTEGER NOT NULL)`,
    `INSERT INTO worked SELECT restorationId, MAX(id) FROM log WHERE restorationId IS NOT NULL GROUP BY restorationId`,
    `CREATE INDEX worked_last ON worked(logId)`,
    `CREATE TRIGGER log_tells_worked AFTER INSERT ON log WHEN NEW.restorationId IS NOT NULL
      BEGIN INSERT INTO worked (id, logId) VALUES (NEW.restorationId, NEW.id) ON CONFLICT (id) DO UPDATE SET logId = NEW.id; END`,
    // What the pages ask for by more than its restoration.
    `CREATE INDEX timers_running ON timers(endedAt, dueAt)`,
    `CREATE INDEX measurements_by_piece ON measurements(pieceId, measuredAt)`,
    `CREATE INDEX sessions_by_piece ON sessions(pieceId, startedAt)`,
    `CREATE INDEX sessions_of_treatment ON sessions(treatmentId)`,
    `CREATE INDEX treatments_by_piece ON treatments(pieceId)`,
    `CREATE INDEX treatments_going ON treatments(endedAt, plannedAt)`,
    `CREATE INDEX sink_steps_running ON sink_steps(endedAt)`,
    `CREATE INDEX findings_open ON findings(settledAt, restorationId)`,
    `CREATE INDEX looks_due ON looks_again(measurementId, dueAt)`,
    `CREATE INDEX requests_waiting ON requests(answer)`,
    `CREATE INDEX restorations_opened ON restorations(closedAt, openedAt)`,
  ],
};
