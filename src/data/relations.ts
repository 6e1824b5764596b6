import { BaseError, ForeignKeyConstraintError } from 'sequelize';
import { Refusal } from '@/core/refusal';
import type { TableName } from './schema';

/**
 * Which fields of a table name rows of which other: what belongs to a restoration names only things of the same one.
 * The database itself holds it (migration 0013), whoever writes; an import is checked against it before anything is kept.
 */
export const RELATIONS = {
  photos: { pieceId: 'pieces' },
  measurements: { pieceId: 'pieces', photoId: 'photos' },
  findings: { pieceId: 'pieces', photoId: 'photos', closeUpId: 'photos', continues: 'findings' },
  treatments: { pieceId: 'pieces', startMeasurementId: 'measurements' },
  sessions: { treatmentId: 'treatments', pieceId: 'pieces' },
  timers: { pieceId: 'pieces', sessionId: 'sessions' },
  removal_steps: { pieceId: 'pieces', photoId: 'photos' },
  lots: { stepId: 'removal_steps' },
  connections: { stepId: 'removal_steps' },
  blocks: { firstId: 'removal_steps', thenId: 'removal_steps' },
  requests: { pieceId: 'pieces' },
  looks_again: { pieceId: 'pieces', treatmentId: 'treatments', measurementId: 'measurements' },
  sink_steps: { findingId: 'findings', pieceId: 'pieces', photoId: 'photos' },
  learnt_rates: { pieceId: 'pieces' },
  log: { corrects: 'log' },
} as const satisfies Partial<Record<TableName, Record<string, TableName>>>;

/** Fields that may well name a row of another machine, or of none: what lies in one tub, and what stands in the stores. */
export const ACROSS: readonly string[] = [
  'sessions.leadId',
  'treatments.stockId',
  'movements.stockId',
  'sink_steps.timerId',
];

/** Whether the database refused a row by one of its own rules. */
export const isAgainstRules = (failure: unknown): boolean =>
  failure instanceof BaseError && /CONSTRAINT/.test(String((failure as { parent?: { code?: unknown } }).parent?.code));

/** An error of the database in words, where somebody can act on it; any other as it is. */
export function asRefusal(failure: unknown): unknown {
  if (failure instanceof ForeignKeyConstraintError)
    return new Refusal('', 'This names something that is not here any more. Load the page again, and choose anew.');
  const field = /kvell: joins two restorations \((\w+)\)/.exec(
    (failure as { parent?: Error }).parent?.message ?? '',
  )?.[1];
  if (field === undefined) return failure;
  return new Refusal(
    field,
    'This belongs to another restoration. Choose something of the machine that you work on; load the page anew if it shows both.',
  );
}
