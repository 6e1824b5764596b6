import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { findRows } from '@/data/table';

/** Writes an own note, or a new wording of an earlier one. */
export async function writeNote(
  note: { restorationId: string; stage: Stage; words: string; corrects: number | null },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    if (note.corrects !== null) {
      const [old] = await findRows('log', { id: note.corrects, restorationId: note.restorationId });
      if (!old) throw new Refusal('corrects', 'The entry to correct is not in this log. Write a new note.');
    }
    await appendLog({ ...note, kind: 'note' }, now);
  });
}
