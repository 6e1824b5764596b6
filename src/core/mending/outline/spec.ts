import Joi from 'joi';
import { cornersSchema } from '../../keyboard/photo/fieldSpec';
import type { Corners } from '../../picture/corners';
import type { Point } from '../../picture/picture';

/** What gives the scale of a photograph. */
export interface Scale {
  /** A thing of known size on the ground that the part lies on; without it the sheet of marks is looked for. */
  plane?: {
    /** Upper left, upper right, lower right, lower left, in pixels of the upright picture. */
    corners: Corners;
    widthMm: number;
    heightMm: number;
    /** How high its upper side lies over the ground. */
    aboveGroundMm?: number;
  };
  /** What the bar of 100 mm on the printed sheet of marks measures. */
  barMm?: number;
  /** Focal length that the picture notes, as on 35 mm film. */
  focal35Mm?: number;
}

/** The scale of a photograph, and a place on the part. */
export interface OutlineSpec extends Scale {
  inside: Point;
  /** How high the part's upper rim stands over the ground. */
  thicknessMm?: number;
}

const pixel = Joi.number().min(0).max(1_000_000).required();
const placeSchema = Joi.array<Point>().ordered(pixel, pixel).length(2);
const side = (label: string) => Joi.number().min(5).max(2000).required().unit('mm').label(label);
const highSchema = (label: string) => Joi.number().min(0).max(80).unit('mm').label(label);

const scaleFields = {
  plane: Joi.object({
    corners: cornersSchema,
    widthMm: side('Width of the thing of known size'),
    heightMm: side('Height of the thing of known size'),
    aboveGroundMm: highSchema('Its upper side over the ground'),
  }).label('Plane'),
  // More is no fault of a printer.
  barMm: Joi.number().min(80).max(120).unit('mm').label('Length of the printed bar'),
  focal35Mm: Joi.number().min(8).max(200).unit('mm').label('Focal length as on 35 mm film'),
};

export const outlineSpecSchema = Joi.object<OutlineSpec>({
  ...scaleFields,
  inside: placeSchema.required().label('A place on the part'),
  thicknessMm: highSchema('Height of the part'),
});
