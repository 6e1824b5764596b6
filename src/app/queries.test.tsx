import { readdirSync } from 'node:fs';
import path from 'node:path';
import { BUNDLE_PARTS } from '@/data/bundle';
import { database, queriesSoFar } from '@/data/connection';
import { addTub } from '@/work/knowledge';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { addFinding } from '@/work/findings';
import { copyRestorations } from '@/work/manyYears.testing';
import { keepMeasurement } from '@/work/measurements';
import { planView } from '@/stages/brighten/plan/plan';
import { planSchema } from '@/stages/brighten/schema';
import { blockOf, guessLines } from '@/core/keyboard/layout';
import { addKeyboard } from '@/work/keys/boards';
import { beginTest, seeKeys } from '@/work/keys/tests';
import { findAnything } from '@/bench/find';
import { endPass, startPass } from '@/work/wash/pass';
import { nameSoil } from '@/work/wash/soil';
import { findRows, select } from '@/data/table';
import { inTrialWorkshop, tick, TRIAL_EXPOSURE, trialPhoto, trialPiece, trialResult } from '@/work/trial';
import BackupPage from './workshop/backup/page';
import FindPage from './find/page';
import LearntPage from './workshop/learnt/page';
import BenchPage from './page';
import RestorationsPage from './restorations/page';
import RunSheetPage from './restorations/[id]/page';
import IntakePage from './restorations/[id]/intake/page';
import TeardownPage from './restorations/[id]/teardown/page';
import WashPage from './restorations/[id]/wash/page';
import BathsPage from './restorations/[id]/wash/baths/page';
import SpotsPage from './restorations/[id]/wash/spots/page';
import BrightenPage from './restorations/[id]/brighten/page';
import PastPage from './restorations/[id]/brighten/past/page';
import PlanPage from './restorations/[id]/brighten/plan/page';
import WaysPage from './restorations/[id]/brighten/ways/page';
import KeysPage from './restorations/[id]/keys/page';
import KeysFindPage from './restorations/[id]/keys/find/page';
import ChoosePage from './restorations/[id]/mend/choose/page';
import MendPage from './restorations/[id]/mend/page';
import StagePage from './restorations/[id]/[stage]/page';
import RebuildPage from './restorations/[id]/rebuild/page';
import ClosePage from './restorations/[id]/rebuild/close/page';
import RecordPage from './restorations/[id]/record/page';
import LogPage from './restorations/[id]/log/page';
import PiecePage from './restorations/[id]/pieces/[pieceId]/page';
import StoresPage from './stores/page';

/** Queries that a page may ask, however many restorations there are; the frame round it asks four more. */
const MOST_QUERIES = 40;
const FRAME = 4;
/** The record reads every table of a restoration, each once, and asks a few things more. */
const MOST_OF_THE_RECORD = BUNDLE_PARTS.length + 23;

// Plans are made beside what is asked: their queries are nobody’s page.
jest.mock('./planner', () => ({ seeToThePlan: () => {} }));

inTrialWorkshop();

const later = (from: Date, minutes: number) => new Date(from.getTime() + minutes * 60_000);

/** Makes a page as the server does: every part of it that asks the database is asked. */
async function made(node: unknown): Promise<void> {
  if (Array.isArray(node)) for (const one of node) await made(one);
  if (typeof node !== 'object' || node === null || !('props' in node)) return;
  const { type, props } = node as { type: unknown; props: Record<string, unknown> };
  if (typeof type === 'function' && type.constructor.name === 'AsyncFunction')
    await made(await (type as (given: unknown) => Promise<unknown>)(props));
  else for (const part of Object.values(props)) await made(part);
}

async function queriesOf(make: () => unknown): Promise<number> {
  const before = queriesSoFar();
  await made(await make());
  return queriesSoFar() - before;
}

/** What grows with every machine that comes to the bench, and is never read as a whole for a page. */
const GROWS = new Set([
  ...BUNDLE_PARTS,
  ...['restorations', 'log', 'timers', 'movements', 'found_words', 'taken_back', 'task_runs', 'task_marks', 'lessons'],
]);

/** What SQLite reads from end to end for an answer, of what grows: `SCAN name`, with or without an index. */
async function readWhole(sql: string): Promise<string[]> {
  const steps = await select<{ detail: string }>(`EXPLAIN QUERY PLAN ${sql}`);
  // Read in the order that is asked for it ends with the last that is wanted; else all of it is read and sorted before.
  const how = steps.some(({ detail }) => detail.startsWith('USE TEMP B-TREE FOR ORDER BY')) ? 'sorted' : 'in order';
  return steps.flatMap(({ detail }) => {
    const table = /^SCAN (\w+)/.exec(detail)?.[1];
    return table !== undefined && GROWS.has(table) ? [`${detail}, ${how}: ${sql}`] : [];
  });
}

/**
 * What may be: the newest of all comes first in its index and ends the reading; what is counted or added up over all is read
 * from an index alone; and a machine or piece whose name is looked for by a part of it has no index that would help.
 */
const MAY_BE_READ = [
  // An index that holds only what can be brought back: that of thirty days, however much there was.
  /USING INDEX taken_back_open/,
  /, in order: .*ORDER BY .* DESC LIMIT \d+;?$/s,
  /SCAN \w+ USING COVERING INDEX/,
  /FROM (restorations|pieces)\b.*LIKE/s,
];

/** Adds up all that was ever done, which is what it is for; the sums are kept until something changes. */
const ADDS_ALL_UP = ['workshop/learnt'];

type Page = (given: { params: Promise<unknown>; searchParams: Promise<unknown> }) => Promise<unknown>;

/** Every page there is; a new one is looked at without being named here. */
const everyPage = (): Page[] =>
  readdirSync(__dirname, { recursive: true, encoding: 'utf8' })
    .filter((file) => path.basename(file) === 'page.tsx' && !ADDS_ALL_UP.includes(path.dirname(file)))
    .map((file) => jest.requireActual<{ default: Page }>(path.join(__dirname, file)).default);

/** What pages ask the database, each question once, as it was written. */
async function questionsOf(pages: readonly (() => unknown)[]): Promise<string[]> {
  // Not in its types: the options that it was made with.
  const { options } = (await database()).sequelize as unknown as { options: { logging: unknown } };
  const { logging } = options;
  const asked = new Set<string>();
  options.logging = (sql: string) => asked.add(sql.replace(/^Executing \(.*?\): /, ''));
  try {
    for (const make of pages)
      try {
        await made(await make());
      } catch (failure) {
        // A page that sends on to another, or shows that there is nothing.
        if (!String((failure as { digest?: string }).digest).startsWith('NEXT_')) throw failure;
      }
  } finally {
    options.logging = logging;
  }
  return [...asked].filter((sql) => /^(SELECT|WITH)/.test(sql));
}

/** A piece that was washed, went through a session and was measured before and after. */
async function worked(): Promise<{ id: string; pieceId: string }> {
  const { id: pieceId, restorationId: id } = await trialPiece({ lengthMm: 400, widthMm: 220, heightMm: 45 });
  const photo = await trialPhoto(id, 40);
  const measure = (b: number, at: Date) =>
    keepMeasurement(
      { pieceId, photoId: photo.id, stage: 'brighten', spec: { card: [], regions: [] }, result: trialResult(b) },
      at,
    );
  const finding = await addFinding(
    { restorationId: id, pieceId, stage: 'intake', kind: 'soiled', severity: 'plain', words: 'veil' },
    tick(),
  );
  await nameSoil(finding.id, 'nicotine', 'front', tick());
  await startPass([finding.id], 'sugar-soap', tick());
  const [step] = await findRows('sink_steps', { findingId: finding.id });
  await endPass(step!.id, 'gone', '', tick());
  await measure(22, tick());
  const from = tick();
  const session = await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [pieceId] }, from);
  await endExposure(
    session.id,
    { endedAt: later(from, 120).toISOString(), cloudFraction: 0.1, temperatureC: 25, words: '' },
    later(from, 121),
  );
  await measure(14, later(from, 200));
  await addFinding(
    { restorationId: id, pieceId, stage: 'wash', kind: 'stained', severity: 'slight', words: 'left over' },
    later(from, 210),
  );
  const board = blockOf('grid', 8, 4);
  const keyboardId = await addKeyboard(
    id,
    { name: 'main', kind: 'domes', ...board, ...guessLines(board.keys) },
    later(from, 220),
  );
  const test = await beginTest(keyboardId, 'before', later(from, 221));
  await seeKeys(test, ['a7', 'a8'], 'dead', later(from, 222));
  return { id, pieceId };
}

it('asks no more of a workshop of many years than of a new one, and never more than a page may', async () => {
  await addTub({ name: 'Trial tub', lengthMm: 600, widthMm: 400, depthMm: 200 }, tick());
  const [first] = [await worked(), await worked(), await worked()];
  const { id, pieceId } = first!;
  const params = Promise.resolve({ id, pieceId });
  const none = Promise.resolve({});
  const form = () =>
    planSchema.validate({
      pieceId,
      school: 'bath-lamp',
      stockId: '',
      strengthValue: 12,
      strengthUnit: 'percentWW',
      targetPercentWW: 6,
      volumeL: 2,
      areaCm2: 500,
      windowStart: '2026-06-21T10:00',
      durationMin: 120,
      turnEveryMin: 30,
      cloudPercent: 0,
      lampMwPerCm2: 5,
      temperatureC: 25,
      toleranceB: 1.5,
    });
  const { error, value } = form();
  expect(error).toBeUndefined();
  const pages: Record<string, () => unknown> = {
    bench: () => BenchPage({ searchParams: none }),
    restorations: () => RestorationsPage({ searchParams: none }),
    stores: () => StoresPage(),
    find: () => FindPage({ searchParams: Promise.resolve({ q: 'lid' }) }),
    learnt: () => LearntPage({ searchParams: none }),
    backup: () => BackupPage(),
    'run sheet': () => RunSheetPage({ params }),
    intake: () => IntakePage({ params }),
    teardown: () => TeardownPage({ params, searchParams: none }),
    wash: () => WashPage({ params, searchParams: none }),
    brighten: () => BrightenPage({ params, searchParams: none }),
    'ways to brighten': () => WaysPage({ params, searchParams: none }),
    'plan of an exposure': () => PlanPage({ params, searchParams: none }),
    'sessions so far': () => PastPage({ params, searchParams: none }),
    spots: () => SpotsPage({ params, searchParams: none }),
    baths: () => BathsPage({ params }),
    'test and close': () => ClosePage({ params }),
    mend: () => MendPage({ params, searchParams: none }),
    'choose a repair': () => ChoosePage({ params, searchParams: none }),
    finish: () => StagePage({ params: Promise.resolve({ id, stage: 'finish' }) }),
    keys: () => KeysPage({ params, searchParams: none }),
    'find the fault': () => KeysFindPage({ params, searchParams: none }),
    rebuild: () => RebuildPage({ params }),
    record: () => RecordPage({ params }),
    log: () => LogPage({ params, searchParams: none }),
    piece: () => PiecePage({ params }),
    'preview of a plan': () => planView(value as never),
    'what is looked for': () => findAnything('trial wash'),
  };
  const count = async () => {
    const counts: Record<string, number> = {};
    for (const [name, make] of Object.entries(pages)) {
      await made(await make());
      counts[name] = await queriesOf(make);
    }
    return counts;
  };
  const small = await count();
  await copyRestorations(40);
  const large = await count();
  for (const [name, queries] of Object.entries(large)) {
    expect({ name, queries: queries <= small[name]! + 2 ? 'as few' : `${queries}, before ${small[name]}` }).toEqual({
      name,
      queries: 'as few',
    });
    expect({
      name,
      queries: queries + FRAME <= (name === 'record' ? MOST_OF_THE_RECORD : MOST_QUERIES) ? 'few' : queries,
    }).toEqual({ name, queries: 'few' });
  }
  const given = { id, pieceId, stage: 'finish', name: 'exposure-forecast' };
  const sought = { a: pieceId, q: 'lid', words: 'trial' };
  const all = everyPage();
  expect(all.length).toBeGreaterThan(70);
  const asked = await questionsOf(
    all.map((make) => () => make({ params: Promise.resolve(given), searchParams: Promise.resolve(sought) })),
  );
  expect(asked.length).toBeGreaterThan(80);
  const whole = (await Promise.all(asked.map(readWhole))).flat();
  expect(whole.filter((one) => !MAY_BE_READ.some((may) => may.test(one)))).toEqual([]);
});
