import { everyDay } from '@/core/runsheet/hours';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { ObstacleRow, Workshop } from './rows';
import { addRow, changeRow, findRow, findRows, needRow, removeRows } from './table';

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
  hours: everyDay(9, 18),
  lampMwPerCm2: 0,
};

/** The workshop's settings. */
export async function getWorkshop(): Promise<Workshop> {
  return (await findRow('workshop', ONLY)) ?? NEW_WORKSHOP;
}

/** Saves the workshop's settings. */
export async function saveWorkshop(settings: Partial<Omit<Workshop, 'id'>>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const changed = await changeRow('workshop', { id: ONLY }, settings);
    if (!changed) await addRow('workshop', { ...NEW_WORKSHOP, ...settings });
    const { name } = await getWorkshop();
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'workshop',
        words: `Workshop settings saved: ${name}.`,
        data: settings,
      },
      now,
    );
  });
}

/** What stands in the sun's way, from the north clockwise. */
export const listObstacles = (): Promise<ObstacleRow[]> => findRows('obstacles', {}, [['fromDeg', 'ASC']]);

export async function addObstacle(obstacle: Omit<ObstacleRow, 'id' | 'addedAt'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    await addRow('obstacles', { ...obstacle, addedAt: now.toISOString() });
    const { name, fromDeg, toDeg, heightDeg } = obstacle;
    const words = `In the sun’s way: ${name}, ${fromDeg}° to ${toDeg}°, ${heightDeg}° high.`;
    await appendLog({ restorationId: null, stage: null, kind: 'horizon', words, data: obstacle }, now);
  });
}

export async function removeObstacle(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const obstacle = await needRow('obstacles', id);
    await removeRows('obstacles', { id });
    const words = `No longer in the sun’s way: ${obstacle.name}.`;
    await appendLog({ restorationId: null, stage: null, kind: 'horizon', words, data: { before: obstacle } }, now);
  });
}
