import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Workshop } from './rows';
import { addRow, changeRow, findRow } from './table';

const ONLY = 'workshop';

/** What a workshop is before anybody has said anything. */
export const NEW_WORKSHOP: Workshop = {
  id: ONLY,
  name: 'My workshop',
  latitude: null,
  longitude: null,
  altitudeM: 0,
  timeZone: 'UTC',
  units: 'metric',
  currency: 'EUR',
  hourlyRateMinor: 0,
};

/** The workshop's settings. */
export async function getWorkshop(): Promise<Workshop> {
  return (await findRow('workshop', ONLY)) ?? NEW_WORKSHOP;
}

/** Saves the workshop's settings. */
export async function saveWorkshop(settings: Omit<Workshop, 'id'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const changed = await changeRow('workshop', { id: ONLY }, settings, transaction);
    if (!changed) await addRow('workshop', { ...settings, id: ONLY }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'workshop', words: `Workshop settings saved: ${settings.name}.`, data: settings },
      transaction,
      now,
    );
  });
}
