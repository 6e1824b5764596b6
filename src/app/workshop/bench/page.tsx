import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { findRows } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { feedToken } from '@/edge/feed';
import { usualThings } from '@/work/plan/facts';
import { ThingsForm } from '@/workshop/ThingsForm';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'At the bench, workshop' };

/** What there is at the bench, and the plan as a calendar. */
export default async function BenchThingsPage() {
  await needsEntered();
  const [workshop, tubs, given, token] = await Promise.all([getWorkshop(), findRows('tubs'), headers(), feedToken()]);
  const host = given.get('host') ?? '127.0.0.1:3000';
  return (
    <>
      <WorkshopHead view="/bench" />
      <ThingsForm
        things={workshop.things ?? usualThings(workshop, tubs.length)}
        feed={`http://${host}/api/calendar.ics?token=${token}`}
      />
    </>
  );
}
