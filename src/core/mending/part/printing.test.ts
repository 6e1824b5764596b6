import fc from 'fast-check';
import { lookThrough, seenThrough } from '../films';
import { FAMILIES, FAMILY_NAMES, type FamilyName } from './families';
import { BEDS, layings, layOn, thinnestWall } from './laid';
import { meshOf } from './mesh';
import { partOf, skinOf } from './part';
import { AS_DRAWN } from './fitted';
import { printAdvice, printAs } from './printAdvice';

const example = (name: FamilyName): object => FAMILIES[name].example;

describe('as a printer is given it', () => {
  it('a test bar comes out as it should: what the printer does is undone', () => {
    // It makes 99.5 % of a length and draws everything 0.3 mm wider.
    const as = printAs({ shrink: 0.995, growMm: 0.3 }, 0);
    const [x, y] = partOf('pin', { diameterMm: 10, lengthMm: 6 }, as).solid.boxMm;
    expect(0.995 * x + 0.3).toBeCloseTo(10, 2);
    expect(y).toBeCloseTo(x, 2);
    const hole = partOf('sleeve', { innerMm: 10, outerMm: 20, lengthMm: 100 }, as);
    expect(0.995 * hole.solid.boxMm[2]).toBeCloseTo(100, 3);
    const ring = Math.PI / 4;
    const inner = Math.sqrt((ring * hole.solid.boxMm[0] ** 2 - hole.solid.volumeMm3 / hole.solid.boxMm[2]) / ring);
    expect(0.995 * inner - 0.3).toBeCloseTo(10, 1);
  });

  it('play makes it smaller outside and its holes wider, and nothing gapes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILY_NAMES),
        fc.double({ min: 0, max: 0.25, noNaN: true }),
        fc.double({ min: 0.98, max: 1.02, noNaN: true }),
        (name, playMm, shrink) => {
          const plain = partOf(name, example(name)).solid;
          const fitted = partOf(name, example(name), printAs({ shrink, growMm: 0 }, playMm)).solid;
          expect(fitted.watertight).toBe(true);
          expect(fitted.volumeMm3 * shrink ** 3).toBeLessThanOrEqual(plain.volumeMm3 * (1 + 1e-6));
          const scaled = partOf(name, example(name), printAs({ shrink, growMm: 0 }, 0)).solid;
          expect(scaled.volumeMm3 * shrink ** 3).toBeCloseTo(plain.volumeMm3, 1);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('more play than there is wall is refused with words', () => {
    expect(() => partOf('pin', { diameterMm: 1, lengthMm: 5 }, printAs(null, 1.2))).toThrow();
    expect(() => partOf('sleeve', { innerMm: 3, outerMm: 4, lengthMm: 5 }, printAs(null, 1.2))).toThrow(
      'leave nothing',
    );
    // A short side of an outline goes, and the part stays.
    const nicked = [
      [0, 0],
      [20, 0],
      [20, 9.9],
      [19.9, 10],
      [0, 10],
    ];
    const { boxMm, watertight } = partOf(
      'plate',
      { outline: nicked, holes: [], thicknessMm: 2 },
      printAs(null, 0.8),
    ).solid;
    expect(watertight).toBe(true);
    expect(boxMm[0]).toBeCloseTo(19.2, 1);
  });
});

describe('which way up', () => {
  const best = (name: FamilyName) => printAdvice(name, example(name), AS_DRAWN).lay;

  it('flat things lie flat, a pin lies down, a recess and a skirt look up', () => {
    expect(best('plate')).toMatchObject({ highMm: 2, hangsMm2: 0, falls: false, breaks: null });
    expect(['left', 'right', 'front', 'back']).toContain(best('pin').bed);
    expect(best('foot').bed).toBe('below');
    expect(best('knob')).toMatchObject({ bed: 'above', hangsMm2: 0 });
  });

  it('a stub on its plate breaks along a layer however it lies, and that is said where it is narrow', () => {
    const { breaks } = best('hinge-stub');
    expect(breaks!.mm2).toBeCloseTo((Math.PI / 4) * (6 ** 2 - 2 ** 2), 0);
    expect(breaks!.atMm).toBeGreaterThan(1.9);
    expect(layOn(meshOf(skinOf('hinge-stub', example('hinge-stub'))), 'below', false).breaks).toBeNull();
  });

  it('what hangs is the face under the recess: its own area', () => {
    const foot = meshOf(skinOf('foot', example('foot')));
    expect(layOn(foot, 'above', false).hangsMm2).toBeCloseTo((Math.PI / 4) * (7 ** 2 - 3.4 ** 2), 0);
  });

  it('lying on a side, what is high is the box that way, and the first layer is the section there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        (w, h, t) => {
          const outline = [
            [0, 0],
            [w, 0],
            [w, h],
            [0, h],
          ];
          const skin = meshOf(skinOf('plate', { outline, holes: [], thicknessMm: t }));
          const high = { below: t, above: t, left: w, right: w, front: h, back: h };
          for (const bed of BEDS) {
            const lay = layOn(skin, bed, true);
            expect(lay.highMm).toBeCloseTo(high[bed], 6);
            expect(lay.standsOnMm2).toBeCloseTo((w * h * t) / high[bed], 4);
            expect(lay.hangsMm2).toBeCloseTo(0, 6);
          }
          expect(thinnestWall(skin).mm).toBeCloseTo(Math.min(w, h, t), 5);
          const [first] = layings(skin, true);
          expect(first!.highMm).toBeLessThanOrEqual(Math.max(w, h, t) + 1e-9);
        },
      ),
      // Here the middle of a face lies straight before the side between two triangles, a last digit beside both.
      { numRuns: 60, examples: [[2, 14.104018202215476, 8.364192364692247]] },
    );
  });

  it('names the thinnest wall, and none where two faces only meet in a corner', () => {
    expect(thinnestWall(meshOf(skinOf('sleeve', { innerMm: 5, outerMm: 7, lengthMm: 9 }))).mm).toBeCloseTo(1, 2);
    expect(printAdvice('sleeve', { innerMm: 5, outerMm: 7, lengthMm: 9 }, AS_DRAWN).thinMm).toBeCloseTo(1, 2);
    expect(printAdvice('slat', example('slat'), AS_DRAWN).thinMm).toBeNull();
    // The hook of a clip runs out to an edge.
    expect(thinnestWall(meshOf(skinOf('clip-tab', example('clip-tab')))).mm).toBeCloseTo(1.4, 2);
  });

  it('nothing of no height', () => {
    expect(layOn(meshOf([]), 'below', true)).toMatchObject({ highMm: 0, standsOnMm2: 0, breaks: null });
  });
});

describe('two films and a twisted cell', () => {
  it('crossed dark digits on light, along light digits on dark, between hardly anything', () => {
    expect(seenThrough(90)).toEqual({ off: 1, on: 0, contrast: 1 });
    expect(seenThrough(0)).toEqual({ off: 0, on: 1, contrast: -1 });
    expect([0, 45, 90, 180, -90].map((deg) => lookThrough(seenThrough(deg)))).toEqual([
      'light on dark',
      'hardly to be read',
      'dark on light',
      'light on dark',
      'dark on light',
    ]);
    expect(lookThrough(seenThrough(59))).toBe('hardly to be read');
    expect(lookThrough(seenThrough(61))).toBe('dark on light');
  });

  it('no light is lost or won between on and off, and half a turn changes nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: -720, max: 720, noNaN: true }), (deg) => {
        const seen = seenThrough(deg);
        expect(seen.off + seen.on).toBeCloseTo(1, 9);
        expect(seenThrough(deg + 180).on).toBeCloseTo(seen.on, 6);
      }),
    );
  });
});
