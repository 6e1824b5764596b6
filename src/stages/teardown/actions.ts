'use server';

import { addBlock, addConnection, addLot, addTray, forgetStep, pinStep, recount, removeBlock, takeOff } from '@/data/teardown';
import type { Answer } from '@/edge/answer';
import { blockSchema } from '@/edge/blockSchema';
import { write, type Given } from '@/edge/write';
import { connectionSchema, idSchema, lotSchema, pinSchema, recountSchema, stepSchema, traySchema } from './schema';

/** The next thing off. */
export async function off(given: Given): Promise<Answer<string>> {
  return write(stepSchema, given, async (step) => (await takeOff(step)).id);
}

/** A step that was written by mistake. */
export async function forget(stepId: string): Promise<Answer<void>> {
  return write(idSchema, { id: stepId }, ({ id }) => forgetStep(id));
}

/** Fasteners that came out of a step. */
export async function putIntoTray(given: Given): Promise<Answer<void>> {
  return write(lotSchema, given, async ({ stepId, deepestMm, ...lot }) => {
    await addLot(stepId, lot, deepestMm);
  });
}

/** Counts a lot up or down. */
export async function count(lotId: string, to: number): Promise<Answer<void>> {
  return write(recountSchema, { lotId, count: to }, (lot) => recount(lot.lotId, lot.count));
}

/** A plug, ribbon, wire pair or soldered joint that was undone. */
export async function undo(given: Given): Promise<Answer<void>> {
  return write(connectionSchema, given, async (connection) => {
    await addConnection(connection);
  });
}

/** One thing must be on before another. */
export async function block(given: Given): Promise<Answer<void>> {
  return write(blockSchema, given, ({ firstId, thenId, why }) => addBlock(firstId, thenId, why));
}

export async function unblock(blockId: string): Promise<Answer<void>> {
  return write(idSchema, { id: blockId }, ({ id }) => removeBlock(id));
}

/** Photograph of a step and where its fasteners sat. */
export async function pin(given: Given): Promise<Answer<void>> {
  return write(pinSchema, given, ({ stepId, photoId, pins }) => pinStep(stepId, photoId, pins));
}

/** A sorting tray of the workshop. */
export async function ownTray(given: Given): Promise<Answer<void>> {
  return write(traySchema, given, (tray) => addTray(tray));
}
