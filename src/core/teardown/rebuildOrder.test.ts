import fc from 'fast-check';
import { MOST_CIRCLES } from './circles';
import type { Block } from './order';
import { rebuildOrder } from './rebuildOrder';

const names = (count: number) => Array.from({ length: count }, (_, i) => `s${i}`);
const keeps = (order: readonly string[], blocks: readonly Block[]) =>
  blocks.every(({ first, then }) => order.indexOf(first) < order.indexOf(then));
const inversionsOf = (order: readonly string[], steps: readonly string[]) => {
  let count = 0;
  for (let i = 0; i < order.length; i++)
    for (let j = i + 1; j < order.length; j++) if (steps.indexOf(order[i]!) < steps.indexOf(order[j]!)) count++;
  return count;
};

/** Fewest inversions by trying every order. */
function bruteForce(steps: readonly string[], blocks: readonly Block[]): number {
  let best = Infinity;
  const walk = (order: string[], left: string[], cost: number): void => {
    if (cost >= best) return;
    if (left.length === 0) best = cost;
    for (const step of left) {
      if (blocks.some(({ first, then }) => then === step && left.includes(first))) continue;
      // Those still left that came off later should have gone on before.
      const wrong = left.filter((other) => steps.indexOf(other) > steps.indexOf(step)).length;
      walk(
        [...order, step],
        left.filter((other) => other !== step),
        cost + wrong,
      );
    }
  };
  walk([], [...steps], 0);
  return best;
}

/** A teardown and blocks without a circle: they all agree with one hidden order. */
const teardown = (most: number, mostBlocks: number) =>
  fc.integer({ min: 2, max: most }).chain((count) => {
    const pairs = fc.array(fc.tuple(fc.nat(count - 1), fc.nat(count - 1)), { maxLength: mostBlocks });
    return fc.tuple(fc.shuffledSubarray(names(count), { minLength: count }), pairs).map(([hidden, picked]) => ({
      steps: names(count),
      blocks: picked
        .filter(([a, b]) => a !== b)
        .map(([a, b]) => ({ first: hidden[Math.min(a, b)]!, then: hidden[Math.max(a, b)]! })),
    }));
  });

describe('the way back', () => {
  it('is the exact reverse where nothing blocks', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 80 }), (count) => {
        const steps = names(count);
        expect(rebuildOrder(steps, [])).toEqual({
          order: [...steps].reverse(),
          early: [],
          inversions: 0,
          lowerBound: 0,
          circles: [],
        });
      }),
    );
  });

  it('is the exact reverse where every block says what the reverse does', () => {
    const steps = ['screws', 'lid', 'shield', 'board'];
    const blocks = [
      { first: 'board', then: 'shield' },
      { first: 'shield', then: 'lid' },
    ];
    expect(rebuildOrder(steps, blocks).order).toEqual(['board', 'shield', 'lid', 'screws']);
  });

  it('has every step once and keeps every block', () => {
    fc.assert(
      fc.property(teardown(40, 60), ({ steps, blocks }) => {
        const { order, inversions, lowerBound, early } = rebuildOrder(steps, blocks);
        expect([...order].sort()).toEqual([...steps].sort());
        expect(keeps(order, blocks)).toBe(true);
        expect(inversions).toBe(inversionsOf(order, steps));
        expect(lowerBound).toBeLessThanOrEqual(inversions);
        const reverse = [...steps].reverse();
        for (const { step, placesEarlier } of early)
          expect(reverse.indexOf(step) - order.indexOf(step)).toBe(placesEarlier);
      }),
    );
  });

  it('has the fewest inversions of all orders', () => {
    fc.assert(
      fc.property(teardown(8, 12), ({ steps, blocks }) => {
        const { inversions, lowerBound } = rebuildOrder(steps, blocks);
        expect(inversions).toBe(bruteForce(steps, blocks));
        expect(lowerBound).toBeLessThanOrEqual(inversions);
      }),
      { numRuns: 400 },
    );
  });

  it('is proven best up to sixty steps with twelve contradicting blocks', () => {
    fc.assert(
      fc.property(teardown(60, 80), ({ steps, blocks }) => {
        let contradicting = 0;
        const few = blocks.filter(({ first, then }) => {
          const against = steps.indexOf(first) < steps.indexOf(then);
          return !against || contradicting++ < 12;
        });
        const { inversions, lowerBound } = rebuildOrder(steps, few);
        expect(lowerBound).toBe(inversions);
      }),
      { numRuns: 150 },
    );
  });

  it('of equally good orders takes the one where the blocked step’s partner goes in early', () => {
    const steps = ['tabs', 'cap', 'frame', 'rod'].reverse();
    // Reverse: tabs, cap, frame, rod. The rod has to be under its tabs before the cap.
    const { order, early } = rebuildOrder(steps, [{ first: 'rod', then: 'cap' }]);
    expect(order).toEqual(['tabs', 'rod', 'cap', 'frame']);
    expect(early).toEqual([{ step: 'rod', placesEarlier: 2 }]);
  });
});

describe('circles', () => {
  it('are each reported, the smallest first, and then there is no order', () => {
    const ring = (...ids: string[]) => ids.map((first, i) => ({ first, then: ids[(i + 1) % ids.length]! }));
    const { circles, order } = rebuildOrder(names(9), [
      ...ring('s0', 's3', 's5', 's7'),
      ...ring('s1', 's2'),
      { first: 's8', then: 's0' },
    ]);
    expect(order).toEqual([]);
    expect(circles.map((circle) => [...circle].sort())).toEqual([
      ['s1', 's2'],
      ['s0', 's3', 's5', 's7'],
    ]);
  });

  it('that share steps are told apart', () => {
    const { circles } = rebuildOrder(names(3), [
      { first: 's0', then: 's1' },
      { first: 's1', then: 's0' },
      { first: 's1', then: 's2' },
      { first: 's2', then: 's0' },
    ]);
    expect(circles).toEqual([['s1', 's0'], expect.arrayContaining(['s0', 's1', 's2'])]);
  });

  it('are found wherever there are any, each a real ring of blocks without a step twice', () => {
    const anyBlocks = fc.array(fc.tuple(fc.nat(9), fc.nat(9)), { maxLength: 25 });
    fc.assert(
      fc.property(anyBlocks, (pairs) => {
        const blocks = pairs.filter(([a, b]) => a !== b).map(([a, b]) => ({ first: `s${a}`, then: `s${b}` }));
        const { order, circles } = rebuildOrder(names(10), blocks);
        expect(order.length === 0).toBe(circles.length > 0);
        const lengths = circles.map((circle) => circle.length);
        expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
        expect(circles.length).toBeLessThanOrEqual(MOST_CIRCLES);
        for (const circle of circles) {
          expect(new Set(circle).size).toBe(circle.length);
          circle.forEach((first, i) => expect(blocks).toContainEqual({ first, then: circle[(i + 1) % circle.length] }));
        }
      }),
    );
  });
});

describe('what cannot be', () => {
  it.each([
    [['a', 'b', 'a'], [], 'named twice'],
    [['a', 'b'], [{ first: 'a', then: 'a' }], 'cannot wait for itself'],
    [['a', 'b'], [{ first: 'a', then: 'z' }], '“z”, which is not among the steps'],
  ])('%j %j is refused in words', (steps, blocks, words) => {
    expect(() => rebuildOrder(steps, blocks)).toThrow(words);
  });
});
