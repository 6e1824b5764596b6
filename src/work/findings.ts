import { ownPhoto, ownPiece } from './own';
import { endWithItsFindings, reopenAsked } from './stages';
import { type FindingPart, type Settlement, usualPart } from '@/core/intake/findings';
import { proposalFor } from '@/core/intake/proposals';
import type { Share } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { aimsOf } from '@/data/findings';
import { appendLog } from '@/data/log';
import type { Finding } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';

export type NewFinding = Pick<Finding, 'restorationId' | 'pieceId' | 'stage' | 'kind' | 'words' | 'severity'> & {
  /** The part that such a finding is mostly on, where none is given. */
  part?: FindingPart;
  photoId?: string | null;
  pin?: Share | null;
};

/** Writes a finding down; a stage that was settled opens again where the finding asks for it. */
export const addFinding = (finding: NewFinding, now: Date): Promise<Finding> =>
  inTransaction(() => writeFinding(finding, now));

/** Moves the pin of a finding, or puts it on a photograph. */
export async function pinFinding(findingId: string, photoId: string, pin: Share, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, stage, kind, photoId: before, pin: pinBefore } = await needRow('findings', findingId);
    await ownPhoto(restorationId, photoId);
    await changeRow('findings', { id: findingId }, { photoId, pin });
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'finding',
        words: `Pinned: ${kind}.`,
        data: { findingId, photoId, pin, before: { photoId: before, pin: pinBefore } },
      },
      now,
    );
  });
}

/**
 * Puts a finding right: what it is, how bad, on which part and piece, and its words. The log keeps what it said; a
 * stage that it asks for now opens again.
 *
 * @throws Refusal while it is worked at the sink, where it would ask for something else now
 */
export async function changeFinding(id: string, changes: Rewording, now: Date): Promise<void> {
  await inTransaction(async () => {
    const finding = await needRow('findings', id);
    const { restorationId, stage, kind, part, severity, words, pieceId } = finding;
    if (changes.pieceId !== null) await ownPiece(restorationId, changes.pieceId);
    const [running] = await findRows('sink_steps', { findingId: id, endedAt: null });
    if (running && (changes.pieceId !== pieceId || changes.kind !== kind))
      throw new Refusal(
        'kind',
        'It is being worked at the sink. Say first what came of that; then it can be another kind, or on another piece.',
      );
    await changeRow('findings', { id }, changes);
    if (changes.pieceId !== pieceId) await repairsFollow(id, changes.pieceId);
    const before: Rewording = { kind, part, severity, words, pieceId };
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'finding',
        words: `Corrected: ${wordingOf(changes)}; it was ${wordingOf(before)}.`,
        data: { findingId: id, before },
      },
      now,
    );
    await reopenAsked(restorationId, now);
  });
}

/** What is mended of a finding, and its clocks, are on the piece that the finding is on. */
async function repairsFollow(findingId: string, pieceId: string | null): Promise<void> {
  await changeRow('repairs', { findingId }, { pieceId });
  await changeRow('rusts', { findingId }, { pieceId });
  const repairIds = (await findRows('repairs', { findingId })).map(({ id }) => id);
  await changeRow('timers', { repairId: repairIds }, { pieceId });
}

/** Findings that were written of the whole machine turn out to be on a piece. */
export async function foundOn(pieceId: string, findingIds: readonly string[], now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, tag, name } = await needRow('pieces', pieceId);
    for (const id of findingIds) {
      const { restorationId: of, stage, kind, pieceId: before } = await needRow('findings', id);
      if (of !== restorationId)
        throw new Refusal(
          'findingIds',
          'One of these findings belongs to another restoration. Look at the list again.',
        );
      if (before === pieceId) continue;
      await changeRow('findings', { id }, { pieceId });
      await repairsFollow(id, pieceId);
      await appendLog(
        {
          restorationId,
          stage,
          kind: 'finding',
          words: `On ${tag} ${name}: ${kind}.`,
          data: { findingId: id, before: { pieceId: before } },
        },
        now,
      );
    }
    if (findingIds.length > 0) await reopenAsked(restorationId, now);
  });
}

/** Puts a close-up to a finding. */
export async function closeUp(findingId: string, photoId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, stage, kind } = await needRow('findings', findingId);
    await ownPhoto(restorationId, photoId);
    await changeRow('findings', { id: findingId }, { closeUpId: photoId });
    await appendLog(
      { restorationId, stage, kind: 'finding', words: `Close-up taken: ${kind}.`, data: { findingId, photoId } },
      now,
    );
  });
}

/**
 * Settles a finding: done, left on purpose or not possible, each with words. The stage that it asked for is done
 * with its last finding, unless something still runs there or an answer is waited for.
 */
export async function settleFinding(id: string, settledAs: Settlement, settledWords: string, now: Date): Promise<void> {
  await inTransaction(() => writeSettlement(id, settledAs, settledWords, now));
}

/** Opens a settled finding again. */
export async function unsettleFinding(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, stage, kind, settledAs, settledWords } = await needRow('findings', id);
    if (settledAs === null) return;
    await changeRow('findings', { id }, { settledAs: null, settledWords: null, settledAt: null });
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'finding',
        words: `Open again: ${kind}.`,
        data: { findingId: id, before: { settledAs, settledWords } },
      },
      now,
    );
    await reopenAsked(restorationId, now);
  });
}

async function writeFinding(finding: NewFinding, now: Date): Promise<Finding> {
  await needRow('restorations', finding.restorationId);
  const { photoId = null, pin = null, part = usualPart(finding.kind), ...rest } = finding;
  if (photoId !== null) await ownPhoto(finding.restorationId, photoId);
  const row = {
    ...rest,
    part,
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
  const added = await addRow('findings', row);
  const { restorationId, stage, kind, severity, words } = finding;
  await appendLog(
    {
      restorationId,
      stage,
      kind: 'finding',
      words: `Found: ${kind}, ${severity}. ${words}`.trim(),
      data: { findingId: added.id },
    },
    now,
  );
  await reopenAsked(restorationId, now);
  return added;
}

type Rewording = Pick<Finding, 'kind' | 'part' | 'severity' | 'words' | 'pieceId'>;

/** What changed from one wording of a finding to the next, for the log. */
const wordingOf = ({ kind, part, severity, words }: Rewording): string =>
  `${kind}, ${severity}, on ${part}${words && `: ${words}`}`;

async function writeSettlement(id: string, settledAs: Settlement, settledWords: string, now: Date): Promise<void> {
  const finding = await needRow('findings', id);
  if (!settledWords)
    throw new Refusal(
      'settledWords',
      settledAs === 'done'
        ? 'Say in a few words how it was done; it goes into the record.'
        : 'Say in a few words why; it goes into the record.',
    );
  const { restorationId, stage, kind } = finding;
  const { stage: asks } = proposalFor(finding, (await aimsOf(restorationId))(finding));
  await changeRow('findings', { id }, { settledAs, settledWords, settledAt: now.toISOString() });
  await appendLog(
    // It is told where it was done, not where it was found.
    {
      restorationId,
      stage: asks ?? stage,
      kind: 'finding',
      words: `Closed: ${kind}, ${settledAs}. ${settledWords}`,
      data: { findingId: id },
    },
    now,
  );
  if (asks !== null) await endWithItsFindings(restorationId, asks, now);
}
