import Joi from 'joi';
import { FAULTS } from '../face/fault';
import { VERDICTS } from '../face/verdict';
import type { MeasureResult } from './measure';
import type { Warning } from './warnings';

/** No colour, angle or share that is measured lies further out. */
const measured = Joi.number().min(-100_000).max(100_000);
const number = measured.required();
const numberOrNull = measured.allow(null).required();
const lab = Joi.array().items(Joi.number().min(-200).max(200)).length(3).allow(null).required();

const named = Joi.string().max(80).required();
const of = (kind: Warning['kind'], fields: Joi.SchemaMap = {}) =>
  Joi.object({ kind: Joi.string().valid(kind).required(), ...fields });
const warning = Joi.alternatives(
  of('burnt out', { region: named, share: number }),
  of('several colours', { region: named, usedShare: number }),
  of('too dark', { region: named }),
  of('light changes', { region: named, share: number }),
  of('several parts', { region: named, spreadB: number }),
  of('card disagrees', { residualDeltaE00: number }),
  of('no card'),
  of('paper only'),
  of('no hidden patch'),
  of('blurred'),
  of('said', { words: Joi.string().max(500).required() }),
);

/** A result as the worker gives it. */
export const measureResultSchema = Joi.object<MeasureResult>({
  regions: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(80).required(),
        lab,
        yellownessIndex: numberOrNull,
        deltaE00: numberOrNull,
        deltaL: numberOrNull,
        deltaB: numberOrNull,
        sdB: measured.min(0),
        sdDeltaE00: measured.min(0),
        sure: Joi.boolean(),
        evenness: number,
        fault: Joi.object({
          kind: Joi.string()
            .valid(...FAULTS)
            .required(),
          size: number,
          angleDeg: numberOrNull,
          at: Joi.object({ x: number, y: number }).allow(null).required(),
          palest: Joi.object({ x: number, y: number }),
          signs: Joi.object({ plane: number, lines: number, peaked: number }).required(),
        }),
        blotch: number,
        streak: Joi.object({ coherence: number, angleDeg: number }).required(),
        usedShare: number,
        worst: Joi.object({ x: number, y: number, deltaE00: number }).allow(null).required(),
        verdict: Joi.string()
          .valid(...VERDICTS)
          .allow(null)
          .required(),
      }),
    )
    .min(1)
    .max(60)
    .required(),
  card: Joi.object({
    patches: number,
    residualDeltaE00: numberOrNull,
    method: Joi.string().max(80).required(),
  }).required(),
  basis: Joi.string().valid('card', 'white balance', 'picture only').required(),
  warnings: Joi.array().items(warning).max(50).required(),
});
