import fc from 'fast-check';
import { SHEET_STEEL } from '../assumptions/finishCases.testing';
import { mixtureOf } from '../materials/mixing';
import { acidBath, BATH_ACIDS } from './acidBath';
import {
  METAL_TASKS,
  METALS,
  RUST_KINDS,
  RUST_WAYS,
  rustLadder,
  sandingOf,
  TOUCHES,
  type RustPatch,
  type RustWay,
} from './rust';
import { RUST_BRINGS } from './rustWords';

const ways = (patch: Partial<RustPatch>) => rustLadder({ ...SHEET_STEEL, ...patch }, 20).rungs.map(({ way }) => way);
const why = (patch: Partial<RustPatch>, way: RustWay) =>
  rustLadder({ ...SHEET_STEEL, ...patch }, 20).ruledOut.find((out) => out.way === way)?.why.kind;

const anyPatch = fc.record<RustPatch>({
  metal: fc.constantFrom(...METALS),
  kind: fc.constantFrom(...RUST_KINDS),
  task: fc.constantFrom(...METAL_TASKS),
  touches: fc.constantFrom(...TOUCHES),
  areaCm2: fc.double({ min: 1, max: 2000, noNaN: true }),
  thickMm: fc.double({ min: 0.1, max: 5, noNaN: true }),
  pitMm: fc.double({ min: 0, max: 1, noNaN: true }),
  comesOff: fc.boolean(),
});

it('goes from the gentlest on, and strong acid is the last before another part', () => {
  expect(ways({ thickMm: 2 })).toEqual(['oil', 'brush', 'acid bath', 'converter', 'sanding', 'strong acid', 'replace']);
  expect(ways({ kind: 'bloom', pitMm: 0 })).not.toContain('strong acid');
  fc.assert(
    fc.property(anyPatch, (patch) => {
      const { rungs, mayLoseUm } = rustLadder(patch, 20);
      const order = rungs.map(({ way }) => RUST_WAYS.indexOf(way));
      expect(order).toEqual([...order].sort((a, b) => a - b));
      // It stops where going on takes more metal than the part may lose.
      for (const { takesUm } of rungs) expect(takesUm).toBeLessThanOrEqual(mayLoseUm + 1e-9);
      expect(rungs.at(-1)?.way).toBe('replace');
    }),
  );
});

it('strong acid comes to nothing plated, thin, springy or that stays in its place', () => {
  expect(why({ metal: 'plated steel' }, 'strong acid')).toBe('plating');
  expect(why({ metal: 'tin plate' }, 'strong acid')).toBe('plating');
  expect(why({ metal: 'spring steel' }, 'strong acid')).toBe('springs crack');
  expect(why({ thickMm: 0.5 }, 'strong acid')).toBe('too thin');
  expect(why({ comesOff: false }, 'strong acid')).toBe('does not come off');
  expect(why({ metal: 'aluminium' }, 'acid bath')).toBe('not on aluminium');
});

it('what takes rust off takes plating too, and says so; a shield gets no converter and ends in zinc-rich primer', () => {
  const plated = rustLadder({ ...SHEET_STEEL, metal: 'plated steel' }, 20);
  expect(plated.rungs.find(({ way }) => way === 'sanding')?.takesPlating).toBe(true);
  expect(plated.rungs.find(({ way }) => way === 'oil')?.takesPlating).toBe(false);
  const shield = rustLadder({ ...SHEET_STEEL, task: 'shield and conduct' }, 20);
  expect(shield.ruledOut).toContainEqual({ way: 'converter', why: { kind: 'does not conduct' } });
  expect(shield.after).toEqual(['rinse and dry at once', 'continuity', 'mask lands', 'zinc-rich primer, both faces']);
  expect(rustLadder({ ...SHEET_STEEL, touches: 'plastic' }, 20).after).toContain('stain on the plastic with it');
});

it('of what is through nothing is left but another part; old paint that nobody knows brings the caution of lead', () => {
  expect(ways({ kind: 'through' })).toEqual(['replace']);
  const { rungs } = rustLadder({ ...SHEET_STEEL, touches: 'old paint, not known' }, 20);
  for (const { way, caution } of rungs)
    if (way === 'sanding' || way === 'brush') expect(caution).toContain('lead dust');
});

it('papers begin by the deepest pit, each next at most double, and coarser digging takes longer', () => {
  const grits = (pitMm: number) => sandingOf({ ...SHEET_STEEL, task: 'be seen', pitMm }).map(({ grit }) => grit);
  expect(grits(0.25)[0]).toBe(80);
  expect(grits(0.12)[0]).toBe(120);
  expect(grits(0.06)[0]).toBe(180);
  expect(grits(0)[0]).toBe(240);
  for (const row of [grits(0.25), grits(0)])
    row.slice(1).forEach((grit, i) => expect(grit).toBeLessThanOrEqual(2 * row[i]!));
  const minutes = (pitMm: number) => sandingOf({ ...SHEET_STEEL, pitMm }).reduce((sum, one) => sum + one.minutes, 0);
  expect(minutes(0.3)).toBeGreaterThan(minutes(0.05));
});

it('no way against rust ever comes to a bench with bleach or peroxide where it is an acid', () => {
  for (const way of RUST_WAYS) {
    if (!RUST_BRINGS[way].some((family) => /Acid$/.test(family))) continue;
    for (const other of ['chlorine', 'peroxide'] as const)
      expect(mixtureOf(RUST_BRINGS[way], [other]).together).toBe('never together');
  }
});

it('hours of a bath: half for each 10 °C warmer, with the root of its strength, refused where it is not used', () => {
  const of = (temperatureC: number, percent = 5) =>
    acidBath({ acid: 'citric acid', percent, temperatureC, rustUm: 20 }).hours;
  fc.assert(
    fc.property(fc.double({ min: 5, max: 50, noNaN: true }), (c) => {
      expect(of(c) / of(c + 10)).toBeCloseTo(2, 9);
    }),
  );
  expect(of(20, 5) / of(20, 20)).toBeCloseTo(2, 9);
  for (const acid of BATH_ACIDS) {
    expect(() => acidBath({ acid, percent: 5, temperatureC: 3, rustUm: 10 })).toThrow(/hardly works/);
    expect(() => acidBath({ acid, percent: 5, temperatureC: 70, rustUm: 10 })).toThrow(/fumes/);
    expect(() => acidBath({ acid, percent: 40, temperatureC: 20, rustUm: 10 })).toThrow(/from 1 to 20 %/);
  }
});
