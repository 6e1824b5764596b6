import { linearToLab } from '@/core/colour/lab';
import type { LinearRgb, Srgb } from '@/core/colour/types';
import type { HazeMarks } from '@/core/finish/haze';
import type { Plate, Scene } from './scene';
import { middleOf } from './drops';
import { withPatches } from './rooms';
import { seededRandom } from './random';
import type { Taken } from './shot';

/** A window laid on printed stripes, as it takes their contrast. */
export interface HazedWindow {
  /** Share of the contrast it takes. */
  haze: number;
  /** Light that it lets through, and the tint of old plastic. */
  through: LinearRgb;
  paper: number;
  ink: number;
  /** Scratches and dust lie on it unevenly: so much more or less of the haze from place to place. */
  uneven: number;
  /** Light of the room that it throws back over all. */
  reflected: number;
  seed: number;
}

const grey = (light: number): LinearRgb => [light, light, light];

/**
 * Half of printed stripes under a window, the other half bare, a card beside. Haze mixes light and dark with their mean,
 * so that contrast falls by its share; the window also darkens and tints both.
 */
export function hazeScene(window: HazedWindow, card: readonly Srgb[]): Scene {
  const random = seededRandom(window.seed);
  const here = () => Math.min(1, Math.max(0, window.haze * (1 + window.uneven * (2 * random() - 1))));
  const mean = (window.paper + window.ink) / 2;
  const seen = (light: number) => {
    const veiled = light + here() * (mean - light);
    return window.through.map((t) => t * veiled + window.reflected) as unknown as LinearRgb;
  };
  const stripe = (id: string, x: number, y: number, colour: LinearRgb): Plate => ({
    ...{ id, box: [x, y, 22, 34], radiusMm: 0.2, lab: linearToLab(colour), relief: 0.02, shadowMm: 0 },
  });
  const plates: Plate[] = [
    {
      id: 'paper',
      box: [20, 58, 190, 96],
      radiusMm: 1,
      lab: linearToLab(grey(window.paper)),
      relief: 0.05,
      shadowMm: 0.4,
    },
    stripe('white', 40, 66, grey(window.paper)),
    stripe('black', 64, 66, grey(window.ink)),
    stripe('whiteThrough', 40, 110, seen(window.paper)),
    stripe('blackThrough', 64, 110, seen(window.ink)),
  ];
  return withPatches(
    {
      ...{ widthMm: 230, heightMm: 170, bench: [36, 2, 5], plates },
      regions: (['white', 'black', 'whiteThrough', 'blackThrough'] as const).map((id) => ({
        ...{ id, plate: id, box: [0, 0, 0, 0] },
        box: [
          plates.find((plate) => plate.id === id)!.box[0] + 6,
          plates.find((plate) => plate.id === id)!.box[1] + 10,
          10,
          14,
        ],
      })),
      card: [{ box: [24, 14, 28, 30], srgb: card[0]! }],
    },
    card,
  );
}

/** Windows as they come: clear to milky, yellowed, scratched unevenly, on paper and ink of any printer. */
export function someWindow(seed: number): HazedWindow {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const through = between(0.75, 0.93);
  return {
    ...{ haze: between(0, 0.6), paper: between(0.7, 0.88), ink: between(0.03, 0.09), uneven: between(0, 0.25) },
    ...{ reflected: between(0, 0.02), seed },
    through: [through, through * between(0.96, 1), through * between(0.8, 1)],
  };
}

/** Where its four places lie on a picture of it. */
export const hazeMarksOn = (spec: Taken['spec']): HazeMarks =>
  Object.fromEntries(spec.regions.map(({ id, polygon }) => [id, middleOf(polygon)])) as unknown as HazeMarks;
