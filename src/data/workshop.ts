import { database, inTransaction } from './connection';
import { appendLog } from './log';
import type { ObstacleRow, Workshop } from './rows';
import { addRow, changeRow, findRow, findRows, needRow } from './table';

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
  dayFromH: 9,
  dayToH: 18,
  lampMwPerCm2: 0,
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

/** What stands in the sun's way, from the north clockwise. */
export const listObstacles = (): Promise<ObstacleRow[]> => findRows('obstacles', {}, [['fromDeg', 'ASC']]);

export async function addObstacle(obstacle: Omit<ObstacleRow, 'id' | 'addedAt'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    await addRow('obstacles', { ...obstacle, addedAt: now.toISOString() }, transaction);
    const { name, fromDeg, toDeg, heightDeg } = obstacle;
    const words = `In the sun’s way: ${name}, ${fromDeg}° to ${toDeg}°, ${heightDeg}° high.`;
    await appendLog({ restorationId: null, stage: null, kind: 'horizon', words, data: obstacle }, transaction, now);
  });
}

export async function removeObstacle(id: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const obstacle = await needRow('obstacles', id, transaction);
    const { tables } = await database();
    await tables.obstacles.destroy({ where: { id }, transaction });
    const words = `No longer in the sun’s way: ${obstacle.name}.`;
    await appendLog({ restorationId: null, stage: null, kind: 'horizon', words, data: { before: obstacle } }, transaction, now);
  });
}
