import { faultOf, type Fault } from '@/data/fault';

export interface FaultWords {
  title: string;
  /** What holds all the same, and what to do. */
  todo: string;
}

/** What is wrong with the place where everything is kept, in words. */
const FAULT_WORDS: Record<Fault, FaultWords> = {
  full: {
    title: 'The disk is full',
    todo: 'Nothing more can be saved until there is room; what was saved is safe. Make room on the disk that holds the data folder, then try again.',
  },
  'read-only': {
    title: 'Nothing can be written',
    todo: 'The data folder or its disk is read-only; what was saved is safe. Let the user who runs Kvell write there, then try again.',
  },
  locked: {
    title: 'Another program holds the database',
    todo: 'What was saved is safe. Close a second Kvell, a backup or a database viewer that has it open, then try again.',
  },
  damaged: {
    title: 'The database cannot be read',
    todo: 'It is damaged, or its disk fails. Stop Kvell and copy the whole data folder before anything else; then put back the last good copy of kvell.sqlite. The photographs are files of their own beside it.',
  },
  newer: {
    title: 'These data are of a newer Kvell',
    todo: 'This version leaves them as they are. Start the newer one again, or point this one at another data folder.',
  },
  'not there': {
    title: 'The data folder cannot be opened',
    todo: 'It is missing, or a file stands in its place. Plug its disk in, or set KVELL_DATA to the folder, then try again.',
  },
};

/** One line in the server's output for whoever looks after it: a fault of the disk needs no stack. */
export function tellFault(failure: unknown, now: Date): FaultWords | null {
  const fault = faultOf(failure);
  const line = fault
    ? `${FAULT_WORDS[fault].title}: ${(failure as Error).message}`
    : failure instanceof Error
      ? failure.stack
      : String(failure);
  process.stderr.write(`${now.toISOString()} ${line}\n`);
  return fault && FAULT_WORDS[fault];
}

/** What cannot be done at all just now, in one sentence or two. */
export const faultSentence = ({ title, todo }: FaultWords): string => `${title}. ${todo}`;
