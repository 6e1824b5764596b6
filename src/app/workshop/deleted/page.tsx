import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { deletedRestorations, goneRestorations } from '@/data/putAway';
import { takenBackAnywhere } from '@/data/takenBack';
import { getWorkshop } from '@/data/workshop';
import { DeletedPart } from '@/runsheet/DeletedPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Deleted, workshop' };

export default async function DeletedPage() {
  await needsEntered();
  const [{ timeZone }, restorations, { taken, all }, gone] = await Promise.all([
    getWorkshop(),
    deletedRestorations(),
    takenBackAnywhere(),
    goneRestorations(),
  ]);
  return (
    <>
      <WorkshopHead view="/deleted" />
      <DeletedPart restorations={restorations} taken={taken} all={all} gone={gone} timeZone={timeZone} />
    </>
  );
}
