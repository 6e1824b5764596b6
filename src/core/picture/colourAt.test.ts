import { dropScene, middleOf } from '@/simulators/camera/drops';
import { PATCHES, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { deltaE00 } from '../colour/difference';
import { labToLinear, srgbToLab, srgbToLinear } from '../colour/lab';
import type { Lab, Srgb } from '../colour/types';
import { coloursAt, dropOnPlastic, type ColourMark } from './colourAt';

const PIECE: Lab = [78, 1, 12];
const DROPS: Lab[] = [
  [90, 0, 4],
  [74, 4, 20],
  [60, 0, 3],
];
const { picture, spec, truth } = takePhotograph(
  dropScene(DROPS.map(labToLinear), PIECE, PATCHES[2]),
  someShot('good', 4, 1000),
);
const marks: ColourMark[] = spec.regions.map(({ id, polygon }) => ({ title: id, at: middleOf(polygon) }));

it('reads drops and the plastic beside them, the light undone by the card', () => {
  const colours = coloursAt(picture, spec.card, marks);
  for (const [i, { title }] of marks.entries())
    expect(deltaE00(srgbToLab(colours[i]!), truth[title]!)).toBeLessThan(3.5);
  // Between drop and plastic side by side the light falls out.
  const l = (i: number) => srgbToLab(colours[i]!)[0];
  for (const i of [0, 1, 2]) expect(l(2 * i) - l(2 * i + 1)).toBeCloseTo(DROPS[i]![0] - PIECE[0], -1);
});

it('refuses what gives no colour: no card, the rim, an edge', () => {
  expect(() => coloursAt(picture, [], marks)).toThrow(/Without a card of known colour/);
  expect(() => coloursAt(picture, [{ ...spec.card[0]!, kind: 'paper' }], marks)).toThrow(/Without a card/);
  expect(() => coloursAt(picture, spec.card, [{ title: 'Drop', at: [2, 300] }])).toThrow(/“Drop” lies at the rim/);
  const [[x0, y0], [, y1]] = [spec.regions[4]!.polygon[0]!, spec.regions[4]!.polygon[2]!];
  expect(() => coloursAt(picture, spec.card, [{ title: 'Drop', at: [x0, (y0 + y1) / 2] }])).toThrow(
    /“Drop” does not lie on one colour: its sides differ/,
  );
});

it('reads the plastic all round a drop, so that light that falls off and a shadow on one side fall out', () => {
  const [drop, below] = [marks[2]!.at, marks[3]!.at];
  const { srgb, beside } = dropOnPlastic(picture, spec.card, drop, below);
  const [on, near] = coloursAt(picture, spec.card, [
    { title: 'Drop', at: drop },
    { title: 'below', at: below },
  ]);
  expect(srgb).toEqual(on);
  const should = (k: 0 | 1 | 2) => labToLinear(DROPS[1]!)[k]! / labToLinear(PIECE)[k]!;
  const read = (plastic: Srgb, k: 0 | 1 | 2) => srgbToLinear(srgb)[k]! / srgbToLinear(plastic)[k]!;
  for (const k of [0, 1, 2] as const) expect(Math.abs(Math.log(read(beside, k) / should(k)))).toBeLessThan(0.06);
  // A shadow falls on the mark below it: the plastic is read from the other places.
  const dark = { ...picture, data: Uint8ClampedArray.from(picture.data) };
  for (let y = Math.round(below[1] - 12); y < picture.height; y++)
    for (let i = 4 * y * picture.width; i < 4 * (y + 1) * picture.width; i++)
      if (i % 4 !== 3) dark.data[i] = 0.9 * dark.data[i]!;
  const shaded = dropOnPlastic(dark, spec.card, drop, below).beside;
  const [darkNear] = coloursAt(dark, spec.card, [{ title: 'below', at: below }]);
  for (const k of [0, 1, 2] as const) {
    expect(darkNear![k]).toBeLessThan(near![k]! - 8);
    expect(Math.abs(shaded[k]! - beside[k]!)).toBeLessThan(0.75 * (near![k]! - darkNear![k]!));
  }
});

it('refuses a drop that a shadow ends on, and bears light that falls off', () => {
  const [drop, below] = [marks[2]!.at, marks[3]!.at];
  const shaded = (share: number) => {
    const dark = { ...picture, data: Uint8ClampedArray.from(picture.data) };
    for (let y = Math.round(0.4 * drop[1] + 0.6 * below[1]); y < picture.height; y++)
      for (let i = 4 * y * picture.width; i < 4 * (y + 1) * picture.width; i++)
        // Codes of a picture go about with the root of light.
        if (i % 4 !== 3) dark.data[i] = Math.sqrt(1 - share) * dark.data[i]!;
    return () => dropOnPlastic(dark, spec.card, drop, below);
  };
  expect(shaded(0.1)).not.toThrow();
  expect(shaded(0.22)).toThrow(/light changes by \d+ %.*a shadow ends there/);
});

it('where nothing round a drop shows the plastic the mark stands for it', () => {
  const [one, other] = [marks[1]!.at, marks[2]!.at];
  const { beside } = dropOnPlastic(picture, spec.card, other, one);
  const [near] = coloursAt(picture, spec.card, [{ title: 'one', at: one }]);
  for (const k of [0, 1, 2] as const) expect(Math.abs(beside[k]! - near![k]!)).toBeLessThan(8);
});
