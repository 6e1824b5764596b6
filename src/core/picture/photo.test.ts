import fc from 'fast-check';
import { desktopFront, homeComputer } from '@/simulators/camera/machines';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';
import type { Scene } from '@/simulators/camera/scene';
import { deltaE00 } from '../colour/difference';
import { srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';
import { heatColour, heatPixels } from './heatMap';
import { correct, fitCorrection, residualDeltaE00 } from './correction';
import { measurePicture } from './measure';
import type { Picture } from './picture';
import { contains, overlapShare, polygonRuns, rectPolygon } from './polygon';
import { edgeSharpness } from './sharpness';
import { measureSpecSchema, type MeasureSpec } from './spec';
import { judge } from '../face/verdict';

const SMALL: Shot = { ...PLAIN_SHOT, width: 480, height: 360 };

function taken(scene: Scene, shot: Partial<Shot> = {}) {
  const out = takePhotograph(scene, { ...SMALL, ...shot });
  return { ...out, spec: { ...out.spec, reference: 'hidden' } as MeasureSpec };
}

const plain = (width: number, height: number, colour: readonly [number, number, number, number]): Picture => {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let i = 0; i < data.length; i += 4) data.set(colour, i);
  return { width, height, data };
};

describe('polygons', () => {
  it('the runs cover what lies inside, no more and no less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -5, max: 45 }), fc.integer({ min: -5, max: 35 })), {
          minLength: 3,
          maxLength: 8,
        }),
        (polygon) => {
          const { triples, pixelCount } = polygonRuns(polygon, 40, 30);
          const inside = new Set<number>();
          for (let t = 0; t < triples.length; t += 3)
            for (let x = triples[t + 1]!; x < triples[t + 2]!; x++) inside.add(triples[t]! * 40 + x);
          expect(inside.size).toBe(pixelCount);
          for (let y = 0; y < 30; y++)
            for (let x = 0; x < 40; x++) expect(inside.has(y * 40 + x)).toBe(contains(polygon, [x + 0.5, y + 0.5]));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a rectangle covers itself', () => {
    expect(polygonRuns(rectPolygon([2, 3, 10, 5]), 40, 30).pixelCount).toBe(50);
    expect(overlapShare(rectPolygon([0, 0, 10, 10]), [5, 0, 10, 10])).toBeCloseTo(0.5, 1);
  });
});

describe('the colour of the light', () => {
  const gains = [1.3, 1, 0.7] as const;
  const under = (srgb: Srgb, offset = 0) =>
    srgbToLinear(srgb).map((v, c) => v / gains[c]! + offset) as unknown as LinearRgb;
  const colours: Srgb[] = [
    [160, 160, 160],
    [230, 230, 230],
    [60, 60, 60],
    [180, 90, 80],
    [90, 140, 95],
    [85, 105, 170],
    [220, 195, 120],
  ];

  it('one neutral gives gain, two give gain and offset, six colours a matrix; each undoes what it can', () => {
    const one = fitCorrection([{ srgb: colours[0]!, measured: under(colours[0]!) }]);
    expect(one.method).toBe('gain');
    const two = fitCorrection(colours.slice(0, 3).map((srgb) => ({ srgb, measured: under(srgb, 0.02) })));
    expect(two.method).toBe('gain and offset');
    const six = fitCorrection(colours.map((srgb) => ({ srgb, measured: under(srgb) })));
    expect(six.method).toBe('matrix');
    for (const srgb of colours) {
      expect(correct(one, under(srgb))[2]).toBeCloseTo(srgbToLinear(srgb)[2], 6);
      expect(correct(two, under(srgb, 0.02))[0]).toBeCloseTo(srgbToLinear(srgb)[0], 6);
      expect(correct(six, under(srgb))[1]).toBeCloseTo(srgbToLinear(srgb)[1], 6);
    }
    expect(
      residualDeltaE00(
        six,
        colours.map((srgb) => ({ srgb, measured: under(srgb) })),
      ),
    ).toBeLessThan(0.01);
  });
});

describe('measuring what the camera’s truth is known of', () => {
  it.each(Object.entries(LIGHTS))('in %s light, with a grey card', (_, light) => {
    const { picture, spec, truth } = taken(homeComputer({ amount: 20 }, { amount: 24 }), { light });
    const { result } = measurePicture(picture, spec);
    for (const region of result.regions) expect(deltaE00(region.lab!, truth[region.id]!)).toBeLessThan(2);
    const lid = result.regions[0]!;
    expect(Math.abs(lid.deltaE00! - deltaE00(truth.lid!, truth.hidden!))).toBeLessThan(1.2);
    expect(lid.verdict).toBe('to go');
    expect(result.basis).toBe('card');
  });

  it('without a card only differences are told, and they are near the truth', () => {
    const { picture, spec, truth } = taken(desktopFront({ amount: 18 }), { light: LIGHTS['warm lamp'] });
    const { result } = measurePicture(picture, { ...spec, card: [] });
    expect(result.regions[0]!.lab).toBeNull();
    expect(result.regions[0]!.yellownessIndex).toBeNull();
    expect(Math.abs(result.regions[0]!.deltaE00! - deltaE00(truth.fascia!, truth.hidden!))).toBeLessThan(1.5);
    expect(result.warnings).toContainEqual({ kind: 'no card' });
  });

  it('office paper gives white balance but no colours', () => {
    const { picture, spec } = taken(desktopFront({ amount: 18 }), { light: LIGHTS['cold tube'] });
    const { result } = measurePicture(picture, {
      ...spec,
      card: spec.card.map((patch) => ({ ...patch, kind: 'paper' as const })),
    });
    expect(result.basis).toBe('white balance');
    expect(result.regions[0]!.lab).toBeNull();
    expect(result.regions[0]!.deltaE00).toBeGreaterThan(5);
  });

  it('a strip of paint chips is fitted by a matrix with a small residual', () => {
    const { picture, spec } = taken(homeComputer({ amount: 15 }, { amount: 20 }, { chips: true }), {
      light: LIGHTS['warm lamp'],
      width: 960,
      height: 720,
    });
    const { result } = measurePicture(picture, spec);
    expect(result.card).toMatchObject({ patches: 7, method: 'matrix' });
    expect(result.card.residualDeltaE00).toBeLessThan(1.5);
  });

  it('a piece that kept its colour matches, one bleached too far is past it', () => {
    const matched = taken(homeComputer({ amount: 0.3 }, { amount: 20 }));
    expect(measurePicture(matched.picture, matched.spec).result.regions[0]!.verdict).toBe('matched');
    expect(judge(4, 3, -1, 1)).toBe('past it');
    expect(judge(1, 0, 0.5, 9)).toBe('uneven');
  });

  it('evenness and streaks grow with what film leaves, noise does not', () => {
    const even = taken(homeComputer({ amount: 12 }, { amount: 12 }), { noiseCodes: 2, width: 800, height: 600 });
    const striped = taken(
      homeComputer({ amount: 12, streaks: { angleDeg: 90, periodMm: 60, amount: 4 } }, { amount: 12 }),
      {
        width: 800,
        height: 600,
      },
    );
    const [smooth, streaky] = [even, striped].map(
      ({ picture, spec }) => measurePicture(picture, spec).result.regions[0]!,
    );
    expect(smooth!.evenness).toBeLessThan(2);
    expect(streaky!.evenness).toBeGreaterThan(5);
    expect(streaky!.streak.coherence).toBeGreaterThan(0.7);
    expect(streaky!.blotch).toBeGreaterThan(smooth!.blotch);
  });

  it('print and badges inside the outline are left out', () => {
    const { picture, spec, truth } = taken(homeComputer({ amount: 15 }, { amount: 15 }), { width: 960, height: 720 });
    const [lid] = spec.regions as [MeasureSpec['regions'][0]];
    // The whole upper band: vents, badge and ridge are in it.
    const top = lid.polygon.map(([x, y], i): [number, number] => [x, i < 2 ? y - 70 : y - 40]);
    const { result } = measurePicture(picture, { ...spec, regions: [{ id: 'band', polygon: top }, spec.regions[1]!] });
    const band = result.regions[0]!;
    expect(band.usedShare).toBeLessThan(0.97);
    expect(deltaE00(band.lab!, truth.lid!)).toBeLessThan(3);
  });

  it('progress only grows, to one', () => {
    const { picture, spec } = taken(homeComputer({ amount: 5 }, { amount: 5 }));
    const seen: number[] = [];
    measurePicture(picture, spec, (share) => seen.push(share));
    expect([...seen].sort((a, b) => a - b)).toEqual(seen);
    expect(seen[seen.length - 1]).toBeCloseTo(1, 9);
  });

  it('the map names each pixel’s distance, and the heat map its colour', () => {
    const { picture, spec } = taken(homeComputer({ amount: 20 }, { amount: 20 }));
    const { maps, result } = measurePicture(picture, spec);
    const sorted = Array.from(maps[0]!.deltaE).sort((a, b) => a - b);
    expect(sorted[sorted.length >> 1]! / 100).toBeCloseTo(result.regions[0]!.deltaE00!, 0);
    expect(heatPixels(maps[0]!.cells).length).toBe(4 * maps[0]!.cells.columns * maps[0]!.cells.rows);
    expect(heatColour(0)).toEqual([38, 110, 112]);
    expect(heatColour(99)).toEqual([150, 40, 20]);
  });

  it('measures the same again, whatever was measured between', () => {
    const a = taken(homeComputer({ amount: 20 }, { amount: 20 }));
    const b = taken(desktopFront({ amount: 9 }));
    const first = measurePicture(a.picture, a.spec).result;
    measurePicture(b.picture, b.spec);
    expect(measurePicture(a.picture, a.spec).result).toEqual(first);
  });
});

describe('pictures that cannot be trusted say so', () => {
  const { picture, spec } = taken(homeComputer({ amount: 20 }, { amount: 20 }));
  const whole = (id: string, w: number, h: number) => ({ id, polygon: rectPolygon([0, 0, w, h]) });

  it.each([
    [
      'a region outside',
      { ...spec, regions: [{ id: 'far', polygon: rectPolygon([400, 300, 900, 900]) }], reference: undefined },
      'regions[0].polygon',
      'outside the picture',
    ],
    [
      'a tiny region',
      { ...spec, regions: [{ id: 'dot', polygon: rectPolygon([10, 10, 3, 3]) }], reference: undefined },
      'regions[0].polygon',
      'Draw it larger',
    ],
    [
      'a card patch outside',
      { ...spec, card: [{ ...spec.card[0]!, rect: [470, 350, 40, 40] as const }] },
      'card[0].rect',
      'outside the picture',
    ],
    [
      'a hidden patch on the card',
      { ...spec, regions: [spec.regions[0]!, { id: 'hidden', polygon: rectPolygon(spec.card[0]!.rect) }] },
      'card[0].rect',
      'drawn on the card',
    ],
    ['an unknown reference', { ...spec, reference: 'nothing' }, 'reference', 'Name one of'],
  ] as [string, MeasureSpec, string, string][])('%s', (_, wrong, field, words) => {
    expect(() => measurePicture(picture, wrong)).toThrow(
      expect.objectContaining({ field, message: expect.stringContaining(words) as string }),
    );
  });

  it('burnt-out card, transparent and grey-scale pictures are refused', () => {
    const white = plain(100, 100, [255, 255, 255, 255]);
    expect(() =>
      measurePicture(white, {
        card: [{ rect: [10, 10, 30, 30], srgb: [160, 160, 160], kind: 'known' }],
        regions: [whole('piece', 100, 100)],
      }),
    ).toThrow('burnt out');
    expect(() =>
      measurePicture(plain(100, 100, [200, 190, 170, 90]), { card: [], regions: [whole('piece', 100, 100)] }),
    ).toThrow('transparent');
    expect(() =>
      measurePicture(plain(100, 100, [120, 120, 120, 255]), { card: [], regions: [whole('piece', 100, 100)] }),
    ).toThrow('grey-scale');
    // A grey piece on a brown bench is no grey-scale picture.
    const onBench = plain(100, 100, [120, 120, 120, 255]);
    for (let at = 0; at < 4 * 100 * 30; at += 4) onBench.data.set([140, 110, 80, 255], at);
    expect(() =>
      measurePicture(onBench, {
        card: [],
        regions: [
          {
            id: 'piece',
            polygon: [
              [20, 50],
              [80, 50],
              [80, 90],
              [20, 90],
            ],
          },
        ],
      }),
    ).not.toThrow();
    // What was refused half way left nothing behind for the next picture.
    expect(measurePicture(picture, spec).result.regions[0]!.verdict).toBe('to go');
  });

  it('dark, burnt-out, blurred and shaded pictures warn', () => {
    const warningsOf = (shot: Partial<Shot>) => {
      const shown = taken(homeComputer({ amount: 20 }, { amount: 20 }), { width: 800, height: 600, ...shot });
      return measurePicture(shown.picture, { ...shown.spec, card: [] }).result.warnings.map(({ kind }) => kind);
    };
    expect(warningsOf({ exposure: 0.012 })).toContain('too dark');
    expect(warningsOf({ exposure: 1.9 })).toContain('burnt out');
    expect(warningsOf({ blurPx: 5 })).toContain('blurred');
    expect(warningsOf({ gradient: { share: 0.4, angleDeg: 0 } })).toContain('light changes');
    expect(warningsOf({})).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/dark|burnt|blurred|light changes/)]),
    );
  });

  it('sharpness falls with blur', () => {
    const at = (blurPx: number) =>
      edgeSharpness(taken(homeComputer({ amount: 5 }, { amount: 5 }), { width: 800, height: 600, blurPx }).picture)!;
    expect(at(0.6)).toBeGreaterThan(at(2));
    expect(at(2)).toBeGreaterThan(at(5));
  });

  it('a spec is checked with every field', () => {
    const { error } = measureSpecSchema.validate(
      { card: [{ rect: [0, 0, 0, 5], srgb: [1, 2] }], regions: [] },
      { abortEarly: false },
    );
    expect(error!.details.map(({ path }) => path.join('.'))).toEqual(
      expect.arrayContaining(['card.0.rect.2', 'card.0.srgb', 'regions']),
    );
  });
});

it('says so where several parts lie inside the outline, and names no unevenness of theirs', () => {
  const { picture, spec } = taken(homeComputer({ amount: 3 }, { amount: 30 }, { face: true }), {
    width: 800,
    height: 600,
  });
  const { result } = measurePicture(picture, { ...spec, reference: 'hidden' });
  expect(result.regions.find(({ id }) => id === 'face')!.fault).toBeUndefined();
  expect(result.warnings).toContainEqual(expect.objectContaining({ kind: 'several parts', region: 'face' }));
  expect(result.regions.find(({ id }) => id === 'lid')!.fault).toBeDefined();
});
