'use server';

import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { beginRung, endRung, endRust, keepRustShare, readOhm, tellRust } from '@/work/finish/rust';
import { addCoat, endCoating, layCoat, planCoating, sayCoatSheet, unlayCoat } from '@/work/finish/coats';
import { addArea, addHaze, addLostMark, addOrigin, reopenLostMark, settleLostMark } from '@/work/finish/lastly';
import {
  areaSchema,
  coatingEndSchema,
  coatingSchema,
  coatSheetSchema,
  hazeSchema,
  layCoatSchema,
  lostAgainSchema,
  lostSchema,
  moreCoatSchema,
  offSchema,
  ohmSchema,
  originSchema,
  rungEndSchema,
  rungSchema,
  rustEndSchema,
  settleLostSchema,
  shareSchema,
  tellSchema,
} from './schema';

/** Keeps what a rusted place is like. */
export async function keepRust(given: Given): Promise<Answer<string>> {
  return write(tellSchema, given, tellRust);
}

export async function startRung(given: Given): Promise<Answer<void>> {
  return write(rungSchema, given, beginRung);
}

export async function answerRung(given: Given): Promise<Answer<void>> {
  return write(rungEndSchema, given, endRung);
}

/** Keeps how much of a face is rusty on a photograph. */
export async function keepShare(given: Given): Promise<Answer<string>> {
  return write(shareSchema, given, keepRustShare);
}

/** Keeps a reading from land to land. */
export async function keepOhm(given: Given): Promise<Answer<void>> {
  return write(ohmSchema, given, readOhm);
}

export async function answerRust(given: Given): Promise<Answer<void>> {
  return write(rustEndSchema, given, endRust);
}

/** Plans what is to be coated. */
export async function keepCoating(given: Given): Promise<Answer<string>> {
  return write(coatingSchema, given, planCoating);
}

/** Lays the next coat, by what the meters read. */
export async function layNext(given: Given): Promise<Answer<void>> {
  return write(layCoatSchema, given, ({ jobId, airDrawn, tested, covered, stockId, words, ...readings }, now) =>
    layCoat({ jobId, airDrawn, tested, covered, stockId, words, readings }, now),
  );
}

export async function oneMore(given: Given): Promise<Answer<void>> {
  return write(moreCoatSchema, given, addCoat);
}

/** A coat is off again, or was not laid. */
export async function takeOffCoat(given: Given): Promise<Answer<void>> {
  return write(offSchema, given, ({ coatId, words }, now) => unlayCoat(coatId, words, now));
}

export async function coated(given: Given): Promise<Answer<void>> {
  return write(coatingEndSchema, given, ({ jobId }, now) => endCoating(jobId, now));
}

/** What the product of one coat asks. */
export async function keepCoatSheet(given: Given): Promise<Answer<void>> {
  return write(coatSheetSchema, given, sayCoatSheet);
}

/** Keeps an outline on a photograph. */
export async function keepArea(given: Given): Promise<Answer<string>> {
  return write(areaSchema, given, addArea);
}

/** Keeps what somebody says of how original a part is. */
export async function keepOrigin(given: Given): Promise<Answer<string>> {
  return write(originSchema, given, ({ percent, ...origin }, now) =>
    addOrigin({ ...origin, share: percent === null ? null : percent / 100 }, now),
  );
}

/** Keeps a mark that is worn off. */
export async function keepLostMark(given: Given): Promise<Answer<string>> {
  return write(lostSchema, given, addLostMark);
}

export async function settleLost(given: Given): Promise<Answer<void>> {
  return write(settleLostSchema, given, settleLostMark);
}

/** Opens a lost mark again. */
export async function lostAgain(given: Given): Promise<Answer<void>> {
  return write(lostAgainSchema, given, ({ lostMarkId }, now) => reopenLostMark(lostMarkId, now));
}

/** Keeps a haze that the worker read. */
export async function keepHaze(given: Given): Promise<Answer<string>> {
  return write(hazeSchema, given, addHaze);
}
