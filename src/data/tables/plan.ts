import Joi from 'joi';
import { MOST } from '@/core/limits';
import { PLACES } from '@/core/schedule/facts/facts';
import type { KeptPlan } from '@/core/schedule/kept';
import { RUN_OUTCOMES } from '@/core/schedule/runs';
import {
  choice,
  flag,
  id,
  json,
  number,
  ofRestoration,
  orNull,
  real,
  table,
  text,
  textOrNull,
  time,
  timeOrNull,
  title,
  whole,
  type Row,
} from '../column';

const minutes = whole(0, MOST.plannedMin);
/** Of a task, as the plan calls it: put together of ids and its kind. */
const task = title(300);

/** The plan of the bench, and what people said of its tasks. Nothing of it goes along with an exported restoration. */
export const PLAN_TABLES = {
  /** When a restoration, by its id, is wanted. */
  wishes: table({ columns: { id, wantedAt: time, weight: real(0, 100), at: time } }),
  /** A task that somebody added by hand. */
  own_tasks: table({
    noun: 'task',
    columns: {
      id,
      restorationId: orNull(ofRestoration),
      what: title(MOST.name),
      minutes,
      /** Hands are at it all the time. */
      hands: flag,
      place: orNull(choice(PLACES)),
      /** The task that it waits for. */
      afterTask: textOrNull,
      at: time,
    },
  }),
  /** What somebody said of a task, by its name. */
  task_marks: table({
    columns: {
      id: { ...task, attribute: { ...task.attribute, primaryKey: true } },
      /** Pinned to this moment. */
      startAt: timeOrNull,
      notBefore: timeOrNull,
      minutes: orNull(minutes),
      dropped: flag,
      personId: textOrNull,
      at: time,
    },
  }),
  /** A task that was begun at the bench, and what came of it. */
  task_runs: table({
    noun: 'task',
    columns: {
      id,
      task,
      restorationId: orNull(ofRestoration),
      kind: text(60),
      startedAt: time,
      endedAt: timeOrNull,
      outcome: orNull(choice(RUN_OUTCOMES)),
      plannedMin: minutes,
      minutes: orNull(minutes),
      words: text(MOST.words),
    },
  }),
  /** What is said of a bottle or another consumable, by its id: where it stands, how much is wanted, how long it keeps. */
  stock_care: table({
    columns: {
      id,
      low: orNull(real(0, MOST.stockMl)),
      shelf: text(MOST.name),
      /** Once it is open. */
      keepsDays: orNull(whole(1, 36_500)),
      openedAt: timeOrNull,
      /** From its source. */
      deliveryDays: orNull(whole(0, 365)),
      /** Thrown away: it is on the shelf no more. */
      thrownAt: timeOrNull,
      at: time,
    },
  }),
  /** The plan that stands (`now`), and the one before it. */
  plans: table({
    columns: {
      id: { ...task, attribute: { ...task.attribute, primaryKey: true } },
      number: { ...number, attribute: whole(0, Number.MAX_SAFE_INTEGER).attribute },
      at: time,
      /** The newest change that it knows of. */
      mark: whole(0, Number.MAX_SAFE_INTEGER),
      plan: json<KeptPlan>(Joi.object()),
    },
  }),
};

export type OwnTaskRow = Row<typeof PLAN_TABLES.own_tasks>;
export type TaskMarkRow = Row<typeof PLAN_TABLES.task_marks>;
export type TaskRunRow = Row<typeof PLAN_TABLES.task_runs>;
export type StockCareRow = Row<typeof PLAN_TABLES.stock_care>;
export type PlanRow = Row<typeof PLAN_TABLES.plans>;
