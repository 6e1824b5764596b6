import Joi from 'joi';
import { MOST } from '../limits';

/** A colour as it was read, sRGB. */
export const srgbSchema = Joi.array().items(Joi.number().min(0).max(255)).length(3);

const MOST_DROPS = 500;
const MOST_PIGMENTS = 12;

/** Drops of each pigment, by its name. */
export const dropAmounts = Joi.object()
  // A plain expression, which the published schema can say too.
  .pattern(new RegExp(`^.{1,${MOST.person}}$`), Joi.number().min(0).max(MOST_DROPS).required())
  .max(MOST_PIGMENTS);
