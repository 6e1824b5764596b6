import Joi from 'joi';
import { compass, FACES, turnPlan, turnWords, type TurnPlan } from '../session/turnPlan';
import type { Place } from '../sun/day';
import type { Obstacle } from '../sun/horizon';
import type { PieceSize } from '../size';
import type { Sum } from './sum';

interface TurnInput extends Place {
  start: string;
  durationMin: number;
  turnEveryMin: number;
  cloudFraction: number;
  piece: PieceSize;
  leanDeg: number;
  shading: Obstacle[];
}

const side = () => Joi.number().positive().max(3000).required().unit('mm');
const direction = (label: string) => Joi.number().min(0).max(360).required().unit('°').label(label);

const turnPlanSum: Sum<TurnInput, TurnPlan> = {
  name: 'turn-plan',
  title: 'Turn plan',
  summary: 'Which way to point a piece at each turn, so that all its faces get nearly the same light.',
  input: Joi.object({
    latitude: Joi.number().min(-90).max(90).required().unit('°').label('Latitude, north positive'),
    longitude: Joi.number().min(-180).max(180).required().unit('°').label('Longitude, east positive'),
    ozoneDU: Joi.number().min(100).max(600).default(300).unit('DU').label('Ozone'),
    altitudeM: Joi.number().min(-400).max(6000).default(0).unit('m').label('Altitude'),
    start: Joi.string().isoDate().required().label('Start, ISO 8601'),
    durationMin: Joi.number().positive().max(1440).required().unit('min').label('Minutes in the sun'),
    turnEveryMin: Joi.number().min(5).max(1440).default(30).unit('min').label('Turn every'),
    cloudFraction: Joi.number().min(0).max(1).default(0).label('Cloud, covered share of the sky'),
    piece: Joi.object({
      lengthMm: side().label('Left to right'),
      widthMm: side().label('Front to back'),
      heightMm: side().label('Height as it lies'),
    })
      .required()
      .label('Box of the piece'),
    leanDeg: Joi.number()
      .min(0)
      .max(80)
      .default(60)
      .unit('°')
      .label('An edge may be propped up this far (0: it lies flat)'),
    shading: Joi.array()
      .items(
        Joi.object({
          fromDeg: direction('From, clockwise from north'),
          toDeg: direction('To, clockwise'),
          heightDeg: Joi.number().min(0).max(90).required().unit('°').label('Height over the horizon'),
        }),
      )
      .max(20)
      .default([])
      .label('What stands in the way of the sun'),
  }),
  compute: ({ piece, start, latitude, longitude, ozoneDU, altitudeM, ...rest }) =>
    turnPlan({ ...rest, ...piece, place: { latitude, longitude, ozoneDU, altitudeM }, start: new Date(start) }),
  source:
    'Each face gets beam · max(0, n·s) + diffuse · (1 + cos tilt)/2; about half of the clear-sky UV is diffuse with a high sun, more with a low one, all of it when overcast. Poses by exchange of one turn at a time from many starts.',
  example: {
    latitude: 50,
    longitude: 10,
    ozoneDU: 300,
    altitudeM: 0,
    start: '2026-06-21T08:00:00Z',
    durationMin: 360,
    turnEveryMin: 60,
    cloudFraction: 0,
    piece: { lengthMm: 400, widthMm: 300, heightMm: 60 },
    leanDeg: 60,
    shading: [],
  },
  estimate: 'Clear-sky model of a plain box; walls that shine back are not in it.',
  results: (out) => [
    { label: 'Least to most exposed face', value: 100 * out.evenness, unit: '%', digits: 0 },
    { label: 'Never turned', value: 100 * out.neverTurned.evenness, unit: '%', digits: 0 },
    ...FACES.filter((face) => out.faces.includes(face)).map((face) => ({
      label: `Dose of the ${face}`,
      value: out.doses[face],
      unit: 'UVI·h' as const,
      digits: 1,
    })),
  ],
  working: (out) => [
    ...out.turns.map((turn) => `${turn.from.slice(11, 16)} UTC: ${turnWords(turn)}`),
    `Never turned: front to the ${compass(out.neverTurned.headingDeg)}, doses ${out.faces.map((face) => `${face} ${out.neverTurned.doses[face].toFixed(1)}`).join(', ')}`,
    ...out.notes,
  ],
};

export const TURN_SUMS = [turnPlanSum];
