import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { besideOf, candidates } from '@/measuring/beside';
import { BesideChoice, BesideView } from '@/measuring/BesideView';
import { ScreenHead } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';

export const metadata: Metadata = { title: 'Side by side' };

/** So many are offered; the rest is found by words. */
const MOST = 12;

const idOf = (asked: string | undefined) => (/^[0-9a-f-]{36}$/.test(asked ?? '') ? asked! : null);

/** Two pieces side by side, of one machine or of two, in the same view and light. */
export default async function BesidePage({
  searchParams,
}: {
  searchParams: Promise<{ a?: string; b?: string; q?: string }>;
}) {
  await needsEntered();
  const asked = await searchParams;
  const [a, b] = [idOf(asked.a), idOf(asked.b)];
  if (a === null) notFound();
  const one = await besideOf(a);
  if (!one) notFound();
  const other = b === null || b === a ? null : await besideOf(b);
  const words = String(asked.q ?? '').slice(0, 100);
  const piece = `/restorations/${one.restorationId}/pieces/${one.id}`;
  return (
    <>
      <ScreenHead
        lead={<TextLink href={piece}>{`${one.tag} ${one.name}, ${one.title}`}</TextLink>}
        title="Side by side"
        under="Straight on, in the light of each one’s grey card"
        action={other && <LinkButton href={`/beside?a=${a}`}>Beside another</LinkButton>}
      />
      {other ? (
        <BesideView pair={[one, other]} timeZone={(await getWorkshop()).timeZone} />
      ) : (
        <BesideChoice a={a} words={words} found={await candidates(a, words, MOST)} />
      )}
    </>
  );
}
