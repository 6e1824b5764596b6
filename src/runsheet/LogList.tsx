'use client';

import { showTime } from '@/core/runsheet/time';
import type { LogEntry } from '@/data/rows';
import styles from './logList.module.css';

interface Props {
  entries: readonly LogEntry[];
  timeZone: string;
  onCorrect?: (entry: LogEntry) => void;
}

/** Log entries in order; one that another takes the place of stays readable, struck through. Plain elements: there are many. */
export function LogList({ entries, timeZone, onCorrect }: Props) {
  const replaced = new Set(entries.map(({ corrects }) => corrects));
  return (
    <ol className={styles.log}>
      {entries.map((entry) => (
        <li key={entry.id} id={`entry-${entry.id}`}>
          <span className={styles.time}>{showTime(entry.at, timeZone)}</span>
          <span className={styles.stage}>{entry.stage ?? 'workshop'}</span>
          <span className={replaced.has(entry.id) ? styles.replaced : styles.words}>
            {entry.corrects !== null && `(in place of entry ${entry.corrects}) `}
            {entry.words}
          </span>
          {onCorrect && entry.kind === 'note' && !replaced.has(entry.id) && (
            <button type="button" className={styles.reword} onClick={() => onCorrect(entry)}>
              Reword
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
