import type { Metadata } from 'next';
import { FOUND_KINDS, type FoundKind } from '@/core/runsheet/foundKinds';
import { findWords } from '@/data/found';
import { newestPhotos } from '@/data/photos/store';
import { getWorkshop } from '@/data/workshop';
import { FoundList } from '@/bench/FoundList';
import { placeOfFound } from '@/bench/foundPlaces';
import { showTime } from '@/core/runsheet/time';
import { needsEntered } from '@/edge/entered';
import { EmptyPlace, ScreenHead } from '@/ui/layout';

export const metadata: Metadata = { title: 'Find' };

/** So many stand on a page. */
const SIZE = 20;
/** Longer words are cut: nobody looks for a page of text. */
const LONGEST = 200;

const kindOf = (asked: string | undefined): FoundKind | null =>
  asked !== undefined && asked in FOUND_KINDS ? (asked as FoundKind) : null;

/** Everything in the workshop that holds some words. */
export default async function FindPage({
  searchParams,
}: {
  searchParams: Promise<{ q?: string; kind?: string; before?: string }>;
}) {
  await needsEntered();
  const asked = await searchParams;
  const typed = String(asked.q ?? '');
  const words = typed.slice(0, LONGEST);
  const kind = kindOf(asked.kind);
  const before = /^\d{1,15}$/.test(asked.before ?? '') ? Number(asked.before) : null;
  const [{ timeZone }, rows] = await Promise.all([getWorkshop(), findWords(words, { kind, before, most: SIZE + 1 })]);
  const shown = rows.slice(0, SIZE);
  const photos = await newestPhotos([...new Set(shown.flatMap(({ restorationId }) => restorationId ?? []))]);
  return (
    <>
      <ScreenHead
        title="Find"
        under="Words, machines, people, parts, agents; a month as 2026-06, a day as 2026-06-21"
      />
      <FoundList
        words={words}
        kind={kind}
        cut={typed.length > LONGEST}
        next={rows.length > SIZE ? shown.at(-1)!.id : null}
        rows={shown.map((row) => ({
          id: row.id,
          href: placeOfFound(row),
          kind: FOUND_KINDS[row.kind],
          machine: row.machine,
          at: row.at === null ? null : showTime(row.at, timeZone, 'd MMM yyyy'),
          words: row.words,
          photoId: row.kind === 'photos' ? row.ofKey : row.restorationId && (photos.get(row.restorationId) ?? null),
        }))}
      />
      {words !== '' && shown.length === 0 && (
        <EmptyPlace>Nothing holds all of these words. Take one away, or type only how it begins.</EmptyPlace>
      )}
    </>
  );
}
