import { NO_SHEET, type PaintSheet } from '@/core/finish/coat';
import type { CoatKind } from '@/core/finish/coatKinds';
import { coatingsOf } from '@/data/coats';
import { areasOf, hazesOf, lostMarksOf, originsOf } from '@/data/lastly';
import { logPage } from '@/data/log';
import { listStock } from '@/data/stock';
import { addStock } from '../stock';
import { startExposure } from '../brighten/begin';
import { bringBack } from '../takenBack';
import { takeThingBack } from '../takingBack';
import { answerRequest, askOwner } from '../owner';
import { changeRow } from '@/data/table';
import { addDrop } from '../drops';
import { settleStage } from '../stages';
import { inMinutes, inTrialWorkshop, tick, TRIAL_EXPOSURE, trialPhoto, trialPiece } from '../trial';
import { endCoating, layCoat, planCoating, sayCoatSheet, unlayCoat } from './coats';
import { addArea, addHaze, addLostMark, addOrigin, reopenLostMark, settleLostMark } from './lastly';
import { originalityOfMachine } from './originality';
import { airOver } from '@/data/weather';
import { keepHours } from '../workshop';
import { yellowLooks } from './yellowLooks';

inTrialWorkshop();

const SHEET: PaintSheet = {
  ...NO_SHEET,
  touchH: 1,
  soonestH: 1,
  latestH: 4,
  againFromH: 24,
  throughH: 24,
  keyed: false,
};
const CORNERS = [
  { x: 0.1, y: 0.1 },
  { x: 0.3, y: 0.1 },
  { x: 0.3, y: 0.3 },
  { x: 0.1, y: 0.3 },
];
const READINGS = { airC: 20, surfaceC: 20, humidityPercent: 50, windMs: 1 };

async function job(kinds: readonly CoatKind[], more: { inside?: boolean } = {}) {
  const piece = await trialPiece();
  const jobId = await planCoating(
    {
      ...{ restorationId: piece.restorationId, pieceId: piece.id, name: 'Lid', areaCm2: 600, masks: '' },
      ...{ way: 'brushed', inside: false, coverageM2PerL: 8, sheet: SHEET, kinds, ...more },
    },
    tick(),
  );
  return { piece, jobId, restorationId: piece.restorationId };
}
const lay = (jobId: string, more: Partial<Parameters<typeof layCoat>[0]> = {}, now = tick()) =>
  layCoat({ jobId, readings: READINGS, airDrawn: false, words: '', ...more }, now);

it('over plastic a spot is tried first, and what was outlined is covered; both stand in the record', async () => {
  const { piece, jobId, restorationId } = await job(['primer', 'top coat']);
  await expect(lay(jobId)).rejects.toThrow(/spot is tried first/);
  const photo = await trialPhoto(restorationId);
  const areaId = await addArea(
    {
      ...{ restorationId, photoId: photo.id, pieceId: piece.id, use: 'badge', name: 'maker’s badge' },
      corners: CORNERS,
    },
    tick(),
  );
  await expect(lay(jobId, { tested: true })).rejects.toThrow(/Cover first .*maker’s badge/);
  await lay(jobId, { tested: true, covered: true });
  const { entries } = await logPage({ restorationId }, null, 20);
  expect(entries.find(({ kind }) => kind === 'coat')?.words).toMatch(/spot was tried.*covered: maker’s badge/);
  // The second coat lies on the first, and asks neither again.
  await lay(jobId, {}, inMinutes(90));
  const takenId = await takeThingBack('outline', areaId, tick());
  expect(await areasOf(restorationId)).toEqual([]);
  await bringBack(takenId, tick());
  expect(await areasOf(restorationId)).toHaveLength(1);
});

it('a coat follows its own sheet, and comes out of its can', async () => {
  const { jobId, restorationId } = await job(['primer', 'top coat']);
  const canId = (
    await addStock(
      {
        ...{ name: 'putty paint', kind: 'other', strengthValue: null, strengthUnit: null },
        ...{ sizeMl: 20, priceMinor: 900, words: '' },
      },
      tick(),
    )
  ).id;
  const dregs = await addStock(
    {
      ...{ name: 'dregs', kind: 'other', strengthValue: null, strengthUnit: null },
      sizeMl: 2,
      priceMinor: null,
      words: '',
    },
    tick(),
  );
  await expect(lay(jobId, { tested: true, stockId: dregs.id })).rejects.toThrow(/“dregs” has 2 mL left/);
  const coats = async () => (await coatingsOf(restorationId)).find(({ id }) => id === jobId)!.coats;
  const [, top] = await coats();
  await sayCoatSheet({ coatId: top!.id, sheet: { ...SHEET, lowestC: 22 } }, tick());
  // 600 cm² brushed at 8 m²/L: 8.3 mL.
  await lay(jobId, { tested: true, stockId: canId });
  expect((await listStock()).find(({ id }) => id === canId)!.left).toBeCloseTo(20 - (0.06 / 8 / 0.9) * 1000, 3);
  await expect(lay(jobId, {}, inMinutes(90))).rejects.toThrow(/22/);
  await lay(jobId, { readings: { ...READINGS, airC: 23, surfaceC: 23 } }, inMinutes(95));
  const [first] = await coats();
  await expect(sayCoatSheet({ coatId: first!.id, sheet: SHEET }, tick())).rejects.toThrow(/is laid/);
});

it('no peroxide and no paint comes over wax or protectant, and both do once it is off', async () => {
  for (const kind of ['wax', 'protectant'] as const) {
    const { piece, jobId, restorationId } = await job([kind]);
    await lay(jobId);
    const later = inMinutes(60 * 30);
    await expect(startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, later)).rejects.toThrow(
      new RegExp(`A ${kind} lies on it`),
    );
    const over = await planCoating(
      {
        ...{ restorationId, pieceId: piece.id, name: 'Over it', areaCm2: 600, masks: '', way: 'brushed' as const },
        ...{ inside: false, coverageM2PerL: 8, sheet: SHEET, kinds: ['top coat'] as const },
      },
      later,
    );
    await expect(lay(over, { tested: true }, later)).rejects.toThrow(new RegExp(`over ${kind} does not hold`));
    // Also once it was ended long ago.
    await endCoating(jobId, later);
    const [coat] = (await coatingsOf(restorationId)).find(({ id }) => id === jobId)!.coats;
    await unlayCoat(coat!.id, 'white spirit', later);
    await lay(over, { tested: true }, later);
  }
});

it('a lost mark is only made new where enough is left, with its sizes and the owner’s leave', async () => {
  const piece = await trialPiece();
  const { restorationId } = piece;
  const base = {
    ...{ restorationId, pieceId: piece.id, photoId: null, words: '', raised: false },
    ...{ widthMm: null, lengthMm: null, fromEdgeMm: null },
  };
  const gone = await addLostMark({ ...base, kind: 'logo', name: 'badge print', left: false }, tick());
  await expect(settleLostMark({ lostMarkId: gone, way: 'transfer', done: true, words: '' }, tick())).rejects.toThrow(
    /invented/,
  );
  const stripe = await addLostMark({ ...base, kind: 'stripe', name: 'stripe', left: true }, tick());
  const paint = (done: boolean, id = stripe) =>
    settleLostMark({ lostMarkId: id, way: 'painted between masks', done, words: '' }, tick());
  await expect(paint(false)).rejects.toThrow(/Measure its width/);
  const sized = await addLostMark(
    { ...base, kind: 'stripe', name: 'lid stripe', left: true, widthMm: 2.5, lengthMm: 220, fromEdgeMm: 6 },
    tick(),
  );
  await changeRow('restorations', { id: restorationId }, { owner: 'Ilse Varn' });
  await expect(paint(true, sized)).rejects.toThrow(/without being asked/);
  const request = await askOwner(
    {
      ...{ restorationId, pieceId: piece.id, stage: 'finish', about: 'treatment' as const, what: 'Paint the stripe.' },
      ...{ why: '', costMinor: 0, alternatives: '' },
    },
    tick(),
  );
  await answerRequest(request.id, 'yes', '', tick());
  await paint(true, sized);
  await expect(paint(true, sized)).rejects.toThrow(/settled already/);
  await expect(takeThingBack('lost mark', sized, tick())).rejects.toThrow(/Open it again first/);
  const machine = await originalityOfMachine(restorationId);
  expect(machine.pieces.find(({ pieceId }) => pieceId === piece.id)!.shares.refinished).toBeCloseTo(0.01);
  await reopenLostMark(sized, tick());
  expect((await lostMarksOf(restorationId)).find(({ id }) => id === sized)).toMatchObject({ way: null, doneAt: null });
  await takeThingBack('lost mark', sized, tick());
});

it('how original a machine is comes of the record, and what somebody says of a part goes before it', async () => {
  const { piece, jobId, restorationId } = await job(['top coat']);
  const state = async () =>
    (await originalityOfMachine(restorationId)).pieces.find(({ pieceId }) => pieceId === piece.id)!;
  expect((await state()).state).toBe('original');
  await lay(jobId, { tested: true });
  expect((await state()).state).toBe('refinished');
  const id = await addOrigin(
    {
      ...{ restorationId, pieceId: piece.id, what: '', state: 'from a donor', share: null, words: 'of the other one' },
    },
    tick(),
  );
  expect((await state()).shares['from a donor']).toBeGreaterThan(0);
  await takeThingBack('word on originality', id, tick());
  expect(await originsOf(restorationId)).toEqual([]);
});

it('keeps haze as it was measured, for its own machine alone', async () => {
  const piece = await trialPiece();
  const { restorationId } = piece;
  const other = await trialPiece();
  const haze = { restorationId, photoId: null, name: 'lid window', haze: 0.31, sd: 0.04, after: '' };
  await expect(addHaze({ ...haze, pieceId: other.id }, tick())).rejects.toThrow(/another restoration/);
  const id = await addHaze({ ...haze, pieceId: piece.id }, tick());
  expect(await hazesOf(restorationId)).toHaveLength(1);
  await takeThingBack('haze', id, tick());
  expect(await hazesOf(restorationId)).toEqual([]);
});

it('has no look again to learn from in a new workshop', async () => expect(await yellowLooks()).toEqual([]));

it('coats go by the air of a file where there is one, and a look at the sky leaves it', async () => {
  const from = new Date('2031-06-21T10:00:00Z');
  const invented = (at: Date) => ({
    ...{ at, cloud: 0.2, airC: 9, humidityPercent: 90, windMs: 1, rainMm: 0 },
  });
  const air = airOver((_, start, hours) =>
    Promise.resolve(Array.from({ length: hours }, (_hour, i) => invented(new Date(start.getTime() + i * 3_600_000)))),
  );
  const known = { at: from, cloud: 0.4, air: { airC: 21, humidityPercent: 48 } };
  await keepHours([known], 'file', 'from a file', tick());
  await keepHours([{ at: from, cloud: 0.7 }], 'look', 'looked', tick());
  const [first, second] = await air({ latitude: 50, longitude: 30 }, from, 2);
  expect(first).toMatchObject({ cloud: 0.7, airC: 21, humidityPercent: 48, windMs: 1, own: true });
  expect(second).toEqual(invented(new Date(from.getTime() + 3_600_000)));
});

it('Finish is not done while a coating is not ended, unless somebody says why', async () => {
  const { jobId, restorationId } = await job(['wax']);
  await lay(jobId);
  await expect(settleStage(restorationId, 'finish', 'done', null, tick())).rejects.toThrow(
    /coating of “Lid” is not ended/,
  );
  await endCoating(jobId, inMinutes(60 * 30));
  await settleStage(restorationId, 'finish', 'done', null, inMinutes(60 * 30));
});

it('a test card of paint is written and taken back under Finish, a drop of resin under Mend', async () => {
  const { restorationId } = await trialPiece();
  for (const [use, stage] of [
    ['paint', 'finish'],
    ['cast', 'mend'],
  ] as const) {
    const drop = {
      restorationId,
      pieceId: null,
      use,
      base: 'white',
      amounts: { ochre: 2 },
      beside: null,
      photoId: null,
    };
    const id = await addDrop({ ...drop, srgb: [200, 190, 170] }, tick());
    await takeThingBack('test drop', id, tick());
    const { entries } = await logPage({ restorationId, stage }, null, 5);
    expect(entries.map(({ kind }) => kind)).toEqual(['taken back', 'test drop']);
  }
});
