import type { Stage } from '../runsheet/stages';

/** What an owner allows without being asked. */
export interface Allowed {
  stages: Stage[];
  /** A purchase up to this, minor units. */
  spendMinor: number;
  words: string;
}

export const ANSWERS = ['yes', 'no', 'with conditions'] as const;
export type OwnerAnswer = (typeof ANSWERS)[number];

export const ABOUTS = ['treatment', 'purchase'] as const;
type About = (typeof ABOUTS)[number];

/** What matters of a request for what may be done. */
export interface Asked {
  about: About;
  stage: Stage;
  /** `null`: the whole machine. */
  pieceId: string | null;
  costMinor: number;
  answer: OwnerAnswer | null;
}

/** Stages that change a machine for good, or may; the others only look, take apart and write down. */
export const CHANGING: readonly Stage[] = ['wash', 'brighten', 'keys', 'mend', 'finish'];

type Step =
  { about: 'treatment'; stage: Stage; pieceId: string | null } | { about: 'purchase'; stage: Stage; costMinor: number };

/**
 * Why a step has to wait for the owner; `null` where it may be done. The newest request about it decides; an own
 * machine, and what is allowed without asking, never waits.
 *
 * @param requests in the order they were asked
 */
export function waitsForOwner(owner: string, allowed: Allowed, requests: readonly Asked[], step: Step): string | null {
  if (owner === '') return null;
  if (
    step.about === 'treatment'
      ? !CHANGING.includes(step.stage) || allowed.stages.includes(step.stage)
      : step.costMinor <= allowed.spendMinor
  )
    return null;
  const about = requests.filter(
    (request) =>
      request.about === step.about &&
      request.stage === step.stage &&
      (step.about === 'treatment'
        ? request.pieceId === null || request.pieceId === step.pieceId
        : request.costMinor >= step.costMinor),
  );
  const newest = about[about.length - 1];
  const what = step.about === 'treatment' ? `the stage “${step.stage}”` : 'a purchase of that size';
  if (!newest)
    return `${owner} did not allow ${what} without being asked. Write a request first, and wait for the answer.`;
  if (newest.answer === null) return `${owner} has not answered yet what was asked about ${what}.`;
  return newest.answer === 'no' ? `${owner} said no to ${what}.` : null;
}
