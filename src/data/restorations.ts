import { Refusal } from '@/core/refusal';
import { AIM_WORDS, type Aim } from '@/core/intake/aim';
import { marksToKeep } from '@/core/intake/marks';
import { ASKED_STAGES } from '@/core/intake/proposals';
import type { WorthEstimate } from '@/core/ledger/worth';
import type { Stage, StageState } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { appendLog } from './log';
import { askedFor, findingsOf, reopenAsked, restUnasked } from './findings';
import type { Restoration } from './rows';
import { addStages, setStage } from './stages';
import { holdsOf } from './rebuild';
import { NOT_AWAY } from './putAway';
import { addRow, changeRow, findColumns, findRow, findRows, likeWords, needRow, select } from './table';

/** What is known of a machine when it comes in. */
export type Provenance = Pick<Restoration, 'title' | 'machine' | 'source' | 'condition' | 'claim' | 'packing'>;
type NewRestoration = Pick<Restoration, 'title' | 'machine' | 'source' | 'pricePaidMinor' | 'condition'> &
  Partial<Restoration>;

/** What is not known yet of a machine. */
export const AT_FIRST = {
  claim: '',
  packing: '',
  aim: 'presentable',
  worthKeeping: '',
  owner: '',
  allowed: { stages: [], spendMinor: 0, words: '' },
  estimate: null,
} satisfies Partial<Restoration>;

/** Opens a restoration with its nine stages; the price paid is its first ledger entry. */
export async function openRestoration(given: NewRestoration, now: Date): Promise<Restoration> {
  return inTransaction(async () => {
    const restoration = await addRow('restorations', {
      ...AT_FIRST,
      ...given,
      openedAt: now.toISOString(),
      closedAt: null,
    });
    const { id: restorationId } = restoration;
    await addStages(restorationId);
    if (given.pricePaidMinor > 0)
      await addRow('ledger', {
        restorationId,
        stage: 'intake',
        kind: 'price',
        words: 'Price paid',
        amountMinor: given.pricePaidMinor,
        minutes: 0,
        at: now.toISOString(),
      });
    await appendLog(
      { restorationId, stage: 'intake', kind: 'opened', words: `Opened: ${given.title}. ${given.condition}`.trim() },
      now,
    );
    return restoration;
  });
}

/** Newest first. */
export const listRestorations = (): Promise<Restoration[]> => findRows('restorations', {}, [['openedAt', 'DESC']]);

export type Shown = 'open' | 'finished' | 'all' | 'put away';

/** What a list shows of a restoration: words alone, so that one that is damaged still stands in it. */
export type Listed = Pick<Restoration, 'id' | 'title' | 'machine' | 'condition'>;

/** A page of restorations, the one that was worked on last first, and how many there are in all. */
export async function restorationsPage(
  shown: Shown,
  words: string,
  page: number,
  size: number,
): Promise<{ restorations: Listed[]; all: number }> {
  const wanted = [
    { open: 'closedAt IS NULL', finished: 'closedAt IS NOT NULL', all: '1', 'put away': '1' }[shown],
    shown === 'put away' ? `NOT (${NOT_AWAY})` : NOT_AWAY,
    ...(words
      ? [`(title LIKE :like ESCAPE '\\' OR machine LIKE :like ESCAPE '\\' OR owner LIKE :like ESCAPE '\\')`]
      : []),
  ].join(' AND ');
  const given = { like: `%${likeWords(words)}%`, size, skip: size * page };
  const [ids, [count]] = await Promise.all([
    select<{ id: string }>(
      `SELECT restorations.id FROM restorations LEFT JOIN worked ON worked.id = restorations.id WHERE ${wanted}
        ORDER BY COALESCE(logId, 0) DESC, restorations.id LIMIT :size OFFSET :skip`,
      given,
    ),
    select<{ all: number }>(`SELECT COUNT(*) AS "all" FROM restorations WHERE ${wanted}`, given),
  ]);
  const found = await findColumns('restorations', ['id', 'title', 'machine', 'condition'], {
    id: ids.map(({ id }) => id),
  });
  return { restorations: ids.flatMap(({ id }) => found.find((known) => known.id === id) ?? []), all: count!.all };
}

/** This restoration, and the others whose stage is open that were worked on last. */
export async function withOthersAt(
  stage: Stage,
  restorationId: string,
  others: number,
): Promise<Pick<Restoration, 'id' | 'title' | 'aim'>[]> {
  const ids = await select<{ id: string }>(
    `SELECT restorations.id FROM restorations JOIN stages ON stages.restorationId = restorations.id AND stage = :stage AND state = 'open'
      LEFT JOIN worked ON worked.id = restorations.id
      WHERE closedAt IS NULL AND ${NOT_AWAY} AND restorations.id <> :restorationId ORDER BY COALESCE(logId, 0) DESC LIMIT :others`,
    { stage, restorationId, others },
  );
  return findColumns(
    'restorations',
    ['id', 'title', 'aim'],
    { id: [restorationId, ...ids.map(({ id }) => id)], closedAt: null },
    [['openedAt', 'DESC']],
  );
}

/** Restorations by their titles alone, of these ids. */
export async function titlesOf(ids: string[]): Promise<Map<string, string>> {
  const found = await findColumns('restorations', ['id', 'title'], { id: [...new Set(ids)] });
  return new Map(found.map(({ id, title }) => [id, title]));
}

export const findRestoration = (id: string): Promise<Restoration | null> => findRow('restorations', id);

/** Marks a stage done, not needed (with a reason) or open again. @throws Refusal with everything that holds it */
export async function settleStage(
  restorationId: string,
  stage: Stage,
  state: StageState,
  reason: string | null,
  now: Date,
): Promise<void> {
  if (state === 'not needed' && !reason)
    throw new Refusal('reason', 'Say in a few words why this stage is not needed; it goes into the record.');
  await inTransaction(async () => {
    await needRow('restorations', restorationId);
    if (state !== 'open' && ASKED_STAGES.includes(stage)) {
      const open = (await askedFor(restorationId)).get(stage) ?? [];
      if (open.length > 0)
        throw new Refusal(
          'state',
          `Findings still ask for it: ${open.map(({ kind, words }) => [kind, words].filter(Boolean).join(', ')).join('; ')}. Settle each: done, left on purpose or not possible.`,
        );
      const waiting = await findRows('requests', { restorationId, stage, answer: null });
      if (waiting.length > 0)
        throw new Refusal('state', `The owner has not answered yet: ${waiting.map(({ what }) => what).join('; ')}.`);
    }
    if (stage === 'rebuild' && state === 'done') {
      const holds = await holdsOf(restorationId, now);
      if (holds.length > 0)
        throw new Refusal('state', `Do not close the case yet. ${holds.map(({ words }) => words).join(' ')}`);
    }
    if (stage === 'finish' && state === 'done' && !reason) {
      const marks = marksToKeep(await findingsOf(restorationId), null);
      if (marks.length > 0)
        throw new Refusal(
          'reason',
          `Look at what was to be kept first: ${marks.join('; ')}. Say whether each is still there.`,
        );
    }
    if (stage === 'brighten' && state !== 'open') await nothingInTheLight(restorationId);
    await setStage({ restorationId, stage, state, reason }, now);
    if (stage === 'intake' && state === 'done') await restUnasked(restorationId, now);
  });
}

/** @throws Refusal while a piece still lies in an exposure */
async function nothingInTheLight(restorationId: string): Promise<void> {
  const running = await findRows('sessions', { restorationId, endedAt: null });
  const tags = await Promise.all(running.map(async ({ pieceId }) => (await needRow('pieces', pieceId)).tag));
  if (tags.length > 0)
    throw new Refusal(
      'state',
      `${tags.join(', ')} still ${tags.length === 1 ? 'lies' : 'lie'} in an exposure. End it first, with what really happened.`,
    );
}

/** Changes what is known of the machine; the price stays with the ledger. */
export async function changeProvenance(id: string, changes: Provenance, now: Date): Promise<void> {
  await inTransaction(async () => {
    const before = await needRow('restorations', id);
    await changeRow('restorations', { id }, changes);
    await appendLog(
      {
        restorationId: id,
        stage: 'intake',
        kind: 'machine',
        words: 'What is known of the machine was changed.',
        data: { before, after: changes },
      },
      now,
    );
  });
}

/** How far to go, and what is worth keeping; stages that this asks for open again. */
export async function setAim(id: string, aim: Aim, worthKeeping: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const before = await needRow('restorations', id);
    await changeRow('restorations', { id }, { aim, worthKeeping });
    await appendLog(
      {
        restorationId: id,
        stage: 'intake',
        kind: 'aim',
        words: `Aim: ${aim}. ${AIM_WORDS[aim]}${worthKeeping ? ` Worth keeping: ${worthKeeping}` : ''}`,
        data: { before: before.aim, worthKeeping: before.worthKeeping },
      },
      now,
    );
    await reopenAsked(id, now);
  });
}

/** Whose machine it is, and what may be done without asking. */
export async function setOwner(id: string, owner: string, allowed: Restoration['allowed'], now: Date): Promise<void> {
  await inTransaction(async () => {
    const before = await needRow('restorations', id);
    await changeRow('restorations', { id }, { owner, allowed });
    const words =
      owner === ''
        ? 'The machine is the workshop’s own.'
        : `The machine is ${owner}’s. Without asking: ${allowed.stages.join(', ') || 'nothing'}. ${allowed.words}`;
    await appendLog(
      {
        restorationId: id,
        stage: 'intake',
        kind: 'owner',
        words: words.trim(),
        data: { before: { owner: before.owner, allowed: before.allowed }, allowed },
      },
      now,
    );
  });
}

/** What is still to come and what a good one costs, as it is estimated now; the log keeps every estimate. */
export async function setEstimate(id: string, estimate: WorthEstimate, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    await needRow('restorations', id);
    await changeRow('restorations', { id }, { estimate });
    await appendLog({ restorationId: id, stage: 'intake', kind: 'estimate', words, data: estimate }, now);
  });
}
