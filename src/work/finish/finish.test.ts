import { SHEET_STEEL } from '@/core/assumptions/finishCases.testing';
import type { PaintSheet } from '@/core/finish/coat';
import type { RustPatch } from '@/core/finish/rust';
import { coatingsOf } from '@/data/coats';
import { findingsOf } from '@/data/findings';
import { rustsOf } from '@/data/rust';
import { runningTimers } from '@/data/timers';
import { startExposure } from '../brighten/begin';
import { addFinding, changeFinding, settleFinding } from '../findings';
import { settleStage } from '../stages';
import { bringBack } from '../takenBack';
import { takeThingBack } from '../takingBack';
import { inMinutes, inTrialWorkshop, tick, TRIAL_EXPOSURE, trialPhoto, trialPiece } from '../trial';
import { addCoat, endCoating, layCoat, planCoating, unlayCoat, type Readings } from './coats';
import { beginRung, endRung, endRust, keepRustShare, readOhm, tellRust } from './rust';

inTrialWorkshop();

const BATH = { acid: 'citric acid', percent: 5, bathC: 20, masked: false } as const;

async function rusted(patch: Partial<RustPatch> = {}) {
  const piece = await trialPiece();
  const { restorationId } = piece;
  const finding = await addFinding(
    { restorationId, pieceId: piece.id, stage: 'intake', kind: 'rust', severity: 'plain', words: 'edge of the shield' },
    tick(),
  );
  const rustId = await tellRust(
    { restorationId, findingId: finding.id, name: 'Shield edge', patch: { ...SHEET_STEEL, ...patch } },
    tick(),
  );
  return { piece, restorationId, finding, rustId };
}
const rustOf = async (restorationId: string, rustId: string) =>
  (await rustsOf(restorationId)).find(({ id }) => id === rustId)!;

it('a place is told, soaked with a clock, and closes its finding; meanwhile its piece is left alone', async () => {
  const { restorationId, rustId, piece, finding } = await rusted();
  await beginRung({ rustId, way: 'acid bath', ...BATH }, tick());
  const [timer] = (await runningTimers()).filter((one) => one.restorationId === restorationId);
  // 80 µm at 2.5 µm/h.
  expect((Date.parse(timer!.dueAt) - Date.parse(timer!.startedAt)) / 3_600_000).toBeCloseTo(32, 3);
  await expect(beginRung({ rustId, way: 'oil', ...BATH }, tick())).rejects.toThrow('goes on already');
  await expect(startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, tick())).rejects.toThrow(
    /Bath of weak acid goes on there|peroxide never meet/,
  );
  const [step] = (await rustOf(restorationId, rustId)).steps;
  await endRung({ stepId: step!.id, outcome: 'gone', words: 'grey all over' }, tick());
  expect((await runningTimers()).filter((one) => one.restorationId === restorationId)).toEqual([]);
  await expect(endRung({ stepId: step!.id, outcome: 'gone', words: '' }, tick())).rejects.toThrow('meanwhile');
  await endRust({ rustId, outcome: 'done', words: '' }, tick());
  expect((await findingsOf(restorationId)).find(({ id }) => id === finding.id)?.settledAs).toBe('done');
});

it('two places of one name soak side by side, and a converter rings for its second coat', async () => {
  const one = await rusted();
  const other = await tellRust(
    {
      ...{ restorationId: one.restorationId, name: 'Shield edge', patch: SHEET_STEEL },
      findingId: (
        await addFinding(
          {
            ...{ restorationId: one.restorationId, pieceId: null, stage: 'intake', kind: 'rust' },
            ...{ severity: 'plain', words: 'the same edge, behind' },
          },
          tick(),
        )
      ).id,
    },
    tick(),
  );
  const clocks = async () => (await runningTimers()).filter(({ restorationId }) => restorationId === one.restorationId);
  await beginRung({ rustId: one.rustId, way: 'converter', ...BATH }, tick());
  await beginRung({ rustId: other, way: 'converter', ...BATH }, tick());
  expect((await clocks()).map(({ atTheBell }) => atTheBell).filter((words) => /second coat/.test(words))).toHaveLength(
    2,
  );
  const [step] = (await rustOf(one.restorationId, one.rustId)).steps;
  await endRung({ stepId: step!.id, outcome: 'gone', words: '' }, tick());
  expect(await clocks()).toHaveLength(2);
  const [second] = (await rustOf(one.restorationId, other)).steps;
  await endRung({ stepId: second!.id, outcome: 'gone', words: '' }, tick());
  expect(await clocks()).toEqual([]);
});

it('a ruled-out way cannot be begun, and old paint that nobody knows is not sanded without the mask', async () => {
  const plated = await rusted({ metal: 'plated steel', thickMm: 2 });
  await expect(beginRung({ rustId: plated.rustId, way: 'strong acid', ...BATH }, tick())).rejects.toThrow('ruled out');
  const painted = await rusted({ touches: 'old paint, not known', thickMm: 2 });
  await expect(beginRung({ rustId: painted.rustId, way: 'sanding', ...BATH }, tick())).rejects.toThrow('may hold lead');
  await beginRung({ rustId: painted.rustId, way: 'sanding', ...BATH, masked: true }, tick());
  // Its finding closed by hand, the step still asks what came of it.
  await settleFinding(painted.finding.id, 'done', 'sanded', tick());
  await expect(settleStage(painted.restorationId, 'finish', 'done', null, tick())).rejects.toThrow('Sand it goes on');
});

it('what must conduct is read before it is called done; shares and steps are taken back, and come back', async () => {
  const { restorationId, rustId } = await rusted({ task: 'shield and conduct' });
  await expect(endRust({ rustId, outcome: 'done', words: '' }, tick())).rejects.toThrow('from land to land');
  await readOhm({ rustId, when: 'after', ohm: 1.5 }, tick());
  await expect(endRust({ rustId, outcome: 'done', words: '' }, tick())).rejects.toThrow('does not shield');
  await readOhm({ rustId, when: 'after', ohm: 0.3 }, tick());
  const photo = await trialPhoto(restorationId);
  const share = { share: 0.2, low: 0.18, high: 0.22, pits: 0.01 };
  const shareId = await keepRustShare({ rustId, photoId: photo.id, ...share }, tick());
  const foreign = await trialPhoto((await trialPiece()).restorationId, 1);
  await expect(keepRustShare({ rustId, photoId: foreign.id, ...share }, tick())).rejects.toThrow(/another restoration/);
  await takeThingBack('photograph', photo.id, tick());
  expect((await rustOf(restorationId, rustId)).shares).toMatchObject([{ id: shareId, photoId: null }]);
  await takeThingBack('share of rust', shareId, tick());
  await beginRung({ rustId, way: 'acid bath', ...BATH }, tick());
  await expect(takeThingBack('rusted place', rustId, tick())).rejects.toThrow('stays in the record');
  const [step] = (await rustOf(restorationId, rustId)).steps;
  const back = await takeThingBack('step on rust', step!.id, tick());
  expect((await runningTimers()).filter((one) => one.restorationId === restorationId)).toEqual([]);
  await bringBack(back, tick());
  expect((await rustOf(restorationId, rustId)).steps).toHaveLength(1);
  await endRung({ stepId: step!.id, outcome: 'some left', words: '' }, tick());
});

it('left as it is asks for its reason; told again it is put right; its piece follows its finding', async () => {
  const { restorationId, rustId, finding } = await rusted();
  await expect(endRust({ rustId, outcome: 'left', words: '' }, tick())).rejects.toThrow('why it is left');
  const again = await tellRust(
    { restorationId, findingId: finding.id, name: 'Shield edge, rear', patch: SHEET_STEEL },
    tick(),
  );
  expect(again).toBe(rustId);
  await changeFinding(
    finding.id,
    { pieceId: null, part: 'metal', words: finding.words, severity: 'plain', kind: 'rust' },
    tick(),
  );
  expect(await rustOf(restorationId, rustId)).toMatchObject({ name: 'Shield edge, rear', pieceId: null });
  await endRust({ rustId, outcome: 'left', words: 'it is under the board' }, tick());
  expect((await findingsOf(restorationId)).find(({ id }) => id === finding.id)?.settledAs).toBe('left on purpose');
});

const SHEET: PaintSheet = {
  ...{ lowestC: 10, highestC: 30, highestHumidityPercent: 75, touchH: 1, throughH: 24, keyed: false },
  ...{ soonestH: 1, latestH: 4, againFromH: 48 },
};
const FINE: Readings = { airC: 20, surfaceC: 20, humidityPercent: 50, windMs: 1 };

async function lid(kinds: Parameters<typeof planCoating>[0]['kinds'] = ['primer', 'top coat'], inside = false) {
  const piece = await trialPiece();
  const job = {
    ...{ restorationId: piece.restorationId, pieceId: piece.id, name: 'Lid', areaCm2: 600, masks: '' },
    ...{ way: 'sprayed' as const, inside, coverageM2PerL: 8, sheet: SHEET },
  };
  const jobId = await planCoating({ ...job, kinds }, tick());
  return { piece, job, jobId };
}
const coatsOf = async (restorationId: string, jobId: string) =>
  (await coatingsOf(restorationId)).find(({ id }) => id === jobId)!.coats;
const lay = (jobId: string, now: Date, readings: Partial<Readings> = {}, airDrawn = false) =>
  layCoat({ jobId, readings: { ...FINE, ...readings }, airDrawn, words: '', tested: true }, now);

it('a coat is laid by what the meters read, never under the dew limit, and the next within its time', async () => {
  const { piece, jobId } = await lid(['primer', 'top coat', 'top coat']);
  await expect(lay(jobId, tick(), { surfaceC: 11 })).rejects.toThrow(/above the dew point/);
  await expect(lay(jobId, tick(), { surfaceC: 0 })).rejects.toThrow(/freezing/);
  await lay(jobId, tick());
  await expect(lay(jobId, inMinutes(10))).rejects.toThrow(/lift the one under it/);
  await lay(jobId, inMinutes(90));
  const [clock] = (await runningTimers()).filter((one) => one.restorationId === piece.restorationId);
  expect(clock).toMatchObject({ label: 'Lid: coat', atTheBell: 'The next coat may follow.' });
  // Its window is missed, and the bad time with it.
  await expect(lay(jobId, inMinutes(90 + 10 * 60))).rejects.toThrow(/Wait/);
  await lay(jobId, inMinutes(90 + 50 * 60));
  await expect(lay(jobId, inMinutes(90 + 60 * 60))).rejects.toThrow(/All of its coats are laid/);
  await expect(endCoating(jobId, inMinutes(90 + 60 * 60))).rejects.toThrow(/through in/);
  await expect(startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, inMinutes(90 + 60 * 60))).rejects.toThrow(
    /coat is not through/,
  );
  await endCoating(jobId, inMinutes(90 + 80 * 60));
});

it('no coat comes to a piece whose glue cures or whose rust soaks', async () => {
  const { piece, rustId } = await rusted();
  await beginRung({ rustId, way: 'converter', ...BATH }, tick());
  const jobId = await planCoating(
    {
      ...{ restorationId: piece.restorationId, pieceId: piece.id, name: 'Lid', areaCm2: 600, masks: '' },
      ...{ way: 'sprayed', inside: false, coverageM2PerL: 8, sheet: SHEET, kinds: ['primer'] },
    },
    tick(),
  );
  await expect(lay(jobId, tick())).rejects.toThrow(/Rust converter, twice goes on there/);
  const [step] = (await rustOf(piece.restorationId, rustId)).steps;
  await endRung({ stepId: step!.id, outcome: 'gone', words: '' }, tick());
  await lay(jobId, tick());
});

it('no spray in a closed room, no paint over wax, no primer over paint', async () => {
  const { piece, job, jobId } = await lid(['top coat'], true);
  await expect(lay(jobId, tick())).rejects.toThrow(/air drawn off/);
  await lay(jobId, tick(), {}, true);
  for (const kinds of [
    ['wax', 'top coat'],
    ['top coat', 'primer'],
  ] as const)
    await expect(planCoating({ ...job, kinds }, tick())).rejects.toThrow(/does not/);
  const waxed = await planCoating({ ...job, inside: false, kinds: ['wax'] }, tick());
  await lay(waxed, tick());
  const over = await planCoating({ ...job, inside: false, kinds: ['top coat'] }, tick());
  await expect(lay(over, tick())).rejects.toThrow(/over wax does not hold/);
  expect((await coatsOf(piece.restorationId, over))[0]!.laidAt).toBeNull();
  await expect(addCoat({ jobId: waxed, kind: 'top coat' }, tick())).rejects.toThrow(/over wax/);
});

it('a coat is off again, one is added, one is not wanted; a sheet that contradicts itself is refused', async () => {
  const { piece, job, jobId } = await lid();
  const of = () => coatsOf(piece.restorationId, jobId);
  await lay(jobId, tick());
  const [first, second] = await of();
  await expect(takeThingBack('coating', jobId, tick())).rejects.toThrow('Take it off first');
  await expect(takeThingBack('coat', first!.id, tick())).rejects.toThrow('is laid');
  await unlayCoat(first!.id, 'it ran', tick());
  expect((await runningTimers()).filter((one) => one.restorationId === piece.restorationId)).toEqual([]);
  await addCoat({ jobId, kind: 'clear coat' }, tick());
  await takeThingBack('coat', second!.id, tick());
  expect((await of()).map(({ kind }) => kind)).toEqual(['primer', 'clear coat']);
  await takeThingBack('coating', jobId, tick());
  const plan = (sheet: Partial<PaintSheet>) =>
    planCoating({ ...job, kinds: ['top coat'], sheet: { ...SHEET, ...sheet } }, tick());
  await expect(plan({ lowestC: 40 })).rejects.toThrow('not below its highest');
  await expect(plan({ latestH: 0.5 })).rejects.toThrow('cannot have to before');
  await expect(plan({ againFromH: 2 })).rejects.toThrow('later than that');
  await expect(plan({ latestH: null })).rejects.toThrow('until when');
});

// Last: its exposure stays open on the bench.
it('acid never comes to a bench with peroxide, nor peroxide to one with acid: whichever machine', async () => {
  const [one, other] = [await rusted(), await trialPiece()];
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [other.id] }, tick());
  for (const way of ['acid bath', 'converter'] as const)
    await expect(beginRung({ rustId: one.rustId, way, ...BATH }, tick())).rejects.toThrow(
      /Acid and peroxide never meet/,
    );
  // What is no acid may.
  await expect(beginRung({ rustId: one.rustId, way: 'brush', ...BATH }, tick())).resolves.toBeUndefined();
});
