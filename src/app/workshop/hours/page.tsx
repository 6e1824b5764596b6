import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { getWorkshop } from '@/data/workshop';
import { hoursDrawn } from '@/workshop/drawn';
import { HoursForm } from '@/workshop/HoursForm';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Hours, workshop' };

export default async function HoursPage() {
  await needsEntered();
  return (
    <>
      <WorkshopHead view="/hours" />
      <HoursForm initial={hoursDrawn(await getWorkshop())} />
    </>
  );
}
