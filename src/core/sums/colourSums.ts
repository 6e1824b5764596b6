import { figured } from '../colour/signed';
import Joi from 'joi';
import { deltaE00, readDifference } from '../colour/difference';
import { srgbToLab, yellownessIndex } from '../colour/lab';
import type { Lab, Srgb } from '../colour/types';
import type { Sum } from './sum';

const lab = (label: string) =>
  Joi.array()
    .ordered(
      Joi.number().min(0).max(100).required().label('L*'),
      Joi.number().min(-128).max(128).required().label('a*'),
      Joi.number().min(-128).max(128).required().label('b*'),
    )
    .required()
    .label(label);

const colourDifference: Sum<{ a: Lab; b: Lab }, { deltaE00: number }> = {
  name: 'colour-difference',
  title: 'Colour difference',
  summary: 'How far apart two measured colours look, as CIEDE2000.',
  input: Joi.object({ a: lab('First colour'), b: lab('Second colour') }),
  compute: ({ a, b }) => ({ deltaE00: deltaE00(a, b) }),
  source: 'CIEDE2000 after Sharma, Wu and Dalal (2005), all weights 1.',
  example: { a: [78.9, 1.6, 27.4], b: [88.4, -1.06, 6.24] },
  results: (out) => [
    { label: 'ΔE00', value: out.deltaE00, digits: 3 },
    { label: 'Side by side', value: readDifference(out.deltaE00) },
  ],
  working: (out, { a, b }) => [
    `ΔL* = ${figured(b[0] - a[0], 2)}, Δa* = ${figured(b[1] - a[1], 2)}, Δb* = ${figured(b[2] - a[2], 2)}`,
    `Weighted for lightness, chroma and hue: ΔE00 = ${out.deltaE00.toFixed(3)}`,
  ],
};

const yellowness: Sum<{ srgb: Srgb }, { lab: Lab; yellownessIndex: number }> = {
  name: 'yellowness',
  title: 'Yellowness',
  summary: 'L*a*b* and yellowness index of an sRGB colour.',
  input: Joi.object({
    srgb: Joi.array()
      .ordered(...['Red', 'Green', 'Blue'].map((label) => Joi.number().min(0).max(255).required().label(label)))
      .required()
      .label('Colour'),
  }),
  compute: ({ srgb }) => ({ lab: srgbToLab(srgb), yellownessIndex: yellownessIndex(srgb) }),
  source: 'sRGB: IEC 61966-2-1; CIELAB with D65, 2°; yellowness index ASTM E313: 100 (1.2985 X − 1.1335 Z) / Y.',
  example: { srgb: [236, 224, 186] },
  results: ({ lab: [l, a, b], yellownessIndex: yi }) => [
    { label: 'L*', value: l, digits: 2 },
    { label: 'a*', value: a, digits: 2 },
    { label: 'b*', value: b, digits: 2 },
    { label: 'Yellowness index', value: yi, digits: 2 },
  ],
  working: (out, { srgb }) => [
    `sRGB ${srgb.join(', ')} → linear light → XYZ under D65`,
    `L*a*b* = ${out.lab.map((v) => figured(v, 3)).join(', ')}`,
    `YI = 100 (1.2985 X − 1.1335 Z) / Y = ${out.yellownessIndex.toFixed(2)}`,
  ],
};

export const COLOUR_SUMS = [colourDifference, yellowness];
