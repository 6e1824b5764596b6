import { createReadStream } from 'node:fs';
import { appendFile, mkdir, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { createHash } from 'node:crypto';
import fc from 'fast-check';
import sqlite3 from 'sqlite3';
import { Refusal } from '@/core/refusal';
import { closeDatabase, database } from '@/data/connection';
import { dataFolder } from '@/data/folder';
import { writeDown } from '@/data/keeping/sealed';
import type { BackupSource } from '@/data/keeping/source';
import { backupFolder, keepingState } from '@/data/keeping/state';
import { dropStage, finishSwap, makeStage, stageIsReady } from '@/data/keeping/swap';
import { isReadAgain } from '@/data/keeping/store';
import { backupZip, withZipped } from '@/data/keeping/zipped';
import { originalFile } from '@/data/photos/store';
import { newestMark as logMark } from '@/data/log';
import { findRows } from '@/data/table';
import { TABLES, type TableName } from '@/data/tables';
import { addPerson, saveWorkshop } from '../workshop';
import { takeThingBack } from '../takingBack';
import {
  freshFolder,
  inTrialWorkshop,
  TRIAL_WORKSHOP,
  tick,
  trialFolder,
  trialPhoto,
  trialPiece,
  trialRestoration,
} from '../trial';
import {
  backUp,
  backupIsDue,
  backupLagDays,
  checkAll,
  copiesOfWorkshop,
  copyOfFolder,
  keepTheHouse,
  lookInto,
  mendAll,
  restore,
  sealBackups,
  setKeeping,
} from './keeping';

inTrialWorkshop();

beforeEach(async () => {
  await freshFolder();
  await saveWorkshop(TRIAL_WORKSHOP, tick());
});

const DAY_MS = 86_400_000;
const everything = async () => {
  const rows: Record<string, unknown[]> = {};
  for (const name of Object.keys(TABLES) as TableName[]) rows[name] = await findRows(name);
  const photos: Record<string, string> = {};
  for (const photo of await findRows('photos'))
    photos[photo.hash] = createHash('sha256')
      .update(await readFile(originalFile(photo)))
      .digest('hex');
  return { rows, photos };
};
/** But for the entry that tells of it. */
const butTheLog = ({ rows: { log, found_words: found, ...rows }, photos }: Awaited<ReturnType<typeof everything>>) => ({
  rows,
  found: found!.filter((one) => !(one as { words: string }).words.includes('was put back')),
  log: log!.filter((entry) => (entry as { kind: string }).kind !== 'backup'),
  photos,
});
const atWork = async () => {
  const piece = await trialPiece();
  const photo = await trialPhoto(piece.restorationId, 7);
  return { piece, photo };
};
const savedZip = async (passphrase = ''): Promise<string> => {
  const file = path.join(await trialFolder(), 'backup.zip');
  await writeDown(await backupZip('2026-06-21', passphrase, tick()), file);
  return file;
};
const zipped = (file: string, passphrase = '') => withZipped(file, passphrase, (source) => restore(source, tick()));

it('a backup in the folder is put back byte for byte, into the workshop as it ran on and into an empty one', async () => {
  await atWork();
  const before = await everything();
  const { id } = await backUp(tick());
  await addPerson('Ida', tick());
  await trialRestoration();
  const look = await lookInto(await copyOfFolder(id, ''));
  expect(look).toMatchObject({ photos: 1, missing: 0, gone: [expect.any(String)] });
  expect(look.newer).toBeGreaterThan(1);
  await restore(await copyOfFolder(id, ''), tick());
  expect(butTheLog(await everything())).toEqual(butTheLog(before));
  expect((await findRows('log', { kind: 'backup' }))[0]!.words).toMatch(/was put back/);
  // What was there before is a backup of its own.
  const [newest] = await copiesOfWorkshop();
  expect((await lookInto(await copyOfFolder(newest!.id, ''))).restorations).toHaveLength(2);
  const from = path.join(dataFolder(), 'backups');
  await freshFolder();
  await setKeeping(from, true);
  await restore(await copyOfFolder(id, ''), tick());
  expect(butTheLog(await everything())).toEqual(butTheLog(before));
});

it('is a copy of one instant, however much is written meanwhile', async () => {
  await atWork();
  let going = true;
  const writing = (async () => {
    for (let i = 0; going; i++) await addPerson(`Person ${i}`, tick());
  })();
  const copies = [await backUp(tick()), await backUp(tick())];
  going = false;
  await writing;
  for (const { id, mark } of copies) {
    const source = await copyOfFolder(id, '');
    // Each change writes its entry with it: as many people as entries that tell of them.
    expect(source.contents.mark).toBe(mark);
    expect(source.contents.rows.people).toBe(source.contents.rows.log! - 5);
  }
});

it('sealed it opens with its passphrase alone, and holds no word in the clear', async () => {
  const { photo } = await atWork();
  await sealBackups('three wet caps');
  const before = await everything();
  const { id } = await backUp(tick());
  await expect(copyOfFolder(id, '')).rejects.toThrow(/Type its passphrase/);
  await expect(copyOfFolder(id, 'three wet cups')).rejects.toThrow(/does not open it/);
  for (const name of await readdir(path.join(dataFolder(), 'backups'), { recursive: true })) {
    const file = path.join(dataFolder(), 'backups', name);
    if ((await stat(file)).isFile()) expect((await readFile(file)).includes('trial-7')).toBe(false);
  }
  await rm(originalFile(photo));
  await addPerson('Ida', tick());
  await restore(await copyOfFolder(id, 'three wet caps'), tick());
  expect(butTheLog(await everything())).toEqual(butTheLog(before));
  // Let lie open again, the sealed ones still open.
  await sealBackups(null);
  await backUp(tick());
  expect((await copyOfFolder(id, 'three wet caps')).contents.photos).toHaveLength(1);
});

it('a saved ZIP is put back, sealed or open; the passphrase is asked for', async () => {
  await atWork();
  const before = await everything();
  const [open, sealed] = [await savedZip(), await savedZip('grey drop')];
  for (const [file, passphrase] of [
    [open, ''],
    [sealed, 'grey drop'],
  ] as const) {
    await freshFolder();
    await zipped(file, passphrase);
    expect(butTheLog(await everything())).toEqual(butTheLog(before));
  }
  await expect(zipped(sealed)).rejects.toThrow(/sealed. Type its passphrase/);
  await expect(zipped(sealed, 'gray drop')).rejects.toThrow(/does not open it/);
});

it('cut short or with any byte changed it is refused with words, or nothing of it is different', async () => {
  await atWork();
  const before = butTheLog(await everything());
  const whole = await readFile(await savedZip());
  const sealed = await readFile(await savedZip('grey drop'));
  const tried = path.join(await trialFolder(), 'tried.zip');
  const put = async (bytes: Buffer, passphrase: string) => {
    await writeFile(tried, bytes);
    const refused = await zipped(tried, passphrase).catch((failure: unknown) => failure);
    if (refused !== undefined) {
      expect(refused).toBeInstanceOf(Refusal);
      expect((refused as Refusal).message).toMatch(/\. (Nothing|It was|Choose|Export|Use|Type|Start)/);
    }
    expect(butTheLog(await everything())).toEqual(before);
    // Nothing half done is left lying.
    expect(await readdir(path.join(dataFolder(), 'incoming'))).toEqual([]);
  };
  await fc.assert(
    fc.asyncProperty(
      fc.double({ min: 0, max: 0.9999, noNaN: true }),
      fc.integer({ min: 1, max: 255 }),
      fc.boolean(),
      async (at, by, isSealed) => {
        const bytes = Buffer.from(isSealed ? sealed : whole);
        const i = Math.floor(at * bytes.length);
        bytes[i] = bytes[i]! ^ by;
        await put(bytes, isSealed ? 'grey drop' : '');
      },
    ),
    { numRuns: 24 },
  );
  await fc.assert(
    fc.asyncProperty(fc.double({ min: 0, max: 0.9999, noNaN: true }), fc.boolean(), async (at, isSealed) => {
      const bytes = isSealed ? sealed : whole;
      await put(bytes.subarray(0, Math.floor(at * bytes.length)), isSealed ? 'grey drop' : '');
    }),
    { numRuns: 8 },
  );
});

describe('what is no backup of this Kvell', () => {
  /** A backup whose database somebody changed, with the sums to match. */
  const changed = async (
    statement: string,
    contents: Partial<BackupSource['contents']> = {},
  ): Promise<BackupSource> => {
    await atWork();
    const source = await copyOfFolder((await backUp(tick())).id, '');
    const file = path.join(await trialFolder(), 'kvell.sqlite');
    await writeDown(await source.database(), file);
    await new Promise<void>((resolve, reject) => {
      const opened = new sqlite3.Database(file);
      opened.exec(statement, (failure) => (failure ? reject(failure) : opened.close(() => resolve())));
    });
    const bytes = await readFile(file);
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    return {
      ...source,
      head: { ...source.head, database: { bytes: bytes.length, sha256 } },
      contents: { ...source.contents, ...contents },
      database: () => Promise.resolve(createReadStream(file)),
    };
  };
  it.each([
    [
      'a trigger of its own',
      'CREATE TRIGGER t AFTER INSERT ON log BEGIN DELETE FROM photos; END',
      /not built as Kvell builds one \(trigger t/,
    ],
    ['a table less', 'DROP TABLE printers', /not built as Kvell builds one \(table printers/],
    [
      'a row that names nothing',
      `PRAGMA foreign_keys = OFF; UPDATE pieces SET restorationId = '00000000-0000-4000-8000-000000000000'`,
      /names a row of restorations/,
    ],
    [
      'a word where a number stands',
      `UPDATE workshop SET altitudeM = 'high'`,
      /another type than Kvell writes there \(workshop, row 1, altitudeM\)/,
    ],
    [
      'half a JSON',
      `UPDATE workshop SET hours = '[1,'`,
      /another type than Kvell writes there \(workshop, row 1, hours\)/,
    ],
    [
      'bytes for words',
      `UPDATE pieces SET name = zeroblob(9)`,
      /another type than Kvell writes there \(pieces, row 1, name\)/,
    ],
  ])('%s is refused, and nothing changes', async (_, statement, words) => {
    const source = await changed(statement);
    const before = await everything();
    await expect(restore(source, tick())).rejects.toThrow(words);
    expect(await everything()).toEqual(before);
    expect(await readdir(dataFolder())).not.toContain('restoring');
  });

  it('one of a later Kvell is named as that', async () => {
    const later = await changed(`INSERT INTO migrations (name) VALUES ('9999-later')`, { migration: '9999-later' });
    await expect(restore(later, tick())).rejects.toThrow(/made by a later Kvell.*9999-later/);
  });

  it('its head and contents are held against what they have to say', async () => {
    await atWork();
    const { id } = await backUp(tick());
    const folder = path.join(dataFolder(), 'backups', 'copies', id);
    const head = await readFile(path.join(folder, 'backup.json'), 'utf8');
    const contents = await readFile(path.join(folder, 'contents.json'), 'utf8');
    const poisons: unknown[] = [null, -1, 'x'.repeat(2000), [], { a: 1 }, Number.MAX_VALUE, true];
    for (const [name, text] of [
      ['backup.json', head],
      ['contents.json', contents],
    ] as const) {
      const whole = JSON.parse(text) as Record<string, unknown>;
      for (const field of Object.keys(whole))
        for (const poison of poisons) {
          if (JSON.stringify(whole[field]) === JSON.stringify(poison)) continue;
          await writeFile(path.join(folder, name), JSON.stringify({ ...whole, [field]: poison }));
          const wrong = await copyOfFolder(id, '').then(
            (source) =>
              restore(source, tick()).then(
                () => null,
                (failure: unknown) => failure,
              ),
            (failure: unknown) => failure,
          );
          if (wrong !== null) expect(wrong).toBeInstanceOf(Refusal);
          expect(await findRows('restorations')).toHaveLength(1);
        }
      await writeFile(path.join(folder, name), text);
    }
    await writeFile(path.join(folder, 'backup.json'), head.replace(/"version": \d+/, '"version": 99'));
    await expect(copyOfFolder(id, '')).rejects.toThrow(/made by a later Kvell/);
  });
});

it('two at once: the second is told to wait', async () => {
  await atWork();
  const { id } = await backUp(tick());
  const [a, b] = [await copyOfFolder(id, ''), await copyOfFolder(id, '')];
  const done = await Promise.allSettled([restore(a, tick()), restore(b, tick())]);
  expect(done.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  expect((done.find(({ status }) => status === 'rejected') as PromiseRejectedResult).reason).toMatchObject({
    message: expect.stringMatching(/being put back just now/) as string,
  });
});

it('a folder that another program has open is left alone', async () => {
  await atWork();
  const { id } = await backUp(tick());
  await addPerson('Ida', tick());
  const other = await new Promise<sqlite3.Database>((resolve) => {
    const opened = new sqlite3.Database(path.join(dataFolder(), 'kvell.sqlite'), () => resolve(opened));
  });
  await new Promise<void>((resolve) => other.all('SELECT COUNT(*) FROM log', () => resolve()));
  await expect(restore(await copyOfFolder(id, ''), tick())).rejects.toThrow(
    /Another program has this workshop’s database open/,
  );
  expect(await findRows('people')).toHaveLength(1);
  await new Promise<void>((resolve) => other.close(() => resolve()));
  await restore(await copyOfFolder(id, ''), tick());
  expect(await findRows('people')).toEqual([]);
});

it('whoever reads and writes while a backup is put back gets an answer, before or after', async () => {
  await atWork();
  const { id } = await backUp(tick());
  let going = true;
  const reading = (async () => {
    while (going) expect((await findRows('restorations')).length).toBeGreaterThan(0);
  })();
  // Several at once: some of them wait in line when the copy takes its place.
  const writing = [1, 2, 3, 4, 5, 6].map(async (device) => {
    for (let i = 0; going; i++) await addPerson(`Person ${device} ${i}`, tick());
  });
  await restore(await copyOfFolder(id, ''), tick());
  going = false;
  await Promise.all([reading, ...writing]);
});

it('a plug pulled at any step of the swap leaves the one or the other, whole', async () => {
  await atWork();
  await closeDatabase();
  const folder = dataFolder();
  const old = await readFile(path.join(folder, 'kvell.sqlite'));
  const aside = path.join(folder, 'replaced', 'x');
  // Nobody makes it ready any more: it goes.
  const stage = (await makeStage(folder))!;
  await writeFile(path.join(stage, 'kvell.sqlite'), 'new');
  await writeFile(path.join(stage, 'by.json'), JSON.stringify({ pid: 2 ** 30 }));
  await finishSwap(folder);
  expect(await readFile(path.join(folder, 'kvell.sqlite'))).toEqual(old);
  // Ready, and nothing moved yet; and ready with the old one moved already.
  for (const isMoved of [false, true]) {
    await writeFile(path.join(folder, 'kvell.sqlite'), old);
    const again = (await makeStage(folder))!;
    await writeFile(path.join(again, 'kvell.sqlite'), 'new');
    await stageIsReady(folder, aside);
    if (isMoved) await rm(path.join(folder, 'kvell.sqlite'));
    await finishSwap(folder);
    expect(await readFile(path.join(folder, 'kvell.sqlite'), 'utf8')).toBe('new');
    expect(await readdir(folder)).not.toContain('restoring');
  }
  // Swapped, and only the stage left.
  const last = (await makeStage(folder))!;
  await stageIsReady(folder, aside);
  await finishSwap(folder);
  expect(await readFile(path.join(folder, 'kvell.sqlite'), 'utf8')).toBe('new');
  expect(await stat(last).catch(() => null)).toBeNull();
  await dropStage(folder);
});

describe('when a backup is due', () => {
  it('once a day where something was written, and not while the last try has just failed', async () => {
    await freshFolder();
    expect(await backupIsDue(tick())).toBe(false);
    await atWork();
    const now = tick();
    expect(await backupIsDue(now)).toBe(true);
    await backUp(now);
    const tomorrow = new Date(now.getTime() + DAY_MS);
    expect(await backupIsDue(tomorrow)).toBe(false);
    await addPerson('Ida', tick());
    expect(await backupIsDue(tick())).toBe(false);
    expect(await backupIsDue(tomorrow)).toBe(true);
    await setKeeping(null, false);
    expect(await backupIsDue(tomorrow)).toBe(false);
  });

  it('says why it failed, tries again an hour later, and makes it beside what is asked', async () => {
    await atWork();
    await mkdir(dataFolder(), { recursive: true });
    await writeFile(path.join(dataFolder(), 'in-the-way'), '');
    await expect(setKeeping(path.join(dataFolder(), 'in-the-way'), true)).rejects.toThrow(
      /Nothing can be written there/,
    );
    await expect(setKeeping('backups', true)).rejects.toThrow(/whole path/);
    await setKeeping(path.join(dataFolder(), 'elsewhere'), true);
    await rm(path.join(dataFolder(), 'elsewhere'), { recursive: true });
    await writeFile(path.join(dataFolder(), 'elsewhere'), '');
    const now = tick();
    await expect(backUp(now)).rejects.toThrow();
    expect((await keepingState()).failed).toMatchObject({ at: now.toISOString() });
    expect(await backupIsDue(new Date(now.getTime() + DAY_MS / 25))).toBe(false);
    expect(await backupIsDue(new Date(now.getTime() + DAY_MS / 23))).toBe(true);
    await rm(path.join(dataFolder(), 'elsewhere'));
    const later = new Date(now.getTime() + DAY_MS / 23);
    await keepTheHouse(later);
    expect(await keepingState()).toMatchObject({ failed: null, last: { at: later.toISOString() } });
    expect(backupFolder(await keepingState())).toBe(path.join(dataFolder(), 'elsewhere'));
  });

  it('reads each photograph of the folder again once in thirty days, and writes anew what its disk forgot', async () => {
    const { photo } = await atWork();
    const first = tick();
    await backUp(first);
    const file = path.join(backupFolder(await keepingState()), 'photos', `${photo.hash}.${photo.extension}`);
    const whole = await readFile(file);
    const forgotten = Buffer.from(whole);
    forgotten[40]! ^= 1;
    await writeFile(file, forgotten);
    const after = (days: number) => new Date(first.getTime() + days * DAY_MS);
    const due = Array.from({ length: 30 }, (_, i) => i + 1).filter((days) =>
      isReadAgain(photo.hash, after(days).toISOString().slice(0, 10)),
    );
    expect(due.length).toBe(1);
    await backUp(after(due[0]! + 1));
    expect(await readFile(file)).toEqual(forgotten);
    await backUp(after(due[0]! + 30));
    expect(await readFile(file)).toEqual(whole);
  });

  it('two devices that say something of it at once both stand', async () => {
    await atWork();
    const folder = path.join(dataFolder(), 'elsewhere');
    await Promise.all([setKeeping(folder, false), sealBackups('seven grey caps'), setKeeping(folder, false)]);
    expect(await keepingState()).toMatchObject({
      folder,
      daily: false,
      seal: { recipient: expect.any(String) as string },
    });
  });

  it('lags behind since the last one, or since the first change; not at all where nothing was written', async () => {
    await freshFolder();
    expect(await backupLagDays(tick())).toBeNull();
    await atWork();
    const now = tick();
    expect(await backupLagDays(new Date(now.getTime() + 3 * DAY_MS))).toBeCloseTo(3, 1);
    await backUp(now);
    expect(await backupLagDays(new Date(now.getTime() + 20 * DAY_MS))).toBeNull();
    await addPerson('Ida', tick());
    expect(await backupLagDays(new Date(now.getTime() + 20 * DAY_MS))).toBeCloseTo(20, 1);
  });
});

it('after one was put back, as many entries again are not taken for those that are in a backup', async () => {
  await atWork();
  const { id } = await backUp(tick());
  await addPerson('Ida', tick());
  await addPerson('Ole', tick());
  await restore(await copyOfFolder(id, ''), tick());
  const before = (await keepingState()).last!.mark;
  while ((await logMark()) < before) await addPerson(`Again ${await logMark()}`, tick());
  expect(await logMark()).toBe(before);
  expect(await backupLagDays(tick())).not.toBeNull();
});

it('what a crash left half made in the folder goes with the next backup; one that cannot be read keeps every photograph', async () => {
  const { photo } = await atWork();
  const { id } = await backUp(tick());
  const folder = path.join(dataFolder(), 'backups');
  await mkdir(path.join(folder, 'copies', `${id}x.part`));
  await writeFile(path.join(folder, 'photos', `x.jpg.${2 ** 30}.y.part`), 'half');
  await writeFile(path.join(folder, 'copies', id, 'contents.json'), '{');
  const now = tick();
  for (let day = 1; day <= 9; day++) {
    await addPerson(`Person ${day}`, tick());
    await backUp(new Date(now.getTime() + day * DAY_MS));
  }
  expect((await readdir(folder, { recursive: true })).filter((name) => name.endsWith('.part'))).toEqual([]);
  expect(await readdir(path.join(folder, 'photos'))).toEqual([`${photo.hash}.jpg`]);
  expect((await keepingState()).failed).toBeNull();
});

it('old backups go by the rule, and photographs that are in none of those that stay', async () => {
  const { photo } = await atWork();
  await backUp(tick());
  const now = tick();
  await rm(originalFile(photo));
  const { sequelize } = await database();
  await sequelize.query('PRAGMA foreign_keys = OFF');
  for (let day = 1; day <= 9; day++) await backUp(new Date(now.getTime() + day * DAY_MS));
  const days = (await copiesOfWorkshop()).map(({ day }) => day);
  expect(new Set(days).size).toBe(days.length);
  expect(days.length).toBeGreaterThanOrEqual(7);
  expect(days.length).toBeLessThan(10);
});

describe('the house, looked over', () => {
  it('is sound, and says how much it looked at', async () => {
    await atWork();
    expect(await checkAll()).toMatchObject({ photos: 1, wrong: [] });
    expect((await mendAll(tick())).length).toBe(0);
  });

  it('names what is gone, changed, half written or spoken of by nothing; mends from the backup, and throws nothing away', async () => {
    const { piece, photo } = await atWork();
    const other = await trialPhoto(piece.restorationId, 9);
    await backUp(tick());
    const never = await trialPhoto(piece.restorationId, 11);
    await rm(originalFile(photo));
    await appendFile(originalFile(other), 'x');
    await rm(originalFile(never));
    const stray = path.join(dataFolder(), 'photos', 'ab', `${'ab'.repeat(32)}.jpg`);
    await mkdir(path.dirname(stray), { recursive: true });
    await writeFile(stray, 'stray');
    await writeFile(`${stray}.${2 ** 30}.x.part`, 'half');
    const { wrong } = await checkAll();
    expect(wrong.map(({ kind }) => kind).sort()).toEqual([
      'half written',
      'no row',
      'photo changed',
      'photo missing',
      'photo missing',
    ]);
    const mended = await mendAll(tick());
    expect(mended.map((one) => one.mended).sort()).toEqual([
      'brought back',
      'brought back',
      'put aside',
      'stays',
      'taken away',
    ]);
    expect((await checkAll()).wrong).toMatchObject([{ kind: 'photo missing', names: ['trial-11.jpg'] }]);
    expect(await readFile(path.join(dataFolder(), 'lost-and-found', path.basename(stray)), 'utf8')).toBe('stray');
    expect((await findRows('log', { kind: 'check' }))[0]!.words).toMatch(/2 photographs brought back/);
  });

  it('a photograph that was taken back is no stray: it is in the backup, and can be brought back', async () => {
    const { photo } = await atWork();
    await takeThingBack('photograph', photo.id, tick());
    expect((await checkAll()).wrong).toEqual([]);
    expect((await copyOfFolder((await backUp(tick())).id, '')).contents.photos).toMatchObject([{ hash: photo.hash }]);
  });

  it('a backup made while a photograph is changed on the disk leaves that one out and says so', async () => {
    const { photo } = await atWork();
    await appendFile(originalFile(photo), 'x');
    const { id } = await backUp(tick());
    expect((await copyOfFolder(id, '')).contents).toMatchObject({ photos: [], missing: [photo.hash] });
  });
});
