import { ledgerOf } from '@/data/ledger';
import { addFinding } from '../findings';
import { findingsOf } from '@/data/findings';
import { addPiece } from '../pieces';
import { settleStage } from '../stages';
import { startExposure } from '../brighten/begin';
import { findRows } from '@/data/table';
import { runningTimers } from '@/data/timers';
import { inMinutes, inTrialWorkshop, tick, TRIAL_EXPOSURE, TRIAL_PIECE, trialRestoration } from '../trial';
import { endPass } from './pass';
import { nameSoil } from './soil';
import { needsWashed } from './rules';
import { washSpots } from './spots';
import { endBath, startBath } from './bath';

inTrialWorkshop();

const CAPS = { tag: 'K2', name: 'Caps', parts: 50, lengthMm: 260, widthMm: 140, heightMm: 12 };

async function machine() {
  const { id: restorationId } = await trialRestoration();
  const lid = await addPiece({ restorationId, ...TRIAL_PIECE, lengthMm: 400, widthMm: 220, heightMm: 45 }, tick());
  const caps = await addPiece({ restorationId, ...TRIAL_PIECE, ...CAPS }, tick());
  return { restorationId, lid, caps };
}
const minutesOf = async (restorationId: string) =>
  (await ledgerOf(restorationId))
    .filter(({ kind }) => kind === 'minutes')
    .map(({ words, minutes }) => [words, minutes]);

describe('the bath first', () => {
  it('takes what nobody named as grime, soaks it under one timer, and books hands by number and size', async () => {
    const { restorationId, lid, caps } = await machine();
    await startBath(restorationId, [lid.id, caps.id], 'soap-soak', tick());
    expect((await findingsOf(restorationId)).map(({ soil, words }) => [soil, words])).toEqual([
      ['general-grime', 'general grime'],
      ['general-grime', 'general grime'],
    ]);
    expect((await runningTimers()).filter((timer) => timer.restorationId === restorationId)).toMatchObject([
      { label: 'K1 + K2: warm water and dish soap', kind: 'sink' },
    ]);
    await expect(startBath(restorationId, [lid.id], 'soap-soak', tick())).rejects.toThrow(
      'K1 Lid does not go in. It is at the sink already',
    );
    const came = [
      { pieceId: lid.id, outcome: 'gone' as const },
      { pieceId: caps.id, outcome: 'better' as const },
    ];
    await endBath(restorationId, came, tick());
    await expect(endBath(restorationId, came, tick())).rejects.toThrow('answered already');
    expect((await washSpots(restorationId)).map(({ finding }) => finding.settledAs)).toEqual(['done', null]);
    expect(await minutesOf(restorationId)).toEqual([
      ['Warm water and dish soap, K1, about', 12],
      ['Warm water and dish soap, K2, 50 parts, about', 19],
    ]);
    const [bath] = await findRows('sink_steps', { restorationId });
    expect(bath!.cautions).toEqual([]);
  });

  it('goes over the spots that are known, and leaves out what it may not take', async () => {
    const { restorationId, lid } = await machine();
    const found = async (soil: 'hand-grease' | 'rubber-scuff') => {
      const finding = await addFinding(
        { restorationId, pieceId: lid.id, stage: 'intake', kind: 'soiled', severity: 'plain', words: soil },
        tick(),
      );
      await nameSoil(finding.id, soil, 'front', tick());
      return finding.id;
    };
    const grease = await found('hand-grease');
    await found('rubber-scuff');
    await startBath(restorationId, [lid.id], 'soap-soak', tick());
    expect((await findRows('sink_steps', { restorationId })).map(({ findingId }) => findingId)).toEqual([grease]);
  });

  it('refuses what holds metal, and begins nothing then', async () => {
    const { restorationId, caps } = await machine();
    const shield = await addPiece(
      { restorationId, ...TRIAL_PIECE, tag: 'K3', name: 'Base', metalInside: 'threaded inserts' },
      tick(),
    );
    await expect(startBath(restorationId, [caps.id, shield.id], 'soap-soak', tick())).rejects.toThrow(
      'K3 Base does not go in. Metal still inside: threaded inserts',
    );
    expect(await findRows('sink_steps', { restorationId })).toEqual([]);
    expect(await findingsOf(restorationId)).toEqual([]);
    await expect(startBath(restorationId, [], 'soap-soak', tick())).rejects.toThrow('Choose what goes into the water');
  });

  it('takes a piece once the machine is apart, where its metal went with that', async () => {
    const { restorationId } = await machine();
    const base = await addPiece(
      { restorationId, ...TRIAL_PIECE, tag: 'K3', name: 'Base', metalUntilApart: true },
      tick(),
    );
    await expect(startBath(restorationId, [base.id], 'hose-rinse', tick())).rejects.toThrow(
      'Metal still inside: what the teardown has not taken out yet',
    );
    await settleStage(restorationId, 'teardown', 'done', null, tick());
    await startBath(restorationId, [base.id], 'hose-rinse', tick());
    expect(await runningTimers()).not.toContainEqual(expect.objectContaining({ restorationId, kind: 'sink' }));
  });
});

describe('not washed, not brightened', () => {
  it('holds for a piece that no step has touched, and for the soil of the whole machine', async () => {
    const { restorationId, lid, caps } = await machine();
    const expose = (at = tick()) => startExposure({ ...TRIAL_EXPOSURE, pieceIds: [lid.id] }, at);
    await expect(expose()).rejects.toThrow('Nothing was washed off K1 Lid yet');
    await startBath(restorationId, [lid.id], 'hose-rinse', tick());
    await endBath(restorationId, [{ pieceId: lid.id, outcome: 'gone' }], tick());
    // The wash of the other piece does not settle the stage of all.
    const { id } = await addFinding(
      { restorationId, pieceId: null, stage: 'intake', kind: 'soiled', severity: 'plain', words: 'smoke' },
      tick(),
    );
    await expect(expose()).rejects.toThrow('smoke (the whole machine)');
    await nameSoil(id, 'nicotine', 'front', tick());
    const [spot] = (await washSpots(restorationId)).filter(({ finding }) => finding.id === id);
    expect(spot!.ladder!.rungs.length).toBeGreaterThan(0);
    await expect(needsWashed(caps)).rejects.toThrow('smoke');
    await expect(expose()).rejects.toThrow('is not washed yet');
    await settleStage(restorationId, 'wash', 'open', null, tick());
  });

  it('is let go by a wash that is settled with a reason', async () => {
    const { restorationId, lid } = await machine();
    await settleStage(restorationId, 'wash', 'not needed', 'new old stock', tick());
    await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [lid.id] }, inMinutes(0));
    expect(await endPass('none', 'gone', '', tick()).catch((error: Error) => error.message)).toContain(
      'not here any more',
    );
  });
});
