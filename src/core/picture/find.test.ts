import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { trueLab, type Scene } from '@/simulators/camera/scene';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';
import { deltaE00 } from '../colour/difference';
import { linearToLab } from '../colour/lab';
import type { LinearRgb } from '../colour/types';
import { findHoles, findOnBench, withHoles } from './find';
import { measurePicture } from './measure';
import type { Point } from './picture';
import { readPatch } from './patches';
import { polygonRuns } from './polygon';

const GREY = [160, 160, 160] as const;
const shotOf = (scene: Scene, rest: Partial<Shot> = {}) =>
  takePhotograph(scene, { ...PLAIN_SHOT, width: 1000, height: 750, tilt: 0.1, ...rest });
const boxOf = (points: readonly Point[]) => ({
  left: Math.min(...points.map(([x]) => x)),
  right: Math.max(...points.map(([x]) => x)),
  top: Math.min(...points.map(([, y]) => y)),
  bottom: Math.max(...points.map(([, y]) => y)),
});

it.each([
  ['a home computer', homeComputer({ amount: 20 }, { amount: 20 }), 'daylight', 0],
  ['one turned and tilted', homeComputer({ amount: 24 }, { amount: 22 }), 'daylight', 4],
  ['one by a window', homeComputer({ amount: 16 }, { amount: 18 }), 'north window', 0],
  ['one under a warm lamp', homeComputer({ amount: 20 }, { amount: 20 }), 'warm lamp', 0],
  ['one at dusk in a shed', homeComputer({ amount: 20 }, { amount: 20 }), 'shed dusk', 0],
  ['a desktop’s front', desktopFront({ amount: 17 }), 'daylight', 0],
  ['a pocket computer', handheld({ amount: 18 }), 'daylight', 0],
] as [string, Scene, keyof typeof LIGHTS, number][])(
  'finds the card beside %s, and its hidden patch where there is one',
  (name, scene, light, turnDeg) => {
    const { picture, spec } = shotOf(scene, { light: LIGHTS[light], turnDeg, seed: 3 });
    const found = findOnBench(picture, GREY);
    const card = spec.card[0]!.rect;
    expect(found.piece).not.toBeNull();
    expect(found.card).not.toBeNull();
    const [, , w, h] = found.card!;
    // Of the same colour as the card itself, all over, and much of it.
    const [seen, given] = [readPatch(picture, found.card!, 'card'), readPatch(picture, card, 'card')];
    const far = (a: LinearRgb, b: LinearRgb) => deltaE00(linearToLab(a), linearToLab(b));
    for (const quarter of seen.quarters) expect(far(quarter, given.mean)).toBeLessThan(2);
    expect((w * h) / (card[2] * card[3])).toBeGreaterThan(0.25);
    const hidden = spec.regions.find(({ id }) => id === 'hidden')!.polygon;
    // A drive’s door in its first colour may pass for the patch: somebody looks it over.
    if (found.hidden && name !== 'a desktop’s front') {
      const [inner, outer] = [boxOf(found.hidden), boxOf(hidden)];
      expect(
        inner.left > outer.left - 6 &&
          inner.right < outer.right + 6 &&
          inner.top > outer.top - 6 &&
          inner.bottom < outer.bottom + 6,
      ).toBe(true);
    }
  },
);

it('takes no card where two could be it, and none where there is no piece', () => {
  expect(
    findOnBench(shotOf(homeComputer({ amount: 20 }, { amount: 20 }, { chips: true })).picture, GREY).card,
  ).toBeNull();
  const blank = { width: 400, height: 300, data: new Uint8ClampedArray(4 * 400 * 300).fill(128) };
  expect(findOnBench(blank, GREY)).toEqual({ card: null, sheet: null, piece: null, hidden: null });
});

describe('a shell outlined as a whole', () => {
  const bare = (amount: number) => homeComputer({ amount }, { amount }, { face: true, bare: true });
  const measured = (scene: Scene, light: keyof typeof LIGHTS, holes: boolean) => {
    const { picture, spec } = shotOf(scene, { light: LIGHTS[light], seed: 5 });
    const of = (id: string) => spec.regions.find((region) => region.id === id)!.polygon;
    const drawn = {
      card: spec.card,
      regions: [
        { id: 'piece', polygon: of('face') },
        { id: 'hidden', polygon: of('hidden') },
      ],
      reference: 'hidden',
    };
    return measurePicture(picture, holes ? withHoles(picture, drawn, 'piece', 'hidden') : drawn).result.regions[0]!;
  };

  it('without its keyboard is measured by its plastic, not by its hole', () => {
    const scene = bare(20);
    expect(measured(scene, 'daylight', false).deltaE00!).toBeGreaterThan(40);
    for (const light of ['daylight', 'north window', 'warm lamp'] as const) {
      const { lab, verdict, evenness } = measured(scene, light, true);
      expect(deltaE00(lab!, trueLab(scene, 'lid'))).toBeLessThan(3);
      expect(verdict).toBe('to go');
      expect(evenness).toBeLessThan(5);
    }
  });

  it('that matches is said to match, and is even', () => {
    const { verdict, fault } = measured(bare(0.6), 'daylight', true);
    expect([verdict, fault!.kind]).toEqual(['matched', 'even']);
  });

  it('with its keyboard in is measured by the shell round it', () => {
    const scene = homeComputer({ amount: 8 }, { amount: 26 }, { face: true });
    const { lab, verdict } = measured(scene, 'daylight', true);
    expect(deltaE00(lab!, trueLab(scene, 'lid'))).toBeLessThan(3);
    expect(verdict).toBe('to go');
  });

  it('leaves a paler half of the same plastic in', () => {
    const scene = homeComputer(
      { amount: 22, oneSided: { angleDeg: 0, farShare: 0.5 } },
      { amount: 20 },
      { face: true, bare: true },
    );
    const { picture, spec } = shotOf(scene);
    const face = spec.regions.find(({ id }) => id === 'face')!.polygon;
    const holes = findHoles(picture, face);
    const whole = polygonRuns(face, picture.width, picture.height).pixelCount;
    const left = polygonRuns(face, picture.width, picture.height, holes).pixelCount;
    // The well and what is round it is about half of the face; the paler half of the shell is not.
    expect(left / whole).toBeGreaterThan(0.34);
    expect(left / whole).toBeLessThan(0.55);
  });
});

describe('what lies in shade or is of another colour', () => {
  const matched = homeComputer({ amount: 0.6 }, { amount: 0.6 });
  const uneven = homeComputer({ amount: 20 }, { amount: 20 });
  /** Measures the lid with a part of it changed, pixel by pixel. */
  const spoiled = (
    scene: Scene,
    share: number,
    change: (rgb: [number, number, number]) => [number, number, number],
  ) => {
    const { picture, spec } = shotOf(scene, { seed: 8 });
    const lid = spec.regions.find(({ id }) => id === 'lid')!;
    const { left, right } = boxOf(lid.polygon);
    const until = left + share * (right - left);
    const { triples } = polygonRuns(lid.polygon, picture.width, picture.height);
    for (let i = 0; i < triples.length; i += 3)
      for (let x = triples[i + 1]!; x < Math.min(triples[i + 2]!, until); x++) {
        const p = 4 * (triples[i]! * picture.width + x);
        picture.data.set(change([picture.data[p]!, picture.data[p + 1]!, picture.data[p + 2]!]), p);
      }
    return measurePicture(picture, {
      ...spec,
      regions: [{ ...lid, id: 'piece' }, ...spec.regions.filter(({ id }) => id === 'hidden')],
      reference: 'hidden',
    }).result.regions[0]!;
  };

  it.each([0.1, 0.2, 0.3])('never decides the verdict: a shadow over %s of a piece', (share) => {
    const shade = (rgb: [number, number, number]) => rgb.map((v) => v * 0.62) as [number, number, number];
    expect(spoiled(matched, share, shade).verdict).toBe('matched');
    expect(spoiled(matched, share, shade).fault!.kind).toBe('even');
    expect(spoiled(uneven, share, shade).verdict).toBe('to go');
  });

  it('gives no verdict where three parts of it leave less than half of one colour, and says so', () => {
    const { picture, spec } = shotOf(uneven);
    const lid = spec.regions.find(({ id }) => id === 'lid')!;
    const { left, right } = boxOf(lid.polygon);
    const parts = [
      [200, 199, 190],
      [204, 198, 160],
      [120, 117, 82],
    ] as const;
    const { triples } = polygonRuns(lid.polygon, picture.width, picture.height);
    for (let i = 0; i < triples.length; i += 3)
      for (let x = triples[i + 1]!; x < triples[i + 2]!; x++)
        picture.data.set(
          parts[Math.min(2, Math.floor((3 * (x - left)) / (right - left)))]!,
          4 * (triples[i]! * picture.width + x),
        );
    const { regions, warnings } = measurePicture(picture, {
      ...spec,
      regions: [{ ...lid, id: 'piece' }, ...spec.regions.filter(({ id }) => id === 'hidden')],
      reference: 'hidden',
    }).result;
    expect(regions[0]!.usedShare).toBeLessThan(0.5);
    expect(regions[0]!.verdict).toBeNull();
    expect(warnings).toContainEqual(expect.objectContaining({ kind: 'several colours', region: 'piece' }));
  });

  it.each([0.1, 0.2, 0.3])('never decides the verdict: a red strap over %s of a piece', (share) => {
    const strap = (): [number, number, number] => [150, 40, 36];
    expect(spoiled(matched, share, strap).verdict).toBe('matched');
    expect(spoiled(uneven, share, strap).verdict).toBe('to go');
  });
});
