import type { Transaction } from 'sequelize';
import type { Aim } from '@/core/intake/aim';
import type { Settlement } from '@/core/intake/findings';
import { ASKED_STAGES, askedOf, proposalFor } from '@/core/intake/proposals';
import type { Share } from '@/core/photo/picture';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Finding } from './rows';
import { setStage, stagesOf } from './stages';
import { addRow, changeRow, findRows, needRow } from './table';

export const findingsOf = (restorationId: string, transaction?: Transaction): Promise<Finding[]> =>
  findRows('findings', { restorationId }, [['foundAt', 'ASC']], transaction);

export type NewFinding = Pick<Finding, 'restorationId' | 'pieceId' | 'stage' | 'kind' | 'words' | 'severity'> & {
  photoId?: string | null;
  pin?: Share | null;
};

/** The aim that holds for each finding: its piece's where that has one of its own, else the machine's. */
async function aimsOf(restorationId: string, transaction?: Transaction): Promise<(finding: { pieceId: string | null }) => Aim> {
  const restoration = await needRow('restorations', restorationId, transaction);
  const pieces = await findRows('pieces', { restorationId }, undefined, transaction);
  return ({ pieceId }) => pieces.find(({ id }) => id === pieceId)?.aim ?? restoration.aim;
}

/** What is still open, by the stage that it asks for. */
export async function askedFor(restorationId: string, transaction?: Transaction): Promise<Map<Stage, Finding[]>> {
  const open = (await findingsOf(restorationId, transaction)).filter(({ settledAs }) => settledAs === null);
  return askedOf(open, await aimsOf(restorationId, transaction));
}

/** Opens the settled stages that an open finding asks for. */
export async function reopenAsked(restorationId: string, now: Date, transaction: Transaction): Promise<void> {
  const asked = await askedFor(restorationId, transaction);
  for (const { stage, state } of await stagesOf(restorationId, transaction)) {
    const findings = asked.get(stage) ?? [];
    if (state !== 'open' && findings.length > 0)
      await setStage(
        { restorationId, stage, state: 'open', reason: `a finding asks for it, ${findings.map(({ kind }) => kind).join(', ')}` },
        now,
        transaction,
      );
  }
}

/** After intake: stages that no finding asks for, and on which nothing was done, need nobody. */
export async function restUnasked(restorationId: string, now: Date, transaction: Transaction): Promise<void> {
  const findings = await findingsOf(restorationId, transaction);
  if (findings.length === 0) return;
  const asked = askedOf(findings, await aimsOf(restorationId, transaction));
  const begun = await findRows('ledger', { restorationId }, undefined, transaction);
  const sessions = await findRows('sessions', { restorationId }, undefined, transaction);
  for (const { stage, state } of await stagesOf(restorationId, transaction))
    if (
      state === 'open' &&
      ASKED_STAGES.includes(stage) &&
      !asked.has(stage) &&
      !begun.some((entry) => entry.stage === stage) &&
      !(stage === 'brighten' && sessions.length > 0)
    )
      await setStage({ restorationId, stage, state: 'not needed', reason: 'no finding asks for it' }, now, transaction);
}

/** Writes a finding down; a stage that was settled opens again where the finding asks for it. */
export const addFinding = (finding: NewFinding, now = new Date()): Promise<Finding> =>
  inTransaction((transaction) => addFindingWithin(finding, now, transaction));

/** The same, within something larger. */
export async function addFindingWithin(finding: NewFinding, now: Date, transaction: Transaction): Promise<Finding> {
  await needRow('restorations', finding.restorationId, transaction);
  const { photoId = null, pin = null, ...rest } = finding;
  await ownPhoto(finding.restorationId, photoId, transaction);
  const row = {
    ...rest,
    photoId,
    pin: photoId === null ? null : pin,
    closeUpId: null,
    continues: null,
    soil: null,
    visible: 'front' as const,
    foundAt: now.toISOString(),
    settledAs: null,
    settledWords: null,
    settledAt: null,
  };
  const added = await addRow('findings', row, transaction);
  const { restorationId, stage, kind, severity, words } = finding;
  await appendLog(
    { restorationId, stage, kind: 'finding', words: `Found: ${kind}, ${severity}. ${words}`.trim(), data: { findingId: added.id } },
    transaction,
    now,
  );
  await reopenAsked(restorationId, now, transaction);
  return added;
}

async function ownPhoto(restorationId: string, photoId: string | null, transaction: Transaction): Promise<void> {
  if (photoId === null) return;
  const photo = await needRow('photos', photoId, transaction);
  if (photo.restorationId !== restorationId) throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
}

/** Moves the pin of a finding, or puts it on a photograph. */
export async function pinFinding(findingId: string, photoId: string, pin: Share): Promise<void> {
  await inTransaction(async (transaction) => {
    const { restorationId, stage, kind, photoId: before, pin: pinBefore } = await needRow('findings', findingId, transaction);
    await ownPhoto(restorationId, photoId, transaction);
    await changeRow('findings', { id: findingId }, { photoId, pin }, transaction);
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'finding',
        words: `Pinned: ${kind}.`,
        data: { findingId, photoId, pin, before: { photoId: before, pin: pinBefore } },
      },
      transaction,
    );
  });
}

/** Puts a close-up to a finding. */
export async function closeUp(findingId: string, photoId: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const { restorationId, stage, kind } = await needRow('findings', findingId, transaction);
    await ownPhoto(restorationId, photoId, transaction);
    await changeRow('findings', { id: findingId }, { closeUpId: photoId }, transaction);
    await appendLog({ restorationId, stage, kind: 'finding', words: `Close-up taken: ${kind}.`, data: { findingId, photoId } }, transaction);
  });
}

/**
 * Settles a finding: done, left on purpose or not possible, each with words. The stage that it asked for is done
 * with its last finding, unless something still runs there or an answer is waited for.
 */
export async function settleFinding(id: string, settledAs: Settlement, settledWords: string, now = new Date()): Promise<void> {
  await inTransaction((transaction) => settleWithin(id, settledAs, settledWords, now, transaction));
}

/** The same, within something larger. */
export async function settleWithin(id: string, settledAs: Settlement, settledWords: string, now: Date, transaction: Transaction): Promise<void> {
  const finding = await needRow('findings', id, transaction);
  if (settledAs !== 'done' && !settledWords) throw new Refusal('settledWords', 'Say in a few words why; it goes into the record.');
  const { restorationId, stage, kind } = finding;
  const { stage: asks } = proposalFor(finding, (await aimsOf(restorationId, transaction))(finding));
  await changeRow('findings', { id }, { settledAs, settledWords, settledAt: now.toISOString() }, transaction);
  await appendLog(
    { restorationId, stage, kind: 'finding', words: `Settled: ${kind}, ${settledAs}. ${settledWords}`.trim(), data: { findingId: id } },
    transaction,
    now,
  );
  if (asks === null) return;
  const rest = (await askedFor(restorationId, transaction)).get(asks) ?? [];
  const row = (await stagesOf(restorationId, transaction)).find((known) => known.stage === asks);
  if (rest.length > 0 || row?.state !== 'open') return;
  const running = asks === 'brighten' ? await findRows('sessions', { restorationId, endedAt: null }, undefined, transaction) : [];
  const waiting = await findRows('requests', { restorationId, stage: asks, answer: null }, undefined, transaction);
  if (running.length === 0 && waiting.length === 0)
    await setStage({ restorationId, stage: asks, state: 'done', reason: 'its findings are settled' }, now, transaction);
}

/** Opens a settled finding again. */
export async function unsettleFinding(id: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const { restorationId, stage, kind, settledAs, settledWords } = await needRow('findings', id, transaction);
    if (settledAs === null) return;
    await changeRow('findings', { id }, { settledAs: null, settledWords: null, settledAt: null }, transaction);
    await appendLog(
      { restorationId, stage, kind: 'finding', words: `Open again: ${kind}.`, data: { findingId: id, before: { settledAs, settledWords } } },
      transaction,
      now,
    );
    await reopenAsked(restorationId, now, transaction);
  });
}
