'use server';

import { blockOf } from '@/core/keyboard/layout';
import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { addKeyboard, addReading, drawKey, dropKey, guessBoard, layLine, learnCodes } from '@/work/keys/boards';
import { beginTest, endTest, reopenTest, seeKeys } from '@/work/keys/tests';
import { boardFromFile } from './file';
import {
  beginSchema,
  codesFormSchema,
  endSchema,
  blockSchema,
  fileSchema,
  idSchema,
  keyOfSchema,
  keySchema,
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
  return write(endSchema, given, ({ testId, heard }, now) => endTest(testId, heard, now));
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
