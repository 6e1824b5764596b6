import { desktopFront, homeComputer } from '@/simulators/camera/machines';
import { withGreySheet } from '@/simulators/camera/greySheet';
import { PATCHES, withPatches } from '@/simulators/camera/rooms';
import type { Scene } from '@/simulators/camera/scene';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';
import { deltaE00 } from '../colour/difference';
import { srgbToLab } from '../colour/lab';
import type { Lab } from '../colour/types';
import { findOnBench } from './find';
import { calibrateSheet, findGreySheet } from './greySheet';
import { dotsOf, greyBoxes, greysOf, MOST_SHEETS } from './greySheetPlan';
import { measurePicture } from './measure';
import type { Picture } from './picture';

const PRINTED: readonly Lab[] = [
  [83, 1, 2],
  [70, 1, 2],
  [57, 0.8, 1.6],
  [42, 0.6, 1.2],
  [28, 0.4, 0.8],
];
const card = { srgb: [160, 160, 160] as const, box: [60, 330, 54, 34] as const };
const scene = (number = 5, machine: Scene = desktopFront({ amount: 12 })): Scene =>
  withGreySheet(withPatches({ ...machine, heightMm: 450, card: [card] }, PATCHES[2]), number, [200, 330], PRINTED);
const taken = (of: Scene, rest: Partial<Shot> = {}) =>
  takePhotograph(of, { ...PLAIN_SHOT, width: 1000, height: 750, ...rest });

/** A picture turned by a quarter to the right. */
function turned({ data, width, height }: Picture): Picture {
  const out = new Uint8ClampedArray(data.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      out.set(data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4), 4 * (x * height + height - 1 - y));
  return { width: height, height: width, data: out };
}

it('is found whichever way it lies, with the number that its dots say', () => {
  let { picture } = taken(scene(19), { turnDeg: 7, tilt: 0.4 });
  for (let quarter = 0; quarter < 4; quarter++) {
    const sheet = findGreySheet(picture)!;
    expect(sheet.number).toBe(19);
    const light = sheet.greys.map(
      ([x, y, w, h]) => picture.data[4 * (Math.round(y + h / 2) * picture.width + Math.round(x + w / 2)) + 1]!,
    );
    expect(light).toEqual([...light].sort((a, b) => b - a));
    picture = turned(picture);
  }
  for (const number of [1, 2, 4, 8, 16, 31]) expect(findGreySheet(taken(scene(number)).picture)?.number).toBe(number);
});

it('numbers have their own dots, below greys that do not meet', () => {
  const all = Array.from({ length: MOST_SHEETS }, (_, i) => JSON.stringify(dotsOf(i + 1)));
  expect(new Set(all).size).toBe(MOST_SHEETS);
  greyBoxes.slice(1).forEach(([x], i) => expect(x).toBeGreaterThan(greyBoxes[i]![0] + greyBoxes[i]![2]));
});

it('is not seen where there is none, nor where a part of it is out of the picture', () => {
  const yellow = { amount: 14 };
  for (const machine of [homeComputer(yellow, yellow), desktopFront(yellow)])
    expect(findGreySheet(taken(machine).picture)).toBeNull();
  const cut = withGreySheet(desktopFront(yellow), 3, [370, 285], PRINTED);
  expect(findGreySheet(taken(cut).picture)).toBeNull();
});

it.each(Object.entries(LIGHTS))('its greys are told by a card beside it in %s', (_, light) => {
  const { picture, spec } = taken(scene(), { light });
  const { number, greys } = calibrateSheet(picture, spec.card);
  expect(number).toBe(5);
  greys.forEach((srgb, i) => {
    if (srgb) expect(deltaE00(srgbToLab(srgb), PRINTED[i]!)).toBeLessThan(2);
  });
  // Greys far below the darker of the two known ones are not told.
  expect(greys.map((grey) => grey !== null)).toEqual([true, true, true, true, false]);
});

it('the fall of the light between card and sheet is taken out by its paper', () => {
  const even = calibrateSheet(...args(taken(scene(), { gradient: { share: 0, angleDeg: 0 } })));
  const fallen = calibrateSheet(...args(taken(scene(), { gradient: { share: 0.3, angleDeg: 0 }, exposure: 0.75 })));
  fallen.greys.forEach((srgb, i) => {
    if (srgb) expect(deltaE00(srgbToLab(srgb), srgbToLab(even.greys[i]!))).toBeLessThan(1.2);
  });
});
const args = ({ picture, spec }: ReturnType<typeof taken>) => [picture, spec.card] as const;

it('says what is wrong with a picture that cannot calibrate it', () => {
  const { picture, spec } = taken(scene());
  const sheet = findGreySheet(picture)!;
  const known = (rect = spec.card[0]!.rect) => [{ rect, srgb: card.srgb, kind: 'known' as const }];
  expect(() => calibrateSheet(picture, [])).toThrow('Put a frame on the card');
  expect(() => calibrateSheet(picture, known(sheet.greys[1]))).toThrow('on the sheet itself');
  const pale = withGreySheet(
    withPatches({ ...desktopFront({ amount: 12 }), heightMm: 450, card: [card] }, [[70, 70, 70]]),
    2,
    [200, 330],
    [90, 83, 75, 68, 60].map((l): Lab => [l, 0, 0]),
  );
  expect(() => calibrateSheet(...args(taken(pale)))).toThrow('too far in lightness');
  expect(() => calibrateSheet(taken(desktopFront({ amount: 5 })).picture, known())).toThrow('No sheet of greys');
  const small = taken(scene(), { width: 520, height: 390 });
  expect(() => calibrateSheet(small.picture, small.spec.card)).toThrow(/too small|No sheet/);
  const burnt = taken(scene(), { exposure: 1.5 });
  expect(() => calibrateSheet(...args(burnt))).toThrow('burnt out');
  const lamp = taken(scene(), { gradient: { share: 1, angleDeg: 0 }, exposure: 0.7 });
  expect(() => calibrateSheet(...args(lamp))).toThrow('changes by more than a quarter');
});

it('lies beside a piece and measures it, the card left at home', () => {
  const calibrated = calibrateSheet(...args(taken(scene())));
  const known = [{ ...calibrated, at: '2026-11-28T10:00:00.000Z' }];
  const bare = withGreySheet({ ...desktopFront({ amount: 12 }), heightMm: 450 }, 5, [200, 330], PRINTED);
  const { picture, spec, truth } = taken(
    { ...bare, plates: bare.plates.filter(({ id }) => !/^card/.test(id)) },
    { light: LIGHTS['warm lamp'] },
  );
  const found = findOnBench(picture, card.srgb, known);
  expect(found).toMatchObject({ card: null, sheet: { number: 5 } });
  expect(found.piece).not.toBeNull();
  const patches = greysOf(found.sheet, known).map((patch) => ({ ...patch, kind: 'known' as const }));
  expect(patches).toHaveLength(4);
  const { regions } = measurePicture(picture, { ...spec, card: patches, reference: 'hidden' }).result;
  const fascia = regions.find(({ id }) => id === 'fascia')!;
  expect(Math.abs(fascia.deltaB! - (truth.fascia![2] - truth.hidden![2]))).toBeLessThan(1);
  expect(greysOf(found.sheet, [])).toEqual([]);
  expect(greysOf(null, known)).toEqual([]);
});
