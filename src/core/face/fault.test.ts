import fc from 'fast-check';
import { fieldOf } from '../rehearse/field';
import { MISTAKE } from '../rehearse/mistakes';
import { doseShares, WELL_DONE, yellowLeft, type Conduct } from '../rehearse/session';
import { seededNormal } from '../session/seededNormal.testing';
import { seededRandom } from '@/simulators/camera/random';
import { FAULTS, nameFault, type FaultKind } from './fault';

function face(kind: FaultKind, seed: number) {
  const normal = seededNormal(seed);
  const left = yellowLeft(doseShares({ ...WELL_DONE, ...MISTAKE[kind] }, 110, 70, seededRandom(seed)), 24, 6, 0.06, 16);
  return { ...left, values: left.values.map((b) => b + 0.3 * normal()) };
}

it('names what it was, on faces whose fault is known', () => {
  const named = Array.from({ length: 36 }, (_, i) => {
    const kind = FAULTS[i % FAULTS.length]!;
    return { kind, found: nameFault(face(kind, 500 + i)).kind };
  });
  const faulty = named.filter(({ kind }) => kind !== 'even');
  expect(faulty.filter(({ kind, found }) => kind === found).length / faulty.length).toBeGreaterThanOrEqual(0.9);
  expect(named.filter(({ kind, found }) => kind === 'even' && found !== 'even')).toEqual([]);
});

it('tells the direction of a slope and of lines, and where a spot is', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }), (turn) => {
      const slope = nameFault(fieldOf(100, 80, (x, y) => 10 + 8 * (x * Math.cos(turn) + y * Math.sin(turn))));
      expect(slope.kind).toBe('one side');
      const off = Math.abs(((slope.angleDeg! - (turn * 180) / Math.PI + 540) % 360) - 180);
      expect(off).toBeLessThan(2);
    }),
    { numRuns: 20 },
  );
  const line = nameFault(fieldOf(100, 80, (x, y) => 10 + 6 * Math.exp(-(((y - 0.5 * x) / 0.012) ** 2))));
  expect(line.kind).toBe('fold lines');
  expect(Math.abs(line.angleDeg! - 26.6)).toBeLessThanOrEqual(5);
  const spot = nameFault(fieldOf(100, 80, (x, y) => 10 + 8 * Math.exp(-((x - 0.2) ** 2 + (y + 0.1) ** 2) / 0.005)));
  expect(spot.kind).toBe('thick spots');
  expect(spot.at!.x).toBeCloseTo(0.7, 1);
  expect(spot.at!.y).toBeCloseTo(0.5 - 0.1 * (100 / 80), 1);
});

it('does not mind how yellow the face is, nor holes in it', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...FAULTS),
      fc.integer({ min: 1, max: 200 }),
      fc.double({ min: -5, max: 20, noNaN: true }),
      (kind, seed, more) => {
        const plain = face(kind, seed);
        const shifted = { ...plain, values: plain.values.map((b) => b + more) };
        expect(nameFault(shifted).kind).toBe(nameFault(plain).kind);
      },
    ),
    { numRuns: 20 },
  );
  const holed = fieldOf(100, 80, (x, y) => (Math.abs(x) < 0.1 && Math.abs(y) < 0.1 ? NaN : 10));
  expect(nameFault(holed).kind).toBe('even');
  expect(nameFault(fieldOf(5, 5, () => 3))).toMatchObject({ kind: 'even', at: null });
});

it('finds the palest place', () => {
  const pale = fieldOf(100, 80, (x, y) => 12 + 4 * x - (Math.hypot(x + 0.25, y) < 0.12 ? 6 : 0));
  expect(nameFault(pale).palest!.x).toBeCloseTo(0.25, 1);
  expect(nameFault(fieldOf(100, 80, (x) => 12 + 9 * x)).palest!.x).toBeLessThan(0.1);
});

describe('the session that is rehearsed', () => {
  it('well done it is even; every mistake makes it less so; cloud evens out one-sided light', () => {
    const spreadOf = (conduct: Partial<Conduct>) =>
      nameFault(yellowLeft(doseShares({ ...WELL_DONE, ...conduct }, 100, 70, seededRandom(9)), 24, 6, 0.06, 16)).size;
    expect(spreadOf({})).toBeLessThan(1);
    for (const kind of FAULTS.slice(1)) expect(spreadOf(MISTAKE[kind])).toBeGreaterThan(spreadOf({}));
    expect(spreadOf({ turned: false, cloudFraction: 0.9 })).toBeLessThan(spreadOf({ turned: false }));
  });

  it('yellow only goes down, towards the target, and more dose takes more of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAULTS),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.integer({ min: 1, max: 99 }),
        (kind, dose, seed) => {
          const shares = doseShares({ ...WELL_DONE, ...MISTAKE[kind] }, 24, 16, seededRandom(seed));
          const [less, more] = [yellowLeft(shares, 24, 6, 0.06, dose), yellowLeft(shares, 24, 6, 0.06, dose + 5)];
          less.values.forEach((b, cell) => {
            expect(b).toBeLessThanOrEqual(24.001);
            expect(b).toBeGreaterThanOrEqual(5.999);
            expect(more.values[cell]!).toBeLessThanOrEqual(b + 1e-4);
          });
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('each limit decides', () => {
  const faceOf = (rows: number, of: (x: number, y: number) => number) => ({
    columns: 200,
    rows,
    values: Float32Array.from({ length: 200 * rows }, (_, i) => of(i % 200, Math.floor(i / 200))),
  });
  const kindOf = (rows: number, of: (x: number, y: number) => number) => nameFault(faceOf(rows, of)).kind;

  it('what is thin: the ridge of a fold, and not the hills of a strip that run across it as well', () => {
    const fold = (x: number) => [40, 90, 150].reduce((sum, at) => sum + 5 * Math.exp(-(((x - at) / 2) ** 2)), 0);
    expect(kindOf(24, fold)).toBe('fold lines');
    expect(kindOf(24, (x) => 3 * Math.sin((2 * Math.PI * x) / 12))).toBe('fold lines');
    expect(kindOf(24, (x) => 3 * Math.sin((2 * Math.PI * x) / 14))).toBe('marbling');
  });

  it('how little of a slope is seen: a whole face that leans, from one and a half', () => {
    const leaning = (spread: number) => kindOf(100, (x) => ((spread / 0.9) * x) / 200);
    expect(leaning(1.4)).toBe('even');
    expect(leaning(1.65)).toBe('one side');
    // Half of it hills: no more than two are seen then.
    const hilly = (x: number, y: number) => (1.2 * x) / 200 + 0.45 * Math.sin(x / 7) * Math.sin(y / 7);
    expect(kindOf(100, hilly)).toBe('even');
  });

  it('how lonely spots are: broad ones with room between them are spots still, hills beside valleys are not', () => {
    const spots = (x: number, y: number) => {
      let sum = 0;
      for (let cx = 20; cx < 200; cx += 40)
        for (let cy = 20; cy < 100; cy += 40) sum += 8 * Math.exp(-((x - cx) ** 2 + (y - cy) ** 2) / 242);
      return sum;
    };
    expect(kindOf(100, spots)).toBe('thick spots');
    expect(kindOf(100, (x, y) => 3 * Math.sin(x / 7) * Math.sin(y / 7))).toBe('marbling');
  });
});
