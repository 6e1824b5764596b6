import { setTimeout as pause } from 'node:timers/promises';
import { closeDatabase, database } from '@/data/connection';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell } from './server';

const NOTES = 40;
const SEARCHES = 1000;
const KILLS = 25;
/** A page of what was found stands within this, ms. */
const LONGEST_MS = 1000;

/** What a search of the database’s own would take for orders, or for the end of its words. */
const SIGNS = [
  ...['"', "'", '""', '*', '^', '-', '+', ':', '(', ')', '((', '{', '}', ',', ';', '\\', '/', '%', '_', '|', '!', '&'],
  ...['--', '/*', '*/', '‘', '”', '…', '\u200b', '\u00ad', '\t', '\n'],
];
const ORDERS = ['AND', 'OR', 'NOT', 'NEAR(a b, 2)', 'words:', 'rowid:1', 'found MATCH', '1=1', 'NULL', '\ud800', '😀'];

/**
 * Looks for everything that could be taken for an order, up to 10,000 signs long, while notes are written and the server is
 * killed: every search is answered, a word among signs is found, and the index is true to what was written.
 */
export async function seek(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const random = seeded(20_261_201);
  const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const failures: string[] = [];
  let slowest = 0;
  let server = await attacked(3969, data);
  const act = (name: string, given: object) => call(server.base, actionsOfBuild().get(name)!, [given]);
  const look = async (words: string): Promise<string> => {
    const start = performance.now();
    const response = await fetch(`${server.base}/find?q=${encodeURIComponent(words.toWellFormed())}`);
    const page = await response.text();
    slowest = Math.max(slowest, performance.now() - start);
    if (!response.ok) failures.push(`${JSON.stringify(words.slice(0, 60))} was answered ${response.status}`);
    return page;
  };
  try {
    const open = await act('stages/intake/actions#openMachine', { title: 'Sought', once: 'b'.repeat(32) });
    const restorationId = String(open.answer!.value);
    const write = async (i: number) => {
      const given = { restorationId, stage: 'mend', words: `veil${i} über der Kante`, once: `${i}`.padStart(32, '0') };
      return (await act('clipboard/actions#writeDown', given)).answer?.ok === true;
    };
    for (let i = 0; i < NOTES; i++) if (!(await write(i))) failures.push(`note ${i} was not taken`);
    for (let i = 0; i < SEARCHES; i++) {
      const note = Math.floor(random() * NOTES);
      const among = [one(SIGNS), one([`veil${note}`, `VEIL${note}`]), one(SIGNS), one(['uber', 'ÜBER', 'kante'])];
      const isFound = i % 2 === 0;
      const words = isFound
        ? among.join(' ')
        : Array.from({ length: 1 + Math.floor(random() * 8) }, () => one([...SIGNS, ...ORDERS, `veil${note}`]))
            .join(one(['', ' ']))
            .repeat(i % 50 === 1 ? 2000 : 1)
            .slice(0, 10_000);
      const page = await look(words);
      if (isFound && !page.includes(`veil${note} über`))
        failures.push(`${JSON.stringify(words)} does not find its note`);
    }
    if (slowest > LONGEST_MS) failures.push(`a search took ${slowest.toFixed(0)} ms`);
    if (server.faults.length > 0) failures.push(`it wrote faults: ${server.faults[0]!.slice(0, 160)}`);
    let next = NOTES;
    for (let round = 0; round < KILLS; round++) {
      const under = Promise.allSettled(Array.from({ length: 4 }, () => write(next++)));
      await pause(random() * 200);
      await server.stop('SIGKILL');
      await under;
      server = await attacked(3969, data);
    }
    await server.stop();
    const { sequelize } = await database();
    // Against the words themselves, not only within the index.
    await sequelize
      .query(`INSERT INTO found (found, rank) VALUES ('integrity-check', 1)`)
      .catch((failure: unknown) => failures.push(`the index is not what was written: ${String(failure)}`));
    tell('seek', SEARCHES + KILLS, failures, `the slowest search took ${slowest.toFixed(0)} ms`);
  } finally {
    await server.stop('SIGKILL').catch(() => {});
    await closeDatabase();
    await removeFolder(data);
  }
}
