import Joi from 'joi';
import type { MeasureResult } from '@/core/picture/measure';
import { measureResultSchema } from '@/core/picture/resultSchema';
import { MOST_SHEETS, type SheetGreys } from '@/core/picture/greySheetPlan';
import { measureSpecSchema, sheetGreysSchema, type MeasureSpec } from '@/core/picture/spec';
import { STAGES, type Stage } from '@/core/runsheet/stages';

export interface KeepForm {
  pieceId: string;
  photoId: string;
  stage: Stage;
  spec: MeasureSpec;
  result: MeasureResult;
  /** When the picture was taken, as a time in the workshop's zone. */
  takenAt: string | null;
}

export const keepSchema = Joi.object<KeepForm>({
  pieceId: Joi.string().required(),
  photoId: Joi.string().required(),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
  spec: measureSpecSchema.required(),
  result: measureResultSchema.required(),
  takenAt: Joi.string().empty('').default(null).allow(null).label('Photographed at'),
});

const sheetNumber = Joi.number().integer().min(1).max(MOST_SHEETS).label('Number of the sheet');

/** A sheet of greys as it was calibrated. */
export const greysSchema = Joi.object<{ number: number; greys: SheetGreys }>({
  number: sheetNumber.required(),
  greys: sheetGreysSchema.required(),
});

/** Which sheet is to be printed. */
export const printSchema = Joi.object<{ number: number }>({ number: sheetNumber.default(1) });
