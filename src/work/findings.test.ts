import type { Aim } from '@/core/intake/aim';
import { Refusal } from '@/core/refusal';
import { addPiece, changePiece } from './pieces';
import { findPiece } from '@/data/pieces';
import { keepMeasurement } from './measurements';
import { addStock } from './stock';
import { findStock } from '@/data/stock';
import { bringBack } from './takenBack';
import { takeThingBack } from './takingBack';
import { startPass } from './wash/pass';
import { nameSoil } from './wash/soil';
import {
  type NewFinding,
  addFinding,
  changeFinding,
  closeUp,
  foundOn,
  pinFinding,
  settleFinding,
  unsettleFinding,
} from './findings';
import { askedFor, findingsOf } from '@/data/findings';
import { logOf } from '@/data/log';
import { settleStage } from './stages';
import { setAim } from './restorations';
import { stagesOf } from '@/data/stages';
import { measuredYellows } from '@/data/yellows';
import { addLedgerEntry, correctMinutes, useFromStores } from './ledger';
import { ledgerOf } from '@/data/ledger';
import { inTrialWorkshop, TRIAL_PIECE, trialPhoto, trialPiece, trialRestoration, trialResult, tick } from './trial';

inTrialWorkshop();

const found = (restorationId: string, rest: Partial<NewFinding> = {}) =>
  addFinding(
    { restorationId, pieceId: null, stage: 'intake', kind: 'yellowed', severity: 'bad', words: 'lid', ...rest },
    tick(),
  );
const stateOf = async (restorationId: string) =>
  Object.fromEntries((await stagesOf(restorationId)).map(({ stage, state }) => [stage, state]));

describe('findings drive the stages', () => {
  it('after intake only what a finding asks for stays open, and brightening brings washing with it', async () => {
    const { id } = await trialRestoration();
    await found(id);
    await addLedgerEntry(
      { restorationId: id, stage: 'mend', kind: 'minutes', words: 'looked at the hinge', amountMinor: 0, minutes: 5 },
      tick(),
    );
    await settleStage(id, 'intake', 'done', null, tick());
    expect(await stateOf(id)).toMatchObject({
      wash: 'open',
      brighten: 'open',
      keys: 'not needed',
      mend: 'open',
      finish: 'not needed',
      rebuild: 'open',
    });
  });

  it('without a single finding intake closes nothing else', async () => {
    const { id } = await trialRestoration();
    await settleStage(id, 'intake', 'done', null, tick());
    expect(Object.values(await stateOf(id)).filter((state) => state === 'open')).toHaveLength(8);
  });

  it('what was measured yellow keeps the brightening open, under an aim that wants it and with no finding that answers for it', async () => {
    const measuredAt = async (b: number, aim: Aim, finding?: Partial<NewFinding>) => {
      const { id } = await trialRestoration();
      const { id: pieceId } = await addPiece({ restorationId: id, ...TRIAL_PIECE, aim }, tick());
      const { id: photoId } = await trialPhoto(id);
      const spec = { card: [], regions: [] };
      await keepMeasurement({ pieceId, photoId, stage: 'intake', spec, result: trialResult(b) }, tick());
      const { id: other } = await found(id, { kind: 'soiled', words: 'dust' });
      if (finding) {
        const yellow = await found(id, finding);
        await settleFinding(yellow.id, 'left on purpose', 'he likes it so', tick());
      }
      await settleStage(id, 'intake', 'done', null, tick());
      await settleFinding(other, 'done', 'wiped', tick());
      return (await stateOf(id)).brighten;
    };
    expect(await measuredAt(15, 'presentable')).toBe('open');
    // Slightly yellower is left by “presentable”, and asked for by “as new”.
    expect(await measuredAt(9.9, 'presentable')).toBe('not needed');
    expect(await measuredAt(10, 'presentable')).toBe('open');
    expect(await measuredAt(9.9, 'as new')).toBe('open');
    expect(await measuredAt(6.9, 'as new')).toBe('not needed');
    expect(await measuredAt(15, 'keep the age')).toBe('not needed');
    expect(await measuredAt(15, 'presentable', { words: 'all of it' })).toBe('done');
  });

  it('a finding of yellow answers for what was measured on its piece, or on all of them; metal is not brightened', async () => {
    const { id } = await trialRestoration();
    const pieces = await Promise.all(
      (['ABS', 'ABS', 'metal'] as const).map((plastic, i) =>
        addPiece({ restorationId: id, ...TRIAL_PIECE, tag: `Y${i}`, plastic }, tick()),
      ),
    );
    const { id: photoId } = await trialPhoto(id);
    for (const { id: pieceId } of pieces)
      await keepMeasurement(
        { pieceId, photoId, stage: 'wash', spec: { card: [], regions: [] }, result: trialResult(15) },
        tick(),
      );
    const yellow = async () => (await measuredYellows(id)).map(({ piece: { tag } }) => tag).sort();
    expect(await yellow()).toEqual(['Y0', 'Y1']);
    await found(id, { kind: 'scuffed', pieceId: pieces[1]!.id });
    expect(await yellow()).toEqual(['Y0', 'Y1']);
    const one = await found(id, { pieceId: pieces[0]!.id });
    await settleFinding(one.id, 'left on purpose', 'he likes it so', tick());
    expect(await yellow()).toEqual(['Y1']);
    await found(id, { words: 'all of it' });
    expect(await yellow()).toEqual([]);
  });

  it('a later finding opens its stage again, and says why', async () => {
    const { id } = await trialRestoration();
    await found(id);
    await settleStage(id, 'intake', 'done', null, tick());
    await found(id, { kind: 'dead', words: 'three keys of the lower row' });
    expect((await stateOf(id)).keys).toBe('open');
    expect((await logOf(id)).at(-1)!.words).toBe('Stage opened again: a finding asks for it, dead.');
  });

  it('a stage is held by its open findings, and closes with the last of them', async () => {
    const { id } = await trialRestoration();
    const [lid, caps] = [await found(id), await found(id, { words: 'caps' })];
    await expect(settleStage(id, 'brighten', 'done', null, tick())).rejects.toThrow(
      'Findings still ask for it: yellowed, lid; yellowed, caps.',
    );
    await expect(settleStage(id, 'brighten', 'not needed', 'no sun', tick())).rejects.toThrow(Refusal);
    await settleFinding(lid.id, 'done', 'two sessions', tick());
    await expect(settleFinding(caps.id, 'left on purpose', '', tick())).rejects.toThrow('Say in a few words why');
    expect((await stateOf(id)).brighten).toBe('open');
    await settleFinding(caps.id, 'left on purpose', 'printed legends would fade', tick());
    expect((await stateOf(id)).brighten).toBe('done');
    await unsettleFinding(caps.id, tick());
    expect((await stateOf(id)).brighten).toBe('open');
  });
});

describe('the aim', () => {
  it('of the machine or of one piece decides what is asked for', async () => {
    const { id } = await trialRestoration();
    const piece = await addPiece({ restorationId: id, ...TRIAL_PIECE }, tick());
    await found(id, { pieceId: piece.id });
    await setAim(id, 'keep the age', 'the school’s stamp', tick());
    expect((await askedFor(id)).size).toBe(0);
    await changePiece(piece.id, { ...TRIAL_PIECE, aim: 'as new' }, tick());
    expect([...(await askedFor(id)).keys()].sort()).toEqual(['brighten', 'wash']);
  });

  it('that goes further opens what it asks for', async () => {
    const { id } = await trialRestoration();
    await setAim(id, 'clean only', '', tick());
    await found(id);
    await found(id, { kind: 'soiled' });
    await settleStage(id, 'intake', 'done', null, tick());
    expect((await stateOf(id)).brighten).toBe('not needed');
    await setAim(id, 'presentable', '', tick());
    expect((await stateOf(id)).brighten).toBe('open');
  });
});

describe('putting a finding right', () => {
  it('changes what it is and where it goes, opens what it asks for now, and the log keeps what it said', async () => {
    const { id } = await trialRestoration();
    const piece = await addPiece({ restorationId: id, ...TRIAL_PIECE }, tick());
    const finding = await found(id, { kind: 'dead', words: 'no beep' });
    await settleStage(id, 'intake', 'done', null, tick());
    expect(await stateOf(id)).toMatchObject({ keys: 'open', mend: 'not needed' });
    await changeFinding(
      finding.id,
      { kind: 'dead', part: 'board', severity: 'bad', words: 'no beep', pieceId: piece.id },
      tick(),
    );
    expect((await stateOf(id)).mend).toBe('open');
    expect(await findingsOf(id)).toMatchObject([{ part: 'board', severity: 'bad', pieceId: piece.id }]);
    expect((await logOf(id)).map(({ words }) => words)).toContain(
      'Corrected: dead, bad, on board: no beep; it was dead, bad, on keys: no beep.',
    );
    const other = await trialPiece();
    await expect(
      changeFinding(finding.id, { kind: 'dead', part: 'board', severity: 'bad', words: '', pieceId: other.id }, tick()),
    ).rejects.toThrow('belongs to another restoration');
  });

  it('what was found on the machine is put on the piece that is tagged later', async () => {
    const { id } = await trialRestoration();
    const [a, b] = [await found(id), await found(id, { words: 'caps' })];
    const piece = await addPiece({ restorationId: id, ...TRIAL_PIECE }, tick());
    await foundOn(piece.id, [b.id], tick());
    expect((await findingsOf(id)).map((finding) => finding.pieceId)).toEqual([null, piece.id]);
    await expect(foundOn((await trialPiece()).id, [a.id], tick())).rejects.toThrow('belongs to another restoration');
  });

  it('“done” says how, and is told at the stage where it was done', async () => {
    const { id } = await trialRestoration();
    const finding = await found(id, { kind: 'crack', words: 'left ear' });
    await expect(settleFinding(finding.id, 'done', '', tick())).rejects.toThrow('how it was done');
    await settleFinding(finding.id, 'done', 'putty behind', tick());
    const told = (await logOf(id)).find(({ words }) => words.startsWith('Closed:'))!;
    expect(told).toMatchObject({ stage: 'mend', words: 'Closed: crack, done. putty behind' });
  });
});

describe('taking back', () => {
  it('a finding goes and comes back; one that was worked at the sink stays', async () => {
    const piece = await trialPiece();
    const restorationId = piece.restorationId;
    const finding = await found(restorationId);
    const taken = await takeThingBack('finding', finding.id, tick());
    expect(await findingsOf(restorationId)).toEqual([]);
    expect((await logOf(restorationId)).at(-1)!.words).toBe('Taken back: finding yellowed, lid.');
    await bringBack(taken, tick());
    expect(await findingsOf(restorationId)).toEqual([finding]);
    const veil = await found(restorationId, { kind: 'soiled', pieceId: piece.id });
    await nameSoil(veil.id, 'nicotine', 'front', tick());
    await startPass([veil.id], 'sugar-soap', tick());
    await expect(takeThingBack('finding', veil.id, tick())).rejects.toThrow('worked at the sink');
  });

  it('a photograph lets its findings go, and takes them up again; a measured one stays', async () => {
    const { id: pieceId, restorationId } = await trialPiece();
    const photo = await trialPhoto(restorationId, 12);
    const finding = await found(restorationId, { photoId: photo.id, pin: { x: 0.2, y: 0.3 } });
    const taken = await takeThingBack('photograph', photo.id, tick());
    expect(await findingsOf(restorationId)).toMatchObject([{ photoId: null, pin: null }]);
    await bringBack(taken, tick());
    expect(await findingsOf(restorationId)).toEqual([finding]);
    const spec = { card: [], regions: [] };
    const measured = await keepMeasurement(
      { pieceId, photoId: photo.id, stage: 'brighten', spec, result: trialResult(20) },
      tick(),
    );
    await expect(takeThingBack('photograph', photo.id, tick())).rejects.toThrow('was measured on this photograph');
    await expect(takeThingBack('piece', pieceId, tick())).rejects.toThrow('it was measured');
    const first = (await findPiece(pieceId))!.hiddenLab!;
    const yellower = trialResult(20);
    yellower.regions.find(({ id }) => id === 'hidden')!.lab = [first[0], first[1], first[2] + 2];
    const again = await keepMeasurement(
      { pieceId, photoId: photo.id, stage: 'brighten', spec, result: yellower },
      tick(),
    );
    // Each reading has its own error: the target is the mean of all of them.
    expect((await findPiece(pieceId))!.hiddenLab![2]).toBeCloseTo(first[2] + 1, 9);
    const gone = await takeThingBack('measurement', again.id, tick());
    expect((await findPiece(pieceId))!.hiddenLab).toEqual(first);
    await bringBack(gone, tick());
    expect((await findPiece(pieceId))!.hiddenLab![2]).toBeCloseTo(first[2] + 1, 9);
    await takeThingBack('measurement', again.id, tick());
    await takeThingBack('measurement', measured.id, tick());
    expect((await findPiece(pieceId))!.hiddenLab).toBeNull();
    await takeThingBack('piece', pieceId, tick());
    expect(await findPiece(pieceId)).toBeNull();
  });

  it('a bottle goes while nothing was used of it; minutes and lots go, the price stays', async () => {
    const { id: restorationId } = await trialRestoration();
    const label = {
      kind: 'peroxide liquid',
      strengthValue: 12,
      strengthUnit: 'percentWW' as const,
      sizeMl: 500,
      priceMinor: 400,
      words: '',
    };
    const [used, unused] = [
      await addStock({ name: 'Used', ...label }, tick()),
      await addStock({ name: 'Unused', ...label }, tick()),
    ];
    await useFromStores({ restorationId, stage: 'wash', stockId: used.id, amount: 10 }, tick());
    await expect(takeThingBack('bottle', used.id, tick())).rejects.toThrow('Count it as empty instead');
    const taken = await takeThingBack('bottle', unused.id, tick());
    expect(await findStock(unused.id)).toBeNull();
    await bringBack(taken, tick());
    expect((await findStock(unused.id))!.left).toBe(500);
    await addLedgerEntry(
      { restorationId, stage: 'wash', kind: 'minutes', words: 'soap', amountMinor: 0, minutes: 300 },
      tick(),
    );
    const entry = async () => (await ledgerOf(restorationId)).find(({ kind }) => kind === 'minutes');
    await correctMinutes((await entry())!.id, 30, 'soap and brush', tick());
    expect(await entry()).toMatchObject({ minutes: 30, words: 'soap and brush' });
    await takeThingBack('entry', (await entry())!.id, tick());
    expect(await entry()).toBeUndefined();
    const price = (await ledgerOf(restorationId)).find(({ kind }) => kind === 'price')!;
    await expect(takeThingBack('entry', price.id, tick())).rejects.toThrow('it stays');
  });
});

describe('pins', () => {
  it('sit on photographs of the same restoration, move, and get their close-up', async () => {
    const { id } = await trialRestoration();
    const { id: other } = await trialRestoration();
    const [photo, close, foreign] = [await trialPhoto(id, 1), await trialPhoto(id, 2), await trialPhoto(other, 3)];
    const finding = await found(id, { photoId: photo.id, pin: { x: 0.25, y: 0.5 } });
    await pinFinding(finding.id, photo.id, { x: 0.3, y: 0.4 }, tick());
    await closeUp(finding.id, close.id, tick());
    expect(await findingsOf(id)).toMatchObject([{ photoId: photo.id, pin: { x: 0.3, y: 0.4 }, closeUpId: close.id }]);
    await expect(closeUp(finding.id, foreign.id, tick())).rejects.toThrow('belongs to another restoration');
    await expect(found(id, { photoId: foreign.id, pin: { x: 0, y: 0 } })).rejects.toThrow(
      'belongs to another restoration',
    );
  });
});
