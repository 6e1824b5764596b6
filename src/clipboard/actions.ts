'use server';

import { minorUnits } from '@/core/ledger/money';
import {
  changeFinding,
  closeUp,
  addFinding as keepFinding,
  pinFinding,
  settleFinding,
  unsettleFinding,
} from '@/work/findings';
import { addLedgerEntry, correctMinutes } from '@/work/ledger';
import { dropLesson, keepLesson, sayItHeld } from '@/work/lessons';
import { writeNote } from '@/work/notes';
import { needRow } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { write, writeOver, type Given } from '@/edge/write';
import { findingDrawn } from './drawn';
import {
  closeUpSchema,
  dropRuleSchema,
  findingIdSchema,
  findingSchema,
  heldSchema,
  materialSchema,
  minutesRightSchema,
  minutesSchema,
  movePinSchema,
  noteSchema,
  rewordSchema,
  ruleSchema,
  settleFindingSchema,
} from './schema';

/** Writes an own note into the log, or a new wording of an earlier one. */
export async function writeDown(given: Given): Promise<Answer<void>> {
  return write(noteSchema, given, (note, now) => writeNote(note, now));
}

/** Minutes of own work. */
export async function addMinutes(given: Given): Promise<Answer<void>> {
  return write(minutesSchema, given, (entry, now) =>
    addLedgerEntry({ ...entry, kind: 'minutes', amountMinor: 0 }, now),
  );
}

/** Puts minutes right that were typed or booked wrongly. */
export async function rightMinutes(given: Given): Promise<Answer<void>> {
  return write(minutesRightSchema, given, ({ entryId, minutes, words }, now) =>
    correctMinutes(entryId, minutes, words, now),
  );
}

/** Material used, with what it cost. */
export async function addMaterial(given: Given): Promise<Answer<void>> {
  return write(materialSchema, given, async ({ cost, ...entry }, now) => {
    const { currency } = await getWorkshop();
    await addLedgerEntry({ ...entry, kind: 'material', amountMinor: minorUnits(cost, currency), minutes: 0 }, now);
  });
}

/** A finding: what is wrong, or worth keeping. */
export async function addFinding(given: Given): Promise<Answer<string>> {
  return write(findingSchema, given, async (finding, now) => (await keepFinding(finding, now)).id);
}

/** Puts a finding right. */
export async function rewordFinding(given: Given): Promise<Answer<void>> {
  const stands = async ({ findingId }: { findingId: string }) => findingDrawn(await needRow('findings', findingId));
  return writeOver(rewordSchema, given, stands, ({ findingId, ...changes }, now) =>
    changeFinding(findingId, changes, now),
  );
}

/** Moves the pin of a finding. */
export async function movePin(given: Given): Promise<Answer<void>> {
  return write(movePinSchema, given, ({ findingId, photoId, pin }, now) => pinFinding(findingId, photoId, pin, now));
}

/** Closes a finding. */
export async function closeFinding(given: Given): Promise<Answer<void>> {
  return write(settleFindingSchema, given, ({ findingId, settledAs, settledWords }, now) =>
    settleFinding(findingId, settledAs, settledWords, now),
  );
}

/** Opens a closed finding again. */
export async function reopenFinding(findingId: string): Promise<Answer<void>> {
  return write(findingIdSchema, { findingId }, (given, now) => unsettleFinding(given.findingId, now));
}

/** Puts a close-up to a finding. */
export async function addCloseUp(given: Given): Promise<Answer<void>> {
  return write(closeUpSchema, given, ({ findingId, photoId }, now) => closeUp(findingId, photoId, now));
}

/** Keeps what went wrong or well as a rule for the next machine. */
export async function keepRule(given: Given): Promise<Answer<void>> {
  return write(ruleSchema, given, (rule, now) => keepLesson(rule, now));
}

/** Says whether a rule held on this machine. */
export async function ruleHeld(given: Given): Promise<Answer<void>> {
  return write(heldSchema, given, ({ lessonId, restorationId, held }, now) =>
    sayItHeld(lessonId, restorationId, held, now),
  );
}

/** Lets a rule go, or brings it back. */
export async function dropRule(given: Given): Promise<Answer<void>> {
  return write(dropRuleSchema, given, ({ lessonId, again }, now) => dropLesson(lessonId, again, now));
}
