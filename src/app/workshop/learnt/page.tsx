import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { ownKnowledge } from '@/data/cleaning';
import { getWorkshop } from '@/data/workshop';
import { Part } from '@/ui/layout';
import { learnt } from '@/work/learnt';
import { listLessons } from '@/work/lessons';
import { LearntPart } from '@/workshop/LearntPart';
import { learntShown } from '@/workshop/learntShown';
import { RulesPart } from '@/workshop/RulesPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Learnt, workshop' };

export default async function LearntPage() {
  await needsEntered();
  const [found, rules, dropped, { currency }, { agents = [] }] = await Promise.all([
    learnt(),
    listLessons(null),
    listLessons(null, { dropped: true }),
    getWorkshop(),
    ownKnowledge(),
  ]);
  return (
    <>
      <WorkshopHead view="/learnt" />
      <Part title="Rules of your own">
        <RulesPart rules={rules} dropped={dropped} />
      </Part>
      <Part title="Over all machines">
        <LearntPart {...learntShown(found, currency, agents)} />
      </Part>
    </>
  );
}
