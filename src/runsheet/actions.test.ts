import { stagesOf } from '@/data/stages';
import { findingsOf } from '@/data/findings';
import { logOf } from '@/data/log';
import { findPiece, piecesOf } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { ledgerOf } from '@/data/ledger';
import { inTrialWorkshop, TRIAL_PIECE, trialPiece, trialRestoration } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import { STAGES } from '@/core/runsheet/stages';
import { addFinding, addMaterial, addMinutes, closeFinding, writeDown } from '@/clipboard/actions';
import { correctPiece, markStage, tagPiece } from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const sheet = async () => ({ restorationId: (await trialRestoration()).id, stage: 'wash' });

describe('what every stage takes down', () => {
  it('minutes and materials land in the ledger and in the log', async () => {
    const at = await sheet();
    expect(wrongs(await addMinutes({ ...at, minutes: '25', words: 'Caps brushed' }))).toBe('');
    expect(wrongs(await addMaterial({ ...at, words: 'Dish soap', cost: '1.25' }))).toBe('');
    const [price, minutes, soap] = await ledgerOf(at.restorationId);
    expect(price).toMatchObject({ kind: 'price', amountMinor: 2500 });
    expect(minutes).toMatchObject({ kind: 'minutes', minutes: 25, amountMinor: 0 });
    expect(soap).toMatchObject({ kind: 'material', amountMinor: 125, minutes: 0 });
    expect((await logOf(at.restorationId)).slice(-2).map(({ words }) => words)).toEqual([
      '25 min: Caps brushed',
      'Used: Dish soap',
    ]);
  });

  it('an amount that is no amount is refused with its field, and nothing is written', async () => {
    const at = await sheet();
    expect(wrongs(await addMinutes({ ...at, minutes: '0', words: '' }))).toMatch(
      /minutes: .*\nwords: .*Write a few words/s,
    );
    expect(wrongs(await addMinutes({ ...at, minutes: '1500', words: 'x' }))).toMatch(/1440/);
    expect(wrongs(await addMaterial({ ...at, words: 'Soap', cost: '-2' }))).toMatch(/cost: /);
    expect(await ledgerOf(at.restorationId)).toHaveLength(1);
  });

  it('a note can be reworded: the old wording stays readable', async () => {
    const at = await sheet();
    await writeDown({ ...at, words: 'Smells of smoke', corrects: '' });
    const old = (await logOf(at.restorationId)).at(-1)!;
    expect(wrongs(await writeDown({ ...at, words: 'Smells of tobacco smoke', corrects: String(old.id) }))).toBe('');
    expect((await logOf(at.restorationId)).slice(-2)).toMatchObject([
      { words: 'Smells of smoke' },
      { words: 'Smells of tobacco smoke', corrects: old.id },
    ]);
    expect(wrongs(await writeDown({ ...at, words: 'x', corrects: '999999' }))).toMatch(/not in this log/);
  });
});

describe('findings', () => {
  it('are settled with how, and left ones say why', async () => {
    const piece = await trialPiece();
    const at = { restorationId: piece.restorationId, stage: 'wash', pieceId: piece.id };
    const found = await addFinding({ ...at, kind: 'soiled', severity: 'plain', words: 'between the vents' });
    if (!found.ok) throw new Error(wrongs(found));
    expect(
      wrongs(await closeFinding({ findingId: found.value, settledAs: 'left on purpose', settledWords: '' })),
    ).toMatch(/settledWords: .*why/);
    expect(
      wrongs(
        await closeFinding({
          findingId: found.value,
          settledAs: 'left on purpose',
          settledWords: 'sits under the door',
        }),
      ),
    ).toBe('');
    expect(await findingsOf(at.restorationId)).toMatchObject([
      { settledAs: 'left on purpose', settledWords: 'sits under the door' },
    ]);
    expect(wrongs(await addFinding({ ...at, kind: 'haunted', severity: 'plain' }))).toMatch(/kind: /);
    expect(wrongs(await closeFinding({ findingId: 'nowhere', settledAs: 'done' }))).toMatch(
      /finding is not here any more/,
    );
  });
});

describe('a stage', () => {
  it('is left out only with a reason, and the restoration closes with its last stage', async () => {
    const { restorationId } = await sheet();
    expect(wrongs(await markStage({ restorationId, stage: 'keys', state: 'not needed' }))).toMatch(/reason: /);
    for (const stage of STAGES)
      await markStage({ restorationId, stage, state: stage === 'keys' ? 'not needed' : 'done', reason: 'no keyboard' });
    expect((await stagesOf(restorationId)).map(({ state }) => state)).toEqual(
      STAGES.map((stage) => (stage === 'keys' ? 'not needed' : 'done')),
    );
    expect((await findRestoration(restorationId))!.closedAt).not.toBeNull();
    await markStage({ restorationId, stage: 'mend', state: 'open' });
    expect((await findRestoration(restorationId))!.closedAt).toBeNull();
  });
});

describe('a piece', () => {
  it('is tagged once, and corrected with its history kept', async () => {
    const { restorationId } = await sheet();
    const given = { ...TRIAL_PIECE, lengthMm: '', widthMm: '200', heightMm: '' };
    const tagged = await tagPiece({ restorationId, ...given });
    if (!tagged.ok) throw new Error(wrongs(tagged));
    expect(wrongs(await tagPiece({ restorationId, ...given, name: 'Door' }))).toMatch(/tag: .*already on Lid/);
    expect(wrongs(await correctPiece({ pieceId: tagged.value, ...given, name: 'Top lid', widthMm: '210' }))).toBe('');
    expect(await findPiece(tagged.value)).toMatchObject({ name: 'Top lid', widthMm: 210, lengthMm: null });
    expect((await logOf(restorationId)).at(-1)!.data).toMatchObject({
      before: { name: 'Lid' },
      after: { name: 'Top lid' },
    });
    await tagPiece({ restorationId, ...given, tag: 'K2' });
    expect(wrongs(await correctPiece({ pieceId: tagged.value, ...given, tag: 'K2' }))).toMatch(/already on/);
    expect(wrongs(await correctPiece({ pieceId: tagged.value, ...given, widthMm: '-4' }))).toMatch(/widthMm: /);
    expect((await piecesOf(restorationId)).map(({ tag }) => tag)).toEqual(['K1', 'K2']);
  });

  it('needs a restoration that is there', async () => {
    expect(wrongs(await tagPiece({ restorationId: 'nobody', ...TRIAL_PIECE }))).toMatch(
      /restoration is not here any more/,
    );
  });
});
