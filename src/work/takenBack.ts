import { countHidden } from './hidden';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { TakenBack } from '@/data/rows';
import { addRow, changeRow, findRow, findRows, needRow, removeRows } from '@/data/table';
import { TABLES, type TableName } from '@/data/tables';
import type { WhereOptions } from 'sequelize';

/**
 * Takes something back that was written by mistake. Its rows are laid aside, so that it can be brought back; the log
 * keeps what it said.
 *
 * @returns id by which it is brought back
 */
export async function takeBack({ restorationId, stage, what, remove, letGo = [] }: Taking, now: Date): Promise<string> {
  return inTransaction(async () => {
    const changed: TakenBack['changed'] = [];
    for (const { table, where, fields } of letGo)
      for (const row of (await findRows(table, where)) as unknown as Record<string, unknown>[]) {
        const before = Object.fromEntries(fields.map((field) => [field, row[field]]));
        changed.push({ table, id: String(row.id), before });
        await changeRow(table, { id: row.id as string }, Object.fromEntries(fields.map((field) => [field, null])));
      }
    const removed: TakenBack['removed'] = [];
    for (const { table, where } of remove) {
      removed.push(
        ...(await findRows(table, where)).map((row) => ({ table, row: row as unknown as Record<string, unknown> })),
      );
      await removeRows(table, where);
    }
    const { id } = await addRow('taken_back', {
      restorationId,
      what,
      removed,
      changed,
      at: now.toISOString(),
      broughtBackAt: null,
    });
    await appendLog(
      { restorationId, stage, kind: 'taken back', words: `Taken back: ${what}.`, data: { takenBackId: id } },
      now,
    );
    return id;
  });
}

/**
 * Brings back what was taken back.
 *
 * @throws Refusal where it is back already, or something else stands in its place by now
 */
export async function bringBack(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, what, removed, changed, broughtBackAt } = await needRow('taken_back', id);
    if (broughtBackAt !== null) throw new Refusal('id', `It is back already: ${what}.`);
    try {
      for (const { table, row } of [...removed].reverse()) if (isTable(table)) await addRow(table, row as never);
      for (const { table, id: rowId, before } of changed)
        if (isTable(table) && (await findRow(table, rowId))) await changeRow(table, { id: rowId }, before as never);
      const measured = removed.flatMap(({ table, row }) => (table === 'measurements' ? [String(row.pieceId)] : []));
      for (const pieceId of new Set(measured)) await countHidden(pieceId);
    } catch (failure) {
      if (!(failure instanceof Refusal) && !/constraint/i.test(String(failure))) throw failure;
      throw new Refusal(
        'id',
        `It cannot be brought back as it was: something else stands in its place by now. Its words are in the log: ${what}.`,
      );
    }
    await changeRow('taken_back', { id }, { broughtBackAt: now.toISOString() });
    await appendLog(
      { restorationId, stage: null, kind: 'brought back', words: `Brought back: ${what}.`, data: { takenBackId: id } },
      now,
    );
  });
}

interface Taking {
  restorationId: string | null;
  stage: Stage | null;
  /** What it was, for the log and for whoever wants it back. */
  what: string;
  /** Rows that go, children first. */
  remove: readonly { table: TableName; where: WhereOptions }[];
  /** Rows that stay and let go of it. */
  letGo?: readonly { table: TableName; where: WhereOptions; fields: readonly string[] }[];
}

/** It was kept by the name of its table; what stood in one that is no more has no place to go back to. */
const isTable = (name: string): name is TableName => name in TABLES;
