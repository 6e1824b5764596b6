import { Refusal } from '../refusal';

/** `first` goes on before `then`. */
export interface Block {
  first: string;
  then: string;
}

/**
 * Steps numbered 0 … n−1 in the plain reverse of teardown, so that a smaller number "should" go on earlier,
 * and the blocks between them.
 */
export interface Numbered {
  /** Ids in the plain reverse of teardown. */
  ids: string[];
  /** For each step, those that must be on directly before it. */
  before: number[][];
  /** For each step, those that directly wait for it. */
  after: number[][];
}

/**
 * Numbers the steps in the plain reverse of teardown.
 *
 * @param steps ids in the order they came off
 * @throws Refusal for a step named twice, a block of a step on itself or on a step that is not there
 */
export function numberSteps(steps: readonly string[], blocks: readonly Block[]): Numbered {
  const ids = [...steps].reverse();
  const numberOf = new Map(ids.map((id, i) => [id, i]));
  if (numberOf.size < ids.length) {
    const at = steps.findIndex((id, i) => steps.indexOf(id) !== i);
    throw new Refusal(
      `steps[${at}]`,
      `Step “${steps[at]}” is named twice. Each step comes off once; give the second one a name of its own.`,
    );
  }
  const before: number[][] = ids.map(() => []);
  const after: number[][] = ids.map(() => []);
  blocks.forEach(({ first, then }, i) => {
    if (first === then)
      throw new Refusal(
        `blocks[${i}]`,
        `Step “${first}” cannot wait for itself. A block needs two steps: one that goes on first and one that then can.`,
      );
    const [a, b] = [numberOf.get(first), numberOf.get(then)];
    const unknown = a === undefined ? first : then;
    if (a === undefined || b === undefined)
      throw new Refusal(
        `blocks[${i}]`,
        `The block names “${unknown}”, which is not among the steps. Name steps that came off.`,
      );
    if (before[b]!.includes(a)) return;
    before[b]!.push(a);
    after[a]!.push(b);
  });
  return { ids, before, after };
}

/** Pairs that stand the other way round than in the plain reverse. */
export function countInversions(order: readonly number[]): number {
  let count = 0;
  for (let i = 0; i < order.length; i++) for (let j = i + 1; j < order.length; j++) if (order[i]! > order[j]!) count++;
  return count;
}
