import type { HouseChecked, Mended, Wrong } from '@/data/keeping/house';
import type { Keeping } from '@/data/keeping/state';

/** How much lies on the disk. */
export const bytesWords = (bytes: number): string =>
  bytes < 1e6
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : bytes < 1e9
      ? `${Math.round(bytes / 1e6)} MB`
      : `${(bytes / 1e9).toFixed(1)} GB`;

function wrongWords(wrong: Wrong): string {
  switch (wrong.kind) {
    case 'database':
      return `The database: ${wrong.words}. This cannot be mended here: put the last good backup back.`;
    case 'photo missing':
      return `The photograph ${wrong.names.join(', ')} of ${wrong.machines.join(', ')} is gone from the disk.`;
    case 'photo changed':
      return `The photograph ${wrong.names.join(', ')} of ${wrong.machines.join(', ')} was changed on the disk.`;
    case 'no row':
      return `${wrong.file} (${bytesWords(wrong.bytes)}) belongs to nothing.`;
    case 'half written':
      return `${wrong.file} was left half written.`;
  }
}

/** What was found when everything was looked over. */
export function houseWords({ photos, bytes, wrong }: HouseChecked): {
  words: string;
  lines: string[];
  mendable: boolean;
} {
  const looked = `The database and ${photos} ${photos === 1 ? 'photograph' : 'photographs'} (${bytesWords(bytes)}) were looked over`;
  return {
    words:
      wrong.length === 0
        ? `${looked}: nothing is missing, changed or left over.`
        : `${looked}: ${wrong.length} ${wrong.length === 1 ? 'thing is' : 'things are'} not as they should be.`,
    lines: wrong.map(wrongWords),
    mendable: wrong.some(({ kind }) => kind !== 'database'),
  };
}

const MENDED: Record<Mended, string> = {
  'brought back': 'Brought back from the backup.',
  'put aside': 'Put into the folder lost-and-found.',
  'taken away': 'Taken away.',
  stays: 'It stays: no backup that opens by itself has it.',
};

export const mendedWords = (done: readonly { wrong: Wrong; mended: Mended }[]): string[] =>
  done.map(({ wrong, mended }) => `${wrongWords(wrong)} ${wrong.kind === 'database' ? '' : MENDED[mended]}`.trim());

/** How far everything written is in a backup. */
export function lagWords(
  { last, failed }: Pick<Keeping, 'last' | 'failed'>,
  lagDays: number | null,
  when: (at: string) => string,
): string {
  const was = failed ? ` The try of ${when(failed.at)} failed: ${failed.why}.` : '';
  if (last === null)
    return `${lagDays === null ? 'Nothing was written yet, so there is nothing to back up.' : 'There is no backup yet.'}${was}`;
  const good = `The last good backup is of ${when(last.at)}`;
  if (lagDays === null) return `${good}; everything that was written is in it.${was}`;
  return `${good}; what was written since is not in it.${was}`;
}
