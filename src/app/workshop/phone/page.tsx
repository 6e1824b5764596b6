import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { toString } from 'qrcode';
import { RingSwitches } from '@/bench/RingSwitches';
import { doorState } from '@/data/door';
import { isOnLan, networkOrigins } from '@/edge/network';
import { Part } from '@/ui/layout';
import { DoorPart } from '@/workshop/DoorPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Phone, workshop' };

export default async function PhonePage() {
  await needsEntered();
  const [door, given] = await Promise.all([doorState(), headers()]);
  const places = await Promise.all(
    (isOnLan() ? networkOrigins(given.get('host')) : []).map(async (origin) => ({
      address: origin,
      code: await toString(`${origin}/hand`, { type: 'svg', margin: 2 }),
    })),
  );
  return (
    <>
      <WorkshopHead view="/phone" />
      <DoorPart hasPassphrase={door.hasPassphrase} open={door.open} onLan={isOnLan()} places={places} />
      <Part title="This device">
        <RingSwitches />
      </Part>
    </>
  );
}
