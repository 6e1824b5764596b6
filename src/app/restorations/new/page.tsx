import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { getWorkshop } from '@/data/workshop';
import { OpenForm } from '@/stages/intake/OpenForm';
import { ScreenHead } from '@/ui/layout';

export const metadata: Metadata = { title: 'Open a restoration' };

export default async function NewRestorationPage() {
  await needsEntered();
  const { currency } = await getWorkshop();
  return (
    <>
      <ScreenHead title="Open a restoration" under="Only the name is needed now. The rest can follow." />
      <OpenForm currency={currency} />
    </>
  );
}
