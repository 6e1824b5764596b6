import Joi from 'joi';
import { METAL_TASKS, METALS, RUST_KINDS, TOUCHES, type RustPatch } from './rust';

/** A rusted place. */
export const patchSchema = Joi.object<RustPatch, true>({
  metal: Joi.string()
    .valid(...METALS)
    .required(),
  kind: Joi.string()
    .valid(...RUST_KINDS)
    .required(),
  task: Joi.string()
    .valid(...METAL_TASKS)
    .required(),
  touches: Joi.string()
    .valid(...TOUCHES)
    .required(),
  areaCm2: Joi.number().positive().max(20_000).unit('cm²').required().label('Rusted area'),
  thickMm: Joi.number().positive().max(50).unit('mm').required().label('Thickness of the metal'),
  pitMm: Joi.number().min(0).max(20).unit('mm').required().label('Deepest pit'),
  comesOff: Joi.boolean().required(),
});
