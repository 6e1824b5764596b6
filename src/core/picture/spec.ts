import Joi from 'joi';
import type { Lab, Srgb } from '../colour/types';
import { GREY_SHEET, MOST_SHEETS } from './greySheetPlan';
import type { Point, Rect } from './picture';

const PATCH_KINDS = ['known', 'paper'] as const;

export interface CardPatch {
  rect: Rect;
  srgb: Srgb;
  /** `known`: the printed colour is known. `paper`: white office paper, neutral but of unknown lightness. */
  kind: (typeof PATCH_KINDS)[number];
  /** Number of the printed sheet of greys that it is on, where it is on one. */
  sheet?: number;
}

interface RegionSpec {
  id: string;
  polygon: readonly Point[];
  /** What lies inside the outline and is not the piece: its keyboard’s well, a window, a badge, a label’s shade. */
  holes?: readonly (readonly Point[])[];
}

export interface MeasureSpec {
  card: readonly CardPatch[];
  regions: readonly RegionSpec[];
  /** Id of the region that is the hidden patch. */
  reference?: string;
  /** Colour of the hidden patch from an earlier measurement, where this picture does not show it. */
  referenceLab?: Lab;
  /** Picture of a plain sheet in the same light: its photograph's id, or a file for the command line. */
  flatField?: string;
}

const pixels = Joi.number().min(-1_000_000).max(1_000_000);
const triple = (low: number, high: number) => Joi.array().items(Joi.number().min(low).max(high)).length(3);

const outline = Joi.array().items(Joi.array().ordered(pixels.required(), pixels.required())).min(3).max(400);

/** The greys of a printed sheet, the lightest first; `null` for one that could not be told. */
export const sheetGreysSchema = Joi.array().items(triple(0, 255).allow(null)).length(GREY_SHEET.greys.length);

/** What is measured in a picture; coordinates are pixels of the upright picture. */
export const measureSpecSchema = Joi.object<MeasureSpec>({
  card: Joi.array()
    .items(
      Joi.object({
        rect: Joi.array()
          .ordered(
            pixels.required(),
            pixels.required(),
            Joi.number().positive().required(),
            Joi.number().positive().required(),
          )
          .required(),
        srgb: triple(0, 255).required(),
        kind: Joi.string()
          .valid(...PATCH_KINDS)
          .default('known'),
        sheet: Joi.number().integer().min(1).max(MOST_SHEETS),
      }),
    )
    .max(60)
    .default([]),
  regions: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().trim().max(80).required(),
        polygon: outline.required(),
        holes: Joi.array().items(outline).max(80),
      }),
    )
    .min(1)
    .max(60)
    .unique('id')
    .required(),
  reference: Joi.string().trim().max(80),
  referenceLab: triple(-200, 200),
  flatField: Joi.string().trim().max(1000),
});
