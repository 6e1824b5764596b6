import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { listObstacles } from '@/data/workshop';
import { HorizonPart } from '@/workshop/HorizonPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Horizon, workshop' };

export default async function HorizonPage() {
  await needsEntered();
  return (
    <>
      <WorkshopHead view="/horizon" />
      <HorizonPart obstacles={await listObstacles()} />
    </>
  );
}
