import type { Migration } from './migration';

/** As in `relations.ts` on the day it was written; a test holds the two against each other. */
const FIELDS: readonly [string, string, string][] = [
  ['photos', 'pieceId', 'pieces'],
  ['measurements', 'pieceId', 'pieces'],
  ['measurements', 'photoId', 'photos'],
  ['findings', 'pieceId', 'pieces'],
  ['findings', 'photoId', 'photos'],
  ['findings', 'closeUpId', 'photos'],
  ['findings', 'continues', 'findings'],
  ['treatments', 'pieceId', 'pieces'],
  ['treatments', 'startMeasurementId', 'measurements'],
  ['sessions', 'treatmentId', 'treatments'],
  ['sessions', 'pieceId', 'pieces'],
  ['timers', 'pieceId', 'pieces'],
  ['timers', 'sessionId', 'sessions'],
  ['removal_steps', 'pieceId', 'pieces'],
  ['removal_steps', 'photoId', 'photos'],
  ['lots', 'stepId', 'removal_steps'],
  ['connections', 'stepId', 'removal_steps'],
  ['blocks', 'firstId', 'removal_steps'],
  ['blocks', 'thenId', 'removal_steps'],
  ['requests', 'pieceId', 'pieces'],
  ['looks_again', 'pieceId', 'pieces'],
  ['looks_again', 'treatmentId', 'treatments'],
  ['looks_again', 'measurementId', 'measurements'],
  ['sink_steps', 'findingId', 'findings'],
  ['sink_steps', 'pieceId', 'pieces'],
  ['sink_steps', 'photoId', 'photos'],
  ['learnt_rates', 'pieceId', 'pieces'],
  ['log', 'corrects', 'log'],
];

const trigger = ([table, field, target]: [string, string, string], when: string, name: string) =>
  `CREATE TRIGGER own_${table}_${field}_${name} BEFORE ${when} ON ${table} WHEN NEW.${field} IS NOT NULL
    AND EXISTS (SELECT 1 FROM ${target} WHERE id = NEW.${field} AND restorationId IS NOT NEW.restorationId)
    BEGIN SELECT RAISE(ABORT, 'kvell: joins two restorations (${field})'); END`;

/** A row that belongs to a restoration names only rows of the same one. */
export const ownRelations: Migration = {
  name: '0013-own-relations',
  statements: FIELDS.flatMap((each) => [
    trigger(each, 'INSERT', 'in'),
    trigger(each, `UPDATE OF ${each[1]}, restorationId`, 'on'),
  ]),
};
