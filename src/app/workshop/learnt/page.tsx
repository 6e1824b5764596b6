import { needsEntered } from '@/edge/entered';
import { LAST_PAGE, pageAsked } from '@/edge/page';
import type { Metadata } from 'next';
import { ownKnowledge } from '@/data/cleaning';
import { getWorkshop } from '@/data/workshop';
import { Part } from '@/ui/layout';
import { learnt } from '@/work/learnt';
import { findLesson, lessonsPage } from '@/work/lessons';
import { LearntPart } from '@/workshop/LearntPart';
import { learntShown } from '@/workshop/learntShown';
import { RulesPart } from '@/workshop/RulesPart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Learnt, workshop' };

/** So many rules stand on a page, and so many that were let go. */
const RULES = 20;

interface Props {
  searchParams: Promise<{ rules?: string; gone?: string; rule?: string }>;
}

export default async function LearntPage({ searchParams }: Props) {
  await needsEntered();
  const asked = await searchParams;
  const [page, gonePage] = [asked.rules, asked.gone].map((one) => pageAsked(one, LAST_PAGE)) as [number, number];
  const pageOf = (of: number, dropped: boolean) => lessonsPage({ here: null, dropped, from: RULES * of, count: RULES });
  const [found, rules, dropped, sought, { currency }, { agents = [] }] = await Promise.all([
    learnt(),
    pageOf(page, false),
    pageOf(gonePage, true),
    asked.rule ? findLesson(String(asked.rule)) : null,
    getWorkshop(),
    ownKnowledge(),
  ]);
  const address = (to: object) =>
    `/workshop/learnt?${new URLSearchParams(Object.entries({ rules: page, gone: gonePage, ...to }).map(([of, at]) => [of, String(at)])).toString()}`;
  const pages = (name: 'rules' | 'gone', at: number, all: number) => ({
    back: at > 0 ? { href: address({ [name]: at - 1 }), words: 'Newer rules' } : null,
    on: RULES * (at + 1) < all ? { href: address({ [name]: at + 1 }), words: 'Older rules' } : null,
  });
  return (
    <>
      <WorkshopHead view="/learnt" />
      <Part title="Rules of your own">
        <RulesPart
          sought={sought}
          rules={{ ...rules, ...pages('rules', page, rules.all) }}
          dropped={{ ...dropped, ...pages('gone', gonePage, dropped.all) }}
        />
      </Part>
      <Part title="Over all machines">
        <LearntPart {...learntShown(found, currency, agents)} />
      </Part>
    </>
  );
}
