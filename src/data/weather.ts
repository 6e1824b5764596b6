import { Op } from 'sequelize';
import type { SkySource } from '@/core/session/sessions';
import { skyWith, type SkyHour } from '@/core/sun/weatherHours';
import { inTransaction } from './connection';
import { appendLog } from './log';
import { addRow, findRows, removeRows } from './table';
import type { WeatherHour } from './rows';

const HOUR_MS = 3_600_000;

/** Hours that were looked at or came from a file, from an instant on. */
const ownHours = (from: Date, hours: number): Promise<WeatherHour[]> =>
  findRows(
    'weather_hours',
    {
      at: {
        [Op.gte]: new Date(from.getTime() - HOUR_MS).toISOString(),
        [Op.lt]: new Date(from.getTime() + hours * HOUR_MS).toISOString(),
      },
    },
    [['at', 'ASC']],
  );

/** Keeps hours of sky; what was known of the same hours goes. */
export async function keepHours(
  hours: readonly SkyHour[],
  source: WeatherHour['source'],
  words: string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const times = hours.map(({ at }) => at.toISOString());
    await removeRows('weather_hours', { at: { [Op.in]: times } });
    for (const { at, cloud } of hours)
      await addRow('weather_hours', { at: at.toISOString(), cloud, source, takenAt: now.toISOString() });
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

/** A sky that goes by the workshop's own hours where it has some, and by a stand-in elsewhere. */
export const skyOver =
  (standIn: SkySource): SkySource =>
  async (place, from, hours) =>
    skyWith(
      await standIn(place, from, hours),
      (await ownHours(from, hours)).map(({ at, cloud }) => ({ at: new Date(at), cloud })),
    );
