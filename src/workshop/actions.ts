'use server';

import Joi from 'joi';
import { minorUnits, wholeUnits } from '@/core/ledger/money';
import { WEEKDAYS } from '@/core/runsheet/hours';
import { setDoor, setPassphrase, signEveryoneOut } from '@/data/door';
import { addObstacle, addPerson, changePersonHours, removeObstacle, removePerson, saveWorkshop } from '@/work/workshop';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { isOnLan } from '@/edge/network';
import { peer } from '@/edge/peer';
import { write, writeOver, type Given } from '@/edge/write';
import { hoursDrawn, workshopDrawn } from './drawn';
import {
  hoursSchema,
  idSchema,
  obstacleSchema,
  openSchema,
  passphraseSchema,
  personHoursSchema,
  personSchema,
  placeSchema,
  thingsSchema,
} from './schema';

/** Saves where the workshop stands and what it counts in. */
export async function savePlace(given: Given): Promise<Answer<void>> {
  return writeOver(
    placeSchema,
    given,
    async () => workshopDrawn(await getWorkshop()),
    async (place, now) => {
      // What an hour counts for stays the number that it is.
      const { hourlyRateMinor, currency } = await getWorkshop();
      await saveWorkshop(
        { ...place, hourlyRateMinor: minorUnits(wholeUnits(hourlyRateMinor, currency), place.currency) },
        now,
      );
    },
  );
}

/** Saves when somebody is there, what an hour counts for, and the lamp. */
export async function saveHours(given: Given): Promise<Answer<void>> {
  return writeOver(
    hoursSchema,
    given,
    async () => hoursDrawn(await getWorkshop()),
    async ({ hourlyRate, lampMwPerCm2, ...days }, now) => {
      const { currency } = await getWorkshop();
      await saveWorkshop(
        { lampMwPerCm2, hours: WEEKDAYS.map((day) => days[day]), hourlyRateMinor: minorUnits(hourlyRate, currency) },
        now,
      );
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
export async function setDoorOpen(open: boolean): Promise<Answer<void>> {
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

/** When somebody is there, where that differs from the workshop’s hours, and days off. */
export async function savePersonHours(given: Given): Promise<Answer<void>> {
  return write(personHoursSchema, given, ({ id, own, daysOff, ...days }, now) =>
    changePersonHours(id, own ? WEEKDAYS.map((day) => days[day]) : null, daysOff, now),
  );
}

/** How many of each there are at the bench. */
export async function saveThings(given: Given): Promise<Answer<void>> {
  return write(thingsSchema, given, (things, now) => saveWorkshop({ things }, now));
}

export async function removeName(personId: string): Promise<Answer<void>> {
  return write(idSchema, { id: personId }, ({ id }, now) => removePerson(id, now));
}

/** Something that stands in the sun's way. */
export async function addInTheWay(given: Given): Promise<Answer<void>> {
  return write(obstacleSchema, given, (obstacle, now) => addObstacle(obstacle, now));
}

export async function removeInTheWay(id: string): Promise<Answer<void>> {
  return write(idSchema, { id }, (given, now) => removeObstacle(given.id, now));
}
