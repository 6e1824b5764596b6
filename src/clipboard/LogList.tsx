import NextLink from 'next/link';
import { showTime } from '@/core/runsheet/time';
import type { LogPage } from '@/data/log';
import type { LogEntry } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import styles from './logList.module.css';

interface Props {
  page: LogPage;
  timeZone: string;
  /** Page of the entries before one of them; where older ones are read. */
  olderHref: (before: number) => string;
  onCorrect?: (entry: LogEntry) => void;
  /** One column, as on a phone, also where there is room. */
  narrow?: boolean;
}

/** So many entries stand open; the rest of a page is unfolded. */
const OPEN = 12;

/** Log entries, newest first; one that another takes the place of stays readable, struck through. Plain elements: there are many. */
export function LogList({ page: { entries, older, replaced }, timeZone, olderHref, onCorrect, narrow = false }: Props) {
  const row = (entry: LogEntry) => (
    <li key={entry.id} id={`entry-${entry.id}`}>
      <span className={styles.time}>{showTime(entry.at, timeZone)}</span>
      <span className={styles.stage}>{entry.stage ?? 'workshop'}</span>
      <span className={replaced.includes(entry.id) ? styles.replaced : styles.words}>
        {entry.corrects !== null && `(in place of entry ${entry.corrects}) `}
        {entry.words}
      </span>
      {onCorrect && entry.kind === 'note' && !replaced.includes(entry.id) && (
        <button type="button" className={styles.reword} onClick={() => onCorrect(entry)}>
          Reword
        </button>
      )}
    </li>
  );
  const list = (some: readonly LogEntry[]) => (
    <ol className={narrow ? `${styles.log} ${styles.narrow}` : styles.log}>{some.map(row)}</ol>
  );
  const more = entries.slice(OPEN);
  return (
    <>
      {list(entries.slice(0, OPEN))}
      {more.length > 0 && <Fold summary={`${more.length} older`}>{list(more)}</Fold>}
      {older && (
        <NextLink prefetch={false} className={styles.older} href={olderHref(entries[entries.length - 1]!.id)}>
          Before these
        </NextLink>
      )}
    </>
  );
}
