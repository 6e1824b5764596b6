import { ownPiece } from './own';
import { type OwnerAnswer, waitsForOwner } from '@/core/intake/owner';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { requestsOf } from '@/data/requests';
import type { OwnerRequest } from '@/data/rows';
import { addRow, changeRow, needRow } from '@/data/table';

/** Writes down what the owner is asked. @throws Refusal for an own machine, which asks nobody */
export async function askOwner(request: NewRequest, now: Date): Promise<OwnerRequest> {
  return inTransaction(async () => {
    const { owner } = await needRow('restorations', request.restorationId);
    if (owner === '') throw new Refusal('what', 'This machine is your own. Write down whose it is first, then ask.');
    if (request.pieceId !== null) await ownPiece(request.restorationId, request.pieceId);
    const added = await addRow('requests', {
      ...request,
      askedAt: now.toISOString(),
      answer: null,
      answerWords: '',
      answeredAt: null,
    });
    await appendLog(
      {
        restorationId: request.restorationId,
        stage: request.stage,
        kind: 'request',
        words: `Asked ${owner}: ${request.what}`,
        data: { requestId: added.id },
      },
      now,
    );
    return added;
  });
}

/** The answer, dated; it stays as it was given. A change of mind is a new request. */
export async function answerRequest(
  requestId: string,
  answer: OwnerAnswer,
  answerWords: string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const request = await needRow('requests', requestId);
    if (answer === 'with conditions' && !answerWords) throw new Refusal('answerWords', 'Write down which conditions.');
    const answered = await changeRow(
      'requests',
      { id: requestId, answer: null },
      { answer, answerWords, answeredAt: now.toISOString() },
    );
    if (!answered)
      throw new Refusal(
        'answer',
        `This was answered already: ${request.answer}. Ask again where the answer has changed.`,
      );
    const { owner } = await needRow('restorations', request.restorationId);
    await appendLog(
      {
        restorationId: request.restorationId,
        stage: request.stage,
        kind: 'request',
        words: `${owner} answered ${answer}: ${request.what} ${answerWords}`.trim(),
        data: { requestId },
      },
      now,
    );
  });
}

/** Holds a step back until the owner has allowed it. @throws Refusal with what is waited for */
export async function needsNoAnswer(restorationId: string, step: Step, field: string): Promise<void> {
  const { owner, allowed } = await needRow('restorations', restorationId);
  const waits = waitsForOwner(owner, allowed, await requestsOf(restorationId), step);
  if (waits) throw new Refusal(field, waits);
}

type NewRequest = Pick<
  OwnerRequest,
  'restorationId' | 'pieceId' | 'stage' | 'about' | 'what' | 'why' | 'costMinor' | 'alternatives'
>;

type Step =
  { about: 'treatment'; stage: Stage; pieceId: string | null } | { about: 'purchase'; stage: Stage; costMinor: number };
