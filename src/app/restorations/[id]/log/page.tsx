import { notFound } from 'next/navigation';
import { logOf } from '@/data/log';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { LogScreen } from '@/runsheet/LogScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [entries, { timeZone }] = await Promise.all([logOf(id), getWorkshop()]);
  return (
    <>
      <ScreenHead
        title="Log"
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        under="It only grows: a rewording is a new entry, and the old one stays."
      />
      <LogScreen restorationId={id} entries={entries} timeZone={timeZone} />
    </>
  );
}
