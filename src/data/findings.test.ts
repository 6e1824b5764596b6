import { Refusal } from '@/core/refusal';
import { addPiece, changePiece } from './pieces';
import { addFinding, askedFor, closeUp, findingsOf, pinFinding, settleFinding, unsettleFinding, type NewFinding } from './findings';
import { logOf } from './log';
import { setAim, settleStage } from './restorations';
import { stagesOf } from './stages';
import { addLedgerEntry } from './ledger';
import { inTrialWorkshop, TRIAL_PIECE, trialPhoto, trialRestoration, tick } from './trial';

inTrialWorkshop();

const found = (restorationId: string, rest: Partial<NewFinding> = {}) =>
  addFinding({ restorationId, pieceId: null, stage: 'intake', kind: 'yellowed', severity: 'bad', words: 'lid', ...rest }, tick());
const stateOf = async (restorationId: string) => Object.fromEntries((await stagesOf(restorationId)).map(({ stage, state }) => [stage, state]));

describe('findings drive the stages', () => {
  it('after intake only what a finding asks for stays open, and brightening brings washing with it', async () => {
    const { id } = await trialRestoration();
    await found(id);
    await addLedgerEntry({ restorationId: id, stage: 'mend', kind: 'minutes', words: 'looked at the hinge', amountMinor: 0, minutes: 5 }, tick());
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
    await expect(settleStage(id, 'brighten', 'done', null, tick())).rejects.toThrow('Findings still ask for it: yellowed, lid; yellowed, caps.');
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
    await expect(found(id, { photoId: foreign.id, pin: { x: 0, y: 0 } })).rejects.toThrow('belongs to another restoration');
  });
});
