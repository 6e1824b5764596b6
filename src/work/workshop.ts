import { Refusal } from '@/core/refusal';
import type { WeekHours } from '@/core/runsheet/hours';
import type { SkyHour } from '@/core/sun/weatherHours';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { ObstacleRow, WeatherHour, Workshop } from '@/data/rows';
import { addRow, changeRow, findRows, needRow, removeRows } from '@/data/table';
import { HOUR_MS } from '@/data/weather';
import { NEW_WORKSHOP, ONLY, getWorkshop } from '@/data/workshop';
import { Op } from 'sequelize';

export async function addPerson(name: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const people = await findRows('people', {});
    if (people.some((person) => person.name.toLowerCase() === name.toLowerCase()))
      throw new Refusal('name', `${name} is there already. Write the name so that the two can be told apart.`);
    await addRow('people', { name, addedAt: now.toISOString(), hours: null, daysOff: [] });
    await appendLog({ restorationId: null, stage: null, kind: 'people', words: `${name} works here.` }, now);
  });
}

/** When somebody is there, where that differs from the workshop’s hours, and days off. */
export async function changePersonHours(
  id: string,
  hours: WeekHours | null,
  daysOff: readonly string[],
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { name } = await needRow('people', id);
    await changeRow('people', { id }, { hours, daysOff: [...daysOff] });
    const off = daysOff.length > 0 ? ` Off on ${daysOff.join(', ')}.` : '';
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'people', data: { id, hours, daysOff } },
        words: `${name}: ${hours ? 'hours of their own' : 'there as the workshop is'}.${off}`,
      },
      now,
    );
  });
}

/** Takes a name off the list; what that person did keeps it. */
export async function removePerson(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { name } = await needRow('people', id);
    await removeRows('people', { id });
    await appendLog(
      { restorationId: null, stage: null, kind: 'people', words: `${name} is not on the list any more.` },
      now,
    );
  });
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

/** Keeps hours of sky; what was known of the same hours goes. */
export async function keepHours(
  hours: readonly SkyHour[],
  source: WeatherHour['source'],
  words: string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const times = hours.map(({ at }) => at.toISOString());
    // A look says nothing of the air: what a file said of it stays.
    const before = new Map((await findRows('weather_hours', { at: { [Op.in]: times } })).map((row) => [row.at, row]));
    await removeRows('weather_hours', { at: { [Op.in]: times } });
    for (const { at, cloud, air = {} } of hours) {
      const known = before.get(at.toISOString());
      await addRow('weather_hours', {
        ...{ at: at.toISOString(), cloud, source, takenAt: now.toISOString() },
        airC: air.airC ?? known?.airC ?? null,
        humidityPercent: air.humidityPercent ?? known?.humidityPercent ?? null,
        windMs: air.windMs ?? known?.windMs ?? null,
        rainMm: air.rainMm ?? known?.rainMm ?? null,
      });
    }
    await appendLog({ restorationId: null, stage: null, kind: 'sky', words }, now);
  });
}

/** Forgets what was looked at and read from files, from an instant on: the sky is invented again. */
export async function forgetHours(from: Date, now: Date): Promise<void> {
  await inTransaction(async () => {
    await removeRows('weather_hours', { at: { [Op.gte]: new Date(from.getTime() - HOUR_MS).toISOString() } });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'sky',
        words: 'Own looks and hours from files are forgotten; the sky is invented again.',
      },
      now,
    );
  });
}
