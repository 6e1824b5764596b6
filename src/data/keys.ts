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

/** What was measured on a keyboard’s lines, in the order it was. */
export const probesOf = (keyboardId: string): Promise<ProbeRow[]> =>
  findRows('probes', { keyboardId }, [['rowid', 'ASC']]);
