import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { listPeople } from '@/data/people';
import { PeoplePart } from '@/workshop/PeoplePart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'People, workshop' };

export default async function PeoplePage() {
  await needsEntered();
  return (
    <>
      <WorkshopHead view="/people" />
      <PeoplePart people={await listPeople()} />
    </>
  );
}
