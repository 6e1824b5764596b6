import type { FoundKind } from '@/core/runsheet/foundKinds';
import { NOT_AWAY } from './putAway';
import { select } from './table';

/** Something whose words were found. */
export interface FoundRow {
  id: number;
  kind: FoundKind;
  ofKey: string;
  restorationId: string | null;
  machine: string | null;
  at: string | null;
  words: string;
}

const DAY = /^\d{4}-\d{2}(-\d{2})?$/;
/** So many words are looked for; more tell nothing. */
const MOST_WORDS = 12;

/**
 * Rows of the whole workshop that hold all of some words, each perhaps only begun; the newest first. A word like `2026-06`
 * or `2026-06-21` is the month or day of it.
 *
 * @param before number of the last one that was seen; `null` for the first page
 */
export async function findWords(
  words: string,
  { kind = null, before = null, most }: { kind?: FoundKind | null; before?: number | null; most: number },
): Promise<FoundRow[]> {
  const wanted = words
    .replaceAll('\0', ' ')
    .split(/[^\p{L}\p{N}\p{M}-]+/u)
    .filter((word) => /[\p{L}\p{N}]/u.test(word))
    .slice(0, MOST_WORDS);
  const days = wanted.filter((word) => DAY.test(word));
  const match = wanted.filter((word) => !DAY.test(word)).map((word) => `"${word}"*`);
  if (wanted.length === 0) return [];
  const where = [
    ...(match.length > 0 ? ['found MATCH :match'] : []),
    // No sign of a time comes after this one.
    ...days.map((_, i) => `found_words.at >= :day${i} AND found_words.at < :day${i} || 'a'`),
    ...(kind === null ? [] : ['found_words.kind = :kind']),
    ...(before === null ? [] : [match.length > 0 ? 'found.rowid < :before' : 'found_words.id < :before']),
    `(found_words.restorationId IS NULL OR EXISTS (SELECT 1 FROM restorations WHERE restorations.id = found_words.restorationId AND ${NOT_AWAY}))`,
  ];
  const from = match.length > 0 ? 'found JOIN found_words ON found_words.id = found.rowid' : 'found_words';
  return select<FoundRow>(
    `SELECT found_words.id, found_words.kind, found_words.ofKey, found_words.restorationId, found_words.at,
        ${match.length > 0 ? `snippet(found, 0, '', '', '…', 24)` : 'substr(found_words.words, 1, 200)'} AS words,
        (SELECT title FROM restorations WHERE restorations.id = found_words.restorationId) AS machine
      FROM ${from} WHERE ${where.join(' AND ')} ORDER BY ${match.length > 0 ? 'found.rowid' : 'found_words.id'} DESC LIMIT :most`,
    {
      ...{ match: match.join(' '), kind, before, most },
      ...Object.fromEntries(days.map((day, i) => [`day${i}`, day])),
    },
  );
}
