import fc from 'fast-check';
import type { Fault } from './diagnosis';
import { KEYBOARD_KINDS } from './kinds';
import {
  costOf,
  expectedOf,
  oddsOfWay,
  ORDERS,
  planOf,
  REPAIR,
  REPAIR_WAYS,
  waysFor,
  type RepairWay,
  type WayOdds,
} from './repairs';

const line = { id: 'R1', kind: 'row' as const, route: ['a', 'b', 'c'], foldAfter: ['b'] };
const open = (between: [string, string]): Fault => ({ kind: 'open', line: 'R1', between });
const orders = <T>(of: readonly T[]): T[][] =>
  of.length < 2
    ? [[...of]]
    : of.flatMap((one, i) => orders(of.filter((_, j) => j !== i)).map((rest) => [one, ...rest]));

describe('ways to mend', () => {
  it('paint a flat break of a foil, and never one at its fold', () => {
    expect(waysFor(open(['a', 'b']), 'foil', [line]).ways).toEqual(['paint', 'new membrane']);
    const fold = waysFor(open(['b', 'c']), 'foil', [line]);
    expect(fold.ways).toEqual(['new membrane']);
    expect(fold.out).toContainEqual({ way: 'paint', why: 'At a fold paint cracks again: it would not hold.' });
  });

  it('never solder on foil', () => {
    for (const kind of ['foil', 'domes'] as const)
      for (const fault of [open(['a', 'b']), { kind: 'bridge', lines: ['R1', 'R2'] } as Fault]) {
        const { ways } = waysFor(fault, kind, [line]);
        expect(ways.filter((way) => ['wire link', 're-tin', 'unbridge'].includes(way))).toEqual([]);
      }
  });

  it('begin at the plug where the first stretch is open', () => {
    expect(waysFor(open(['connector', 'a']), 'domes', [line]).ways[0]).toBe('reseat');
    expect(waysFor(open(['a', 'b']), 'domes', [line]).ways).not.toContain('reseat');
  });

  it('are there for every fault on every kind, with steps and a caution where heat or solvent is used', () => {
    const faults: Fault[] = [
      open(['a', 'b']),
      { kind: 'contact', key: 'a' },
      { kind: 'stuck', key: 'a' },
      { kind: 'bridge', lines: ['R1', 'R2'] },
      { kind: 'plug', lines: [] },
    ];
    const used = new Set<RepairWay>();
    for (const kind of KEYBOARD_KINDS)
      for (const fault of faults) {
        const { ways } = waysFor(fault, kind, [line]);
        expect(ways.length).toBeGreaterThan(0);
        ways.forEach((way) => used.add(way));
      }
    expect([...used].sort()).toEqual([...REPAIR_WAYS].sort());
    for (const way of REPAIR_WAYS) {
      const { needs, cautions, steps } = REPAIR[way];
      expect(steps.length).toBeGreaterThan(1);
      const named = cautions.map(({ id }) => id);
      for (const [need, caution] of [
        [/alcohol/, 'alcohol on keys'],
        [/paint|ink/, 'conductive paint'],
        [/iron|solder/, 'hot iron'],
        [/fibre/, 'glass fibres'],
      ] as const)
        if (needs.some((one) => need.test(one))) expect([way, ...named]).toContain(caution);
    }
  });
});

describe('the odds of a way', () => {
  it('are a guess until the workshop has tried it, and move with what came of it', () => {
    expect(oddsOfWay('paint', [])).toEqual({ way: 'paint', odds: 0.7, from: 0 });
    const failed = Array.from({ length: 10 }, () => ({ way: 'paint' as const, outcome: 'no better' as const }));
    expect(oddsOfWay('paint', failed)).toEqual({ way: 'paint', odds: 0.35, from: 10 });
    expect(oddsOfWay('paint', [{ way: 'wipe', outcome: 'works' }]).from).toBe(0);
  });
});

describe('the order of ways', () => {
  it('is the one with the least expected minutes, or money, of all orders', () => {
    fc.assert(
      fc.property(
        fc.subarray([...REPAIR_WAYS], { minLength: 2, maxLength: 5 }),
        fc.constantFrom(...ORDERS),
        fc.integer({ min: 0, max: 6000 }),
        (ways, by, rate) => {
          const plan = planOf(ways, [], by, rate);
          const takes = (order: readonly WayOdds[]) => {
            const { minutes, costMinor } = expectedOf(order);
            return by === 'minutes' ? minutes : costMinor + (minutes / 60) * rate;
          };
          const least = Math.min(...orders(plan.order).map(takes));
          expect(takes(plan.order)).toBeCloseTo(least, 6);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('goes by what the stores hold: a part by its own price, a bottle by a share of it', () => {
    const stores = [
      { name: 'Membrane for a slab', priceMinor: 900 },
      { name: 'Silver conductive paint', priceMinor: 1400 },
    ];
    expect(costOf('new membrane', stores)).toEqual({ costMinor: 900, from: 'Membrane for a slab' });
    expect(costOf('new membrane', [])).toEqual({ costMinor: 3500, from: null });
    expect(costOf('paint', stores)).toEqual({ costMinor: 150, from: 'Silver conductive paint' });
    expect(costOf('wipe', stores)).toEqual({ costMinor: 10 });
    const cheap = [{ name: 'membrane', priceMinor: 0 }];
    const first = (of: typeof stores) => planOf(['paint', 'new membrane'], [], 'money', 100, of).order[0]!.way;
    expect([first([]), first(cheap)]).toEqual(['paint', 'new membrane']);
  });

  it('wipes before it paints and paints before it buys', () => {
    const order = planOf(['new membrane', 'paint', 'wipe'], [], 'minutes', 0).order.map(({ way }) => way);
    expect(order).toEqual(['wipe', 'paint', 'new membrane']);
    expect(expectedOf([oddsOfWay('wipe', []), oddsOfWay('paint', [])])).toEqual({
      minutes: expect.closeTo(6 + 0.43 * 35, 9),
      costMinor: expect.closeTo(10 + 0.43 * 150, 9),
      leftOver: expect.closeTo(0.43 * 0.3, 9),
    });
  });
});
