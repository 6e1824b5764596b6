import Joi from 'joi';
import { Refusal } from '../../refusal';
import { VALIDATE } from '../../sums/fieldErrors';
import { FAMILIES, FAMILY_NAMES, type Family, type FamilyName } from './families';
import { AS_DRAWN, fittedLayers, type PrintAs } from './fitted';
import type { Ring } from './rings';
import { solidOf, type Solid } from './solid';
import { stacked, type Triangle } from './stack';

export type { FamilyName };

/** Printed or cut plastic as most of it is, g/cm³. */
const USUAL_DENSITY = 1.05;

/** Sizes of any kind of part, as they were checked by its schema. */
type Sizes = Record<string, unknown> & { densityGPerCm3?: number };

const density = Joi.number()
  .min(0.3)
  .max(20)
  .default(USUAL_DENSITY)
  .unit('g/cm³')
  .label('Density of what it is made of');

/** @throws Refusal for a name that is none */
export function familyOf(name: string): { name: FamilyName; schema: Joi.ObjectSchema<Sizes> } {
  const known = FAMILY_NAMES.find((one) => one === name);
  if (!known) throw new Refusal('family', `There is no kind of part “${name}”. One of: ${FAMILY_NAMES.join(', ')}.`);
  return {
    name: known,
    schema: (FAMILIES[known].schema as unknown as Joi.ObjectSchema<Sizes>).keys({ densityGPerCm3: density }),
  };
}

const layersOf = (name: FamilyName, sizes: object) => (FAMILIES[name] as unknown as Family<object>).layers(sizes);

/** Every edge of a part seen from above. @throws Refusal for sizes that cannot be made */
export function skinRings(name: FamilyName, sizes: object): Ring[] {
  const rings = layersOf(name, sizes).flatMap(({ rings: below, top = [] }) => [...below, ...top]);
  return [...new Map(rings.map((ring) => [ring.join(), ring])).values()];
}

/** What a part is made of, triangle by triangle. @throws Refusal for sizes that cannot be made */
export const skinOf = (name: FamilyName, sizes: object, as: PrintAs = AS_DRAWN): Triangle[] =>
  stacked(fittedLayers(layersOf(name, sizes), as));

/**
 * A part of a kind by its sizes, or as a printer is to be given it.
 *
 * @throws Refusal for sizes that cannot be made
 * @throws Joi.ValidationError for fields that are missing or none
 */
export function partOf(family: string, given: unknown, as: PrintAs = AS_DRAWN): { solid: Solid; stl: Uint8Array } {
  const { name, schema } = familyOf(family);
  const { value, error } = schema.validate(given, VALIDATE);
  if (error) throw error;
  const { densityGPerCm3 = USUAL_DENSITY, ...sizes } = value;
  return solidOf(skinOf(name, sizes, as), densityGPerCm3);
}
