import fc from 'fast-check';
import { cellsFor, evenness, lightChange, lowPass, speakingCells, spread, streak, type CellMap } from './cells';
import { polygonRuns, rectPolygon } from './polygon';

/** A region of 400 × 300 pixels with values given by the place of each cell. */
function mapOf(value: (x: number, y: number) => { b?: number; e?: number; l?: number }): CellMap {
  const map = cellsFor(polygonRuns(rectPolygon([0, 0, 400, 300]), 400, 300));
  for (let c = 0; c < map.weight.length; c++) {
    const x = (c % map.columns) / map.columns;
    const y = Math.floor(c / map.columns) / map.rows;
    const { b = 0, e = 0, l = 80 } = value(x, y);
    map.weight[c] = map.cellPx * map.cellPx;
    map.deltaB[c] = b;
    map.deltaE[c] = e;
    map.lightness[c] = l;
  }
  return map;
}

it('cuts a region into small squares that cover it', () => {
  const map = cellsFor(polygonRuns(rectPolygon([10, 20, 400, 300]), 800, 600));
  expect(map.cellPx).toBe(2);
  expect(map.columns * map.cellPx).toBeGreaterThanOrEqual(400);
  expect(map.rows * map.cellPx).toBeGreaterThanOrEqual(300);
  expect([map.left, map.top]).toEqual([10, 20]);
});

it('cells with hardly any of the piece do not speak', () => {
  const map = mapOf(() => ({}));
  map.weight[0] = 0;
  map.weight[1] = 0.3 * map.cellPx * map.cellPx;
  const cells = speakingCells(map);
  expect(cells).not.toContain(0);
  expect(cells).not.toContain(1);
  expect(cells).toHaveLength(map.weight.length - 2);
});

it('evenness is the spread between the 5th and 95th percentile', () => {
  const ramp = mapOf((x) => ({ b: 10 * x }));
  expect(evenness(ramp, speakingCells(ramp))).toBeCloseTo(9, 0);
  const flat = mapOf(() => ({ b: 4 }));
  expect(evenness(flat, speakingCells(flat))).toBe(0);
});

describe('low pass', () => {
  it('leaves an even map as it is, right to its edge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.double({ min: 0.8, max: 6, noNaN: true }),
        (level, sigma) => {
          const map = mapOf(() => ({ b: level }));
          const [smooth] = lowPass(map, [map.deltaB], sigma) as [Float32Array];
          for (const c of [0, map.columns - 1, smooth.length >> 1, smooth.length - 1])
            expect(smooth[c]).toBeCloseTo(level, 3);
        },
      ),
      { numRuns: 10 },
    );
  });

  it('does not let left-out spots pull their neighbours down', () => {
    const map = mapOf(() => ({ b: 8 }));
    for (let c = 0; c < map.weight.length; c += 7) {
      map.weight[c] = 0;
      map.deltaB[c] = 0;
    }
    const [smooth] = lowPass(map, [map.deltaB], 2) as [Float32Array];
    expect(Math.min(...smooth)).toBeCloseTo(8, 3);
  });

  it('takes away grain and keeps what is broad', () => {
    const grain = mapOf((x, y) => ({ e: (Math.round(x * 200) + Math.round(y * 150)) % 2 }));
    const broad = mapOf((x) => ({ e: Math.sin(x * Math.PI) }));
    const cells = speakingCells(grain);
    const after = (map: CellMap) => spread(lowPass(map, [map.deltaE], 4)[0]!, cells);
    expect(after(grain)).toBeLessThan(0.05 * spread(grain.deltaE, cells));
    expect(after(broad)).toBeGreaterThan(0.9 * spread(broad.deltaE, cells));
  });
});

describe('streaks', () => {
  it.each([0, 30, 60, 90, 120, 150])('run at %d degrees where they were laid so', (angleDeg) => {
    const angle = (angleDeg * Math.PI) / 180;
    // Square in pixels: 400 by 300.
    const map = mapOf((x, y) => ({ b: 3 * Math.sin((-400 * x * Math.sin(angle) + 300 * y * Math.cos(angle)) / 9) }));
    const found = streak(map, map.deltaB, speakingCells(map));
    const off = Math.abs(((found.angleDeg - angleDeg + 90 + 360) % 180) - 90);
    expect(off).toBeLessThan(4);
    expect(found.coherence).toBeGreaterThan(0.9);
  });

  it('are not found on an even piece, nor in round blotches', () => {
    const even = mapOf(() => ({ b: 5 }));
    expect(streak(even, even.deltaB, speakingCells(even)).coherence).toBe(0);
    const round = mapOf((x, y) => ({ b: 5 * Math.exp(-((x * 4 - 2) ** 2) - (y * 3 - 1.5) ** 2) }));
    expect(streak(round, round.deltaB, speakingCells(round)).coherence).toBeLessThan(0.4);
  });
});

describe('light across a piece', () => {
  it('is told from a slope in lightness', () => {
    // L* falls by 5 from one side to the other: about 16 % of the light.
    const shaded = mapOf((x) => ({ l: 80 - 5 * x }));
    expect(lightChange(shaded, speakingCells(shaded))).toBeGreaterThan(0.1);
    const even = mapOf(() => ({ l: 80 }));
    expect(lightChange(even, speakingCells(even))).toBeLessThan(0.01);
  });

  it('is not mistaken for yellow that darkens the plastic', () => {
    const yellowed = mapOf((x, y) => {
      const b = 20 * Math.exp(-((x * 3 - 1.5) ** 2) - (y * 3 - 1.5) ** 2);
      return { b, l: 86 - 0.28 * b };
    });
    expect(lightChange(yellowed, speakingCells(yellowed))).toBeLessThan(0.02);
  });
});
