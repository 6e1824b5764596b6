import { addStages, reopenAsked } from './stages';
import { AIM_WORDS, type Aim } from '@/core/intake/aim';
import type { WorthEstimate } from '@/core/ledger/worth';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { awayOf } from '@/data/putAway';
import type { Restoration } from '@/data/rows';
import { addRow, changeRow, findColumns, needRow, removeRows } from '@/data/table';

/** What is known of a machine when it comes in. */
export type Provenance = Pick<Restoration, 'title' | 'machine' | 'source' | 'condition' | 'claim' | 'packing'>;

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

type NewRestoration = Pick<Restoration, 'title' | 'machine' | 'source' | 'pricePaidMinor' | 'condition'> &
  Partial<Restoration>;

/** Puts a restoration away: out of the bench, the lists, the search and the bells, with everything of it kept. */
export async function putAway(restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { id, title } = await namedRestoration(restorationId);
    if (await awayOf(id)) return;
    await addRow('put_away', { id, at: now.toISOString(), goesAt: null, goneAt: null });
    await appendLog({ restorationId: id, stage: null, kind: 'put away', words: `Put away: ${title}.` }, now);
  });
}

/** Brings a restoration out again, as it was put away or deleted. @throws Refusal where it is gone for good */
export async function bringOut(restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { id, title } = await namedRestoration(restorationId);
    const away = await awayOf(id);
    if (!away) return;
    if (away.goneAt !== null)
      throw new Refusal(
        'id',
        `“${title}” is gone for good. Its log is here; a backup of before that day has the rest.`,
      );
    await removeRows('put_away', { id });
    await appendLog(
      { restorationId: id, stage: null, kind: 'brought out', words: `Brought out again: ${title}.` },
      now,
    );
  });
}

/** Only what stands in columns of words: a restoration that cannot be shown can be put away all the same. */
export async function namedRestoration(restorationId: string): Promise<Pick<Restoration, 'id' | 'title'>> {
  const [found] = await findColumns('restorations', ['id', 'title'], { id: restorationId });
  if (!found) throw new Refusal('id', 'This restoration is not here any more. Look at the list of all.');
  return found;
}
