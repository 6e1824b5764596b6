import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { LogList } from '@/clipboard/LogList';
import { dataFolder } from '@/data/folder';
import { logPage } from '@/data/log';
import { takenBackOf } from '@/data/takenBack';
import { getWorkshop } from '@/data/workshop';
import { beforeOf, LOG_SIZE } from '@/runsheet/logPages';
import { Part } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { TakenBackPart } from '@/undo/TakenBackPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Log, workshop' };

const olderLog = (before: number) => `/workshop/kept?before=${before}`;

export default async function KeptPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  await needsEntered();
  const { before } = await searchParams;
  const [{ timeZone }, log, taken] = await Promise.all([
    getWorkshop(),
    logPage({ restorationId: null }, beforeOf(before), LOG_SIZE),
    takenBackOf(null),
  ]);
  return (
    <>
      <WorkshopHead view="/kept" />
      <Part title="Where everything is kept">
        <p>
          <code>{dataFolder()}</code>: one database and the photographs.{' '}
          <TextLink href="/workshop/backup">Backup</TextLink> copies both while people work.
        </p>
      </Part>
      <Part title="Log of the workshop" id="log">
        <TakenBackPart taken={taken} timeZone={timeZone} />
        <LogList page={log} timeZone={timeZone} olderHref={olderLog} />
      </Part>
    </>
  );
}
