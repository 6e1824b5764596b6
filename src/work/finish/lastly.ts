import { lostWays, LOST_WAY_WORDS, lostOrigin, type LostWay } from '@/core/finish/lostMarks';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { AreaRow, HazeRow, LostMarkRow, OriginRow } from '@/data/rows';
import { addRow, changeRow, needRow } from '@/data/table';
import { needsOwnPhoto } from '../mend/parts';
import { ownPhoto, ownPiece } from '../own';
import { needsNoAnswer } from '../owner';

const told = (restorationId: string, kind: string, words: string, data: unknown) =>
  ({ restorationId, stage: 'finish' as const, kind, words, data }) as const;

const pieceWords = async (restorationId: string, pieceId: string | null): Promise<string> => {
  if (pieceId === null) return '';
  const { tag, name } = await ownPiece(restorationId, pieceId);
  return `${tag} ${name}`;
};

/** Keeps an outline on a photograph. @throws Refusal for a photograph or piece of another machine, or a piece that is not named */
export async function addArea(area: Omit<AreaRow, 'id' | 'at'>, now: Date): Promise<string> {
  const { restorationId, photoId, pieceId, use, name } = area;
  if (use === 'piece' && pieceId === null) throw new Refusal('pieceId', 'Say which piece this is.');
  return inTransaction(async () => {
    await ownPhoto(restorationId, photoId);
    const piece = await pieceWords(restorationId, pieceId);
    const { id } = await addRow('areas', { ...area, at: now.toISOString() });
    const words = [use, name, piece].filter(Boolean).join(', ');
    await appendLog(told(restorationId, 'outline', `Outlined on a photograph: ${words}.`, { areaId: id }), now);
    return id;
  });
}

/** Keeps what somebody says of how original a part is. @throws Refusal for a piece of another machine */
export async function addOrigin(origin: Omit<OriginRow, 'id' | 'at'>, now: Date): Promise<string> {
  const { restorationId, pieceId, what, state, words } = origin;
  return inTransaction(async () => {
    const piece = await pieceWords(restorationId, pieceId);
    const { id } = await addRow('origins', { ...origin, at: now.toISOString() });
    await appendLog(
      told(restorationId, 'originality', `${piece}${what && `, ${what}`}: ${state}. ${words}`.trim(), { originId: id }),
      now,
    );
    return id;
  });
}

/** Keeps a mark that is worn off. @throws Refusal for a piece or photograph of another machine */
export async function addLostMark(lost: Omit<LostMarkRow, 'id' | 'at' | 'way' | 'doneAt'>, now: Date): Promise<string> {
  const { restorationId, pieceId, photoId, kind, name } = lost;
  return inTransaction(async () => {
    await needsOwnPhoto(restorationId, photoId);
    const piece = await pieceWords(restorationId, pieceId);
    const { id } = await addRow('lost_marks', { ...lost, at: now.toISOString(), way: null, doneAt: null });
    await appendLog(
      told(restorationId, 'lost mark', `${kind} lost: ${[name, piece].filter(Boolean).join(', ')}.`, {
        lostMarkId: id,
      }),
      now,
    );
    return id;
  });
}

/**
 * Takes a way for a lost mark, or does it.
 *
 * @throws Refusal for a way that this mark does not honestly bear, without its sizes, or without the owner’s leave
 */
export async function settleLostMark(
  { lostMarkId, way, done, words }: { lostMarkId: string; way: LostWay; done: boolean; words: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const lost = await needRow('lost_marks', lostMarkId);
    const { restorationId, pieceId, kind, name } = lost;
    if (lost.doneAt !== null)
      throw new Refusal('lostMarkId', `It was settled already: ${lost.way}. Take that back first.`);
    if (!lostWays(kind, lost.left, lost.raised).includes(way))
      throw new Refusal(
        'way',
        lost.left
          ? `A ${kind} is not done so. Choose another way.`
          : `Nothing of this ${kind} is left to copy: made anew it would be invented. Leave it.`,
      );
    if (way === 'painted between masks' && (lost.widthMm === null || lost.lengthMm === null))
      throw new Refusal('way', 'Measure its width and length first: without them there is no mask.');
    if (way !== 'leave') await needsNoAnswer(restorationId, { about: 'treatment', stage: 'finish', pieceId }, 'way');
    await changeRow(
      'lost_marks',
      { id: lostMarkId },
      { way, doneAt: done ? now.toISOString() : null, ...(words && { words }) },
    );
    const origin = lostOrigin(way);
    await appendLog(
      told(
        restorationId,
        'lost mark',
        done
          ? `${name}: ${way}${origin ? ', recorded as not original' : ''}. ${words}`.trim()
          : `${name}: to be ${way === 'leave' ? 'left' : way}. ${LOST_WAY_WORDS[way]}`,
        { lostMarkId },
      ),
      now,
    );
  });
}

/** Opens a lost mark again that was settled by mistake. */
export async function reopenLostMark(lostMarkId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, name, way, doneAt } = await needRow('lost_marks', lostMarkId);
    await changeRow('lost_marks', { id: lostMarkId }, { way: null, doneAt: null });
    await appendLog(
      told(restorationId, 'lost mark', `${name}: open again.`, { lostMarkId, before: { way, doneAt } }),
      now,
    );
  });
}

/** Keeps a haze that was measured. @throws Refusal for a piece or photograph of another machine */
export async function addHaze(haze: Omit<HazeRow, 'id' | 'at'>, now: Date): Promise<string> {
  const { restorationId, pieceId, photoId, name, after } = haze;
  return inTransaction(async () => {
    await needsOwnPhoto(restorationId, photoId);
    await pieceWords(restorationId, pieceId);
    const { id } = await addRow('hazes', { ...haze, at: now.toISOString() });
    const percent = (share: number) => `${(100 * share).toFixed(0)} %`;
    await appendLog(
      told(
        restorationId,
        'haze',
        `${name}: takes ${percent(haze.haze)} of the contrast, give or take ${percent(haze.sd)}${after && `, after: ${after}`}.`,
        { hazeId: id },
      ),
      now,
    );
    return id;
  });
}
