import { readdir } from 'node:fs/promises';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { closeDatabase } from '@/data/connection';
import { copiesIn, openCopy } from '@/data/keeping/store';
import { hashOfFile, writeDown } from '@/data/keeping/sealed';
import { brokenIn, lookAt } from '@/data/keeping/looked';
import { findRows } from '@/data/table';
import { checkAll } from '@/work/keeping/keeping';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell } from './server';

const KILLS = 150;
/** Longest that a backup or a restore goes on before the kill, ms. */
const LONGEST_MS = 1800;

/**
 * Kills the server in the middle of backups and while one is put back: afterwards the workshop is as it was before or as the
 * backup has it, whole; what was answered before is here or in the backup that was made just before; every backup that has
 * its place opens, and its database is sound.
 */
export async function keep(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const random = seeded(20_261_130);
  const failures: string[] = [];
  let [restored, stayed] = [0, 0];
  let server = await attacked(3964, data);
  const act = (name: string, args: unknown[]) => call(server.base, actionsOfBuild().get(name)!, args);
  const notesOf = async (file: string): Promise<Set<string>> => {
    const looked = await lookAt(file);
    try {
      for (const wrong of await brokenIn(looked)) failures.push(`${path.basename(file)} is damaged: ${wrong}`);
      return new Set((await looked.all<{ words: string }>('SELECT words FROM log')).map(({ words }) => words));
    } finally {
      await looked.close();
    }
  };
  try {
    const open = await act('stages/intake/actions#openMachine', [{ title: 'Kept', once: 'b'.repeat(32) }]);
    const restorationId = String(open.answer!.value);
    const first = await act('workshop/keepingActions#makeBackup', []);
    const { id } = first.answer!.value as { id: string };
    for (let round = 0; round < KILLS; round++) {
      const words = `note ${round}`;
      const said = await act('clipboard/actions#writeDown', [
        { restorationId, stage: 'mend', words, once: `${round}`.padStart(32, 'c') },
      ]);
      if (!said.answer?.ok) failures.push(`a note was refused: ${JSON.stringify(said.answer)}`);
      const under =
        round % 3 === 2
          ? act('workshop/keepingActions#makeBackup', [])
          : act('workshop/keepingActions#putCopyBack', [id, '']);
      await Promise.race([under.catch(() => {}), pause(random() * LONGEST_MS)]);
      await server.stop('SIGKILL');
      await under.catch(() => {});
      server = await attacked(3964, data);
      await fetch(server.base);
      await server.stop();
      const here = await notesOf(path.join(data, 'kvell.sqlite'));
      if ((await readdir(data)).includes('restoring')) failures.push(`round ${round}: a half restore was left lying`);
      if (here.has(words)) stayed += 1;
      else {
        restored += 1;
        const [newest] = await copiesIn(path.join(data, 'backups'));
        const source = await openCopy(path.join(data, 'backups'), newest!.id, '');
        const file = path.join(data, 'looked.sqlite');
        await writeDown(await source.database(), file);
        if (!(await notesOf(file)).has(words))
          failures.push(`round ${round}: an answered note is neither here nor in the newest backup`);
      }
      server = await attacked(3964, data);
    }
    await server.stop();
    const copies = await copiesIn(path.join(data, 'backups'));
    for (const copy of copies) {
      const file = path.join(data, 'looked.sqlite');
      await writeDown(await (await openCopy(path.join(data, 'backups'), copy.id, '')).database(), file);
      if ((await hashOfFile(file)).sha256 !== copy.database.sha256)
        failures.push(`the backup ${copy.id} is not what it says`);
      await notesOf(file);
    }
    const { wrong } = await checkAll();
    for (const one of wrong) failures.push(`the house is not in order: ${JSON.stringify(one)}`);
    tell(
      'keep',
      KILLS,
      failures,
      `${restored} came back as the backup, ${stayed} stayed; ${copies.length} backups, ${(await findRows('restorations')).length} restoration`,
    );
  } finally {
    await server.stop('SIGKILL').catch(() => {});
    await closeDatabase();
    await removeFolder(data);
  }
}
