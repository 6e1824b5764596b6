import { saturationHpa } from '../vapour';
import { assumed } from '../assumptions/assumptions';
import type { Agent } from '../materials/agents';
import type { Surface } from '../materials/surfaces';

const HOUR_MS = 3_600_000;

/** What dries, and where. */
export interface Drying {
  surfaces: readonly Pick<Surface, 'dryH'>[];
  /** Hollow parts, blind holes and double walls hold water. */
  hollow: boolean;
  /** Air moves over it: a fan, an open window. */
  airing: boolean;
  temperatureC: number;
  /** Relative humidity, 0 to 1. */
  humidity: number;
}

/** How thirsty the air is, hPa: what it still takes up (Dalton: evaporation goes with it). */
const thirstHpa = (temperatureC: number, humidity: number): number => saturationHpa(temperatureC) * (1 - humidity);

const USUAL_HPA = thirstHpa(20, 0.5);
/** Alcohol is gone soon, vinegar stays longer than water: the craft's own observation. */
const LIQUID: Record<string, number> = { nothing: 0, water: 1, alcohol: 0.03, vinegar: 1.3, oil: 0 };
const LEAST_HPA = 1;

/**
 * Hours until a piece is dry. At 20 °C and half humidity shells and caps take a night (18 h); drier, warmer or moving
 * air shortens it with the thirst of the air. An estimate: touch it and weigh it where it matters.
 */
export function dryHours({ leaves, wet }: Agent, { surfaces, hollow, airing, temperatureC, humidity }: Drying): number {
  const longest = Math.max(0, ...surfaces.map(({ dryH }) => dryH));
  const air = USUAL_HPA / Math.max(LEAST_HPA, thirstHpa(temperatureC, humidity));
  const share = wet === 'bath' ? 1 : wet === 'damp' ? assumed('drying after a cloth') : 0.05;
  return (
    longest *
    LIQUID[leaves]! *
    share *
    air *
    (hollow ? assumed('drying hollow') : 1) *
    (airing ? assumed('drying in moving air') : 1)
  );
}

/** When it is dry, from when it came out of the wet. */
export const dryAt = (since: Date, hours: number): Date => new Date(since.getTime() + hours * HOUR_MS);
