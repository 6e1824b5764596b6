import type { LinearRgb } from '@/core/colour/types';
import { seededRandom } from './camera/random';
import { colourOf, lobe, spectrum, type Spectrum } from './camera/spectra';

/** A pigment as it is: what a unit of it swallows and scatters at each wavelength. */
interface TruePigment {
  id: string;
  swallows: Spectrum;
  scatters: Spectrum;
}

/** A base with its pigments: two constants a wavelength, so that no sum of three bands is right about it. */
export interface Pigments {
  base: { swallows: Spectrum; scatters: Spectrum };
  pigments: readonly TruePigment[];
}

const rise = (nm: number, at: number, steep: number) => 1 / (1 + Math.exp(-(nm - at) / steep));

/** A white base and five pigments, other ones with every seed. */
export function somePigments(seed: number): Pigments {
  const random = seededRandom(seed);
  const about = (middle: number, share: number) => middle * (1 + share * (2 * random() - 1));
  const edge = (at: number) => at + 12 * (2 * random() - 1);
  const pigment = (id: string, of: (nm: number) => number, hiding: number): TruePigment => {
    const strong = about(1, 0.4);
    const scatter = about(hiding, 0.5);
    const slope = 0.3 * (2 * random() - 1);
    return {
      id,
      swallows: spectrum((nm) => strong * of(nm)),
      scatters: spectrum((nm) => scatter * (1 + (slope * (nm - 550)) / 150)),
    };
  };
  const [ochreEdge, redEdge, yellowEdge] = [edge(535), edge(585), edge(500)];
  const [blueAt, steep] = [edge(600), about(16, 0.3)];
  const whiteEdge = edge(420);
  return {
    base: {
      swallows: spectrum((nm) => about(0.006, 0) + 0.05 * (1 - rise(nm, whiteEdge, 12))),
      scatters: spectrum((nm) => 1 + (0.15 * (550 - nm)) / 150),
    },
    pigments: [
      pigment('yellow', (nm) => 0.9 * (1 - rise(nm, yellowEdge, steep)) + 0.004, 0.05),
      pigment('ochre', (nm) => 0.5 * (1 - rise(nm, ochreEdge, 1.6 * steep)) + 0.03, 0.12),
      pigment('red-brown', (nm) => 0.8 * (1 - rise(nm, redEdge, steep)) + 0.04, 0.1),
      pigment('blue', (nm) => 0.9 * lobe(nm, blueAt, 60, 70) + 0.05, 0.03),
      pigment('black', (nm) => 1.4 + (0.2 * (nm - 550)) / 150, 0.02),
    ],
  };
}

/** Light that the surface throws back before it enters, and back into the coat from within. */
const OUTSIDE = 0.04;
const INSIDE = 0.5;

/** The true colour of a mixture, linear sRGB: Kubelka and Munk at each wavelength, with the skin of the coat. */
export function trueMixture({ base, pigments }: Pigments, amounts: Readonly<Record<string, number>>): LinearRgb {
  const coat = base.swallows.map((k0, i) => {
    let [k, s] = [k0, base.scatters[i]!];
    for (const { id, swallows, scatters } of pigments) {
      k += (amounts[id] ?? 0) * swallows[i]!;
      s += (amounts[id] ?? 0) * scatters[i]!;
    }
    const ks = k / s;
    const inner = 1 + ks - Math.sqrt(ks * ks + 2 * ks);
    // Saunderson: a camera out of the shine does not see the first of it.
    return ((1 - OUTSIDE) * (1 - INSIDE) * inner) / (1 - INSIDE * inner);
  });
  return colourOf(coat) as unknown as LinearRgb;
}

/** Normal numbers from a source of even ones. */
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A drop as a hand mixes it: each amount off by so large a share. */
export const dosed = (
  amounts: Readonly<Record<string, number>>,
  share: number,
  random: () => number,
): Record<string, number> =>
  Object.fromEntries(
    Object.entries(amounts).map(([id, amount]) => [id, Math.max(0, amount * (1 + share * normal(random)))]),
  );
