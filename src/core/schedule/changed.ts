import { UVI_PER_MW_CM2 } from '../fade/dose';
import type { BenchFacts, YellowFacts } from './facts/facts';
import type { Interval } from './problem';

/** What could be otherwise. */
export const WHAT_IFS = [
  'another lamp',
  'one more tub',
  'another pair of hands',
  'Saturday off',
  'no sun for three days',
] as const;
export type WhatIf = (typeof WHAT_IFS)[number];

const DAY = 1440;
const SATURDAY = 5;
/** A usual lamp box, UV-A at the piece, where the workshop has none to go by. */
const USUAL_LAMP_MW = 2.5;
/** Through film, as cream under a lamp goes. */
const THROUGH_FILM = 0.9;

/** A piece that waits for sun goes under the lamp, where nothing of it is planned yet. */
const underLamp = (yellow: YellowFacts, lampMwPerCm2: number): YellowFacts =>
  yellow.driver === 'lamp' || yellow.planned !== null
    ? yellow
    : { ...yellow, driver: 'lamp', perHour: lampMwPerCm2 * UVI_PER_MW_CM2 * THROUGH_FILM, longestMin: 48 * 60 };

const without = (available: readonly Interval[], from: number, to: number): Interval[] =>
  available.filter(([a, b]) => b <= from || a >= to);

/**
 * What is known of the bench, with something otherwise.
 *
 * @param today minutes until midnight, and which day it is, Monday 0
 */
export function changed(
  facts: BenchFacts,
  change: WhatIf,
  { midnight, weekday, lampMwPerCm2 }: { midnight: number; weekday: number; lampMwPerCm2: number },
): BenchFacts {
  switch (change) {
    case 'another lamp': {
      const mw = lampMwPerCm2 > 0 ? lampMwPerCm2 : USUAL_LAMP_MW;
      return {
        ...facts,
        things: { ...facts.things, lamp: facts.things.lamp + 1 },
        machines: facts.machines.map((machine) => ({
          ...machine,
          pieces: machine.pieces.map((piece) => ({
            ...piece,
            yellow: piece.yellow && underLamp(piece.yellow, mw),
          })),
        })),
      };
    }
    case 'one more tub':
      return { ...facts, things: { ...facts.things, tub: facts.things.tub + 1 } };
    case 'another pair of hands':
      return { ...facts, people: [...facts.people, { id: 'one more', available: facts.people[0]?.available ?? [] }] };
    case 'Saturday off': {
      // The next one: today, where it is Saturday.
      const days = (SATURDAY - weekday + 7) % 7;
      const [from, to] = [midnight + (days - 1) * DAY, midnight + days * DAY];
      return {
        ...facts,
        people: facts.people.map((person) => ({ ...person, available: without(person.available, from, to) })),
        sun: facts.sun.filter((day) => day.to <= from || day.from >= to),
      };
    }
    case 'no sun for three days':
      return { ...facts, sun: facts.sun.filter(({ from }) => from >= midnight + 2 * DAY) };
  }
}
