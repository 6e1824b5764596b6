import type { Lab, Srgb } from '@/core/colour/types';
import { srgbToLab } from '@/core/colour/lab';
import { NO_PHONE, somePhone } from './phone';
import { seededRandom } from './random';
import type { CardChip, Plate, Scene } from './scene';
import { PLAIN_SHOT, type Room, type Shot } from './shot';
import { cameraMatrix, daylight, glow, pigments, SENSORS, whiteLed, type Spectrum } from './spectra';

/** How well a picture is taken: as it is told, or as most are. */
export type Practice = 'good' | 'ordinary';

type Between = (low: number, high: number) => number;

/** A lamp by its name and its colour temperature. */
function lampOf(
  practice: Practice,
  between: Between,
): { lamp: Spectrum; kelvin: number; of: (kelvin: number) => Spectrum } {
  const day = (kelvin: number) => daylight(Math.max(4000, kelvin));
  const kinds =
    practice === 'good'
      ? [{ of: day, low: 5000, high: 7500 }]
      : [
          { of: day, low: 4500, high: 10_000 },
          { of: glow, low: 2600, high: 3000 },
          { of: whiteLed, low: 2700, high: 6500 },
        ];
  const { of, low, high } = kinds[Math.floor(between(0, kinds.length - 1e-9))]!;
  const kelvin = between(low, high);
  return { lamp: of(kelvin), kelvin, of };
}

/** A room as its seed has it: lamps, balance, lens and phone. */
function someRoom(practice: Practice, seed: number): Room {
  const random = seededRandom(seed * 101 + 13);
  const between: Between = (low, high) => low + (high - low) * random();
  const good = practice === 'good';
  const eye = SENSORS[Math.floor(random() * SENSORS.length)]!;
  const things = pigments({ blueEdge: between(485, 512), redEdge: between(575, 595), steep: between(9, 20) });
  const first = lampOf(practice, between);
  // A balance misses by hundreds of kelvin in good light, by thousands in a room.
  const miss = Math.exp((good ? 0.05 : 0.2) * (random() + random() + random() - 1.5) * 2);
  const believed = first.of(Math.min(12_000, Math.max(2400, first.kelvin * miss)));
  const side = between(0, 2 * Math.PI);
  const away = (angle: number, far: number): [number, number] => [far * Math.cos(angle), far * Math.sin(angle)];
  const main = {
    matrix: cameraMatrix(eye, first.lamp, believed, things),
    at: away(side, good ? between(0.3, 1.5) : between(0.3, 1.2)),
    distance: good ? between(4, 9) : between(1, 3.5),
    share: 1,
  };
  const second = !good && random() < 0.4 ? lampOf(practice, between) : null;
  const share = second ? between(0.15, 0.45) : 0;
  const lamps = second
    ? [
        { ...main, share: 1 - share },
        {
          matrix: cameraMatrix(eye, second.lamp, believed, things),
          at: away(side + Math.PI + between(-0.7, 0.7), between(0.4, 1.2)),
          distance: between(1, 3),
          share,
        },
      ]
    : [main];
  const shadowed = !good && random() < 0.25;
  const glared = random() < (good ? 0.1 : 0.35);
  return {
    lamps,
    vignette: good ? between(0, 0.1) : between(0, 0.25),
    flare: good ? between(0, 0.012) : between(0, 0.03),
    shadow: shadowed
      ? {
          at: [between(-0.35, 0.35), between(-0.25, 0.25)],
          angleDeg: between(0, 360),
          soft: between(0.02, 0.15),
          depth: between(0.08, 0.35),
        }
      : null,
    glare: glared
      ? { at: [between(-0.35, 0.35), between(-0.25, 0.1)], radius: between(0.02, 0.07), strength: between(0.1, 0.5) }
      : null,
    phone: seed % 5 === 0 ? NO_PHONE : somePhone(seed, good ? 0.5 : 1),
  };
}

const WIDTHS = { good: [1600, 2000, 2400, 4000], ordinary: [600, 1000, 1600, 2400, 4000] } as const;

/** A photograph as somebody takes it: well, or as most do. */
export function someShot(practice: Practice, seed: number, width?: number): Shot {
  const random = seededRandom(seed * 977 + 5);
  const between: Between = (low, high) => low + (high - low) * random();
  const good = practice === 'good';
  const widths = WIDTHS[practice];
  const across = width ?? widths[Math.floor(random() * widths.length)]!;
  return {
    ...PLAIN_SHOT,
    width: across,
    height: Math.round(0.75 * across),
    exposure: good ? between(0.78, 0.95) : between(0.5, 1),
    tilt: between(0, good ? 0.3 : 0.7),
    turnDeg: between(-6, 6),
    blurPx: between(0.5, good ? 0.9 : 1.4) * Math.max(1, across / 1600),
    noiseCodes: good ? between(0.8, 2) : between(1.5, 5),
    seed,
    room: someRoom(practice, seed),
  };
}

/** JPEG quality that a phone keeps it with. */
export const someQuality = (seed: number): number => 70 + ((seed * 7) % 26);

/** How a phone stores it: mostly upright, now and then turned with the turn in its EXIF. */
export const someOrientation = (seed: number): 1 | 3 | 6 | 8 => ([1, 1, 6, 1, 3, 1, 8] as const)[seed % 7]!;

/** Patches of a card by how many there are: greys, the first of about 60 %, or greys and paint chips. */
export const PATCHES: Record<1 | 2 | 3 | 7, readonly Srgb[]> = {
  1: [[202, 202, 202]],
  2: [
    [202, 202, 202],
    [128, 128, 128],
  ],
  3: [
    [202, 202, 202],
    [128, 128, 128],
    [232, 232, 232],
  ],
  7: [
    [202, 202, 202],
    [128, 128, 128],
    [70, 70, 70],
    [176, 96, 84],
    [92, 140, 96],
    [84, 108, 168],
    [222, 196, 120],
  ],
};

/** The same scene with other patches in the place of its card. */
export function withPatches(scene: Scene, colours: readonly Srgb[]): Scene {
  const [x, y] = scene.card[0]!.box;
  const isCard = ({ id }: Plate) => /^card/.test(id);
  const chips = colours.map((srgb, i): CardChip => ({ srgb, box: [x + 30 * i, y, 28, 30] }));
  const rim: Lab = [22, 0, 0];
  return {
    ...scene,
    plates: [
      ...scene.plates.filter((plate) => !isCard(plate)),
      { id: 'card-rim', box: [x - 4, y - 4, 30 * colours.length + 6, 38], radiusMm: 2, lab: rim, shadowMm: 3 },
      ...chips.map(({ box, srgb }, i) => ({ id: `card-${i}`, box, radiusMm: 0.5, lab: srgbToLab(srgb) })),
    ],
    card: chips,
  };
}
