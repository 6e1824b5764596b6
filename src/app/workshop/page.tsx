import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { toString } from 'qrcode';
import { RingSwitches } from '@/bench/RingSwitches';
import { doorState } from '@/data/door';
import { logPage } from '@/data/log';
import { takenBackOf } from '@/data/takenBack';
import { beforeOf, LOG_SIZE } from '@/runsheet/logPages';
import { TakenBackPart } from '@/undo/TakenBackPart';
import { listPeople } from '@/data/people';
import { dataFolder } from '@/data/folder';
import { getWorkshop, listObstacles, NEW_WORKSHOP } from '@/data/workshop';
import { isOnLan, networkOrigins } from '@/edge/network';
import { LogList } from '@/clipboard/LogList';
import { Part, ScreenHead } from '@/ui/layout';
import { workshopDrawn } from '@/workshop/drawn';
import { HorizonPart } from '@/workshop/HorizonPart';
import { DoorPart } from '@/workshop/DoorPart';
import { PeoplePart } from '@/workshop/PeoplePart';
import { SettingsForm } from '@/workshop/SettingsForm';

export const metadata: Metadata = { title: 'Workshop' };

const olderLog = (before: number) => `/workshop?before=${before}#log`;

export default async function WorkshopPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  await needsEntered();
  const { before } = await searchParams;
  const [workshop, log, taken, people, door, given, obstacles] = await Promise.all([
    getWorkshop(),
    logPage({ restorationId: null }, beforeOf(before), LOG_SIZE),
    takenBackOf(null),
    listPeople(),
    doorState(),
    headers(),
    listObstacles(),
  ]);
  const places = await Promise.all(
    (isOnLan() ? networkOrigins(given.get('host')) : []).map(async (origin) => ({
      address: origin,
      code: await toString(`${origin}/hand`, { type: 'svg', margin: 2 }),
    })),
  );
  return (
    <>
      <ScreenHead title="Workshop" under="Where it stands, what it counts in, and how this device rings" />
      <Part title="Place, units and money">
        <SettingsForm isNew={workshop === NEW_WORKSHOP} initial={workshopDrawn(workshop)} />
      </Part>
      <Part title="What stands in the sun’s way" id="horizon">
        <HorizonPart obstacles={obstacles} />
      </Part>
      <Part title="Who works here" id="people">
        <PeoplePart people={people} />
      </Part>
      <Part title="Phone at the bench" id="door">
        <DoorPart hasPassphrase={door.hasPassphrase} open={door.open} onLan={isOnLan()} places={places} />
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
        <TakenBackPart taken={taken} timeZone={workshop.timeZone} />
        <LogList page={log} timeZone={workshop.timeZone} olderHref={olderLog} />
      </Part>
    </>
  );
}
