'use server';

import {
  addBlock,
  addConnection,
  addLot,
  addTray,
  forgetStep,
  laidAside,
  pinStep,
  recount,
  removeBlock,
  stepIsPiece,
  takeOff,
} from '@/work/teardown';
import type { Answer } from '@/edge/answer';
import { blockSchema } from '@/edge/blockSchema';
import { write, type Given } from '@/edge/write';
import {
  asideSchema,
  connectionSchema,
  idSchema,
  lotSchema,
  pinSchema,
  recountSchema,
  stepPieceSchema,
  stepSchema,
  traySchema,
} from './schema';

/** The next thing off. */
export async function takeStepOff(given: Given): Promise<Answer<string>> {
  return write(stepSchema, given, async (step, now) => (await takeOff(step, now)).id);
}

/** Something that was off before the teardown began. */
export async function addLaidAside(given: Given): Promise<Answer<void>> {
  return write(asideSchema, given, async (thing, now) => {
    await laidAside(thing, now);
  });
}

/** Which tagged piece a step is. */
export async function setPieceOfStep(given: Given): Promise<Answer<void>> {
  return write(stepPieceSchema, given, ({ stepId, pieceId }, now) => stepIsPiece(stepId, pieceId, now));
}

/** A step that was written by mistake. */
export async function removeStep(stepId: string): Promise<Answer<void>> {
  return write(idSchema, { id: stepId }, ({ id }, now) => forgetStep(id, now));
}

/** Fasteners that came out of a step. */
export async function putIntoTray(given: Given): Promise<Answer<void>> {
  return write(lotSchema, given, async ({ stepId, deepestMm, ...lot }, now) => {
    await addLot(stepId, lot, deepestMm, now);
  });
}

/** Counts a lot up or down. */
export async function recountFasteners(lotId: string, to: number): Promise<Answer<void>> {
  return write(recountSchema, { lotId, count: to }, (lot, now) => recount(lot.lotId, lot.count, now));
}

/** A plug, ribbon, wire pair or soldered joint that was undone. */
export async function addUndone(given: Given): Promise<Answer<void>> {
  return write(connectionSchema, given, async (connection, now) => {
    await addConnection(connection, now);
  });
}

/** One thing must be on before another. */
export async function addOrder(given: Given): Promise<Answer<void>> {
  return write(blockSchema, given, ({ firstId, thenId, why }, now) => addBlock(firstId, thenId, why, now));
}

export async function removeOrder(blockId: string): Promise<Answer<void>> {
  return write(idSchema, { id: blockId }, ({ id }, now) => removeBlock(id, now));
}

/** Photograph of a step and where its fasteners sat. */
export async function pinFasteners(given: Given): Promise<Answer<void>> {
  return write(pinSchema, given, ({ stepId, photoId, pins }, now) => pinStep(stepId, photoId, pins, now));
}

/** A sorting tray of the workshop. */
export async function addSortingTray(given: Given): Promise<Answer<void>> {
  return write(traySchema, given, (tray, now) => addTray(tray, now));
}
