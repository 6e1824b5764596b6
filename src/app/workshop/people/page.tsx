import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { listPeople } from '@/data/people';
import { getWorkshop } from '@/data/workshop';
import { PeoplePart } from '@/workshop/PeoplePart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'People, workshop' };

export default async function PeoplePage() {
  await needsEntered();
  const [people, { hours }] = await Promise.all([listPeople(), getWorkshop()]);
  return (
    <>
      <WorkshopHead view="/people" />
      <PeoplePart people={people} hours={hours} />
    </>
  );
}
