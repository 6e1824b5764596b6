import type { Observed } from '@/core/keyboard/evidence';
import { keyboardsOf, keysSeenIn, keysTogetherIn, keyTestsOf, probesOf, type KeptReading } from '@/data/keys';
import { photosToMark } from '@/data/photos/toMark';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import type { KeyboardRow, KeyTestRow } from '@/data/rows';

/** A test with what its keys did. */
export interface SeenTest extends KeyTestRow {
  seen: Record<string, Observed>;
  /** Keys that answered with another one. */
  together: [pressed: string, also: string][];
}

export interface BoardView {
  boards: { id: string; name: string }[];
  board: KeyboardRow | null;
  /** The newest first. */
  tests: SeenTest[];
  /** Readings since the newest test in which something was pressed, and those before. */
  readings: KeptReading[];
  earlier: KeptReading[];
}

/** What its keys did in the newest test in which something was pressed. */
export const lastSeen = (tests: readonly SeenTest[]): Record<string, Observed> =>
  tests.find(({ seen }) => Object.keys(seen).length > 0)?.seen ?? {};

/** One keyboard of a machine, the one that is asked for or the first, with its tests and readings. */
export async function boardView(restorationId: string, asked: string | undefined): Promise<BoardView> {
  const boards = await keyboardsOf(restorationId);
  const board = boards.find(({ id }) => id === asked) ?? boards[0] ?? null;
  if (!board) return { boards: [], board: null, tests: [], readings: [], earlier: [] };
  const [rows, probes] = await Promise.all([keyTestsOf(board.id), probesOf(board.id)]);
  const ids = rows.map(({ id }) => id);
  const [seen, together] = await Promise.all([keysSeenIn(ids), keysTogetherIn(ids)]);
  const tests = rows.map((test): SeenTest => ({
    ...test,
    together: together.filter(({ testId }) => testId === test.id).map(({ pressed, also }) => [pressed, also]),
    seen: Object.fromEntries(seen.filter(({ testId }) => testId === test.id).map((one) => [one.key, one.seen])),
  }));
  // What was measured before the keys were last tried was measured on another state.
  const since = tests.find(({ seen: keys }) => Object.keys(keys).length > 0)?.at ?? '';
  return {
    boards: boards.map(({ id, name }) => ({ id, name })),
    board,
    tests,
    readings: probes.filter(({ at }) => at >= since),
    earlier: probes.filter(({ at }) => at < since),
  };
}

/** A photograph of the machine, as far as marking needs it. */
export type KeyPhoto = PhotoToMark;

/** The photographs of a machine, those of the keys first, and the one that is asked for. */
export const keyPhotos = (restorationId: string, asked: string | undefined) =>
  photosToMark(restorationId, 'keys', asked);
