import type Joi from 'joi';

/** One stand-alone calculation: the page, the API and the command line all come from this definition. */
export interface Sum<Input, Output> {
  name: string;
  title: string;
  summary: string;
  /** Joi schema with labels, units and limits for every field. */
  input: Joi.ObjectSchema<Input>;
  compute: (input: Input) => Output;
  /** Where the formula and its constants come from. */
  source: string;
  /** A worked example, shown when the page opens. */
  example: Input;
  /** The figures worth reading first, each with its unit. */
  results: (output: Output, input: Input) => Figure[];
  /** The calculation step by step, with the numbers in it. */
  working: (output: Output, input: Input) => string[];
  /** Set where the result rests on a model rather than on a law. */
  estimate?: string;
}

export interface Figure {
  label: string;
  value: number | string;
  unit?: UnitId;
  digits?: number;
  /** 5 % to 95 %, for an estimate. */
  range?: readonly [number, number];
}

/** Units that the catalogue speaks in; each has its US counterpart in `core/units.ts` where there is one. */
export type UnitId =
  | 'L'
  | 'mL'
  | 'kg'
  | 'g'
  | 'cm²'
  | 'mm'
  | 'm'
  | '°C'
  | '%'
  | 'hPa'
  | 'kg/L'
  | 'g/L'
  | 'mol/L'
  | 'vol'
  | '°'
  | 'h'
  | 'min'
  | 'UVI·h'
  | 'DU'
  | 'pieces'
  | '';

/** A sum whose types are known inside its own file and no longer at the catalogue. */
export type AnySum = Sum<never, unknown>;
