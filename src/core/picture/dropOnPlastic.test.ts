import { dropScene, middleOf } from '@/simulators/camera/drops';
import { PATCHES, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { labToLinear, srgbToLinear } from '../colour/lab';
import type { Lab } from '../colour/types';
import { coloursAt } from './colourAt';
import { dropOnPlastic } from './dropOnPlastic';
import type { Picture, Point } from './picture';

const PIECE: Lab = [78, 1, 12];
const DROPS: Lab[] = [
  [90, 0, 4],
  [74, 4, 20],
  [60, 0, 3],
];
const { picture, spec } = takePhotograph(
  dropScene(DROPS.map(labToLinear), PIECE, PATCHES[2]),
  someShot('good', 4, 1000),
);
const middles = spec.regions.map(({ polygon }) => middleOf(polygon));
const [drop, below] = [middles[2]!, middles[3]!];
/** Under the card: its own light is left as it is. */
const cardEnds = Math.max(...spec.card.map(({ rect }) => rect[1] + rect[3])) + 6;
const reach = Math.hypot(below[0] - drop[0], below[1] - drop[1]);

/** The picture with so much of the light where a place is chosen; codes go about with the root of light. */
function lit(share: (x: number, y: number) => number, of: Picture = picture): Picture {
  const data = Uint8ClampedArray.from(of.data);
  for (let y = 0, p = 0; y < of.height; y++)
    for (let x = 0; x < of.width; x++, p += 4) {
      const root = Math.sqrt(share(x, y));
      for (let c = 0; c < 3; c++) data[p + c] = root * data[p + c]!;
    }
  return { ...of, data };
}
/** How the drop stands to the plastic in each band, by a reading. */
const ratio = (of: Picture, at: Point = drop, beside: Point = below) => {
  const read = dropOnPlastic(of, spec.card, at, beside);
  return srgbToLinear(read.srgb).map((v, k) => v / srgbToLinear(read.beside)[k]!);
};
const TRUE_RATIO = labToLinear(DROPS[1]!).map((v, k) => v / labToLinear(PIECE)[k]!);
const worst = (read: readonly number[], should: readonly number[]) =>
  Math.max(...read.map((v, k) => Math.abs(Math.log(v / should[k]!))));

it('reads a drop against the plastic all round it, to a few hundredths', () => {
  expect(worst(ratio(picture), TRUE_RATIO)).toBeLessThan(0.04);
});

it('takes light that falls off out, whichever way: it would make a lighter or darker drop of it', () => {
  const plain = ratio(picture);
  for (const a of [0, 1, 2, 3]) {
    const falling = lit((x, y) => {
      if (y < cardEnds) return 0.85;
      const along = ((x - drop[0]) * Math.cos(a) + (y - drop[1]) * Math.sin(a)) / reach;
      return 0.85 * Math.exp(-0.05 * Math.max(-2, Math.min(2, along)));
    });
    expect(worst(ratio(falling), plain)).toBeLessThan(0.012);
    const [on, near] = coloursAt(falling, spec.card, [
      { title: 'Drop', at: drop },
      { title: 'below', at: below },
    ]).map(srgbToLinear);
    // By the mark alone it would be off by more.
    if (a === 1)
      expect(
        worst(
          on!.map((v, k) => v / near![k]!),
          plain,
        ),
      ).toBeGreaterThan(0.025);
  }
});

it('leaves out what a shadow or a shine lies on, as long as most of the plastic round it agrees', () => {
  const plain = ratio(picture);
  const shaded = lit((_, y) => (y > below[1] - 0.1 * reach ? 0.8 : 1));
  expect(worst(ratio(shaded), plain)).toBeLessThan(0.015);
  const shine = lit(
    (x, y) => 0.7 + 0.3 * Math.exp(-(((x - below[0]) ** 2 + (y - below[1]) ** 2) / (0.4 * reach) ** 2)),
  );
  expect(worst(ratio(shine), plain)).toBeLessThan(0.02);
});

it('refuses a drop that an edge of light lies on, and one lit from too near', () => {
  const edge = (share: number) => lit((_, y) => 1 - share / (1 + Math.exp(((drop[1] - y) / reach) * 12)));
  expect(() => ratio(edge(0.05))).not.toThrow();
  expect(() => ratio(edge(0.25))).toThrow(/light round this drop is uneven: a shadow or a shine ends there/);
  const near = (by: number) => lit((x) => 0.6 * Math.exp(by * Math.max(-2, Math.min(2, (x - drop[0]) / reach))));
  expect(() => ratio(near(0.08))).not.toThrow();
  expect(() => ratio(near(0.2))).toThrow(/light changes by \d+ % round this drop: it is lit from too near/);
});

it('minds no hair or glint, and where nothing round a drop shows the plastic the mark stands for it', () => {
  const plain = ratio(picture);
  const data = Uint8ClampedArray.from(picture.data);
  for (let x = 0; x < picture.width; x++)
    for (const y of [0, 1])
      data.fill(
        y ? 255 : 20,
        4 * ((Math.round(drop[1]) + y) * picture.width + x),
        4 * ((Math.round(drop[1]) + y) * picture.width + x) + 3,
      );
  expect(worst(ratio({ ...picture, data }), plain)).toBeLessThan(0.03);
  const [one, other] = [middles[0]!, middles[2]!];
  const { beside } = dropOnPlastic(picture, spec.card, other, one);
  const [near] = coloursAt(picture, spec.card, [{ title: 'one', at: one }]);
  for (const k of [0, 1, 2] as const) expect(Math.abs(beside[k]! - near![k]!)).toBeLessThan(8);
});

it('reads a drop that is no wider than a mark over the mark alone', () => {
  // What lies a little farther off is another colour: it may not be taken into the drop.
  const r = 0.014 * picture.width;
  const small = lit((x, y) => (Math.hypot(x - drop[0], y - drop[1]) < r ? 0.9 : 1));
  const read = srgbToLinear(dropOnPlastic(small, spec.card, drop, below).srgb);
  const should = srgbToLinear(dropOnPlastic(picture, spec.card, drop, below).srgb).map((v) => 0.9 * v);
  expect(worst(read, should)).toBeLessThan(0.03);
});
