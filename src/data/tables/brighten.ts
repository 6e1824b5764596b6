import Joi from 'joi';
import { MOST } from '@/core/limits';
import type { Caution } from '@/core/peroxide/cautions';
import { SCHOOLS } from '@/core/session/schools';
import {
  choice,
  flag,
  id,
  instant,
  json,
  naming,
  namingAcross,
  ofRestoration,
  orNull,
  real,
  table,
  text,
  textOrNull,
  time,
  timeOrNull,
  TOLD,
  whole,
  type Row,
} from '../column';

const told = Joi.string().max(TOLD).allow('').required();
/** Cautions that were confirmed before something began. */
export const cautions = json<Caution[]>(
  Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(200).required(),
        severity: Joi.string().valid('caution', 'strong').required(),
        hazard: told,
        protection: told,
        never: told,
      }).unknown(),
    )
    .max(50),
);
const school = choice(SCHOOLS);
const warmth = real(MOST.coldestC, MOST.readingC);
const share = real(0, 1);
const percent = real(0, 100);

/** Rows that a material was booked in, so that it can be given back. */
export interface Booked {
  movementIds: string[];
  ledgerIds: string[];
}

/** A fresh coat of cream, mL. */
interface FreshCoat extends Booked {
  at: string;
  amountMl: number;
}

/** A thermometer read while an exposure ran. */
interface WarmthReading {
  at: string;
  temperatureC: number;
}

/** What was treated with peroxide and light, the sky over it, and what was learnt of it. */
export const BRIGHTEN_TABLES = {
  treatments: table({
    noun: 'treatment',
    exported: { as: 'treatments', since: 1, by: 'plannedAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      school,
      stockId: orNull(namingAcross),
      stockPercentWW: percent,
      targetPercentWW: percent,
      amountMl: real(0, MOST.stockMl),
      toleranceB: real(0, MOST.toleranceB),
      plannedAt: time,
      startMeasurementId: orNull(naming('measurements')),
      endedAt: timeOrNull,
      endedWhy: textOrNull,
    },
  }),
  sessions: table({
    noun: 'session',
    exported: { as: 'sessions', since: 1, by: 'startedAt' },
    columns: {
      id,
      treatmentId: naming('treatments'),
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      startedAt: time,
      plannedMin: whole(0, MOST.plannedMin),
      turnEveryMin: whole(0, MOST.turnMin),
      cloudFraction: share,
      lampMwPerCm2: real(0, MOST.lampMwPerCm2),
      temperatureC: warmth,
      cautions,
      turns: json<string[]>(Joi.array().items(instant).max(2000)),
      /** What was confirmed before the start, beside the cautions. */
      checks: json<string[]>(Joi.array().items(Joi.string().max(1000)).max(50)),
      /** Warmth that was read while it ran. */
      readings: json<WarmthReading[]>(
        Joi.array()
          .items(Joi.object({ at: instant.required(), temperatureC: warmth.schema }))
          .max(2000),
      ),
      /** The session that this piece goes along with, in one mixture with one timer; `null` where it leads or is alone. */
      leadId: orNull(namingAcross),
      /** Cream that was brushed on afresh while it ran. What it was booked in stays in its workshop. */
      coats: json<FreshCoat[]>(
        Joi.array()
          .items(
            Joi.object({
              at: instant.required(),
              amountMl: Joi.number().min(0).max(MOST.stockMl).required(),
              movementIds: Joi.array().max(0).required(),
              ledgerIds: Joi.array().max(0).required(),
            }),
          )
          .max(500),
      ),
      /** What went into it at its start; `null` where it stood already. It too stays in its workshop. */
      takes: orNull(json<Booked>(Joi.valid(null))),
      endedAt: timeOrNull,
      actualMin: orNull(real(0, 1e7)),
      dose: orNull(real(0, 1e6)),
      words: textOrNull,
    },
  }),
  /** A brightened piece is to be measured again, to see whether the yellow comes back. */
  looks_again: table({
    exported: { as: 'looksAgain', since: 5, by: 'dueAt' },
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      treatmentId: naming('treatments'),
      dueAt: time,
      /** How it is kept until then. */
      storage: choice(['dark', 'light']),
      measurementId: orNull(naming('measurements')),
    },
  }),
  /** What stands in the way of the sun where pieces are laid out. */
  obstacles: table({
    columns: {
      id,
      name: text(),
      /** Its left edge, seen from the piece; the right edge may lie past north. */
      fromDeg: real(0, 360),
      toDeg: real(0, 720),
      /** Height of its upper edge over the horizon. */
      heightDeg: real(0, 90),
      addedAt: time,
    },
  }),
  /** Cloud of an hour, from a file of hours or from somebody's own look at the sky. */
  weather_hours: table({
    columns: {
      id,
      /** Beginning of the hour. */
      at: time,
      cloud: share,
      /** What a file says of the air, as far as it says it. */
      airC: orNull(real(-60, 60)),
      humidityPercent: orNull(real(0, 100)),
      windMs: orNull(real(0, 80)),
      rainMm: orNull(real(0, 1000)),
      source: choice(['file', 'look']),
      takenAt: time,
    },
  }),
  /** An answer to an exercise; its seed says which. */
  exercises: table({
    columns: { id, seed: whole(0, Number.MAX_SAFE_INTEGER), answered: whole(0, 100), rightly: flag, at: time },
  }),
  /** What a brightened piece that went one way alone says of the rate of that way, ln k as mean and variance. */
  learnt_rates: table({
    columns: {
      id,
      restorationId: ofRestoration,
      pieceId: naming('pieces'),
      school,
      plastic: text(),
      mean: real(-Infinity, Infinity),
      variance: real(0, Infinity),
      /** When its last session ended. */
      at: time,
    },
  }),
};

export type Treatment = Row<typeof BRIGHTEN_TABLES.treatments>;
export type Session = Row<typeof BRIGHTEN_TABLES.sessions>;
export type LookAgain = Row<typeof BRIGHTEN_TABLES.looks_again>;
export type ObstacleRow = Row<typeof BRIGHTEN_TABLES.obstacles>;
export type WeatherHour = Row<typeof BRIGHTEN_TABLES.weather_hours>;
export type ExerciseRow = Row<typeof BRIGHTEN_TABLES.exercises>;
export type LearntRate = Row<typeof BRIGHTEN_TABLES.learnt_rates>;
