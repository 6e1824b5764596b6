import { bestOrder } from './bestOrder';
import { findCircles } from './circles';
import { countInversions, numberSteps, type Block } from './order';
import { partsOf } from './part';

export interface RebuildOrder {
  /** Ids in the order to put on; empty where the blocks run in a circle. */
  order: string[];
  /** Steps that go on earlier than the plain reverse of teardown would have them. */
  early: { step: string; placesEarlier: number }[];
  /** Pairs that stand the other way round than in the plain reverse. */
  inversions: number;
  /** No order that keeps all blocks has fewer; equal to `inversions` where the order is proven best. */
  lowerBound: number;
  /** Steps that wait for each other in a ring, smallest ring first. */
  circles: string[][];
}

/** A part up to this size is searched to the end; larger ones get a good order and a bound. */
const SEARCHED_SIZE = 60;
const SEARCHED_CONTRADICTIONS = 12;
const NO_LIMIT = Infinity;
/** Work for all the parts together that may be too large to search to the end, about 10 ms of it. */
const LITTLE_WORK = 1_000_000;

/**
 * The way back: an order that keeps every block and stays as close to the reverse of teardown as can be, which
 * is to say with the fewest inversions against it (Kendall's distance). Proven best for up to 60 steps of which
 * at most 12 blocks contradict the plain reverse, and wherever else the bound is met.
 *
 * @param steps ids in the order they came off
 * @param blocks `first` goes on before `then`
 * @throws Refusal for a step named twice, a block of a step on itself or on an unknown step
 * @example rebuildOrder(['lid', 'shield'], [{ first: 'lid', then: 'shield' }]).order // ['lid', 'shield']
 */
export function rebuildOrder(steps: readonly string[], blocks: readonly Block[]): RebuildOrder {
  const numbered = numberSteps(steps, blocks);
  const circles = findCircles(numbered).map((circle) => circle.map((step) => numbered.ids[step]!));
  if (circles.length > 0) return { order: [], early: [], inversions: 0, lowerBound: 0, circles };
  let lowerBound = 0;
  let work = LITTLE_WORK;
  const order = partsOf(numbered).flatMap((part) => {
    const searched = part.size <= SEARCHED_SIZE && part.contradicting <= SEARCHED_CONTRADICTIONS;
    const best = bestOrder(part, searched ? NO_LIMIT : work);
    if (!searched) work -= best.work;
    lowerBound += best.lowerBound;
    return best.order.map((step) => step + part.from);
  });
  const early = order.flatMap((step, at) =>
    step > at ? [{ step: numbered.ids[step]!, placesEarlier: step - at }] : [],
  );
  return {
    order: order.map((step) => numbered.ids[step]!),
    early,
    inversions: countInversions(order),
    lowerBound,
    circles: [],
  };
}
