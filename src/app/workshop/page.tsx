import type { Metadata } from 'next';
import { RingSwitches } from '@/bench/RingSwitches';
import { wholeUnits } from '@/core/ledger/money';
import { logOf } from '@/data/log';
import { dataFolder } from '@/data/folder';
import { getWorkshop, NEW_WORKSHOP } from '@/data/workshop';
import { LogList } from '@/runsheet/LogList';
import { Part, ScreenHead } from '@/ui/layout';
import { SettingsForm } from '@/workshop/SettingsForm';

export const metadata: Metadata = { title: 'Workshop' };

export default async function WorkshopPage() {
  const [workshop, log] = await Promise.all([getWorkshop(), logOf(null)]);
  const text = (value: number | null) => (value === null ? '' : String(value));
  const rate = wholeUnits(workshop.hourlyRateMinor, workshop.currency);
  return (
    <>
      <ScreenHead title="Workshop" under="Where it stands, what it counts in, and how this device rings" />
      <Part title="Place, units and money">
        <SettingsForm
          isNew={workshop === NEW_WORKSHOP}
          initial={{
            name: workshop.name,
            latitude: text(workshop.latitude),
            longitude: text(workshop.longitude),
            altitudeM: text(workshop.altitudeM),
            timeZone: workshop.timeZone,
            units: workshop.units,
            currency: workshop.currency,
            hourlyRate: text(rate),
          }}
        />
      </Part>
      <Part title="This device">
        <RingSwitches />
      </Part>
      <Part title="Where everything is kept">
        <p>
          <code>{dataFolder()}</code>: one database and the photographs. Copy the folder while Kvell is stopped, and that is the backup.
        </p>
      </Part>
      <Part title="Log of the workshop" id="log">
        <LogList entries={[...log].reverse()} timeZone={workshop.timeZone} />
      </Part>
    </>
  );
}
