import { outdoors, surfaceUnder } from '../finish/air';
import { acidBath } from '../finish/acidBath';
import { coatFaults, NO_SHEET, type AirHour, type CoatWay } from '../finish/coat';
import { inOtherGloss } from '../finish/gloss';
import { lastCoatGain } from '../finish/lastCoat';
import { originalityOfPiece } from '../finish/originality';
import { polishVerdict } from '../finish/polish';
import { gramsOfDrops } from '../finish/dropUses';
import type { TestDrop } from '../finish/testDrops';
import { wayRound } from '../finish/wayRound';
import { conducts, rustLadder, sandingOf, type MetalTask, type RustPatch } from '../finish/rust';

const AT = new Date('2026-06-21T10:00:00Z');
const AIR: AirHour = { at: AT, airC: 20, surfaceC: 20, humidityPercent: 60, windMs: 1, rainMm: 0 };
const faults = (air: Partial<AirHour>, way: CoatWay = 'sprayed') =>
  coatFaults({ ...AIR, ...air }, NO_SHEET, way, false).map(({ kind }) => kind);
export const SHEET_STEEL: RustPatch = {
  ...{ metal: 'steel', kind: 'pits', task: 'nothing', touches: 'nothing' },
  ...{ areaCm2: 100, thickMm: 1, pitMm: 0.05, comesOff: true },
};
const may = (task: MetalTask, pitMm: number) => rustLadder({ ...SHEET_STEEL, task, pitMm }, 20).pitsStay;
const hours = (acid: 'vinegar' | 'citric acid') =>
  Math.round(acidBath({ acid, percent: 5, temperatureC: 20, rustUm: 10 }).hours * 10) / 10;

const AGED: TestDrop[] = [
  { amounts: {}, srgb: [235, 232, 225], beside: [205, 190, 150] },
  { amounts: { ochre: 2 }, srgb: [212, 192, 150], beside: [205, 190, 150] },
];
const yearly = (bare: readonly number[] = []) =>
  lastCoatGain(
    bare.map((perYear) => ({ perYear, sd: 0.2, coated: false, kept: 'light' })),
    'light',
  );
/** Plastic 4 b* yellower than its hidden patch. */
const round = () => wayRound(AGED, { lab: [77, 1, 12], hidden: [78, 0, 8], spared: false }, 9).kind;

/** Cases that the numbers of Finish decide. */
export const FINISH_CASES = {
  'a part nobody measured': {
    decides: 'share of a repaired part that nobody measured',
    of: () =>
      originalityOfPiece('lid', [
        { pieceId: 'lid', what: 'stub', state: 'repaired', share: null, by: 'record', words: '' },
      ]).shares.repaired,
    ...{ is: 0.05, other: 0.2 },
  },
  'yellow coming back': {
    decides: 'yellow of a year before anything was learnt',
    of: () => yearly().without.median.toFixed(1),
    ...{ is: '0.8', other: 2 },
  },
  'yellow coming back, spread': {
    decides: 'how wide that is',
    of: () => yearly().without.high.toFixed(1),
    ...{ is: '3.0', other: 0.2 },
  },
  'yellow from piece to piece': {
    decides: 'how much one look says of a next piece',
    of: () => yearly([2]).without.high.toFixed(1),
    ...{ is: '3.9', other: 0.1 },
  },
  'yellow in the dark': {
    decides: 'yellow of a year in the dark',
    of: () => lastCoatGain([], 'dark').without.median.toFixed(2),
    ...{ is: '0.24', other: 0.9 },
  },
  'yellow under a last coat': {
    decides: 'yellow of a year under such a coat',
    of: () => yearly().coated.median.toFixed(2),
    ...{ is: '0.56', other: 0.3 },
  },
  'yellow under a last coat, spread': {
    decides: 'how sure it is that the coat helps at all',
    of: () => yearly().helps.toFixed(2),
    ...{ is: '0.84', other: 0.1 },
  },
  'haze that nobody sees': {
    decides: 'whether a window with a haze of 0.03 is polished on',
    of: () => polishVerdict(null, { haze: 0.03, sd: 0.03 }).kind,
    ...{ is: 'clear', other: 0.02 },
  },
  'a drop weighs': {
    decides: 'grams of a pigment that nobody weighed',
    of: () => Number(gramsOfDrops(12, null).toFixed(2)),
    ...{ is: 0.6, other: 0.03 },
  },
  'surface reflection of a coat': {
    decides: 'how much darker a dark matt paint looks in gloss',
    of: () => Math.round(inOtherGloss([60, 58, 55], 'matt', 'gloss').lightness),
    ...{ is: -22, other: 0.01 },
  },
  'surface light of satin': {
    decides: 'how much darker a matt paint looks in satin',
    of: () => Math.round(inOtherGloss([60, 58, 55], 'matt', 'satin').lightness),
    ...{ is: -8, other: 0.9 },
  },
  'yellow to brighten before paint': {
    decides: 'whether plastic 4 b* too yellow is brightened before it is matched',
    of: round,
    ...{ is: 'brighten first', other: 5 },
  },
  'above the dew point': {
    decides: 'whether a surface 2.6 °C above the dew point is coated',
    // 20 °C and 60 % have their dew point at 12.0 °C.
    of: () => faults({ surfaceC: 14.6 }).includes('dew'),
    ...{ is: true, other: 2 },
  },
  'wind to spray in': {
    decides: 'whether it is sprayed at 4.5 m/s',
    of: () => faults({ windMs: 4.5 }).includes('wind'),
    ...{ is: true, other: 5 },
  },
  'wind to brush in': {
    decides: 'whether it is brushed at 7 m/s',
    of: () => faults({ windMs: 7 }, 'brushed').includes('wind'),
    ...{ is: false, other: 6 },
  },
  'surface under a clear night': {
    decides: 'the warmth of a surface on a clear night',
    of: () => surfaceUnder({ airC: 10, cloud: 0 }, -10),
    ...{ is: 7, other: 5 },
  },
  'surface in the sun': {
    decides: 'whether the sun makes a surface too warm to coat',
    of: () => {
      const noon = [{ at: AT, cloud: 0, airC: 21, humidityPercent: 50, windMs: 1, rainMm: 0 }];
      const [hour] = outdoors(noon, { latitude: 50, longitude: 30 }, false);
      return coatFaults(hour!, NO_SHEET, 'sprayed', false)
        .map(({ kind }) => kind)
        .includes('warm');
    },
    ...{ is: true, other: 4 },
  },
  'rust in citric acid': { decides: 'hours in citric acid', of: () => hours('citric acid'), is: 4, other: 2 },
  'rust in vinegar': { decides: 'hours in vinegar', of: () => hours('vinegar'), is: 5.9, other: 1 },
  'spread of acid hours': {
    decides: 'how long a bath may take at most',
    of: () => Math.round(acidBath({ acid: 'citric acid', percent: 5, temperatureC: 20, rustUm: 10 }).highH),
    ...{ is: 8, other: 3 },
  },
  'metal with the rust': {
    decides: 'metal that a bath takes',
    of: () => Math.round(acidBath({ acid: 'citric acid', percent: 5, temperatureC: 20, rustUm: 50 }).metalUm),
    ...{ is: 5, other: 0.2 },
  },
  'a coat of converter': {
    decides: 'how long a converter holds up what follows',
    of: () => rustLadder(SHEET_STEEL, 20).rungs.find(({ way }) => way === 'converter')!.waitH,
    ...{ is: 48, other: 12 },
  },
  'metal a part may lose': {
    decides: 'whether pits of 0.2 mm are sanded out of a sheet of 1 mm',
    of: () => may('nothing', 0.2),
    ...{ is: false, other: 0.15 },
  },
  'metal a bearing part may lose': {
    decides: 'whether pits of 0.2 mm are sanded out of what bears',
    of: () => may('carry', 0.2),
    ...{ is: true, other: 0.3 },
  },
  'metal a spring may lose': {
    decides: 'whether pits of 0.03 mm are sanded out of a spring',
    of: () => may('spring', 0.03),
    ...{ is: true, other: 0.05 },
  },
  'thinnest sheet for strong acid': {
    decides: 'whether strong acid comes to a sheet of 0.9 mm',
    of: () => rustLadder({ ...SHEET_STEEL, thickMm: 0.9 }, 20).rungs.some(({ way }) => way === 'strong acid'),
    ...{ is: false, other: 0.8 },
  },
  'a shield conducts': {
    decides: 'whether a shield of 1.5 ohm may be called done',
    of: () => conducts(1.5),
    ...{ is: false, other: 2 },
  },
  'sanding a hand’s breadth': {
    decides: 'minutes of the first paper',
    of: () => sandingOf({ ...SHEET_STEEL, pitMm: 0 })[0]!.minutes,
    ...{ is: 6, other: 9 },
  },
} as const;
