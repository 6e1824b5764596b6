'use server';

import { settleFinding } from '@/work/findings';
import { useFromStores as takeFromStores } from '@/work/ledger';
import { addTub } from '@/work/knowledge';
import { dryIn } from '@/work/wash/drying';
import { endPass, showHarm, startPass } from '@/work/wash/pass';
import { markLeft, nameSoil } from '@/work/wash/soil';
import { endBath, startBath } from '@/work/wash/bath';
import { answer, type Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import { howClean, type HowClean } from './howClean';
import {
  bathOutSchema,
  bathSchema,
  harmPhotoSchema,
  leaveSchema,
  leftSchema,
  outcomeSchema,
  pieceSchema,
  roomSchema,
  soilSchema,
  startSchema,
  tubSchema,
  usedSchema,
} from './schema';

/** What a finding is made of. */
export async function nameWhatItIs(given: Given): Promise<Answer<void>> {
  return write(soilSchema, given, ({ findingId, soil, visible }, now) => nameSoil(findingId, soil, visible, now));
}

/** Starts a pass at the sink. */
export async function startAtSink(given: Given): Promise<Answer<void>> {
  return write(startSchema, given, ({ findingIds, agent }, now) => startPass(findingIds, agent, now));
}

/** Pieces go into the water together. */
export async function startBathOf(given: Given): Promise<Answer<void>> {
  return write(bathSchema, given, ({ restorationId, pieceIds, agent }, now) =>
    startBath(restorationId, pieceIds, agent, now),
  );
}

/** Pieces come out of the water. */
export async function endBathOf(given: Given): Promise<Answer<void>> {
  return write(bathOutSchema, given, ({ restorationId, came }, now) => endBath(restorationId, came, now));
}

/** What came of a pass on one spot. */
export async function endAtSink(given: Given): Promise<Answer<void>> {
  return write(outcomeSchema, given, ({ stepId, outcome, words }, now) => endPass(stepId, outcome, words, now));
}

/** A photograph of what was harmed. */
export async function addHarmPhoto(given: Given): Promise<Answer<void>> {
  return write(harmPhotoSchema, given, ({ stepId, photoId }, now) => showHarm(stepId, photoId, now));
}

/** Left on purpose, with the reason. */
export async function leaveSpot(given: Given): Promise<Answer<void>> {
  return write(leaveSchema, given, ({ findingId, words }, now) =>
    settleFinding(findingId, 'left on purpose', words, now),
  );
}

/** A sink or tub of the workshop. */
export async function addOwnTub(given: Given): Promise<Answer<void>> {
  return write(tubSchema, given, (tub, now) => addTub(tub, now));
}

/** How much of a face is soiled, before and after. */
export async function findHowClean(pieceId: string): Promise<Answer<HowClean>> {
  return answer(pieceSchema, { pieceId }, (given) => howClean(given.pieceId));
}

/** Marks what is left for the next rung, without the spots that are no soil. */
export async function markWhatIsLeft(given: Given): Promise<Answer<void>> {
  return write(leftSchema, given, async ({ pieceId, not }, now) => {
    const { photoId, spots } = await howClean(pieceId);
    await markLeft({ pieceId, photoId, spots: spots.filter((_, i) => !not.includes(i)) }, now);
  });
}

/** The room that a piece dries in. */
export async function setDryingRoom(given: Given): Promise<Answer<void>> {
  return write(roomSchema, given, ({ timerId, temperatureC, humidityPercent, air }, now) =>
    dryIn(timerId, { temperatureC, humidity: humidityPercent / 100, airing: air === 'moving' }, now),
  );
}

/** What was used out of a bottle of the stores; it goes to the ledger. */
export async function addUsed(given: Given): Promise<Answer<void>> {
  return write(usedSchema, given, (use, now) => takeFromStores({ ...use, stage: 'wash' }, now));
}
