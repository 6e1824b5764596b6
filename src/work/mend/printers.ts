import { printFit } from '@/core/mending/printFit';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Printer } from '@/data/rows';
import { addRow, needRow } from '@/data/table';
import { takeBack } from '../takenBack';

/** Any place that a test bar may be worked out for. */
const ANY_PLACE = { intoMm: 10, clearanceMm: 0 };

/**
 * Keeps what a printer made of its test bar.
 *
 * @throws Refusal for a bar that is not the test bar
 */
export async function addPrinter(
  printer: Pick<Printer, 'name' | 'barMm' | 'pinMm' | 'holeMm' | 'kgMinor'>,
  now: Date,
): Promise<string> {
  const { shrink, growMm } = printFit({ ...printer, ...ANY_PLACE });
  return inTransaction(async () => {
    const { id } = await addRow('printers', { ...printer, at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'printer' },
        words: `Printer ${printer.name}: ${(100 * shrink).toFixed(2)} % of a length, and ${growMm.toFixed(2)} mm across.`,
        data: { printerId: id },
      },
      now,
    );
    return id;
  });
}

/** Takes back a test bar that was measured wrong. */
export async function takePrinterBack(id: string, now: Date): Promise<string> {
  const { name } = await needRow('printers', id);
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `test bar of ${name}` },
      remove: [{ table: 'printers', where: { id } }],
    },
    now,
  );
}
