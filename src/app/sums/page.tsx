import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { SUMS } from '@/core/sums/catalogue';
import { SumList } from '@/sums/SumList';
import { ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

export const metadata: Metadata = { title: 'Sums' };

export default async function SumsPage() {
  await needsEntered();
  return (
    <>
      <ScreenHead
        title="Sums"
        under="Every calculation by itself, with its working and its source"
        action={<LinkButton href="/sums/assumptions">What Kvell assumes</LinkButton>}
      />
      <SumList sums={SUMS.map(({ name, title, summary }) => ({ name, title, summary }))} />
    </>
  );
}
