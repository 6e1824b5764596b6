'use server';

import Joi from 'joi';
import type { GoodCopy } from '@/data/keeping/state';
import { answer, type Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import {
  backUp,
  checkAll,
  copyOfFolder,
  lookInto,
  mendAll,
  restore,
  sealBackups,
  setKeeping,
  type BackupLook,
} from '@/work/keeping/keeping';
import { houseWords, mendedWords } from './keepingWords';
import { askToSave } from './saving';
import { copySchema, keepingSchema, saveSchema, sealSchema } from './schema';

const nothing = Joi.object({});

/** Makes a backup in the folder of the workshop. */
export async function makeBackup(): Promise<Answer<GoodCopy>> {
  return write(nothing, {}, (_, now) => backUp(now));
}

/** Says where backups go, and whether one is made each day. */
export async function saveKeeping(given: Given): Promise<Answer<void>> {
  return write(keepingSchema, { ...given, once: '' }, ({ folder, daily }) =>
    setKeeping(folder === '' ? null : folder, daily),
  );
}

/** Seals backups from now on. */
export async function sealThem(given: Given): Promise<Answer<void>> {
  return write(sealSchema, { ...given, once: '' }, ({ passphrase }) => sealBackups(passphrase));
}

/** Lets backups lie open from now on. */
export async function letThemLieOpen(): Promise<Answer<void>> {
  return write(nothing, {}, () => sealBackups(null));
}

/** Where a backup of the whole workshop is fetched from, sealed with a passphrase where one is given. */
export async function saveAsFile(given: Given): Promise<Answer<string>> {
  return answer(saveSchema, { ...given, once: '' }, ({ passphrase }, now) =>
    Promise.resolve(`/api/workshop/backup?asked=${askToSave(passphrase, now)}`),
  );
}

/** What is in a backup of the folder, beside what is here. */
export async function lookIntoCopy(id: string, passphrase: string): Promise<Answer<BackupLook>> {
  return answer(copySchema, { id, passphrase }, async (copy) => lookInto(await copyOfFolder(copy.id, copy.passphrase)));
}

/** Puts a backup of the folder in the place of everything that is here. */
export async function putCopyBack(id: string, passphrase: string): Promise<Answer<void>> {
  return write(copySchema, { id, passphrase }, async (copy, now) =>
    restore(await copyOfFolder(copy.id, copy.passphrase), now),
  );
}

/** Looks over everything that is kept. */
export async function lookHouseOver(): Promise<Answer<{ words: string; lines: string[]; mendable: boolean }>> {
  return answer(nothing, {}, async () => houseWords(await checkAll()));
}

/** Mends what can be mended. */
export async function mendTheHouse(): Promise<Answer<string[]>> {
  return write(nothing, {}, async (_, now) => mendedWords(await mendAll(now)));
}
