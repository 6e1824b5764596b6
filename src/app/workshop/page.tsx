import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { getWorkshop, NEW_WORKSHOP } from '@/data/workshop';
import { workshopDrawn } from '@/workshop/drawn';
import { PlaceForm } from '@/workshop/PlaceForm';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Workshop' };

export default async function WorkshopPage() {
  await needsEntered();
  const workshop = await getWorkshop();
  return (
    <>
      <WorkshopHead view="" />
      <PlaceForm isNew={workshop === NEW_WORKSHOP} initial={workshopDrawn(workshop)} />
    </>
  );
}
