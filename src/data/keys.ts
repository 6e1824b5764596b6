import type { Reading } from '@/core/keyboard/evidence';
import type { KeyboardRow, KeySeenRow, KeyTestRow, ProbeRow } from './rows';
import { findRows } from './table';

/** The keyboards of a machine, in the order they came. */
export const keyboardsOf = (restorationId: string): Promise<KeyboardRow[]> =>
  findRows('keyboards', { restorationId }, [['addedAt', 'ASC']]);

/** The tests of a keyboard, the newest first. */
export const keyTestsOf = (keyboardId: string): Promise<KeyTestRow[]> =>
  findRows('key_tests', { keyboardId }, [['at', 'DESC']]);

export const keysSeenIn = (testIds: readonly string[]): Promise<KeySeenRow[]> =>
  findRows('keys_seen', { testId: [...testIds] });

/** A reading as it was taken. */
export type KeptReading = Reading & Pick<ProbeRow, 'id' | 'at'>;

/** What was measured on a keyboard’s lines, in the order it was. */
export async function probesOf(keyboardId: string): Promise<KeptReading[]> {
  const rows = await findRows('probes', { keyboardId }, [['rowid', 'ASC']]);
  return rows.map(({ id, line, fromPlace, toPlace, ohms, at }) => ({
    id,
    line,
    from: fromPlace,
    to: toPlace,
    ohms,
    at,
  }));
}
