import Joi from 'joi';
import { hoursFrom, WEEKDAYS, type DayHours } from '@/core/runsheet/hours';
import { UNIT_SYSTEMS } from '@/core/units';
import { currencySchema, timeZoneSchema } from '@/edge/localSchema';
import { MOST } from '@/core/limits';
import { PLACES, type BenchThings } from '@/core/schedule/facts/facts';
import type { Workshop } from '@/data/rows';

type PlaceForm = Omit<Workshop, 'id' | 'hourlyRateMinor' | 'hours' | 'lampMwPerCm2' | 'things'>;
type HoursForm = Pick<Workshop, 'lampMwPerCm2'> & { hourlyRate: number } & Record<
    (typeof WEEKDAYS)[number],
    DayHours | null
  >;

/** Hours of one day as they are typed; an empty line is a day off. */
const dayHours = (day: string) =>
  Joi.any()
    .empty('')
    .default(null)
    .label(day)
    .custom((text: string, helpers) => hoursFrom(String(text)) ?? helpers.error('hours'))
    .messages({
      hours: 'Write the hours like 17:30 to 21:00, the later one last; leave the day empty where nobody is there.',
    });

/** What the form of the place sends. */
export const placeSchema = Joi.object<PlaceForm>({
  name: Joi.string().trim().max(80).required().label('Name'),
  latitude: Joi.number().min(-90).max(90).empty('').default(null).allow(null).label('Latitude'),
  longitude: Joi.number().min(-180).max(180).empty('').default(null).allow(null).label('Longitude'),
  altitudeM: Joi.number().min(-400).max(6000).empty('').default(0).label('Altitude'),
  ozoneDU: Joi.number().min(100).max(600).empty('').default(null).allow(null).label('Ozone column'),
  timeZone: timeZoneSchema,
  units: Joi.string()
    .valid(...UNIT_SYSTEMS)
    .required()
    .label('Units'),
  currency: currencySchema,
})
  // An empty field has become null by now, which `and` would take for given.
  .custom((place: PlaceForm, helpers) =>
    (place.latitude === null) === (place.longitude === null) ? place : helpers.error('place.half'),
  )
  .messages({ 'place.half': 'Give latitude and longitude together, or neither.' });

/** What the form of the hours sends. */
export const hoursSchema = Joi.object<HoursForm>({
  ...Object.fromEntries(WEEKDAYS.map((day) => [day, dayHours(day)])),
  hourlyRate: Joi.number().min(0).max(100_000).empty('').default(0).label('Own hourly rate'),
  lampMwPerCm2: Joi.number().min(0).max(MOST.lampMwPerCm2).empty('').default(0).label('Lamp'),
});

const SHORTEST_PASSPHRASE = 10;

export const passphraseSchema = Joi.object<{ before: string; passphrase: string; again: string }>({
  before: Joi.string().max(200).allow('').default('').label('Passphrase until now'),
  passphrase: Joi.string()
    .min(SHORTEST_PASSPHRASE)
    .max(200)
    .required()
    .label('Passphrase')
    .messages({
      'string.min': `Take at least ${SHORTEST_PASSPHRASE} characters: three or four words do.`,
      'string.empty': 'Type a passphrase.',
    }),
  again: Joi.any()
    .valid(Joi.ref('passphrase'))
    .required()
    .label('The same again')
    .messages({ 'any.only': 'The two are not the same. Type it again.' }),
});

/** A passphrase of a backup: an empty one is none. */
const anyPassphrase = Joi.string().max(200).allow('').required().label('Passphrase');

export const keepingSchema = Joi.object<{ folder: string; daily: boolean }>({
  folder: Joi.string().trim().max(1000).allow('').required().label('Folder'),
  daily: Joi.boolean().required().label('Each day'),
});

export const sealSchema = Joi.object<{ passphrase: string; again: string }>({
  passphrase: passphraseSchema.extract('passphrase'),
  again: passphraseSchema.extract('again'),
});

export const saveSchema = Joi.object<{ passphrase: string }>({ passphrase: anyPassphrase });

export const copySchema = Joi.object<{ id: string; passphrase: string }>({
  id: Joi.string().max(60).required().label('Backup'),
  passphrase: anyPassphrase,
});

export const openSchema = Joi.object<{ open: boolean }>({ open: Joi.boolean().required() });

export const personSchema = Joi.object<{ name: string }>({
  name: Joi.string().trim().max(80).required().label('Name').messages({ 'string.empty': 'Write a name.' }),
});

const DAY_OFF = /^\d{4}-\d\d-\d\d$/;

/** Somebody’s own hours, and days off. */
export const personHoursSchema = Joi.object<
  { id: string; own: boolean; daysOff: string[] } & Record<(typeof WEEKDAYS)[number], DayHours | null>
>({
  id: Joi.string().max(60).required(),
  own: Joi.boolean().required().label('Hours'),
  ...Object.fromEntries(WEEKDAYS.map((day) => [day, dayHours(day)])),
  daysOff: Joi.any()
    .empty('')
    .default([])
    .label('Days off')
    .custom((text: string, helpers) => {
      const days = String(text)
        .split(/[\s,;]+/)
        .filter(Boolean);
      const sound = days.every((day) => DAY_OFF.test(day) && !Number.isNaN(Date.parse(`${day}T12:00:00Z`)));
      return sound && days.length <= 400 ? days : helpers.error('days');
    })
    .messages({ days: 'Write days off like 2026-12-24, one after the other.' }),
});

/** How many of each there are. */
export const thingsSchema = Joi.object<BenchThings>(
  Object.fromEntries(
    PLACES.map((place) => [place, Joi.number().integer().min(0).max(200).required().label(`Number of: ${place}`)]),
  ),
);

export const idSchema = Joi.object<{ id: string }>({ id: Joi.string().required() });

const direction = (label: string) => Joi.number().min(0).max(360).required().label(label);

export const obstacleSchema = Joi.object<{ name: string; fromDeg: number; toDeg: number; heightDeg: number }>({
  name: Joi.string()
    .trim()
    .max(60)
    .required()
    .label('What it is')
    .messages({ 'string.empty': 'Say what it is, like “house wall”.' }),
  fromDeg: direction('Left edge'),
  toDeg: direction('Right edge'),
  heightDeg: Joi.number().min(1).max(90).required().label('Height'),
});
