import Joi from 'joi';
import { cornersSchema } from '../../keyboard/photo/fieldSpec';
import type { Corners } from '../../picture/corners';
import type { Point } from '../../picture/picture';

/** Where a thing of known size lies in the plane of a part, and a place on the part. */
export interface OutlineSpec {
  plane: {
    /** Upper left, upper right, lower right, lower left, in pixels of the upright picture. */
    corners: Corners;
    widthMm: number;
    heightMm: number;
  };
  inside: Point;
}

const pixel = Joi.number().min(0).max(1_000_000).required();
const side = (label: string) => Joi.number().min(5).max(2000).required().unit('mm').label(label);

export const outlineSpecSchema = Joi.object<OutlineSpec>({
  plane: Joi.object({
    corners: cornersSchema,
    widthMm: side('Width of the thing of known size'),
    heightMm: side('Height of the thing of known size'),
  })
    .required()
    .label('Plane'),
  inside: Joi.array<Point>().ordered(pixel, pixel).length(2).required().label('A place on the part'),
});
