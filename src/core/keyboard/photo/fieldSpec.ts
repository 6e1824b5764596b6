import Joi from 'joi';
import type { Corners } from '../../picture/corners';

/** Where the field of a keyboard lies on a photograph, and how large it is. */
export interface FieldSpec {
  /** Upper left, upper right, lower right, lower left, in pixels of the upright picture. */
  corners: Corners;
  widthMm: number;
  heightMm: number;
}

const pixels = Joi.number().min(-1_000_000).max(1_000_000).required();

/** Upper left, upper right, lower right, lower left, in pixels of the upright picture. */
export const cornersSchema = Joi.array<Corners>()
  .items(Joi.array().ordered(pixels, pixels))
  .length(4)
  .required()
  .label('Corners')
  .messages({
    'array.length':
      'Give the four corners of the field: upper left, upper right, lower right, lower left, each as [x, y] in pixels.',
  });

export const fieldSpecSchema = Joi.object<FieldSpec>({
  corners: cornersSchema,
  widthMm: Joi.number().min(20).max(1500).required().label('Width of the field, mm'),
  heightMm: Joi.number().min(10).max(1500).required().label('Height of the field, mm'),
});
