import { planeOfThing, printedLarger, spreadOf, type PlaneLook } from '../mending/marks/plane';
import { sizeOn } from '../mending/marks/sizes';
import type { Corners } from '../picture/corners';
import { chooseRepair, crackEnd, verdictOf, type MendSchool } from '../mending/repair/choose';
import { FAMILIES } from '../mending/part/families';
import { layOn } from '../mending/part/laid';
import { meshOf } from '../mending/part/mesh';
import { skinOf } from '../mending/part/part';
import { AS_DRAWN } from '../mending/part/fitted';
import { printAdvice } from '../mending/part/printAdvice';
import type { Damage, Load, WindowGlue } from '../mending/repair/damage';
import { backed, facesGlued, oddsToHold } from '../mending/repair/holds';
import type { MendWay } from '../mending/repair/ways';

/** A crack of 20 mm in a wall of 2.5, held by hand and reached from both sides. */
export const CRACK: Damage = {
  ...{ kind: 'crack', plastic: 'ABS', load: 'held by hand', loadN: null, pull: 'along', armMm: 10 },
  ...{ reach: 'both', seen: true, lengthMm: 20, wallMm: 2.5, behindMm: 8 },
  ...{ stubMm: null, deepMm: null, bossMm: null, holeMm: null, engagedMm: null, screwMm: null },
};
const tenths = (odds: number) => Math.round(1000 * odds) / 1000;
const choice = (damage: Damage, school: MendSchool = 'strong and hidden') =>
  chooseRepair(damage, { school, tried: [], stores: [], hourMinor: 1000 });
const optionOf = (way: MendWay, damage: Damage, school?: MendSchool) =>
  choice(damage, school).options.find((option) => option.way === way)!;
const loadCase = (load: Load, is: number, other: number) => ({
  decides: `what pulls where nobody measured it: ${load}`,
  of: () => facesGlued({ ...CRACK, load }, 'gel').loadN,
  ...{ is, other },
});
const partCase = (way: MendWay, is: number, other: number, damage: Damage = { ...CRACK, kind: 'missing' }) => ({
  decides: `how often it is said to hold: ${way}`,
  of: () => tenths(optionOf(way, damage).odds),
  ...{ is, other },
});
const liftedCase = (windowGlue: WindowGlue | undefined, is: number, other: number) =>
  partCase('warm and lift', is, other, {
    ...{ ...CRACK, kind: 'window to come out' },
    ...(windowGlue && { windowGlue }),
  });
/** A wedge whose slanted side leans out over the bed by 45 degrees. */
const CORNERED = meshOf([
  [
    [0, 0, 0],
    [10, 10, 10],
    [10, -10, 10],
  ],
]);
const STUB_ON_PLATE = meshOf(skinOf('hinge-stub', FAMILIES['hinge-stub'].example));
/** What a way counts for beside another, in minutes. */
const between = (one: MendWay, other: MendWay, damage: Damage, school?: MendSchool) =>
  Math.round(optionOf(one, damage, school).counts - optionOf(other, damage, school).counts);

/** A card on a picture of 400 × 300, seen a little from the front. */
const PHOTO = { width: 400, height: 300 };
const CARD = {
  corners: [
    [120, 100],
    [280, 100],
    [290, 205],
    [110, 205],
  ] as unknown as Corners,
  widthMm: 85.6,
  heightMm: 54,
};
const ground = (focal35Mm?: number) => planeOfThing(PHOTO, CARD, focal35Mm);
const across = ({ toMm }: PlaneLook) => toMm([390, 150])[0] - toMm([10, 150])[0];
const hundredths = (mm: number) => Math.round(100 * mm) / 100;
const cameraHeight = ({ camera }: PlaneLook) => camera.heightMm;
/** Grey all over: no edge is near any mark. */
const GREY = { ...PHOTO, data: new Uint8ClampedArray(4 * 400 * 300).fill(128) };

/** A case that each number of repairs decides. */
export const MENDING_CASES = {
  'strength of cyanoacrylate': {
    decides: 'what a glued face of 50 mm² bears',
    of: () => Math.round(facesGlued(CRACK, 'gel').capacityN),
    ...{ is: 250, other: 5.1 },
  },
  'strength of putty': {
    decides: 'what a plate behind adds',
    of: () => Math.round(backed({ ...CRACK, wallMm: 1, behindMm: 2 }, 'gel', 'epoxy').capacityN),
    ...{ is: 340, other: 5.5 },
  },
  'strength of a solvent joint': {
    decides: 'what a joint of the same plastic bears',
    of: () => Math.round(facesGlued(CRACK, 'solvent').capacityN),
    ...{ is: 750, other: 14.5 },
  },
  'peel of shear': {
    decides: 'what a face bears that is pried open close to it',
    of: () => Math.round(facesGlued({ ...CRACK, pull: 'pried', armMm: 3 }, 'gel').capacityN),
    ...{ is: 25, other: 0.09 },
  },
  'moved again and again': {
    decides: 'what a glued face bears that snaps',
    of: () => Math.round(facesGlued({ ...CRACK, load: 'snaps' }, 'gel').capacityN),
    ...{ is: 83, other: 0.3 },
  },
  'old plastic bears': {
    decides: 'whether glue or the plastic beside it gives first',
    of: () => facesGlued({ ...CRACK, plastic: 'ABS' }, 'solvent').gives,
    ...{ is: 'glue', other: 14 },
  },
  'spread of a joint': {
    decides: 'how sure a joint of twice its load is',
    of: () => tenths(oddsToHold(80, 40)),
    ...{ is: 0.917, other: 0.45 },
  },
  'spread of a load': {
    decides: 'how sure a joint of twice its load is',
    of: () => tenths(oddsToHold(80, 40)),
    ...{ is: 0.917, other: 0.35 },
  },
  'load: nothing': loadCase('nothing', 2, 3),
  'load: held by hand': loadCase('held by hand', 40, 45),
  'load: snaps': loadCase('snaps', 25, 30),
  'load: carries the lid': loadCase('carries the lid', 15, 20),
  'load: hinge': loadCase('hinge', 20, 25),
  'load: screw': loadCase('screw', 80, 90),
  'a loaded crack stays': partCase('leave', 0.3, 0.35, CRACK),
  'mended: metal part': partCase('metal part', 0.95, 0.9),
  'mended: printed part': partCase('printed part', 0.8, 0.75),
  'mended: cast part': partCase('cast part', 0.8, 0.75),
  'mended: donor part': partCase('donor part', 0.85, 0.8),
  'mended: bought part': partCase('bought part', 0.9, 0.85),
  'mended: warm and press': partCase('warm and press', 0.6, 0.55, { ...CRACK, kind: 'warped' }),
  'mended: polish': partCase('polish', 0.8, 0.75, { ...CRACK, kind: 'window clouded' }),
  'mended: new film': partCase('new film', 0.75, 0.7, { ...CRACK, kind: 'film burnt' }),
  'mended: set of feet': partCase('set of feet', 0.95, 0.9, { ...CRACK, kind: 'foot worn or gone' }),
  'lifted: tape': liftedCase('tape', 0.9, 0.85),
  'lifted: soft glue': liftedCase('soft glue', 0.75, 0.7),
  'lifted: hard glue': liftedCase('hard glue', 0.15, 0.2),
  'lifted: not known': liftedCase(undefined, 0.5, 0.45),
  'lived with': partCase('leave', 0.3, 0.35, { ...CRACK, kind: 'film burnt', load: 'nothing' }),
  'made as it was': partCase('donor part', 0.425, 0.45, { ...CRACK, kind: 'missing', wearsOut: true }),
  'sturdy wall': {
    decides: 'whether a wall of 1.25 mm is called thin',
    of: () => printAdvice('sleeve', { innerMm: 4.5, outerMm: 7, lengthMm: 9 }, AS_DRAWN).thinMm,
    ...{ is: null, other: 1.3 },
  },
  overhang: {
    decides: 'whether a face at 45 degrees hangs',
    of: () => layOn(CORNERED, 'below', false).hangsMm2 > 0,
    ...{ is: false, other: 46 },
  },
  'foot of a print': {
    decides: 'whether a rod of 16 mm on a foot of 2.5 mm falls over',
    of: () => layOn(meshOf(skinOf('pin', { diameterMm: 2.5, lengthMm: 16 })), 'below', false).falls,
    ...{ is: false, other: 0.17 },
  },
  'breaks along its layers': {
    decides: 'whether a stub of 6 mm that is 8 mm long breaks along a layer',
    of: () => layOn(STUB_ON_PLATE, 'below', true).breaks !== null,
    ...{ is: true, other: 1.4 },
  },
  'mended: part and redo': partCase('part and redo', 0.6, 0.55, { ...CRACK, kind: 'old glue' }),
  'a look': {
    decides: 'how far a donor’s part is behind a pressed one where it is seen',
    of: () => between('donor part', 'warm and press', { ...CRACK, kind: 'warped' }),
    ...{ is: 198, other: 35 },
  },
  'the original': {
    decides: 'how far a donor’s part is behind a pressed one to the honest',
    of: () => between('donor part', 'warm and press', { ...CRACK, kind: 'warped' }, 'honest'),
    ...{ is: 273, other: 55 },
  },
  'not to be undone': {
    decides: 'how far solvent is behind gel to the honest',
    of: () => between('solvent', 'gel', CRACK, 'honest'),
    ...{ is: -4, other: 25 },
  },
  'a second break': {
    decides: 'how far a cast is behind a donor’s part',
    of: () => between('cast part', 'donor part', { ...CRACK, kind: 'missing' }),
    ...{ is: 214, other: 200 },
  },
  'holds from': {
    decides: 'whether a repair of 0.91 is said to hold',
    of: () => verdictOf(0.91),
    ...{ is: 'holds', other: 0.92 },
  },
  'wall worth a hole': {
    decides: 'whether the end of a crack in a wall of 1.6 mm is drilled',
    of: () => crackEnd({ ...CRACK, wallMm: 1.6 })!.startsWith('Drill'),
    ...{ is: true, other: 1.7 },
  },
  'focal length of a phone': {
    decides: 'how high over the card the camera was',
    of: () => Math.round(cameraHeight(ground())),
    ...{ is: 134, other: 30 },
  },
  'spread of focal lengths': {
    decides: 'how sure that height is',
    of: () => Math.round(spreadOf(ground(), cameraHeight)),
    ...{ is: 10, other: 0.2 },
  },
  'noted focal length is off': {
    decides: 'how sure it is where the picture notes its focal length',
    of: () => hundredths(spreadOf(ground(26), cameraHeight)),
    ...{ is: 4.57, other: 0.08 },
  },
  'hand marks corners': {
    decides: 'how sure a length beside the card is',
    of: () => hundredths(spreadOf(ground(), across)),
    ...{ is: 0.75, other: 1.2 },
  },
  'bend of a lens': {
    decides: 'how sure a length far beyond the card is',
    of: () => hundredths(spreadOf(ground(), across)),
    ...{ is: 0.75, other: 0.04 },
  },
  'scale of a printed sheet': {
    decides: 'how sure a length on the sheet of marks is',
    of: () => hundredths(across(printedLarger(ground())) - across(ground())),
    ...{ is: 0.38, other: 0.003 },
  },
  'hand sets a mark': {
    decides: 'how sure a length is beside whose marks no edge is seen',
    of: () =>
      hundredths(
        sizeOn(GREY, {
          ...{ plane: CARD, kind: 'length' },
          marks: [
            [150, 150],
            [250, 150],
          ],
        }).sd,
      ),
    ...{ is: 1.44, other: 3 },
  },
} as const;
