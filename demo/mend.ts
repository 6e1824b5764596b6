import type { Damage } from '@/core/mending/repair/damage';
import { MEND, type MendWay } from '@/core/mending/repair/ways';
import type { Finding, Piece } from '@/data/rows';
import { addDonor, addDonorPart, takeDonorPart } from '../src/work/donors';
import { addFinding } from '../src/work/findings';
import { beginMend, doStep, endMend, measureBreak } from '../src/work/mend/repairs';
import { ordersOf } from '../src/data/orders';
import { addPart } from '../src/work/mend/parts';
import { answerRequest, askOwner } from '../src/work/owner';
import { addPrinter } from '../src/work/mend/printers';
import { orderFor, placeOrder } from '../src/work/orders';
import { addPiece } from '../src/work/pieces';

import { slatOnSheet, sliderTint } from './mendPictures';

type Clock = (daysAgo: number, hour: number, minute?: number) => Date;

const WALL: Omit<Damage, 'kind' | 'load' | 'lengthMm' | 'wallMm'> = {
  ...{ plastic: 'ABS', loadN: null, pull: 'along', armMm: 10, reach: 'both', seen: false, behindMm: 8 },
  ...{ stubMm: null, deepMm: null, bossMm: null, holeMm: null, engagedMm: null, screwMm: null },
};

const broken = (piece: Piece, found: Pick<Finding, 'kind' | 'severity' | 'words'>, at: Date) =>
  addFinding({ restorationId: piece.restorationId, pieceId: piece.id, stage: 'intake', ...found }, at);

/** A repair as far as its last glue. */
async function mended(
  finding: Finding,
  name: string,
  damage: Damage,
  way: Exclude<MendWay, 'leave'>,
  at: Date,
): Promise<string> {
  const { restorationId, id: findingId } = finding;
  const repairId = await measureBreak({ restorationId, findingId, name, damage }, at);
  await beginMend(repairId, way, at);
  for (const [i] of MEND[way].steps.entries())
    await doStep(repairId, i, { roomC: 19 }, new Date(at.getTime() + (i + 1) * 8 * 60_000));
  return repairId;
}

/** What is broken on the Orvane: a door whose pinned stub still cures, a boss that is sleeved, a slat and a foot that are gone. */
export async function orvaneMend(bottom: Piece, lid: Piece, at: Clock): Promise<void> {
  const { restorationId } = bottom;
  const door = await addPiece(
    {
      ...{
        restorationId,
        tag: 'K4',
        name: 'Slot door',
        plastic: 'ABS',
        finish: 'textured',
        labels: '',
        metalInside: '',
      },
      ...{ lengthMm: 92, widthMm: 41, heightMm: 6 },
    },
    at(3, 18, 26),
  );
  const boss = await broken(bottom, { kind: 'crack', severity: 'plain', words: 'rear left screw boss' }, at(3, 18, 40));
  const stub = await broken(
    door,
    { kind: 'broken, the piece is here', severity: 'bad', words: 'left hinge stub' },
    at(3, 18, 42),
  );
  await broken(lid, { kind: 'missing', severity: 'plain', words: 'one slat of the vent' }, at(3, 18, 44));
  const foot = await addFinding(
    {
      ...{ restorationId, pieceId: bottom.id, stage: 'intake', kind: 'missing', part: 'foot or pad' },
      ...{ severity: 'plain', words: 'one foot of four' },
    },
    at(3, 18, 46),
  );
  const slider = await broken(
    lid,
    { kind: 'missing', severity: 'plain', words: 'slider of the contrast' },
    at(3, 18, 48),
  );
  const sleeved = await mended(
    boss,
    'Rear left screw boss',
    {
      ...{ ...WALL, kind: 'crack', load: 'screw', lengthMm: 9, wallMm: 2 },
      ...{ bossMm: 7, holeMm: 2.5, engagedMm: 9, screwMm: 3 },
    },
    'sleeve',
    at(2, 10),
  );
  await endMend(sleeved, 'holds', 'screw snug at a quarter turn less than the others', at(1, 17));
  await mended(
    stub,
    'Left hinge stub',
    {
      ...{ ...WALL, kind: 'broken off', load: 'hinge', pull: 'pried', lengthMm: 6, wallMm: 5, armMm: 4 },
      ...{ stubMm: 6, deepMm: 12 },
    },
    'pin',
    at(1, 17, 10),
  );
  await slatOnSheet(restorationId, at(1, 18));
  const asked = await askOwner(
    {
      ...{ restorationId, pieceId: lid.id, stage: 'mend', about: 'purchase' },
      what: 'Cast the slider of the contrast that is missing.',
      why: 'No donor has it, and a printed one shows its layers beside the lid.',
      ...{ costMinor: 1200, alternatives: 'Leave the slot open; a printed one for the price of a coffee.' },
    },
    at(3, 19),
  );
  await answerRequest(asked.id, 'yes', 'cast it', at(2, 9));
  await sliderTint(lid, (minute) => at(2, 14, minute));
  const cast = await mended(
    slider,
    'Slider of the contrast',
    { ...WALL, kind: 'missing', load: 'held by hand', lengthMm: 18, wallMm: 2.5, seen: true },
    'cast part',
    at(2, 16),
  );
  await endMend(cast, 'holds', 'a hair brighter than the lid in daylight', at(1, 19));
  await orvaneDonor(restorationId, at(2, 9), at(1, 12));
  const footed = await mended(
    foot,
    'Foot, front left',
    { ...WALL, kind: 'foot worn or gone', load: 'nothing', lengthMm: 14, wallMm: 6 },
    'donor part',
    at(1, 12, 10),
  );
  await endMend(footed, 'holds', 'stands without rocking', at(1, 12, 40));
  await addPart(
    {
      ...{ restorationId, name: 'Spare foot, by the other three', family: 'foot', photoId: null },
      sizes: { diameterMm: 14, heightMm: 6.2, holeMm: 3.2, counterboreMm: 6, counterboreDepthMm: 3 },
    },
    at(1, 12, 50),
  );
  await addPrinter(
    { name: 'Shed printer, light grey', barMm: 99.62, pinMm: 10.11, holeMm: 9.83, kgMinor: 2400 },
    at(1, 13),
  );
  await burntFilm(restorationId, at);
}

/** The display of it: its film is burnt, and a new one is on its way. */
async function burntFilm(restorationId: string, at: Clock): Promise<void> {
  const found = await addFinding(
    {
      ...{ restorationId, pieceId: null, stage: 'intake', kind: 'melted', part: 'display' },
      ...{ severity: 'bad', words: 'polariser brown in one corner' },
    },
    at(3, 18, 50),
  );
  const repairId = await measureBreak(
    {
      ...{ restorationId, findingId: found.id, name: 'Film of the display' },
      damage: { ...WALL, kind: 'film burnt', load: 'nothing', lengthMm: 20, wallMm: 1, seen: true },
    },
    at(2, 11),
  );
  await orderFor(repairId, ['polarising film'], at(2, 11, 5));
  const [order] = await ordersOf(restorationId);
  await placeOrder(order!.id, { priceMinor: 890, dueDays: 6 }, at(2, 11, 20));
}

/** A cracked sister of it: a foot is taken, the rest waits. */
async function orvaneDonor(restorationId: string, came: Date, took: Date): Promise<void> {
  const donorId = await addDonor({ name: 'Orvane Slab, shell cracked', words: 'bought for its feet and caps' }, came);
  const on = (what: string, sizes: Partial<Parameters<typeof addDonorPart>[0]>) =>
    addDonorPart(
      {
        ...{ donorId, what, lengthMm: null, widthMm: null, heightMm: null, spacingMm: null, lab: null, words: '' },
        ...sizes,
      },
      came,
    );
  const foot = await on('rubber foot', { lengthMm: 14, widthMm: 14, heightMm: 6.2 });
  await on('rubber foot, hard', { lengthMm: 14, widthMm: 14, heightMm: 6 });
  await on('slot door', { lengthMm: 92, widthMm: 41, heightMm: 6, lab: [72, 2, 24] });
  await on('hinge bracket', { lengthMm: 30, widthMm: 12, spacingMm: 18, words: 'steel' });
  await takeDonorPart(foot, restorationId, took);
}
