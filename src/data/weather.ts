import type { WeatherHour } from './rows';
import { findRows } from './table';
import type { AirSource } from '@/core/finish/air';
import type { SkySource } from '@/core/session/sessions';
import { skyWith } from '@/core/sun/weatherHours';
import { Op } from 'sequelize';

export const HOUR_MS = 3_600_000;

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

/** Air that goes by the workshop's own files where they tell of it, and by a stand-in elsewhere. */
export const airOver =
  (standIn: AirSource): AirSource =>
  async (place, from, hours) => {
    const own = new Map((await ownHours(from, hours)).map((hour) => [Date.parse(hour.at), hour]));
    return (await standIn(place, from, hours)).map((hour) => {
      const known = own.get(hour.at.getTime());
      if (!known) return hour;
      return {
        ...{ at: hour.at, cloud: known.cloud },
        airC: known.airC ?? hour.airC,
        humidityPercent: known.humidityPercent ?? hour.humidityPercent,
        windMs: known.windMs ?? hour.windMs,
        rainMm: known.rainMm ?? hour.rainMm,
        own: known.airC !== null && known.humidityPercent !== null,
      };
    });
  };

/** A sky that goes by the workshop's own hours where it has some, and by a stand-in elsewhere. */
export const skyOver =
  (standIn: SkySource): SkySource =>
  async (place, from, hours) =>
    skyWith(
      await standIn(place, from, hours),
      (await ownHours(from, hours)).map(({ at, cloud }) => ({ at: new Date(at), cloud })),
    );
