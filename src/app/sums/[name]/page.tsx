import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { findSum } from '@/core/sums/catalogue';
import { sumFields } from '@/core/sums/fields';
import { getWorkshop } from '@/data/workshop';
import { SumScreen } from '@/sums/SumScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export default async function SumPage({ params }: { params: Promise<{ name: string }> }) {
  await needsEntered();
  const sum = findSum((await params).name);
  if (!sum) notFound();
  const { units } = await getWorkshop();
  return (
    <>
      <ScreenHead title={sum.title} under={sum.summary} lead={<TextLink href="/sums">All sums</TextLink>} />
      <SumScreen
        name={sum.name}
        fields={sumFields(sum)}
        example={sum.example}
        source={sum.source}
        estimate={sum.estimate ?? null}
        system={units}
      />
    </>
  );
}
