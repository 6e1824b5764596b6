import type { SheetGreys } from '@/core/picture/greySheetPlan';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow } from '@/data/table';

/** Keeps what the greys of a printed sheet were found to be. */
export async function keepSheet(sheet: { number: number; greys: SheetGreys }, now: Date): Promise<void> {
  await inTransaction(async () => {
    await addRow('grey_sheets', { ...sheet, at: now.toISOString() });
    const told = sheet.greys.filter((grey) => grey !== null).length;
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'grey sheet' },
        words: `Sheet of greys ${sheet.number} calibrated: ${told} of ${sheet.greys.length} greys told by the card.`,
        data: sheet,
      },
      now,
    );
  });
}
