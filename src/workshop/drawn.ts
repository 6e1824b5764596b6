import { wholeUnits } from '@/core/ledger/money';
import { hoursWords, WEEKDAYS } from '@/core/runsheet/hours';
import type { Workshop } from '@/data/rows';

const text = (value: number | null) => (value === null ? '' : String(value));

/** What the form of the workshop is drawn with. */
export const workshopDrawn = (workshop: Workshop): Record<string, string> => ({
  name: workshop.name,
  latitude: text(workshop.latitude),
  longitude: text(workshop.longitude),
  altitudeM: text(workshop.altitudeM),
  timeZone: workshop.timeZone,
  units: workshop.units,
  currency: workshop.currency,
  hourlyRate: text(wholeUnits(workshop.hourlyRateMinor, workshop.currency)),
  ...Object.fromEntries(WEEKDAYS.map((day, i) => [day, hoursWords(workshop.hours[i] ?? null)])),
  lampMwPerCm2: text(workshop.lampMwPerCm2),
});
