'use server';

import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { fromLocalField } from '@/core/runsheet/time';
import { getWorkshop } from '@/data/workshop';
import type { Answer } from '@/edge/answer';
import { write, type Given } from '@/edge/write';
import * as said from '@/work/plan/said';
import {
  endOfDay,
  endSchema,
  giveSchema,
  lengthSchema,
  ownSchema,
  pinSchema,
  taskSchema,
  wishSchema,
} from './planSchema';

/** Hands begin a task of the plan. */
export const beginTask = async (given: Given): Promise<Answer<null>> =>
  write(taskSchema, given, async ({ task }, now) => {
    await said.beginTask(task, now);
    return null;
  });

/** Done, not yet, or could not. */
export const endTask = async (given: Given): Promise<Answer<null>> =>
  write(endSchema, given, async ({ task, outcome, why, putOffMin }, now) => {
    await said.endTask(task, outcome, why, putOffMin, now);
    return null;
  });

async function instantOf(field: string): Promise<Date> {
  const { timeZone } = await getWorkshop();
  const at = /Z$/.test(field) ? field : fromLocalField(field, timeZone);
  if (at === null || Number.isNaN(Date.parse(at)))
    throw new Refusal('startAt', 'Give a day and a time, like 21 June 2026, 10:00.');
  return new Date(at);
}

/** Pins a task to a moment: dragged there, or typed. */
export const pinTask = async (given: Given): Promise<Answer<null>> =>
  write(pinSchema, given, async ({ task, startAt }, now) => {
    await said.pinTask(task, await instantOf(startAt), 'pinned by hand.', now);
    return null;
  });

export const putTaskOff = async (given: Given): Promise<Answer<null>> =>
  write(pinSchema, given, async ({ task, startAt }, now) => {
    await said.putTaskOff(task, await instantOf(startAt), 'put off.', now);
    return null;
  });

export const lengthenTask = async (given: Given): Promise<Answer<null>> =>
  write(lengthSchema, given, async ({ task, minutes }, now) => {
    await said.lengthenTask(task, minutes, now);
    return null;
  });

export const giveTask = async (given: Given): Promise<Answer<null>> =>
  write(giveSchema, given, async ({ task, personId }, now) => {
    await said.giveTask(task, personId === '' ? null : personId, now);
    return null;
  });

export const dropTask = async (given: Given): Promise<Answer<null>> =>
  write(taskSchema, given, async ({ task }, now) => {
    await said.dropTask(task, now);
    return null;
  });

/** Nothing is said of a task any more: it lies where the plan wants it. */
export const freeTask = async (given: Given): Promise<Answer<null>> =>
  write(taskSchema, given, async ({ task }, now) => {
    await said.unmarkTask(task, now);
    return null;
  });

export const addTask = async (given: Given): Promise<Answer<null>> =>
  write(ownSchema, given, async ({ restorationId, place, after, ...own }, now) => {
    await said.addOwnTask(
      {
        ...own,
        restorationId: restorationId === '' ? null : restorationId,
        place: place === '' ? null : place,
        afterTask: after === '' ? null : after,
      },
      now,
    );
    return null;
  });

export const wishFor = async (given: Given): Promise<Answer<null>> =>
  write(wishSchema, given, async ({ restorationId, wantedAt, weight }, now) => {
    const { timeZone } = await getWorkshop();
    const at = wantedAt === '' ? null : endOfDay(wantedAt, timeZone);
    if (at && at.getTime() < now.getTime())
      throw new Refusal('wantedAt', 'This day is over. Give one that is still to come, or none.');
    await said.wishFor(restorationId, at, weight, now);
    return null;
  });

const numberSchema = Joi.object<{ number: number }>({ number: Joi.number().integer().required() });

/** What moved lies where it stood before, as far as that can still be. */
export const keepOldPlan = async (given: Given): Promise<Answer<{ kept: number; over: number }>> =>
  write(numberSchema, given, ({ number }, now) => said.keepOldPlan(number, now));

export const readMoved = async (given: Given): Promise<Answer<null>> =>
  write(numberSchema, given, async ({ number }) => {
    await said.readMoved(number);
    return null;
  });

const runSchema = Joi.object<{ runId: string }>({ runId: Joi.string().max(60).required() });

export const notDone = async (given: Given): Promise<Answer<null>> =>
  write(runSchema, given, async ({ runId }, now) => {
    await said.taskNotDone(runId, now);
    return null;
  });
