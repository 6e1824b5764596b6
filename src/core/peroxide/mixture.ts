import { Refusal } from '../refusal';
import { peroxideDensity } from './strength';

export interface Bottle {
  percentWW: number;
  volumeL: number;
}

/**
 * Several bottles poured together: masses and peroxide add up, volumes through density.
 *
 * @throws Refusal without a bottle
 */
export function mixedBottles(bottles: readonly Bottle[]): Bottle & { massKg: number } {
  if (bottles.length === 0) throw new Refusal('bottles', 'Nothing to mix: give at least one bottle.');
  const masses = bottles.map(({ percentWW, volumeL }) => volumeL * peroxideDensity(percentWW));
  const massKg = masses.reduce((sum, mass) => sum + mass, 0);
  const percentWW = bottles.reduce((sum, bottle, i) => sum + bottle.percentWW * masses[i]!, 0) / massKg;
  return { percentWW, massKg, volumeL: massKg / peroxideDensity(percentWW) };
}
