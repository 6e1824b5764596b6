import Joi from 'joi';
import { Refusal } from '../refusal';
import type { Interval, Problem } from '../schedule/problem';
import { schedule, type Plan } from '../schedule/schedule';
import type { Sum } from './sum';

interface ScheduleInput extends Problem {
  timeLimitMs: number;
  seed: number;
  maxIterations?: number;
}

/** More than this is planned machine by machine. */
const MOST_TASKS = 2000;
/** A server that plans answers nobody else meanwhile. */
const MOST_MS = 10_000;
/** Steps are not stopped by the time: so many, times tasks, are over in about as long. */
const MOST_STEPS = 4_000_000;
const MOST_MINUTES = 2_000_000;

const minute = (label: string) => Joi.number().integer().min(0).max(MOST_MINUTES).required().label(label);
const name = (label: string) => Joi.string().trim().max(200).required().label(label);

const intervals = (label: string) =>
  Joi.array()
    .items(Joi.array<Interval>().ordered(minute('From'), minute('To')).length(2))
    .max(5000)
    .label(label)
    .messages({
      'array.length': 'A pair is from and to in whole minutes, like 480, 720.',
      'array.base': 'Pairs of from and to in whole minutes, like 480, 720.',
    });

const scheduleSum: Sum<ScheduleInput, Plan> = {
  name: 'schedule',
  title: 'Bench schedule',
  summary:
    'Tasks laid into the hours of hands, sink, tubs and sun so that all ends as early as can be, and an end that no plan is under.',
  input: Joi.object({
    resources: Joi.array()
      .items(
        Joi.object({
          id: name('Resource'),
          capacity: Joi.number().integer().min(0).max(1000).required().label('At once'),
          available: intervals('Is there, from and to in minutes, a pair a line; empty: always'),
        }),
      )
      .max(200)
      .required()
      .label('Resources'),
    tasks: Joi.array()
      .items(
        Joi.object({
          id: name('Task'),
          duration: Joi.number().integer().min(0).max(MOST_MINUTES).unit('min').required().label('Takes'),
          uses: Joi.object()
            .pattern(Joi.string().max(200), Joi.number().integer().min(0).max(1000))
            .default({})
            .label('Needs, as hands: 1'),
          after: Joi.array()
            .items(
              Joi.object({
                task: name('Follows'),
                minLag: Joi.number()
                  .integer()
                  .min(-MOST_MINUTES)
                  .max(MOST_MINUTES)
                  .default(0)
                  .label('By at least, min'),
                maxLag: Joi.number().integer().min(-MOST_MINUTES).max(MOST_MINUTES).label('By at most, min'),
              }),
            )
            .max(500)
            .default([])
            .label('Waits'),
          windows: intervals('Only within, from and to in minutes, a pair a line; empty: any time'),
        }),
      )
      .max(MOST_TASKS)
      .required()
      .label('Tasks')
      .messages({
        'array.max': `More than ${MOST_TASKS} tasks are not planned at once. Plan the machines that are wanted first, and the others after them.`,
      }),
    timeLimitMs: Joi.number().integer().min(0).max(MOST_MS).default(1000).label('Time to search, ms'),
    seed: Joi.number().integer().min(0).max(2_147_483_647).default(1).label('Seed'),
    maxIterations: Joi.number().integer().min(0).max(10_000_000).label('Steps at most, instead of the time'),
  }),
  // The one place of the core that looks at a clock: how long was searched is part of what is asked for.
  compute: ({ resources, tasks, ...limits }) => {
    if ((limits.maxIterations ?? 0) * tasks.length > MOST_STEPS)
      throw new Refusal(
        'maxIterations',
        `So many steps take too long for ${tasks.length} tasks: at most ${Math.floor(MOST_STEPS / tasks.length)}.`,
      );
    return schedule({ resources, tasks }, { ...limits, clock: () => performance.now() });
  },
  source:
    'Serial generation of a schedule by priority rules (Kelley, 1963; Kolisch, 1996), improved by simulated annealing over the order; the bound is the longest way, or the work of what is scarce over its capacity.',
  example: {
    resources: [
      { id: 'hands', capacity: 1, available: [[480, 720] as const, [840, 1080] as const] },
      { id: 'sink', capacity: 1 },
    ],
    tasks: [
      { id: 'glue the stub', duration: 20, uses: { hands: 1 }, after: [] },
      { id: 'load it', duration: 10, uses: { hands: 1 }, after: [{ task: 'glue the stub', minLag: 120 }] },
      { id: 'wash the caps', duration: 90, uses: { hands: 1, sink: 1 }, after: [] },
    ],
    ...{ timeLimitMs: 200, seed: 1, maxIterations: 200 },
  },
  results: ({ makespan, lowerBound, optimal }) => [
    { label: 'All is over after', value: makespan, unit: 'min', digits: 0 },
    { label: 'No plan ends before', value: lowerBound, unit: 'min', digits: 0 },
    { label: 'Proven to be the least', value: optimal ? 'yes' : 'no' },
  ],
  working: ({ tasks }) =>
    [...tasks].sort((a, b) => a.start - b.start).map(({ id, start, end }) => `${start} to ${end}: ${id}`),
};

export const SCHEDULE_SUMS = [scheduleSum];
