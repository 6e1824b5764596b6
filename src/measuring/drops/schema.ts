import Joi from 'joi';
import { dropAmounts, srgbSchema } from '@/core/finish/dropSchema';
import { DROP_USES } from '@/core/finish/dropUses';
import { MOST } from '@/core/limits';
import type { NewDrop } from '@/work/drops';

const SRGB = srgbSchema.required().messages({ '*': 'Measure its colour on the photograph first.' });

export const dropSchema = Joi.object<NewDrop>({
  restorationId: Joi.string().max(60).required(),
  pieceId: Joi.string().max(60).allow(null).empty('').default(null).label('Piece'),
  use: Joi.string()
    .valid(...DROP_USES)
    .required(),
  base: Joi.string()
    .trim()
    .max(MOST.person)
    .required()
    .label('Base')
    .messages({ 'string.empty': 'Say what the pigments go into, like “white casting resin” or “putty tin”.' }),
  amounts: dropAmounts.required().label('Drops of each pigment'),
  srgb: SRGB,
  beside: srgbSchema.allow(null).default(null),
  photoId: Joi.string().max(60).allow(null).default(null),
});
