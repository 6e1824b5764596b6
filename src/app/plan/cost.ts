'use server';

import { WHAT_IFS, type WhatIf } from '@/core/schedule/changed';
import Joi from 'joi';
import type { Answer } from '@/edge/answer';
import { answer } from '@/edge/answer';
import { clock } from '@/edge/clock';
import { standing } from '@/edge/entered';
import type { Given } from '@/edge/write';
import { pinSchema } from '@/bench/planSchema';
import { costOfMove as moveCost, whatIf as ifSo, type ToldCost, type WhatIfAnswer } from '@/work/plan/whatIf';
import { outside } from '../planner';
import { Refusal } from '@/core/refusal';

const inside = async (): Promise<void> => {
  if ((await standing()) !== 'inside')
    throw new Refusal('', 'This device has not entered. Open Kvell and type the passphrase.');
};

/** What it would cost to begin a task at another time; nothing is kept. */
export async function costOfMove(given: Given): Promise<Answer<ToldCost>> {
  return answer(pinSchema, given, async ({ task, startAt }) => {
    await inside();
    return moveCost(task, new Date(startAt), clock(), outside);
  });
}

const whatIfSchema = Joi.object<{ change: WhatIf }>({
  change: Joi.string()
    .valid(...WHAT_IFS)
    .required(),
});

/** The plan as it stands beside one with something changed; nothing is kept. */
export async function whatIf(given: Given): Promise<Answer<WhatIfAnswer>> {
  return answer(whatIfSchema, given, async ({ change }) => {
    await inside();
    return ifSo(change, clock(), outside);
  });
}
