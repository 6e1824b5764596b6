import { wholeUnits } from '@/core/ledger/money';
import { hoursWords, WEEKDAYS } from '@/core/runsheet/hours';
import type { Workshop } from '@/data/rows';

const text = (value: number | null) => (value === null ? '' : String(value));

/** What the form of the place is drawn with. */
export const workshopDrawn = ({
  name,
  latitude,
  longitude,
  altitudeM,
  ozoneDU,
  timeZone,
  units,
  currency,
}: Workshop) => ({
  name,
  latitude: text(latitude),
  longitude: text(longitude),
  altitudeM: text(altitudeM),
  ozoneDU: text(ozoneDU),
  timeZone,
  units,
  currency,
});

/** What the form of the hours is drawn with. */
export const hoursDrawn = ({ hours, hourlyRateMinor, currency, lampMwPerCm2 }: Workshop): Record<string, string> => ({
  ...Object.fromEntries(WEEKDAYS.map((day, i) => [day, hoursWords(hours[i] ?? null)])),
  hourlyRate: text(wholeUnits(hourlyRateMinor, currency)),
  lampMwPerCm2: text(lampMwPerCm2),
});
