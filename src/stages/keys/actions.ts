'use server';

import { blockOf, namedInRows } from '@/core/keyboard/layout';
import type { Answer } from '@/edge/answer';
import type { KeyPracticeRow } from '@/data/rows';
import { write, type Given } from '@/edge/write';
import {
  addKeyboard,
  addReading,
  drawKey,
  dropKey,
  guessBoard,
  halveKey,
  layInRow,
  layLine,
  learnCodes,
  makeOne,
} from '@/work/keys/boards';
import { drawFromPicture, keepCount, markPicture, setCaps } from '@/work/keys/caps';
import { beginRepair, endRepair, keepLimits, keepMeasures, letDry } from '@/work/keys/repairs';
import { answerPractice } from '@/work/keys/practice';
import { beginTest, endTest, reopenTest, seeKeys } from '@/work/keys/tests';
import { boardFromFile } from './file';
import {
  answerSchema,
  beginSchema,
  capsSchema,
  countSchema,
  marksSchema,
  measureSchema,
  pictureSchema,
  practiceSchema,
  repairSchema,
  codesFormSchema,
  endSchema,
  blockSchema,
  fileSchema,
  idSchema,
  keyOfSchema,
  keySchema,
  limitsSchema,
  splitSchema,
  togetherSchema,
  lineSchema,
  readingSchema,
  seenSchema,
} from './schema';

/** A keyboard drawn from a plain block. */
export async function drawFromBlock(given: Given): Promise<Answer<string>> {
  return write(blockSchema, given, ({ restorationId, name, kind, block, across, down }, now) =>
    addKeyboard(restorationId, { name, kind, ...blockOf(block, across, down), lines: [] }, now),
  );
}

/** A keyboard out of a file. */
export async function drawFromFile(given: Given): Promise<Answer<string>> {
  return write(fileSchema, given, ({ restorationId, name, text }, now) =>
    addKeyboard(restorationId, boardFromFile(text, name), now),
  );
}

export async function saveKey(given: Given): Promise<Answer<void>> {
  return write(keySchema, given, ({ keyboardId, was, ...key }, now) => drawKey(keyboardId, was || null, key, now));
}

export async function removeKey(given: Given): Promise<Answer<void>> {
  return write(keyOfSchema, given, ({ keyboardId, key }, now) => dropKey(keyboardId, key, now));
}

export async function splitTheKey(given: Given): Promise<Answer<void>> {
  return write(splitSchema, given, ({ keyboardId, key, second }, now) => halveKey(keyboardId, key, second, now));
}

/** Keys that are one. */
export async function joinTheKeys(given: Given): Promise<Answer<void>> {
  return write(togetherSchema, given, ({ keyboardId, keys }, now) => makeOne(keyboardId, keys, now));
}

/** Keys that stand in one row. */
export async function alignTheKeys(given: Given): Promise<Answer<void>> {
  return write(togetherSchema, given, ({ keyboardId, keys }, now) => layInRow(keyboardId, keys, now));
}

export async function guessTheLines(keyboardId: string): Promise<Answer<void>> {
  return write(idSchema, { id: keyboardId }, ({ id }, now) => guessBoard(id, now));
}

export async function saveLine(given: Given): Promise<Answer<void>> {
  return write(lineSchema, given, ({ keyboardId, ...line }, now) => layLine(keyboardId, line, now));
}

export async function startTest(given: Given): Promise<Answer<string>> {
  return write(beginSchema, given, ({ keyboardId, phase }, now) => beginTest(keyboardId, phase, now));
}

export async function sawKeys(given: Given): Promise<Answer<void>> {
  return write(seenSchema, given, ({ testId, keys, seen }, now) => seeKeys(testId, keys, seen, now));
}

export async function finishTest(given: Given): Promise<Answer<void>> {
  return write(endSchema, given, ({ testId, heard, together }, now) => endTest(testId, heard, together, now));
}

/** Which event belongs to which key. */
export async function keepCodes(given: Given): Promise<Answer<void>> {
  return write(codesFormSchema, given, ({ keyboardId, codes }, now) => learnCodes(keyboardId, codes, now));
}

export async function openTestAgain(testId: string): Promise<Answer<void>> {
  return write(idSchema, { id: testId }, ({ id }, now) => reopenTest(id, now));
}

export async function keepReading(given: Given): Promise<Answer<void>> {
  return write(readingSchema, given, ({ keyboardId, line, from, to, ohms }, now) =>
    addReading(keyboardId, { line, from, to, ohms }, now),
  );
}

/** A keyboard as it was found on its photograph. */
export async function drawFromPhoto(given: Given): Promise<Answer<string>> {
  return write(pictureSchema, given, ({ restorationId, name, kind, widthMm, heightMm, photoId, corners, keys }, now) =>
    drawFromPicture(
      restorationId,
      { name, kind, widthMm, heightMm, keys: namedInRows(keys), lines: [] },
      { photoId, corners },
      now,
    ),
  );
}

export async function markThePicture(given: Given): Promise<Answer<string>> {
  return write(marksSchema, given, ({ keyboardId, photoId, corners }, now) =>
    markPicture(keyboardId, photoId, corners, now),
  );
}

export async function sayCaps(given: Given): Promise<Answer<void>> {
  return write(capsSchema, given, ({ keyboardId, keys, unseen, ...to }, now) =>
    setCaps(keyboardId, keys, to, unseen, now),
  );
}

export async function keepTheCount(given: Given): Promise<Answer<void>> {
  return write(countSchema, given, ({ keyboardId, ...count }, now) => keepCount(keyboardId, count, now));
}

export async function keepMeasure(given: Given): Promise<Answer<void>> {
  return write(measureSchema, given, ({ keyboardId, what, key, value }, now) =>
    keepMeasures(keyboardId, what, { [key]: value }, now),
  );
}

/** Own limits of the contacts of a kind of keyboard. */
export async function saveLimits(given: Given): Promise<Answer<void>> {
  return write(limitsSchema, given, ({ kind, ...limits }, now) => keepLimits(kind, limits, now));
}

export async function startRepair(given: Given): Promise<Answer<string>> {
  return write(repairSchema, given, ({ keyboardId, way, fault, keys, ohms }, now) =>
    beginRepair(keyboardId, { way, fault, keys, ohmsBefore: ohms }, now),
  );
}

export async function startDrying(repairId: string): Promise<Answer<void>> {
  return write(idSchema, { id: repairId }, ({ id }, now) => letDry(id, now));
}

export async function answerRepair(given: Given): Promise<Answer<void>> {
  return write(answerSchema, given, ({ repairId, outcome, ohmsBefore, ohms, words }, now) =>
    endRepair(repairId, outcome, { before: ohmsBefore, after: ohms }, words, now),
  );
}

/** The answer to a practice board, held against Kvell’s own way. */
export async function answerThePractice(given: Given): Promise<Answer<KeyPracticeRow>> {
  return write(practiceSchema, given, (answered, now) => answerPractice(answered, now));
}
