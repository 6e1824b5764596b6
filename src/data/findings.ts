import type { Aim } from '@/core/intake/aim';
import { usualPart, type FindingPart, type Settlement } from '@/core/intake/findings';
import { marksToKeep } from '@/core/intake/marks';
import { ASKED_STAGES, askedOf, proposalFor } from '@/core/intake/proposals';
import type { Share } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Finding } from './rows';
import { setStage, stagesOf } from './stages';
import { addRow, changeRow, findRows, needRow } from './table';

export const findingsOf = (restorationId: string | string[]): Promise<Finding[]> =>
  findRows('findings', { restorationId }, [['foundAt', 'ASC']]);

export type NewFinding = Pick<Finding, 'restorationId' | 'pieceId' | 'stage' | 'kind' | 'words' | 'severity'> & {
  /** The part that such a finding is mostly on, where none is given. */
  part?: FindingPart;
  photoId?: string | null;
  pin?: Share | null;
};

/** The aim that holds for each finding: its piece's where that has one of its own, else the machine's. */
async function aimsOf(restorationId: string): Promise<(finding: { pieceId: string | null }) => Aim> {
  const restoration = await needRow('restorations', restorationId);
  const pieces = await findRows('pieces', { restorationId });
  return ({ pieceId }) => pieces.find(({ id }) => id === pieceId)?.aim ?? restoration.aim;
}

/** What is still open, by the stage that it asks for. */
export async function askedFor(restorationId: string): Promise<Map<Stage, Finding[]>> {
  const open = (await findingsOf(restorationId)).filter(({ settledAs }) => settledAs === null);
  return askedOf(open, await aimsOf(restorationId));
}

/** Opens the settled stages that an open finding asks for. */
export async function reopenAsked(restorationId: string, now: Date): Promise<void> {
  const asked = await askedFor(restorationId);
  for (const { stage, state } of await stagesOf(restorationId)) {
    const findings = asked.get(stage) ?? [];
    if (state !== 'open' && findings.length > 0)
      await setStage(
        {
          restorationId,
          stage,
          state: 'open',
          reason: `a finding asks for it, ${findings.map(({ kind }) => kind).join(', ')}`,
        },
        now,
      );
  }
}

/** After intake: stages that no finding asks for, and on which nothing was done, need nobody. */
export async function restUnasked(restorationId: string, now: Date): Promise<void> {
  const findings = await findingsOf(restorationId);
  if (findings.length === 0) return;
  const asked = askedOf(findings, await aimsOf(restorationId));
  const begun = await findRows('ledger', { restorationId });
  const sessions = await findRows('sessions', { restorationId });
  for (const { stage, state } of await stagesOf(restorationId))
    if (
      state === 'open' &&
      ASKED_STAGES.includes(stage) &&
      !asked.has(stage) &&
      !begun.some((entry) => entry.stage === stage) &&
      !(stage === 'brighten' && sessions.length > 0)
    )
      await setStage({ restorationId, stage, state: 'not needed', reason: 'no finding asks for it' }, now);
}

/** Writes a finding down; a stage that was settled opens again where the finding asks for it. */
export const addFinding = (finding: NewFinding, now: Date): Promise<Finding> =>
  inTransaction(() => writeFinding(finding, now));

async function writeFinding(finding: NewFinding, now: Date): Promise<Finding> {
  await needRow('restorations', finding.restorationId);
  const { photoId = null, pin = null, part = usualPart(finding.kind), ...rest } = finding;
  await ownPhoto(finding.restorationId, photoId);
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

async function ownPhoto(restorationId: string, photoId: string | null): Promise<void> {
  if (photoId === null) return;
  const photo = await needRow('photos', photoId);
  if (photo.restorationId !== restorationId)
    throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
}

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

type Rewording = Pick<Finding, 'kind' | 'part' | 'severity' | 'words' | 'pieceId'>;

/** What changed from one wording of a finding to the next, for the log. */
const wordingOf = ({ kind, part, severity, words }: Rewording): string =>
  `${kind}, ${severity}, on ${part}${words && `: ${words}`}`;

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

async function ownPiece(restorationId: string, pieceId: string): Promise<void> {
  const piece = await needRow('pieces', pieceId);
  if (piece.restorationId !== restorationId)
    throw new Refusal('pieceId', 'This piece belongs to another restoration. Choose one of this.');
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
  if (asks === null) return;
  const rest = (await askedFor(restorationId)).get(asks) ?? [];
  const row = (await stagesOf(restorationId)).find((known) => known.stage === asks);
  if (rest.length > 0 || row?.state !== 'open') return;
  const running = asks === 'brighten' ? await findRows('sessions', { restorationId, endedAt: null }) : [];
  const waiting = await findRows('requests', { restorationId, stage: asks, answer: null });
  // What was to be kept is looked at before finish ends.
  const marks = asks === 'finish' ? marksToKeep(await findingsOf(restorationId), null) : [];
  if (running.length === 0 && waiting.length === 0 && marks.length === 0)
    await setStage({ restorationId, stage: asks, state: 'done', reason: 'its findings are closed' }, now);
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
