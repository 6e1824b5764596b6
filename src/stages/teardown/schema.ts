import Joi from 'joi';
import { MOST } from '@/core/limits';
import { CONNECTION_KINDS, JOINT_KINDS, type ConnectionKind, type Joint } from '@/core/teardown/joints';
import { DRIVES, FATES, HEADS, MOST_IN_A_LOT, PLAIN_THING, SHANKS, THINGS, type Lot } from '@/core/teardown/lots';

const id = Joi.string().required();
const few = (label: string) => Joi.string().trim().max(MOST.few).allow('').default('').label(label);
const one = (values: readonly string[], label: string) =>
  Joi.string()
    .valid(...values)
    .required()
    .label(label);

export const stepSchema = Joi.object<{
  restorationId: string;
  name: string;
  joint: Joint;
  way: string;
  springs: string;
  round: string;
  by: string;
}>({
  restorationId: id,
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What came off')
    .messages({ 'string.empty': 'Say what came off, like “lid” or “shield, left”.' }),
  joint: one(JOINT_KINDS, 'Held by'),
  way: few('Force or trick'),
  springs: few('Springs and small parts'),
  round: few('Which way round'),
  by: Joi.string().trim().max(MOST.person).allow('').default('').label('Who'),
});

const count = Joi.number()
  .integer()
  .min(1)
  .max(MOST_IN_A_LOT)
  .required()
  .label('How many')
  .messages({
    'number.min': 'A lot has at least one fastener. Leave it out where there was none.',
    'number.max': `More than ${MOST_IN_A_LOT} of one kind never came out of one step. Count again.`,
  });

/** What only a screw has: of anything else it stands for nothing, whatever is sent. */
const ofScrew = (name: keyof typeof PLAIN_THING, schema: Joi.Schema) =>
  Joi.any().when('thing', {
    is: 'screw',
    then: schema,
    otherwise: Joi.any().empty(Joi.any()).default(PLAIN_THING[name]),
  });

export const lotSchema = Joi.object<Lot & { stepId: string; deepestMm: number | null }>({
  stepId: id,
  thing: Joi.string()
    .valid(...THINGS)
    .default('screw')
    .label('What'),
  drive: ofScrew('drive', one(DRIVES, 'Drive')),
  head: ofScrew('head', one(HEADS, 'Head')),
  diameterMm: Joi.number()
    .positive()
    .max(MOST.diameterMm)
    .label('Diameter')
    .when('thing', {
      is: Joi.valid('screw', 'nut', 'washer'),
      then: Joi.required(),
      otherwise: Joi.any().empty(Joi.any()).default(PLAIN_THING.diameterMm),
    }),
  lengthMm: ofScrew('lengthMm', Joi.number().positive().max(MOST.fastenerMm).required().label('Length')),
  shank: ofScrew('shank', one(SHANKS, 'Shank')),
  count,
  fate: one(FATES, 'Kept or replaced'),
  deepestMm: Joi.number()
    .positive()
    .max(MOST.fastenerMm)
    .empty('')
    .default(null)
    .allow(null)
    .label('Deepest the hole allows'),
});

export const asideSchema = Joi.object<{ restorationId: string; name: string; way: string }>({
  restorationId: id,
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What was off')
    .messages({ 'string.empty': 'Say what was off already, like “trim strip” or “battery door”.' }),
  way: few('Where it lies, how it goes on'),
});

export const stepPieceSchema = Joi.object<{ stepId: string; pieceId: string | null }>({
  stepId: id,
  pieceId: Joi.string().empty('').default(null).allow(null),
});

export const recountSchema = Joi.object<{ lotId: string; count: number }>({ lotId: id, count });

export const connectionSchema = Joi.object<{ stepId: string; kind: ConnectionKind; way: string }>({
  stepId: id,
  kind: one(CONNECTION_KINDS, 'Kind'),
  way: Joi.string().trim().max(MOST.few).required().label('Which way round').messages({
    'string.empty': 'Say which way round it went: mark, wire colours, which is upper, how the clamp opens.',
  }),
});

export const pinSchema = Joi.object<{ stepId: string; photoId: string; pins: { x: number; y: number }[] }>({
  stepId: id,
  photoId: id,
  pins: Joi.array()
    .items(Joi.object({ x: Joi.number().min(0).max(1).required(), y: Joi.number().min(0).max(1).required() }))
    .max(MOST.pins)
    .required()
    .label('Pins'),
});

export const traySchema = Joi.object<{ name: string; columns: number; rows: number }>({
  name: Joi.string()
    .trim()
    .max(MOST.trayName)
    .required()
    .label('Name on the tray')
    .messages({ 'string.empty': 'Give the tray the name that is written on it.' }),
  columns: Joi.number().integer().min(1).max(20).required().label('Cells across'),
  rows: Joi.number().integer().min(1).max(20).required().label('Cells down'),
});

export const idSchema = Joi.object<{ id: string }>({ id });
