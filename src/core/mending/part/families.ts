import Joi from 'joi';
import { Refusal } from '../../refusal';
import { checkWall, disc, mm, mmOr0, type Family } from './fields';
import { plate } from './plate';
import { circle, rectangle, withoutStraights, type Ring } from './rings';

interface Foot {
  diameterMm: number;
  heightMm: number;
  holeMm: number;
  counterboreMm: number;
  counterboreDepthMm: number;
}
const foot: Family<Foot> = {
  title: 'Foot',
  pressed: true,
  schema: Joi.object({
    diameterMm: mm('Diameter'),
    heightMm: mm('Height'),
    holeMm: mmOr0('Hole'),
    counterboreMm: mmOr0('Recess for the screw’s head'),
    counterboreDepthMm: mmOr0('Depth of the recess'),
  }),
  example: { diameterMm: 18, heightMm: 8, holeMm: 3.4, counterboreMm: 7, counterboreDepthMm: 3.5 },
  layers: ({ diameterMm, heightMm, holeMm, counterboreMm, counterboreDepthMm }) => {
    const recess = counterboreMm > 0 && counterboreDepthMm > 0;
    if (recess && counterboreMm < holeMm)
      throw new Refusal('counterboreMm', `A recess of ${counterboreMm} mm is narrower than its hole of ${holeMm} mm.`);
    if (counterboreDepthMm > 0 && counterboreMm === 0)
      throw new Refusal('counterboreMm', 'A recess that is so deep needs a width too.');
    const widest = Math.max(holeMm, recess ? counterboreMm : 0);
    if (widest > 0) checkWall(recess ? 'counterboreMm' : 'holeMm', (diameterMm - widest) / 2, `A hole of ${widest} mm`);
    if (recess)
      checkWall('counterboreDepthMm', heightMm - counterboreDepthMm, `A recess ${counterboreDepthMm} mm deep`);
    const [outer, hole] = [circle(diameterMm), circle(holeMm)];
    const through = holeMm > 0 ? [outer, hole] : [outer];
    if (!recess || counterboreMm === holeMm) return [{ from: 0, to: heightMm, rings: through }];
    return [
      { from: 0, to: heightMm - counterboreDepthMm, rings: through },
      { from: heightMm - counterboreDepthMm, to: heightMm, rings: [outer, circle(counterboreMm)] },
    ];
  },
  formula: ({ diameterMm, heightMm, holeMm, counterboreMm, counterboreDepthMm }) =>
    disc(diameterMm) * heightMm -
    disc(holeMm) * (heightMm - (counterboreMm > 0 ? counterboreDepthMm : 0)) -
    disc(counterboreMm) * counterboreDepthMm,
};

interface Pin {
  diameterMm: number;
  lengthMm: number;
}
const pin: Family<Pin> = {
  title: 'Pin',
  schema: Joi.object({ diameterMm: mm('Diameter'), lengthMm: mm('Length') }),
  example: { diameterMm: 3, lengthMm: 14 },
  layers: ({ diameterMm, lengthMm }) => {
    checkWall('diameterMm', diameterMm, 'This diameter');
    return [{ from: 0, to: lengthMm, rings: [circle(diameterMm)] }];
  },
  formula: ({ diameterMm, lengthMm }) => disc(diameterMm) * lengthMm,
};

interface Sleeve {
  innerMm: number;
  outerMm: number;
  lengthMm: number;
}
const sleeve: Family<Sleeve> = {
  title: 'Sleeve over a boss, or spacer',
  pressed: true,
  schema: Joi.object({ innerMm: mm('Inner diameter'), outerMm: mm('Outer diameter'), lengthMm: mm('Length') }),
  example: { innerMm: 3.2, outerMm: 7, lengthMm: 9 },
  layers: ({ innerMm, outerMm, lengthMm }) => {
    checkWall('innerMm', (outerMm - innerMm) / 2, `A hole of ${innerMm} mm`);
    return [{ from: 0, to: lengthMm, rings: [circle(outerMm), circle(innerMm)] }];
  },
  formula: ({ innerMm, outerMm, lengthMm }) => (disc(outerMm) - disc(innerMm)) * lengthMm,
};

interface HingeStub {
  plateWidthMm: number;
  plateHeightMm: number;
  plateMm: number;
  stubMm: number;
  stubLengthMm: number;
  holeMm: number;
}
const hingeStub: Family<HingeStub> = {
  title: 'Hinge stub on a plate',
  schema: Joi.object({
    plateWidthMm: mm('Width of the plate'),
    plateHeightMm: mm('Height of the plate'),
    plateMm: mm('Thickness of the plate'),
    stubMm: mm('Diameter of the stub'),
    stubLengthMm: mm('Length of the stub'),
    holeMm: mmOr0('Hole for a pin'),
  }),
  example: { plateWidthMm: 16, plateHeightMm: 12, plateMm: 2, stubMm: 6, stubLengthMm: 8, holeMm: 2 },
  layers: ({ plateWidthMm, plateHeightMm, plateMm, stubMm, stubLengthMm, holeMm }) => {
    checkWall('stubMm', (Math.min(plateWidthMm, plateHeightMm) - stubMm) / 2, `A stub of ${stubMm} mm on this plate`);
    if (holeMm > 0) checkWall('holeMm', (stubMm - holeMm) / 2, `A hole of ${holeMm} mm`);
    checkWall('plateMm', plateMm, 'This plate');
    const hole = holeMm > 0 ? [circle(holeMm)] : [];
    return [
      { from: 0, to: plateMm, rings: [rectangle(plateWidthMm, plateHeightMm, 1), ...hole] },
      { from: plateMm, to: plateMm + stubLengthMm, rings: [circle(stubMm), ...hole] },
    ];
  },
  formula: ({ plateWidthMm, plateHeightMm, plateMm, stubMm, stubLengthMm, holeMm }) =>
    (plateWidthMm * plateHeightMm - (4 - Math.PI) * Math.min(1, plateWidthMm / 2, plateHeightMm / 2) ** 2) * plateMm +
    disc(stubMm) * stubLengthMm -
    disc(holeMm) * (plateMm + stubLengthMm),
};

interface TestBar {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  roundMm: number;
  pinHighMm: number;
}
const testBar: Family<TestBar> = {
  title: 'Bar to test a printer',
  pressed: true,
  schema: Joi.object({
    lengthMm: mm('Length'),
    widthMm: mm('Width'),
    thicknessMm: mm('Thickness'),
    roundMm: mm('Diameter of pin and hole'),
    pinHighMm: mm('Height of the pin'),
  }),
  example: { lengthMm: 100, widthMm: 16, thicknessMm: 4, roundMm: 10, pinHighMm: 6 },
  layers: ({ lengthMm, widthMm, thicknessMm, roundMm, pinHighMm }) => {
    checkWall('widthMm', (widthMm - roundMm) / 2, `A hole of ${roundMm} mm`);
    checkWall('lengthMm', lengthMm / 4 - roundMm / 2, `A hole of ${roundMm} mm`);
    checkWall('thicknessMm', thicknessMm, 'This bar');
    return [
      {
        ...{ from: 0, to: thicknessMm },
        rings: [rectangle(lengthMm, widthMm), circle(roundMm, [-lengthMm / 4, 0])],
      },
      { from: thicknessMm, to: thicknessMm + pinHighMm, rings: [circle(roundMm, [lengthMm / 4, 0])] },
    ];
  },
  formula: ({ lengthMm, widthMm, thicknessMm, roundMm, pinHighMm }) =>
    lengthMm * widthMm * thicknessMm + disc(roundMm) * (pinHighMm - thicknessMm),
};

interface BlankingPlate {
  widthMm: number;
  heightMm: number;
  thicknessMm: number;
  lipWidthMm: number;
  lipHeightMm: number;
  lipDepthMm: number;
}
const blankingPlate: Family<BlankingPlate> = {
  title: 'Plate that closes an opening',
  schema: Joi.object({
    widthMm: mm('Width'),
    heightMm: mm('Height'),
    thicknessMm: mm('Thickness'),
    lipWidthMm: mm('Width of the opening'),
    lipHeightMm: mm('Height of the opening'),
    lipDepthMm: mm('How deep it reaches in'),
  }),
  example: { widthMm: 46, heightMm: 18, thicknessMm: 1.6, lipWidthMm: 40, lipHeightMm: 12, lipDepthMm: 3 },
  layers: ({ widthMm, heightMm, thicknessMm, lipWidthMm, lipHeightMm, lipDepthMm }) => {
    checkWall('lipWidthMm', (widthMm - lipWidthMm) / 2, `An opening of ${lipWidthMm} mm`);
    checkWall('lipHeightMm', (heightMm - lipHeightMm) / 2, `An opening of ${lipHeightMm} mm`);
    checkWall('thicknessMm', thicknessMm, 'This thickness');
    return [
      { from: 0, to: thicknessMm, rings: [rectangle(widthMm, heightMm)] },
      { from: thicknessMm, to: thicknessMm + lipDepthMm, rings: [rectangle(lipWidthMm, lipHeightMm)] },
    ];
  },
  formula: ({ widthMm, heightMm, thicknessMm, lipWidthMm, lipHeightMm, lipDepthMm }) =>
    widthMm * heightMm * thicknessMm + lipWidthMm * lipHeightMm * lipDepthMm,
};

interface ClipTab {
  widthMm: number;
  baseMm: number;
  baseHeightMm: number;
  armMm: number;
  armLengthMm: number;
  hookMm: number;
  hookLengthMm: number;
}
const clipTab: Family<ClipTab> = {
  title: 'Clip tab',
  schema: Joi.object({
    widthMm: mm('Width'),
    baseMm: mm('Depth of its base'),
    baseHeightMm: mm('Height of its base'),
    armMm: mm('Thickness of the arm'),
    armLengthMm: mm('Length of the arm'),
    hookMm: mm('How far the hook stands out'),
    hookLengthMm: mm('Height of the hook'),
  }),
  example: { widthMm: 6, baseMm: 8, baseHeightMm: 2, armMm: 1.4, armLengthMm: 8, hookMm: 0.8, hookLengthMm: 1.6 },
  layers: ({ widthMm, baseMm, baseHeightMm, armMm, armLengthMm, hookMm, hookLengthMm }) => {
    checkWall('armMm', armMm, 'This arm');
    if (armMm + hookMm > baseMm)
      throw new Refusal('baseMm', `Arm and hook are ${armMm + hookMm} mm deep: make the base as deep, or deeper.`);
    // Its profile, from the side, drawn out over its width.
    const profile: Ring = [
      [0, 0],
      [baseMm, 0],
      [baseMm, baseHeightMm],
      [armMm, baseHeightMm],
      [armMm, baseHeightMm + armLengthMm - hookLengthMm],
      [armMm + hookMm, baseHeightMm + armLengthMm - hookLengthMm],
      [armMm, baseHeightMm + armLengthMm],
      [0, baseHeightMm + armLengthMm],
    ];
    if (hookLengthMm >= armLengthMm)
      throw new Refusal('hookLengthMm', 'The hook is as long as its arm. Make the arm longer.');
    return [{ from: 0, to: widthMm, rings: [withoutStraights(profile)] }];
  },
  formula: ({ widthMm, baseMm, baseHeightMm, armMm, armLengthMm, hookMm, hookLengthMm }) =>
    widthMm * (baseMm * baseHeightMm + armMm * armLengthMm + (hookMm * hookLengthMm) / 2),
};

interface Slat {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  radiusMm: number;
}
const slat: Family<Slat> = {
  title: 'Slat of a vent',
  schema: Joi.object({
    lengthMm: mm('Length'),
    widthMm: mm('Width'),
    thicknessMm: mm('Thickness'),
    radiusMm: mmOr0('Radius of its corners'),
  }),
  example: { lengthMm: 62, widthMm: 5, thicknessMm: 2, radiusMm: 2.5 },
  layers: ({ lengthMm, widthMm, thicknessMm, radiusMm }) => {
    checkWall('thicknessMm', thicknessMm, 'This thickness');
    checkWall('widthMm', widthMm, 'This width');
    return [{ from: 0, to: thicknessMm, rings: [rectangle(lengthMm, widthMm, radiusMm)] }];
  },
  formula: ({ lengthMm, widthMm, thicknessMm, radiusMm }) =>
    (lengthMm * widthMm - (4 - Math.PI) * Math.min(radiusMm, lengthMm / 2, widthMm / 2) ** 2) * thicknessMm,
};

interface Door {
  widthMm: number;
  heightMm: number;
  thicknessMm: number;
  clipWidthMm: number;
  clipMm: number;
  clipLengthMm: number;
  hookMm: number;
}
const door: Family<Door> = {
  title: 'Door with two clips',
  schema: Joi.object({
    widthMm: mm('Width'),
    heightMm: mm('Height'),
    thicknessMm: mm('Thickness'),
    clipWidthMm: mm('Width of a clip'),
    clipMm: mm('Thickness of a clip'),
    clipLengthMm: mm('Length of a clip'),
    hookMm: mm('How far its hook stands out'),
  }),
  example: { widthMm: 52, heightMm: 34, thicknessMm: 2, clipWidthMm: 6, clipMm: 1.6, clipLengthMm: 7, hookMm: 0.8 },
  layers: ({ widthMm, heightMm, thicknessMm, clipWidthMm, clipMm, clipLengthMm, hookMm }) => {
    checkWall('thicknessMm', thicknessMm, 'This thickness');
    checkWall('clipMm', clipMm, 'This clip');
    const rim = hookMm + 1;
    checkWall('widthMm', widthMm / 2 - clipMm - 2 * rim, 'So wide a clip and hook');
    checkWall('clipWidthMm', (heightMm - clipWidthMm) / 2, `A clip of ${clipWidthMm} mm`);
    const x = widthMm / 2 - rim - clipMm / 2;
    const clip = (side: number, more: number): Ring =>
      // The hook stands out to both sides of its arm, so that no face ends in the middle of another’s side.
      rectangle(clipMm + 2 * more, clipWidthMm + (more > 0 ? 0.2 : 0), 0, [side * x, 0]);
    const hook = clipLengthMm / 4;
    return [
      { from: 0, to: thicknessMm, rings: [rectangle(widthMm, heightMm, 1)] },
      { from: thicknessMm, to: thicknessMm + clipLengthMm - hook, rings: [clip(-1, 0), clip(1, 0)] },
      {
        from: thicknessMm + clipLengthMm - hook,
        to: thicknessMm + clipLengthMm,
        rings: [clip(-1, hookMm), clip(1, hookMm)],
        top: [clip(-1, 0), clip(1, 0)],
      },
    ];
  },
};

interface Bracket {
  lengthMm: number;
  heightMm: number;
  widthMm: number;
  thicknessMm: number;
}
const bracket: Family<Bracket> = {
  title: 'Bracket',
  schema: Joi.object({
    lengthMm: mm('Length'),
    heightMm: mm('Height'),
    widthMm: mm('Width'),
    thicknessMm: mm('Thickness'),
  }),
  example: { lengthMm: 20, heightMm: 16, widthMm: 10, thicknessMm: 2.4 },
  layers: ({ lengthMm, heightMm, widthMm, thicknessMm: t }) => {
    checkWall('thicknessMm', t, 'This thickness');
    if (t >= Math.min(lengthMm, heightMm))
      throw new Refusal('thicknessMm', 'A bracket as thick as it is long is a block. Make it thinner, or longer.');
    const profile: Ring = [
      [0, 0],
      [lengthMm, 0],
      [lengthMm, t],
      [t, t],
      [t, heightMm],
      [0, heightMm],
    ];
    return [{ from: 0, to: widthMm, rings: [profile] }];
  },
  formula: ({ lengthMm, heightMm, widthMm, thicknessMm: t }) => widthMm * t * (lengthMm + heightMm - t),
};

interface KeyStem {
  diameterMm: number;
  lengthMm: number;
  flangeMm: number;
  flangeThicknessMm: number;
  holeMm: number;
}
const keyStem: Family<KeyStem> = {
  title: 'Stem of a key',
  schema: Joi.object({
    diameterMm: mm('Diameter'),
    lengthMm: mm('Length above the flange'),
    flangeMm: mm('Diameter of the flange'),
    flangeThicknessMm: mm('Thickness of the flange'),
    holeMm: mmOr0('Hole through it'),
  }),
  example: { diameterMm: 5.4, lengthMm: 7, flangeMm: 9, flangeThicknessMm: 1.2, holeMm: 0 },
  layers: ({ diameterMm, lengthMm, flangeMm, flangeThicknessMm, holeMm }) => {
    checkWall('flangeMm', (flangeMm - diameterMm) / 2, `A stem of ${diameterMm} mm`);
    if (holeMm > 0) checkWall('holeMm', (diameterMm - holeMm) / 2, `A hole of ${holeMm} mm`);
    checkWall('flangeThicknessMm', flangeThicknessMm, 'This flange');
    const hole = holeMm > 0 ? [circle(holeMm)] : [];
    return [
      { from: 0, to: flangeThicknessMm, rings: [circle(flangeMm), ...hole] },
      { from: flangeThicknessMm, to: flangeThicknessMm + lengthMm, rings: [circle(diameterMm), ...hole] },
    ];
  },
  formula: ({ diameterMm, lengthMm, flangeMm, flangeThicknessMm, holeMm }) =>
    disc(flangeMm) * flangeThicknessMm + disc(diameterMm) * lengthMm - disc(holeMm) * (flangeThicknessMm + lengthMm),
};

interface Lever {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  holeMm: number;
}
const lever: Family<Lever> = {
  title: 'Lever',
  schema: Joi.object({
    lengthMm: mm('Length over all'),
    widthMm: mm('Width'),
    thicknessMm: mm('Thickness'),
    holeMm: mmOr0('Hole at its end'),
  }),
  example: { lengthMm: 30, widthMm: 8, thicknessMm: 3, holeMm: 3 },
  layers: ({ lengthMm, widthMm, thicknessMm, holeMm }) => {
    if (lengthMm < widthMm) throw new Refusal('lengthMm', `A lever is longer than wide: ${widthMm} mm or more here.`);
    checkWall('thicknessMm', thicknessMm, 'This thickness');
    if (holeMm > 0) checkWall('holeMm', (widthMm - holeMm) / 2, `A hole of ${holeMm} mm`);
    const hole = holeMm > 0 ? [circle(holeMm, [(widthMm - lengthMm) / 2, 0])] : [];
    return [{ from: 0, to: thicknessMm, rings: [rectangle(lengthMm, widthMm, widthMm / 2), ...hole] }];
  },
  formula: ({ lengthMm, widthMm, thicknessMm, holeMm }) =>
    (lengthMm * widthMm - (4 - Math.PI) * (widthMm / 2) ** 2 - disc(holeMm)) * thicknessMm,
};

interface Slider {
  lengthMm: number;
  widthMm: number;
  baseMm: number;
  gripLengthMm: number;
  gripWidthMm: number;
  gripMm: number;
}
const slider: Family<Slider> = {
  title: 'Slider',
  schema: Joi.object({
    lengthMm: mm('Length of its base'),
    widthMm: mm('Width of its base'),
    baseMm: mm('Thickness of its base'),
    gripLengthMm: mm('Length of the grip'),
    gripWidthMm: mm('Width of the grip'),
    gripMm: mm('Height of the grip'),
  }),
  example: { lengthMm: 18, widthMm: 9, baseMm: 1.6, gripLengthMm: 8, gripWidthMm: 6, gripMm: 4 },
  layers: ({ lengthMm, widthMm, baseMm, gripLengthMm, gripWidthMm, gripMm }) => {
    checkWall('gripLengthMm', (lengthMm - gripLengthMm) / 2, `A grip of ${gripLengthMm} mm`);
    checkWall('gripWidthMm', (widthMm - gripWidthMm) / 2, `A grip of ${gripWidthMm} mm`);
    checkWall('baseMm', baseMm, 'This base');
    return [
      { from: 0, to: baseMm, rings: [rectangle(lengthMm, widthMm)] },
      { from: baseMm, to: baseMm + gripMm, rings: [rectangle(gripLengthMm, gripWidthMm)] },
    ];
  },
  formula: ({ lengthMm, widthMm, baseMm, gripLengthMm, gripWidthMm, gripMm }) =>
    lengthMm * widthMm * baseMm + gripLengthMm * gripWidthMm * gripMm,
};

interface Knob {
  diameterMm: number;
  heightMm: number;
  boreMm: number;
  boreDepthMm: number;
  chamferMm: number;
}
const knob: Family<Knob> = {
  pressed: true,
  title: 'Knob',
  schema: Joi.object({
    diameterMm: mm('Diameter'),
    heightMm: mm('Height'),
    boreMm: mm('Bore for its shaft'),
    boreDepthMm: mm('Depth of the bore'),
    chamferMm: mmOr0('Chamfer of its upper rim'),
  }),
  example: { diameterMm: 16, heightMm: 12, boreMm: 6.1, boreDepthMm: 9, chamferMm: 1 },
  layers: ({ diameterMm, heightMm, boreMm, boreDepthMm, chamferMm }) => {
    checkWall('boreMm', (diameterMm - boreMm) / 2, `A bore of ${boreMm} mm`);
    checkWall('boreDepthMm', heightMm - chamferMm - boreDepthMm, `A bore ${boreDepthMm} mm deep`);
    if (2 * chamferMm >= diameterMm) throw new Refusal('chamferMm', 'A chamfer so wide leaves no top.');
    const outer = circle(diameterMm);
    return [
      { from: 0, to: boreDepthMm, rings: [outer, circle(boreMm)] },
      { from: boreDepthMm, to: heightMm - chamferMm, rings: [outer] },
      ...(chamferMm > 0
        ? [{ from: heightMm - chamferMm, to: heightMm, rings: [outer], top: [circle(diameterMm - 2 * chamferMm)] }]
        : []),
    ];
  },
  formula: ({ diameterMm, heightMm, boreMm, boreDepthMm, chamferMm }) => {
    const [r, s] = [diameterMm / 2, diameterMm / 2 - chamferMm];
    return (
      disc(diameterMm) * (heightMm - chamferMm) -
      disc(boreMm) * boreDepthMm +
      (Math.PI * chamferMm * (r * r + r * s + s * s)) / 3
    );
  },
};

/** Every kind of part that can be made from its sizes. */
export type { Family };

export const FAMILIES = {
  plate,
  foot,
  pin,
  sleeve,
  'hinge-stub': hingeStub,
  'clip-tab': clipTab,
  'blanking-plate': blankingPlate,
  door,
  slat,
  bracket,
  'key-stem': keyStem,
  lever,
  slider,
  knob,
  'test-bar': testBar,
} as const;
export type FamilyName = keyof typeof FAMILIES;
export const FAMILY_NAMES = Object.keys(FAMILIES) as FamilyName[];
