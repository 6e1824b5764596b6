import Joi from 'joi';
import { MATERIALS } from '../../runsheet/stages';
import { WINDOW_GLUES, BREAKS, LOADS, PULLS, REACHES, type Damage } from './damage';

const mm = (label: string, most: number) => Joi.number().positive().max(most).unit('mm').label(label);
const sizeOrNone = (label: string, most: number) => mm(label, most).allow(null).empty('').default(null);

export const damageSchema = Joi.object<Damage>({
  kind: Joi.string()
    .valid(...BREAKS)
    .required()
    .label('What is wrong'),
  plastic: Joi.string()
    .valid(...MATERIALS)
    .required()
    .label('Plastic'),
  load: Joi.string()
    .valid(...LOADS)
    .required()
    .label('What it does'),
  loadN: Joi.number().positive().max(5000).unit('N').allow(null).empty('').default(null).label('What pulls at it'),
  pull: Joi.string()
    .valid(...PULLS)
    .required()
    .label('How it pulls'),
  armMm: mm('How far from the break it pulls', 500).required(),
  reach: Joi.string()
    .valid(...REACHES)
    .required()
    .label('Reached from'),
  seen: Joi.boolean().required().label('Seen'),
  lengthMm: mm('Length of the break', 1000).required(),
  wallMm: mm('Thickness of the wall', 50).required(),
  behindMm: Joi.number().min(0).max(200).unit('mm').required().label('Room behind, on each side'),
  stubMm: sizeOrNone('Thickness of the stub', 40),
  deepMm: sizeOrNone('How deep it can be drilled', 100),
  bossMm: sizeOrNone('Boss, over all', 40),
  holeMm: sizeOrNone('Its hole', 40),
  engagedMm: sizeOrNone('Thread in the boss', 60),
  screwMm: sizeOrNone('Screw, over its thread', 10),
  // No default: what an older record does not say comes in as it went out.
  wearsOut: Joi.boolean().label('Whether its kind wears out'),
  windowGlue: Joi.string()
    .valid(...WINDOW_GLUES)
    .label('What holds the window'),
})
  .custom((damage: Damage, help) =>
    damage.bossMm !== null && damage.holeMm !== null && damage.holeMm >= damage.bossMm
      ? help.error('any.custom', undefined, { path: ['holeMm'] } as never)
      : damage,
  )
  .messages({ 'any.custom': 'The hole cannot be as wide as the boss round it. Measure both again.' });
