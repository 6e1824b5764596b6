'use server';

import Joi from 'joi';
import { minorUnits } from '@/core/ledger/money';
import { setDoor, setPassphrase, signEveryoneOut } from '@/data/door';
import { addPerson, removePerson } from '@/data/people';
import { addObstacle, getWorkshop, removeObstacle, saveWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { isOnLan } from '@/edge/network';
import { peer } from '@/edge/peer';
import { write, writeOver, type Given } from '@/edge/write';
import { workshopDrawn } from './drawn';
import { idSchema, obstacleSchema, openSchema, passphraseSchema, personSchema, workshopSchema } from './schema';

/** Saves the workshop's settings. */
export async function saveSettings(given: Given): Promise<Answer<null>> {
  return writeOver(
    workshopSchema,
    given,
    async () => workshopDrawn(await getWorkshop()),
    async ({ hourlyRate, Monday, Tuesday, Wednesday, Thursday, Friday, Saturday, Sunday, ...settings }, now) => {
      const hours = [Monday, Tuesday, Wednesday, Thursday, Friday, Saturday, Sunday];
      await saveWorkshop({ ...settings, hours, hourlyRateMinor: minorUnits(hourlyRate, settings.currency) }, now);
      return null;
    },
  );
}

/**
 * Sets the passphrase of the local network. While the network is let in, the one before is asked for; where only this
 * machine reaches Kvell, a forgotten one can be replaced.
 */
export async function newPassphrase(given: Given): Promise<Answer<void>> {
  // A wrong try has to be counted though the whole is refused: nothing is undone here.
  return write(passphraseSchema, { ...given, once: '' }, async ({ passphrase, before }, now) =>
    setPassphrase(passphrase, isOnLan() ? { words: before, from: await peer() } : null, now),
  );
}

/** Lets the local network in or shuts it out. */
export async function setOpen(open: boolean): Promise<Answer<void>> {
  return write(openSchema, { open }, (given, now) => setDoor(given.open, now));
}

/** Every device has to enter again. */
export async function signOut(): Promise<Answer<void>> {
  return write(Joi.object({}), {}, (_, now) => signEveryoneOut(now));
}

/** A name of somebody who works here. */
export async function addName(given: Given): Promise<Answer<void>> {
  return write(personSchema, given, ({ name }, now) => addPerson(name, now));
}

export async function removeName(personId: string): Promise<Answer<void>> {
  return write(idSchema, { id: personId }, ({ id }, now) => removePerson(id, now));
}

/** Something that stands in the sun's way. */
export async function standsInTheWay(given: Given): Promise<Answer<void>> {
  return write(obstacleSchema, given, (obstacle, now) => addObstacle(obstacle, now));
}

export async function outOfTheWay(id: string): Promise<Answer<void>> {
  return write(idSchema, { id }, (given, now) => removeObstacle(given.id, now));
}
