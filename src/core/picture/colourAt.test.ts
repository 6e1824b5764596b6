import { dropScene, middleOf } from '@/simulators/camera/drops';
import { PATCHES, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { deltaE00 } from '../colour/difference';
import { labToLinear, srgbToLab } from '../colour/lab';
import type { Lab } from '../colour/types';
import { coloursAt, type ColourMark } from './colourAt';

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
