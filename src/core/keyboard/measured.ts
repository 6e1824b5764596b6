import { median } from '../numbers';
import { wideKeys } from './caps';
import type { KeyboardKind } from './kinds';
import type { BoardKey } from './layout';
import { contactVerdict, type ContactLimits } from './trace';

/** What can be measured of a key’s parts. */
export const MEASURES = ['pad', 'spring length', 'spring force', 'dome height'] as const;
export type Measure = (typeof MEASURES)[number];

export const MEASURE: Record<Measure, { title: string; unit: string; most: number; for: readonly KeyboardKind[] }> = {
  pad: {
    title: 'Contact',
    unit: 'Ω',
    most: 1e9,
    for: ['carbon-pads', 'rubber-pads', 'domes', 'foil', 'switches', 'micro-switches'],
  },
  'spring length': { title: 'Free length of the spring', unit: 'mm', most: 100, for: ['carbon-pads', 'switches'] },
  'spring force': { title: 'Force to press it', unit: 'g', most: 1000, for: ['carbon-pads', 'switches', 'domes'] },
  'dome height': { title: 'Height of the dome', unit: 'mm', most: 30, for: ['domes', 'rubber-pads'] },
};

/** Parts that differ from the middle by more robust spreads than this are others: 3.5 of Iglewicz and Hoaglin. */
const OUTLYING = 3.5;
/** A spread from the middle distance between values: of a normal one. */
const SPREAD_OF_MAD = 1.4826;
/** Parts of one kind are never more alike than this share of the middle: a caliper and a hand are not. */
const LEAST_SPREAD = 0.02;
/** Of fewer than these nobody can say which is the odd one. */
const FEWEST = 5;

export interface PartOff {
  key: string;
  value: number;
  /** Below or above the rest. */
  side: 'low' | 'high';
  /** How many robust spreads off. */
  spreads: number;
}

/**
 * Keys whose part measures otherwise than the rest, by the median and the median distance from it, so that the odd ones
 * do not move the limit.
 *
 * @param values by key
 */
export function partsOff(
  values: Readonly<Record<string, number>>,
): { middle: number; spread: number; off: PartOff[] } | null {
  const all = Object.values(values);
  if (all.length < FEWEST) return null;
  const middle = median(all)!;
  const mad = median(all.map((value) => Math.abs(value - middle)))!;
  const spread = Math.max(SPREAD_OF_MAD * mad, LEAST_SPREAD * Math.abs(middle), 1e-9);
  const off = Object.entries(values).flatMap(([key, value]): PartOff[] => {
    const spreads = (value - middle) / spread;
    return Math.abs(spreads) > OUTLYING
      ? [{ key, value, side: spreads < 0 ? 'low' : 'high', spreads: Math.abs(spreads) }]
      : [];
  });
  return { middle, spread, off: off.sort((a, b) => b.spreads - a.spreads) };
}

/** A stiff spring under a small key, and the wide key that goes without one. */
export interface MixedSpring {
  stiffUnder: string;
  belongsUnder: string;
}

/**
 * Springs that were mixed up: the stiffer one of a wide key under a small one, while the wide key has one like all.
 *
 * @param values of force or length, by key
 */
export function mixedSprings(keys: readonly BoardKey[], values: Readonly<Record<string, number>>): MixedSpring[] {
  const found = partsOff(values);
  if (!found) return [];
  const wide = wideKeys(keys).map(({ id }) => id);
  const stiff = found.off.filter(({ key, side }) => side === 'high' && !wide.includes(key));
  const limp = wide.filter(
    (key) => values[key] !== undefined && Math.abs(values[key] - found.middle) <= OUTLYING * found.spread,
  );
  // The widest key wants the stiffest spring.
  const widest = limp
    .map((id) => keys.find((key) => key.id === id)!)
    .sort((a, b) => b.w - a.w)
    .map(({ id }) => id);
  return stiff.slice(0, widest.length).map(({ key }, i) => ({ stiffUnder: key, belongsUnder: widest[i]! }));
}

/** Contacts by what they ask for, where any does. */
export function contactsToMend(
  values: Readonly<Record<string, number>>,
  limits: ContactLimits,
): { key: string; value: number; verdict: 'clean' | 'renew' }[] {
  return Object.entries(values)
    .flatMap(([key, value]) => {
      const verdict = contactVerdict(value, limits);
      return verdict === 'pass' ? [] : [{ key, value, verdict }];
    })
    .sort((a, b) => b.value - a.value);
}
