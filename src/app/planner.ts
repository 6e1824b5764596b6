import { clock } from '@/edge/clock';
import { tellFault } from '@/edge/faults';
import { keepPlanTrue } from '@/work/plan/replan';
import { air, sky } from './sky';

/** What plans are made under: the sky and the air of the whole application. */
export const outside = { sky, air };

/** Sees to it that the plan of the bench is true, beside what is being answered. */
export const seeToThePlan = (): void => keepPlanTrue(clock, outside, (failure) => void tellFault(failure, clock()));
