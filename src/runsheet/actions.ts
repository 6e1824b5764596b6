'use server';

import { foundOn } from '@/work/findings';
import { minorUnits } from '@/core/ledger/money';
import { inTransaction } from '@/data/connection';
import { deleteRestoration } from '@/work/deleted';
import { bringOut, putAway, setAim, setEstimate, setOwner } from '@/work/restorations';
import { findPiece } from '@/data/pieces';
import { addPiece, changePiece } from '@/work/pieces';
import { answerRequest, askOwner } from '@/work/owner';
import { settleStage } from '@/work/stages';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { needRow } from '@/data/table';
import { write, writeOver, type Given } from '@/edge/write';
import { aimDrawn, ownerDrawn, pieceDrawn, worthDrawn } from './drawn';
import {
  aimSchema,
  answerSchema,
  changePieceSchema,
  estimateSchema,
  ownerSchema,
  pieceOf,
  pieceSchema,
  requestSchema,
  restorationIdSchema,
  settleStageSchema,
} from './schema';
import { estimateTyped, worthWords } from './worth';

/** Puts a restoration away: out of the bench, the lists and the bells, with everything of it kept. */
export async function putItAway(restorationId: string): Promise<Answer<void>> {
  return write(restorationIdSchema, { restorationId }, (given, now) => putAway(given.restorationId, now));
}

/** Deletes a restoration; for 30 days it can be brought back. */
export async function deleteIt(restorationId: string): Promise<Answer<void>> {
  return write(restorationIdSchema, { restorationId }, (given, now) => deleteRestoration(given.restorationId, now));
}

/** Brings a restoration out again. */
export async function bringItOut(restorationId: string): Promise<Answer<void>> {
  return write(restorationIdSchema, { restorationId }, (given, now) => bringOut(given.restorationId, now));
}

/** How far to go with the machine. */
export async function setAimOf(given: Given): Promise<Answer<void>> {
  return writeOver(
    aimSchema,
    given,
    async ({ restorationId }) => aimDrawn(await needRow('restorations', restorationId)),
    ({ restorationId, aim, worthKeeping }, now) => setAim(restorationId, aim, worthKeeping, now),
  );
}

/** Whose machine it is, and what may be done without asking. */
export async function setOwnerOf(given: Given): Promise<Answer<void>> {
  const stands = async ({ restorationId }: { restorationId: string }) => {
    const restoration = await needRow('restorations', restorationId);
    return { ...ownerDrawn(restoration, (await getWorkshop()).currency), stages: restoration.allowed.stages };
  };
  return writeOver(ownerSchema, given, stands, async ({ restorationId, owner, stages, spend, words }, now) => {
    const { currency } = await getWorkshop();
    await setOwner(restorationId, owner, { stages, spendMinor: minorUnits(spend, currency), words }, now);
  });
}

/** Asks the owner for something beyond that. */
export async function addRequest(given: Given): Promise<Answer<string>> {
  return write(requestSchema, given, async ({ cost, ...request }, now) => {
    const { currency } = await getWorkshop();
    return (await askOwner({ ...request, costMinor: minorUnits(cost, currency) }, now)).id;
  });
}

/** What the owner answered. */
export async function addAnswer(given: Given): Promise<Answer<void>> {
  return write(answerSchema, given, ({ requestId, answer, answerWords }, now) =>
    answerRequest(requestId, answer, answerWords, now),
  );
}

/** What is still to come and what a good one costs, as it is guessed now. */
export async function setWorthEstimate(given: Given): Promise<Answer<void>> {
  const stands = async ({ restorationId }: { restorationId: string }) =>
    worthDrawn((await needRow('restorations', restorationId)).estimate);
  return writeOver(estimateSchema, given, stands, async ({ restorationId, ...figures }, now) => {
    const estimate = estimateTyped(figures);
    await setEstimate(restorationId, estimate, await worthWords(restorationId, estimate), now);
  });
}

/** Marks a stage done, not needed or open again. */
export async function markStage(given: Given): Promise<Answer<void>> {
  return write(settleStageSchema, given, ({ restorationId, stage, state, reason }, now) =>
    settleStage(restorationId, stage, state, reason || null, now),
  );
}

/** Adds a piece with its tag. */
export async function tagPiece(given: Given): Promise<Answer<string>> {
  return write(pieceSchema, given, ({ findingIds, ...typed }, now) =>
    inTransaction(async () => {
      const { id } = await addPiece(pieceOf(typed), now);
      await foundOn(id, findingIds, now);
      return id;
    }),
  );
}

/** Changes what is known of a piece. */
export async function correctPiece(given: Given): Promise<Answer<void>> {
  const stands = async ({ pieceId }: { pieceId: string }) => {
    const piece = await findPiece(pieceId);
    return piece ? { ...pieceDrawn(piece), surfaces: piece.surfaces, hollow: piece.hollow } : {};
  };
  return writeOver(changePieceSchema, given, stands, ({ pieceId, ...typed }, now) =>
    changePiece(pieceId, pieceOf(typed), now),
  );
}
