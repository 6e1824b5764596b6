import { CRACK } from '@/core/assumptions/mendingCases.testing';
import type { MendStep, MendWay } from '@/core/mending/repair/ways';
import { MEND } from '@/core/mending/repair/ways';
import { findingsOf } from '@/data/findings';
import { ledgerOf } from '@/data/ledger';
import { logOf } from '@/data/log';
import { repairsOf } from '@/data/repairs';
import { stagesOf } from '@/data/stages';
import { findRows } from '@/data/table';
import { runningTimers } from '@/data/timers';
import { startExposure } from '../brighten/begin';
import { addFinding, changeFinding, foundOn, settleFinding } from '../findings';
import { askOwner } from '../owner';
import { holdsOf } from '../rebuild/rules';
import { setOwner } from '../restorations';
import { settleStage } from '../stages';
import { takeThingBack } from '../takingBack';
import { bringBack } from '../takenBack';
import { inMinutes, inTrialWorkshop, tick, TRIAL_EXPOSURE, trialPiece } from '../trial';
import { beginMend, doStep, endMend, leaveBreak, measureBreak, noteBroken, triedMends, undoStep } from './repairs';

inTrialWorkshop();

const DAY = 24 * 60;

/** A cracked lid whose break is measured. */
async function cracked() {
  const piece = await trialPiece();
  const { restorationId } = piece;
  const finding = await addFinding(
    { restorationId, pieceId: piece.id, stage: 'intake', kind: 'crack', severity: 'bad', words: 'front edge' },
    tick(),
  );
  const repairId = await measureBreak(
    { restorationId, findingId: finding.id, name: 'Front edge', damage: CRACK },
    tick(),
  );
  return { piece, restorationId, finding, repairId };
}

async function allSteps(repairId: string, way: MendWay, roomC = 20) {
  for (const i of MEND[way].steps.keys()) await doStep(repairId, i, { roomC }, tick());
}

const rowOf = async (restorationId: string, id: string) =>
  (await repairsOf(restorationId)).find((row) => row.id === id)!;

it('a crack is measured, glued, cures by the warmth of the room, holds, and closes its finding', async () => {
  const { restorationId, finding, repairId, piece } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await allSteps(repairId, 'gel', 10);
  // Ten degrees colder takes twice as long.
  const { curedAt } = await rowOf(restorationId, repairId);
  const minutes = (Date.parse(curedAt!) - tick().getTime()) / 60_000;
  expect(minutes).toBeGreaterThan(2 * DAY - 2);
  expect(minutes).toBeLessThanOrEqual(2 * DAY);
  const [timer] = (await runningTimers()).filter((one) => one.repairId === repairId);
  expect(timer).toMatchObject({ label: 'Front edge: gel cyanoacrylate', pieceId: piece.id });
  await expect(endMend(repairId, 'holds', '', tick())).rejects.toThrow('bears from');
  await endMend(repairId, 'holds', 'a hair to be felt', inMinutes(2 * DAY + 1));
  const [closed] = (await findingsOf(restorationId)).filter(({ id }) => id === finding.id);
  expect(closed).toMatchObject({
    settledAs: 'done',
    settledWords: 'Gel cyanoacrylate in the break, holds; all of it, something added; a hair to be felt',
  });
  expect((await ledgerOf(restorationId)).map(({ minutes: of }) => of)).toContain(MEND.gel.minutes);
  expect((await runningTimers()).filter((one) => one.repairId === repairId)).toEqual([]);
});

it('fresh glue keeps peroxide off its piece, and the case open, until it is through', async () => {
  const { restorationId, repairId, piece } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await allSteps(repairId, 'gel');
  await settleStage(restorationId, 'teardown', 'not needed', 'is in one part', tick());
  const expose = (at: Date) => startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, at);
  await expect(expose(tick())).rejects.toThrow('glue still cures: Front edge');
  await expect(expose(inMinutes(DAY + 1))).resolves.toBeDefined();
  const running = (await findRows('timers', { repairId })).map(({ label }) => label);
  expect(running).toEqual(['Front edge: gel cyanoacrylate']);
  expect(await holdsOf(restorationId, tick())).toEqual([]);
});

it('a step marked by mistake takes its clock with it', async () => {
  const { restorationId, repairId } = await cracked();
  await beginMend(repairId, 'putty behind', tick());
  const glued = (MEND['putty behind'].steps as readonly MendStep[]).flatMap(({ glue }, i) => (glue ? [i] : []));
  await doStep(repairId, glued[0]!, { roomC: 20 }, tick());
  const first = (await rowOf(restorationId, repairId)).curedAt;
  await doStep(repairId, glued[1]!, { roomC: 12 }, tick());
  const second = (await rowOf(restorationId, repairId)).curedAt;
  expect(second! > first!).toBe(true);
  await undoStep(repairId, glued[1]!, tick());
  expect(await rowOf(restorationId, repairId)).toMatchObject({ done: [glued[0]], curedAt: first });
  await undoStep(repairId, glued[0]!, tick());
  expect(await rowOf(restorationId, repairId)).toMatchObject({ done: [], curedAt: null });
  await undoStep(repairId, 0, tick());
});

it('too cold, no warmth said, or steps left over are refused with words', async () => {
  const { repairId } = await cracked();
  await beginMend(repairId, 'putty behind', tick());
  await expect(doStep(repairId, 2, { roomC: null }, tick())).rejects.toThrow('how warm');
  await expect(doStep(repairId, 4, { roomC: 4 }, tick())).rejects.toThrow('at least');
  await expect(doStep(repairId, 99, { roomC: 20 }, tick())).rejects.toThrow('no such step');
  await expect(endMend(repairId, 'holds', '', tick())).rejects.toThrow('Not all of its steps');
  await expect(beginMend(repairId, 'gel', tick())).rejects.toThrow('begun already');
  await expect(leaveBreak(repairId, 'no', tick())).rejects.toThrow('begun already');
});

it('what does not hold leaves its finding open, and both it and a later break move the odds', async () => {
  const { restorationId, finding, repairId } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await endMend(repairId, 'does not hold', 'opened at once', tick());
  const again = await measureBreak({ restorationId, findingId: finding.id, name: 'Front edge', damage: CRACK }, tick());
  expect(again).not.toBe(repairId);
  await beginMend(again, 'polish', tick());
  await allSteps(again, 'polish');
  await endMend(again, 'holds', '', tick());
  const before = (await triedMends()).filter(({ way }) => way === 'polish');
  await noteBroken(again, 'a week later', tick());
  const after = (await triedMends()).filter(({ way }) => way === 'polish');
  expect([before, after]).toEqual([
    [{ way: 'polish', outcome: 'holds' }],
    [{ way: 'polish', outcome: 'does not hold' }],
  ]);
  expect((await findingsOf(restorationId)).find(({ id }) => id === finding.id)!.settledAs).toBeNull();
  expect((await stagesOf(restorationId)).find(({ stage }) => stage === 'mend')!.state).toBe('open');
  await expect(noteBroken(again, '', tick())).rejects.toThrow('said to hold');
});

it('measured again it is put right, left it is closed with its reason', async () => {
  const { restorationId, finding, repairId } = await cracked();
  const given = { restorationId, findingId: finding.id, name: 'Edge', damage: { ...CRACK, lengthMm: 31 } };
  expect(await measureBreak(given, tick())).toBe(repairId);
  expect((await rowOf(restorationId, repairId)).damage.lengthMm).toBe(31);
  await expect(leaveBreak(repairId, '', tick())).rejects.toThrow('why it is left');
  await leaveBreak(repairId, 'an old crack that goes nowhere', tick());
  expect((await findingsOf(restorationId))[0]).toMatchObject({ settledAs: 'left on purpose' });
  expect(await triedMends()).not.toContainEqual(expect.objectContaining({ way: 'leave' }));
});

it('two machines: a finding of the other one is refused, and its glue holds up nothing here', async () => {
  const one = await cracked();
  const other = await cracked();
  const given = { restorationId: one.restorationId, findingId: other.finding.id, name: 'x', damage: CRACK };
  await expect(measureBreak(given, tick())).rejects.toThrow('another restoration');
  await beginMend(other.repairId, 'gel', tick());
  await allSteps(other.repairId, 'gel');
  await expect(
    startExposure({ ...TRIAL_EXPOSURE, pieceIds: [one.piece.id] }, tick()).then(() => 'begun'),
  ).resolves.toBe('begun');
});

it('solvent is not opened beside peroxide', async () => {
  const { repairId, piece } = await cracked();
  const running = await findRows('sessions', { endedAt: null });
  if (running.length === 0) await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, tick());
  await expect(beginMend(repairId, 'solvent', tick())).rejects.toThrow('explosive');
});

it('somebody else’s machine is mended by leave, and a part for it bought by leave', async () => {
  const { restorationId, repairId } = await cracked();
  await setOwner(restorationId, 'Ilva Brand', { stages: ['wash'], spendMinor: 0, words: '' }, tick());
  await expect(beginMend(repairId, 'gel', tick())).rejects.toThrow('did not allow');
  await askOwner(
    {
      ...{ restorationId, pieceId: null, stage: 'mend', about: 'treatment', what: 'Glue it.', why: '' },
      ...{ costMinor: 0, alternatives: '' },
    },
    tick(),
  );
  await expect(beginMend(repairId, 'gel', tick())).rejects.toThrow();
});

it('a repair begun by mistake is taken back with its clock, and brought back; one that is ended stays', async () => {
  const { restorationId, repairId, finding } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await allSteps(repairId, 'gel');
  await expect(takeThingBack('finding', finding.id, tick())).rejects.toThrow('A repair was begun');
  const taken = await takeThingBack('repair', repairId, tick());
  expect(await repairsOf(restorationId)).toEqual([]);
  expect((await runningTimers()).filter((one) => one.repairId === repairId)).toEqual([]);
  await bringBack(taken, tick());
  expect((await runningTimers()).filter((one) => one.repairId === repairId)).toHaveLength(1);
  await endMend(repairId, 'does not hold', '', tick());
  await expect(takeThingBack('repair', repairId, tick())).rejects.toThrow('stays in the record');
  expect((await logOf(restorationId)).some(({ words }) => words.includes('does not hold'))).toBe(true);
});

it('while a repair is begun Mend is not done', async () => {
  const { restorationId, repairId, finding } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await settleFinding(finding.id, 'done', 'closed by hand', tick());
  expect((await stagesOf(restorationId)).find(({ stage }) => stage === 'mend')!.state).toBe('open');
  await expect(settleStage(restorationId, 'mend', 'done', null, tick())).rejects.toThrow('A repair is begun');
});

it('the sheet of what is at hand goes before what is usual, and the clock is on the piece of the finding', async () => {
  const { restorationId, repairId, finding, piece } = await cracked();
  await beginMend(repairId, 'gel', tick());
  await doStep(repairId, 2, { roomC: 20, cureH: 2 }, tick());
  const { curedAt } = await rowOf(restorationId, repairId);
  const minutes = (Date.parse(curedAt!) - tick().getTime()) / 60_000;
  expect(Math.round(minutes)).toBe(120);
  const { kind, part, severity, words } = finding;
  await changeFinding(finding.id, { kind, part, severity, words, pieceId: null }, tick());
  const clocks = async () => (await runningTimers()).filter((one) => one.repairId === repairId);
  expect((await rowOf(restorationId, repairId)).pieceId).toBeNull();
  expect((await clocks()).map(({ pieceId }) => pieceId)).toEqual([null]);
  await foundOn(piece.id, [finding.id], tick());
  expect((await rowOf(restorationId, repairId)).pieceId).toBe(piece.id);
  expect((await clocks()).map(({ pieceId }) => pieceId)).toEqual([piece.id]);
});
