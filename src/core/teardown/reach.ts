import type { Joint } from './joints';

interface Step {
  id: string;
  name: string;
  joint: Joint;
}

/** Joints of things that are fasteners themselves and cover nothing. */
export const COVERS_NOTHING: readonly Joint[] = ['screws', 'plug', 'ribbon clamp', 'wires', 'solder', 'spring', 'cap'];

/**
 * What may be out of reach once a step is on again, to be asked at the right moment: all that came off before it
 * and would therefore go on after it, the nearest first, without what a block puts before it already.
 *
 * @param steps in the order taken off
 */
export function maybeOutOfReach<S extends Step>(
  step: Step,
  steps: readonly S[],
  blocks: readonly { firstId: string; thenId: string }[],
): S[] {
  if (COVERS_NOTHING.includes(step.joint)) return [];
  const at = steps.findIndex(({ id }) => id === step.id);
  const settled = new Set(
    blocks
      .filter(({ firstId, thenId }) => thenId === step.id || firstId === step.id)
      .flatMap(({ firstId, thenId }) => [firstId, thenId]),
  );
  return steps
    .slice(0, Math.max(0, at))
    .filter(({ id }) => !settled.has(id))
    .reverse();
}
