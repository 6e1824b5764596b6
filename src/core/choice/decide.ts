import { assumed } from '../assumptions/assumptions';
import type { ForecastInput } from '../fade/fade';
import { bAfter, fadeSamples, type Sample } from '../fade/uncertain';

/** What can be done with a piece next. */
const CHOICES = ['stop', 'go on', 'even it out'] as const;
export type Choice = (typeof CHOICES)[number];

/** Parts of a face: where they lie between its palest and its yellowest, and how much of it they are. */
const PARTS = [
  { at: -0.5, share: 0.25 },
  { at: 0, share: 0.5 },
  { at: 0.5, share: 0.25 },
] as const;
/** Share of a session's light that each part gets when it is evened out: the pale parts are shaded. */
const EVENED = [0, 0.5, 1] as const;
const HOURS_OF_DAY = 24;

/** What one session like those before gives and asks for. */
export interface SessionAsked {
  dose: number;
  handsMin: number;
  waitingH: number;
}

/** What yellow or bleach that is left counts for, minutes of hands: nothing as long as it is not seen. */
const lossOf = (aboveB: number): number =>
  assumed('a unit of yellow left') * Math.max(0, Math.abs(aboveB) - assumed('seen b*'));

/** What each choice asks for besides what it leaves, minutes of hands. */
export function askedBy(choice: Choice, { handsMin, waitingH }: SessionAsked): number {
  if (choice === 'stop') return 0;
  const session = handsMin + (assumed('a day of waiting') * waitingH) / HOURS_OF_DAY;
  return choice === 'go on' ? session : session + assumed('evening out');
}

/** b* above the hidden patch of each part after a choice, of one way that it may stand. */
export function partsAfter(
  { rate, target, next }: Pick<Sample, 'rate' | 'target' | 'next'>,
  nowB: number,
  evenness: number,
  choice: Choice,
  dose: number,
): number[] {
  return PARTS.map(({ at }, part) => {
    const b = nowB + at * evenness;
    const share = choice === 'stop' ? 0 : choice === 'go on' ? 1 : EVENED[part]!;
    // Light takes no yellow from what has none left.
    return target + (b - target) * (b > target ? Math.exp(-rate * next * share * dose) : 1);
  });
}

/** What a face with these parts counts for. */
export const lossOfParts = (parts: readonly number[], hiddenB: number): number =>
  parts.reduce((sum, b, part) => sum + PARTS[part]!.share * lossOf(b - hiddenB), 0);

/**
 * What each choice is expected to cost, minutes of hands: its work, and what it leaves that is seen, over all ways that
 * it may stand with the piece.
 *
 * @param evenness spread of b* over the face, palest to yellowest
 */
export function costsOf(input: ForecastInput, evenness: number, session: SessionAsked): Record<Choice, number> {
  const samples = fadeSamples(input);
  const total = samples.reduce((sum, { weight }) => sum + weight, 0);
  const cost = (choice: Choice) =>
    askedBy(choice, session) +
    samples.reduce(
      (sum, sample) =>
        sum +
        sample.weight *
          lossOfParts(partsAfter(sample, bAfter(sample, 0), evenness, choice, session.dose), input.targetB),
      0,
    ) /
      total;
  return { stop: cost('stop'), 'go on': cost('go on'), 'even it out': cost('even it out') };
}

/** The choice that is expected to cost least. */
export const leastOf = (costs: Record<Choice, number>): Choice =>
  CHOICES.reduce((best, choice) => (costs[choice] < costs[best] ? choice : best));
