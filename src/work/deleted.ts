import { goesAt, overBefore, STAYS_DAYS } from '@/core/runsheet/deleted';
import { Op } from 'sequelize';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { letFilesGo, type PhotoFile } from '@/data/photos/store';
import { awayOf, restorationsToGo } from '@/data/putAway';
import { addRow, changeRow, findColumns, findRows, foreignKeys, removeRows } from '@/data/table';
import { TABLES, type TableName } from '@/data/tables';
import { takenPhotos } from '@/data/takenBack';
import { AT_FIRST, namedRestoration } from './restorations';

/** Deletes a restoration: it is put away now, and goes for good when its days are over. Until then it can be brought back whole. */
export async function deleteRestoration(restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { id, title } = await namedRestoration(restorationId);
    const away = await awayOf(id);
    if (away?.goesAt) return;
    const at = now.toISOString();
    const goes = { at, goesAt: goesAt(at) };
    if (away) await changeRow('put_away', { id }, goes);
    else await addRow('put_away', { id, ...goes, goneAt: null });
    await appendLog(
      {
        ...{ restorationId: id, stage: null, kind: 'deleted', data: goes },
        words: `Deleted: ${title}. It can be brought back for ${STAYS_DAYS} days; then only this log is left.`,
      },
      now,
    );
  });
}

/**
 * Tables with rows of a restoration that stay when it goes: its log, what it took from the stores, and what was learnt by it.
 * The words that are found follow their rows by themselves.
 */
const STAY: readonly TableName[] = ['log', 'movements', 'donor_parts', 'lessons', 'lesson_uses', 'found_words'];

const GOING = (Object.keys(TABLES) as TableName[]).filter(
  (name) => 'restorationId' in TABLES[name].columns && !STAY.includes(name),
);

/** Those tables so that what names a row goes before it. */
async function namersFirst(): Promise<TableName[]> {
  const keys = await foreignKeys();
  const done = new Set<TableName>();
  const visit = (name: TableName, above: readonly TableName[]) => {
    if (done.has(name) || above.includes(name)) return;
    for (const other of GOING)
      if (keys.some(({ of, names }) => of === other && names === name)) visit(other, [...above, name]);
    done.add(name);
  };
  for (const name of GOING) visit(name, []);
  return [...done];
}

/** Everything of a restoration but its log goes, and its name, under which the log is found. */
async function letRestorationGo({ id, title }: { id: string; title: string }, now: Date): Promise<PhotoFile[]> {
  return inTransaction(async () => {
    const files = [
      ...(await findColumns('photos', ['hash', 'extension'], { restorationId: id })),
      ...(await takenPhotos({ restorationId: id })),
    ];
    await handOverTheLead(id);
    await changeRow('findings', { restorationId: id }, { continues: null });
    await changeRow('sessions', { restorationId: id }, { leadId: null });
    for (const table of await namersFirst()) await removeRows(table, { restorationId: id });
    await changeRow('restorations', { id }, { ...AT_FIRST, machine: '', source: '', condition: '', pricePaidMinor: 0 });
    await changeRow('put_away', { id }, { goneAt: now.toISOString() });
    await appendLog(
      { restorationId: id, stage: null, kind: 'gone for good', words: `Gone for good: ${title}. Its log stays.` },
      now,
    );
    return files;
  });
}

/** Pieces of other machines that went along in a session of one that goes stay together: the first of them leads from now on. */
async function handOverTheLead(restorationId: string): Promise<void> {
  const leads = await findColumns('sessions', ['id'], { restorationId });
  const along = await findRows(
    'sessions',
    { leadId: leads.map(({ id }) => id), restorationId: { [Op.ne]: restorationId } },
    [['id', 'ASC']],
  );
  for (const lead of new Set(along.map(({ leadId }) => leadId))) {
    const [first, ...others] = along.filter(({ leadId }) => leadId === lead);
    await changeRow('sessions', { id: first!.id }, { leadId: null });
    for (const { id } of others) await changeRow('sessions', { id }, { leadId: first!.id });
  }
}

/**
 * Lets go for good what was deleted or taken back more than 30 days ago: its rows, and the files of its photographs where
 * nothing else speaks of them. The log stays.
 *
 * @returns how many things went
 */
export async function letDeletedGo(now: Date): Promise<number> {
  const files: PhotoFile[] = [];
  const upTo = overBefore(now);
  const restorations = await restorationsToGo(now);
  for (const one of restorations) files.push(...(await letRestorationGo(one, now)));
  const taken = await inTransaction(async () => {
    files.push(...(await takenPhotos({ upTo })));
    return removeRows('taken_back', { at: { [Op.lte]: upTo } });
  });
  await letFilesGo(files);
  return restorations.length + taken;
}
