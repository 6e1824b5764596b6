import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { logPage } from '@/data/log';
import { awayOf } from '@/data/putAway';
import { titlesOf } from '@/data/restorations';
import { takenBackOf } from '@/data/takenBack';
import { getWorkshop } from '@/data/workshop';
import { beforeOf, LOG_SIZE } from '@/runsheet/logPages';
import { LogScreen } from '@/runsheet/LogScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

interface Asked {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ before?: string }>;
}

export default async function LogPage({ params, searchParams }: Asked) {
  await needsEntered();
  const [{ id }, { before }] = [await params, await searchParams];
  // The log is there when nothing else of a deleted restoration is.
  const [titles, away] = await Promise.all([titlesOf([id]), awayOf(id)]);
  const title = titles.get(id);
  if (title === undefined) notFound();
  const [page, taken, { timeZone }] = await Promise.all([
    logPage({ restorationId: id }, beforeOf(before), LOG_SIZE),
    takenBackOf(id),
    getWorkshop(),
  ]);
  return (
    <>
      <ScreenHead
        title="Log"
        lead={away?.goneAt ? title : <TextLink href={`/restorations/${id}`}>{title}</TextLink>}
        under="It only grows: a rewording is a new entry, and the old one stays."
      />
      <LogScreen restorationId={id} page={page} taken={taken} timeZone={timeZone} />
    </>
  );
}
