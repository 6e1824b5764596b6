import type { Metadata } from 'next';
import { needsEntered } from '@/edge/entered';
import { DonorsScreen } from '@/stores/DonorsScreen';
import type { Asked } from '@/stores/DonorSearch';

export const metadata: Metadata = { title: 'Donors' };

export default async function DonorsPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  await needsEntered();
  // An address may name a thing twice.
  const asked = Object.entries(await searchParams).filter(([, words]) => typeof words === 'string');
  return <DonorsScreen asked={Object.fromEntries(asked) as Asked} />;
}
