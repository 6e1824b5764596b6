import { CAP_STATES, countFault, lying, type CapState, type LooseCount, type StemPlace } from '@/core/keyboard/caps';
import type { Board } from '@/core/keyboard/layout';
import { checkCorners, type Corners } from '@/core/picture/corners';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { KeyboardRow } from '@/data/rows';
import { addRow, changeRow, countRows, findRows, needRow } from '@/data/table';
import { addKeyboard } from './boards';

const told = (board: Pick<KeyboardRow, 'restorationId' | 'name'>, words: string) =>
  ({ restorationId: board.restorationId, stage: 'keys', kind: 'caps', words: `${board.name}: ${words}` }) as const;

/** Keeps where the field of a keyboard lies on a photograph. Caps are compared by such pictures. */
export async function markPicture(keyboardId: string, photoId: string, corners: Corners, now: Date): Promise<string> {
  checkCorners(corners);
  return inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const photo = await needRow('photos', photoId);
    if (photo.restorationId !== board.restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this machine.');
    const [same] = await findRows('keyboard_pictures', { keyboardId, photoId });
    if (same) {
      await changeRow('keyboard_pictures', { id: same.id }, { corners });
      return same.id;
    }
    const { id } = await addRow('keyboard_pictures', {
      ...{ restorationId: board.restorationId, keyboardId, photoId, corners },
      at: now.toISOString(),
    });
    await appendLog(told(board, `field marked on ${photo.originalName}.`), now);
    return id;
  });
}

/** A keyboard drawn from its photograph. */
export async function drawFromPicture(
  restorationId: string,
  board: Board,
  photo: { photoId: string; corners: Corners },
  now: Date,
): Promise<string> {
  return inTransaction(async () => {
    const id = await addKeyboard(restorationId, board, now);
    await markPicture(id, photo.photoId, photo.corners, now);
    return id;
  });
}

function checkKeys(board: KeyboardRow, keys: readonly string[]): void {
  const stray = keys.find((key) => !board.keys.some(({ id }) => id === key));
  if (stray !== undefined)
    throw new Refusal('keys', `The key “${stray}” is not on the board any more. Load the page again.`);
}

/**
 * Says of caps how they are and whether they are off. Two devices tap at once: of one cap the last counts.
 *
 * @param unseen the caps come off though no picture shows where they belong
 * @throws Refusal where no picture shows where they belong
 */
export async function setCaps(
  keyboardId: string,
  keys: readonly string[],
  to: { isOff?: boolean; state?: CapState; stem?: StemPlace },
  unseen: boolean,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    checkKeys(board, keys);
    if (to.isOff && !unseen && (await countRows('keyboard_pictures', { keyboardId })) === 0)
      throw new Refusal(
        'keys',
        'No photograph shows where the caps belong. Take one first and mark its field, or say that you go on without.',
      );
    const known = await findRows('caps', { keyboardId, key: [...keys] });
    for (const key of keys) {
      const one = known.find((cap) => cap.key === key);
      if (one) await changeRow('caps', { id: one.id }, { ...to, at: now.toISOString() });
      else
        await addRow('caps', {
          ...{ restorationId: board.restorationId, keyboardId, key },
          ...{ isOff: to.isOff ?? false, state: to.state ?? CAP_STATES[0], stem: to.stem ?? null },
          at: now.toISOString(),
        });
    }
    const names = keys.length > 8 ? `${keys.length} caps` : keys.join(', ');
    const said = [
      to.isOff === true && 'off',
      to.isOff === false && 'back on',
      to.state,
      to.stem && (to.stem === 'middle' ? 'stem in the middle' : `stem at the ${to.stem}`),
    ]
      .filter(Boolean)
      .join(', ');
    await appendLog(told(board, `${names} ${said}${to.isOff && unseen ? ', without a photograph' : ''}.`), now);
  });
}

/** Keeps how many of a kind of part came out and what became of them. */
export async function keepCount(keyboardId: string, count: LooseCount, now: Date): Promise<void> {
  const fault = countFault(count);
  if (fault) throw new Refusal('back', fault);
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const { part, came, cleaned, back, lost, donor } = count;
    const row = { came, cleaned, back, lost, donor, at: now.toISOString() };
    const [same] = await findRows('loose_parts', { keyboardId, part });
    if (same) await changeRow('loose_parts', { id: same.id }, row);
    else await addRow('loose_parts', { restorationId: board.restorationId, keyboardId, part, ...row });
    const donated = donor > 0 ? `, ${donor} from a donor` : '';
    await appendLog(
      told(board, `${part}: ${came} out, ${cleaned} cleaned, ${back} back, ${lost} lost${donated}.`),
      now,
    );
  });
}

/** What keeps the keys from being done: caps that are off, counts that do not add up, repairs that nobody answered. */
export async function keysHeld(restorationId: string): Promise<string[]> {
  const boards = await findRows('keyboards', { restorationId });
  const nameOf = (keyboardId: string) => boards.find(({ id }) => id === keyboardId)?.name ?? '';
  const caps = await findRows('caps', { restorationId, isOff: true });
  const loose = (await findRows('loose_parts', { restorationId })).filter((count) => lying(count) !== 0);
  const repairs = await findRows('key_repairs', { restorationId, endedAt: null });
  const off = boards
    .map(({ id, name }) => ({
      name,
      count: caps.filter((cap) => cap.keyboardId === id && cap.state !== 'missing').length,
    }))
    .filter(({ count }) => count > 0);
  return [
    ...off.map(({ name, count }) => `${name}: ${count === 1 ? 'one cap is' : `${count} caps are`} still off.`),
    ...loose.map((count) => `${nameOf(count.keyboardId)}: ${lying(count)} of ${count.part} not back yet.`),
    ...repairs.map(({ keyboardId, fault }) => `${nameOf(keyboardId)}: a repair is not answered yet (${fault}).`),
  ];
}
