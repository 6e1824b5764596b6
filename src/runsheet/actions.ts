'use server';

import { addFinding, settleFinding } from '@/data/findings';
import { minorUnits } from '@/core/ledger/money';
import { writeNote } from '@/data/log';
import { addPiece, changePiece } from '@/data/pieces';
import { settleStage } from '@/data/restorations';
import { addLedgerEntry } from '@/data/ledger';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import {
  changePieceSchema,
  findingSchema,
  materialSchema,
  minutesSchema,
  noteSchema,
  pieceSchema,
  settleFindingSchema,
  settleStageSchema,
} from './schema';

/** Writes an own note into the log, or a new wording of an earlier one. */
export async function noteDown(given: Given): Promise<Answer<void>> {
  return write(noteSchema, given, (note) => writeNote(note));
}

/** Minutes of own work. */
export async function spendMinutes(given: Given): Promise<Answer<void>> {
  return write(minutesSchema, given, (entry) => addLedgerEntry({ ...entry, kind: 'minutes', amountMinor: 0 }));
}

/** Material used, with what it cost. */
export async function useMaterial(given: Given): Promise<Answer<void>> {
  return write(materialSchema, given, async ({ cost, ...entry }) => {
    const { currency } = await getWorkshop();
    await addLedgerEntry({ ...entry, kind: 'material', amountMinor: minorUnits(cost, currency), minutes: 0 });
  });
}

/** A finding: what is wrong, or worth keeping. */
export async function find(given: Given): Promise<Answer<string>> {
  return write(findingSchema, given, async (finding) => (await addFinding(finding)).id);
}

/** Settles a finding. */
export async function settle(given: Given): Promise<Answer<void>> {
  return write(settleFindingSchema, given, ({ findingId, settledAs, settledWords }) => settleFinding(findingId, settledAs, settledWords));
}

/** Marks a stage done, not needed or open again. */
export async function markStage(given: Given): Promise<Answer<void>> {
  return write(settleStageSchema, given, ({ restorationId, stage, state, reason }) => settleStage(restorationId, stage, state, reason || null));
}

/** Adds a piece with its tag. */
export async function tagPiece(given: Given): Promise<Answer<string>> {
  return write(pieceSchema, given, async (piece) => (await addPiece(piece)).id);
}

/** Changes what is known of a piece. */
export async function correctPiece(given: Given): Promise<Answer<void>> {
  return write(changePieceSchema, given, ({ pieceId, ...changes }) => changePiece(pieceId, changes));
}
