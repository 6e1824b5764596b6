import { addLedgerEntry } from './ledger';
import { logOf } from '@/data/log';
import { addPerson, removePerson } from './workshop';
import { listPeople } from '@/data/people';
import { addPiece } from './pieces';
import { answerRequest, askOwner } from './owner';
import { requestsOf } from '@/data/requests';
import { settleStage } from './stages';
import { setOwner } from './restorations';
import { startExposure } from './brighten/begin';
import { inTrialWorkshop, TRIAL_EXPOSURE, TRIAL_PIECE, trialRestoration, tick } from './trial';

inTrialWorkshop();

async function foreignMachine() {
  const { id: restorationId } = await trialRestoration();
  await settleStage(restorationId, 'wash', 'not needed', 'came clean', tick());
  const piece = await addPiece({ restorationId, ...TRIAL_PIECE }, tick());
  await setOwner(
    restorationId,
    'Ines Torvel',
    { stages: ['wash'], spendMinor: 500, words: 'soap and water is fine' },
    tick(),
  );
  return { restorationId, piece };
}
const ask = (restorationId: string, rest: Partial<Parameters<typeof askOwner>[0]> = {}) =>
  askOwner(
    {
      restorationId,
      pieceId: null,
      stage: 'brighten',
      about: 'treatment',
      what: 'Brighten the shell.',
      why: 'yellow',
      costMinor: 0,
      alternatives: 'leave it',
      ...rest,
    },
    tick(),
  );

it('a treatment waits for the answer, and starts after a yes', async () => {
  const { restorationId, piece } = await foreignMachine();
  const start = () => startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, tick());
  await expect(start()).rejects.toThrow('Write a request first');
  const request = await ask(restorationId);
  await expect(start()).rejects.toThrow('Ines Torvel has not answered yet');
  await expect(settleStage(restorationId, 'brighten', 'done', null, tick())).rejects.toThrow(
    'The owner has not answered yet: Brighten the shell.',
  );
  await answerRequest(request.id, 'yes', '', new Date('2026-07-01T10:00:00Z'));
  expect((await start()).pieceId).toBe(piece.id);
  expect((await logOf(restorationId)).find(({ words }) => words.startsWith('Ines Torvel answered yes'))!.at).toBe(
    '2026-07-01T10:00:00.000Z',
  );
});

it('a purchase beyond the limit waits, one below it does not', async () => {
  const { restorationId } = await foreignMachine();
  const buy = (amountMinor: number) =>
    addLedgerEntry(
      { restorationId, stage: 'mend', kind: 'material', words: 'membrane', amountMinor, minutes: 0 },
      tick(),
    );
  await buy(500);
  await expect(buy(2400)).rejects.toThrow('a purchase of that size');
  const request = await ask(restorationId, {
    stage: 'mend',
    about: 'purchase',
    what: 'A new membrane.',
    costMinor: 2400,
  });
  await answerRequest(request.id, 'with conditions', 'keep the old one', tick());
  await buy(2400);
});

it('an answer stays as it was given; conditions are written down; an own machine asks nobody', async () => {
  const { restorationId } = await foreignMachine();
  const request = await ask(restorationId);
  await expect(answerRequest(request.id, 'with conditions', '', tick())).rejects.toThrow('Write down which conditions');
  await answerRequest(request.id, 'no', 'it came from my mother like this', tick());
  await expect(answerRequest(request.id, 'yes', '', tick())).rejects.toThrow('answered already: no');
  expect(await requestsOf(restorationId)).toMatchObject([
    { answer: 'no', answerWords: 'it came from my mother like this' },
  ]);
  await expect(ask((await trialRestoration()).id)).rejects.toThrow('This machine is your own');
  const { piece } = await foreignMachine();
  await expect(ask(restorationId, { pieceId: piece.id })).rejects.toThrow('belongs to another restoration');
});

it('names of the workshop come and go, each once', async () => {
  await addPerson('Lindra', tick());
  await addPerson('Osk', tick());
  await expect(addPerson('lindra', tick())).rejects.toThrow('is there already');
  expect((await listPeople()).map(({ name }) => name)).toEqual(['Lindra', 'Osk']);
  await removePerson((await listPeople())[0]!.id, tick());
  expect((await listPeople()).map(({ name }) => name)).toEqual(['Osk']);
});
