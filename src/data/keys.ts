import type { Reading } from '@/core/keyboard/evidence';
import type { KeyboardKind } from '@/core/keyboard/kinds';
import type {
  ContactLimitsRow,
  CapRow,
  KeyboardPictureRow,
  KeyboardRow,
  KeyMeasureRow,
  KeyRepairRow,
  KeySeenRow,
  KeysTogetherRow,
  KeyTestRow,
  LoosePartRow,
  ProbeRow,
} from './rows';
import { findRows } from './table';

/** The keyboards of a machine, in the order they came. */
export const keyboardsOf = (restorationId: string): Promise<KeyboardRow[]> =>
  findRows('keyboards', { restorationId }, [['addedAt', 'ASC']]);

/** The tests of a keyboard, the newest first. */
export const keyTestsOf = (keyboardId: string): Promise<KeyTestRow[]> =>
  findRows('key_tests', { keyboardId }, [['at', 'DESC']]);

export const keysSeenIn = (testIds: readonly string[]): Promise<KeySeenRow[]> =>
  findRows('keys_seen', { testId: [...testIds] });

export const keysTogetherIn = (testIds: readonly string[]): Promise<KeysTogetherRow[]> =>
  findRows('keys_together', { testId: [...testIds] }, [['rowid', 'ASC']]);

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

/** What lies about a keyboard: its marked pictures, its caps, its counts. */
export const capsOf = async (
  keyboardId: string,
): Promise<{ pictures: KeyboardPictureRow[]; caps: CapRow[]; counts: LoosePartRow[] }> => {
  const [pictures, caps, counts] = await Promise.all([
    findRows('keyboard_pictures', { keyboardId }, [['rowid', 'ASC']]),
    findRows('caps', { keyboardId }),
    findRows('loose_parts', { keyboardId }, [['rowid', 'ASC']]),
  ]);
  return { pictures, caps, counts };
};

/** What was measured of parts, the newest last, and the repairs, the newest first. */
export const mendedOf = async (keyboardId: string): Promise<{ measures: KeyMeasureRow[]; repairs: KeyRepairRow[] }> => {
  const [measures, repairs] = await Promise.all([
    findRows('key_measures', { keyboardId }, [['rowid', 'ASC']]),
    findRows('key_repairs', { keyboardId }, [['rowid', 'DESC']]),
  ]);
  return { measures, repairs };
};

/** This workshop’s own limits for contacts on keyboards of a kind, where it has any. */
export const ownLimitsOf = async (kind: KeyboardKind): Promise<ContactLimitsRow | null> =>
  (await findRows('contact_limits', { kind }))[0] ?? null;
