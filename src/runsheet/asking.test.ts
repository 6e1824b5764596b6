import { piecesOf } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { findingsOf } from '@/data/findings';
import { requestsOf } from '@/data/requests';
import { logOf } from '@/data/log';
import { getWorkshop } from '@/data/workshop';
import { inTrialWorkshop, trialPhoto, trialRestoration } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import { addCloseUp, addFinding, addMaterial, addMinutes, closeFinding, reopenFinding } from '@/clipboard/actions';
import { setAimOf, addRequest, setOwnerOf, setWorthEstimate, addAnswer } from './actions';
import { runSheetRows } from './facts';
import { letterPdf } from './letterPdf';
import { letterOf, letterTextOf } from './letters';
import { knownOf } from './worth';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const FOUND = { stage: 'intake', kind: 'yellowed', severity: 'bad', words: 'front' };
const ASKED = {
  stage: 'brighten',
  about: 'treatment',
  what: 'Brighten the front.',
  why: 'bad yellow',
  alternatives: 'leave it',
};

it('a pin is found, looked at closely, settled and opened again', async () => {
  const { id: restorationId } = await trialRestoration();
  const [photo, close] = [await trialPhoto(restorationId, 1), await trialPhoto(restorationId, 2)];
  expect(wrongs(await addFinding({ restorationId, ...FOUND, photoId: photo.id, pin: { x: 2, y: 0 } }))).toMatch(
    /pin\.x/,
  );
  const found = await addFinding({ restorationId, ...FOUND, photoId: photo.id, pin: { x: 0.2, y: 0.4 } });
  const findingId = found.ok ? found.value : '';
  expect(wrongs(await addCloseUp({ findingId, photoId: close.id }))).toBe('');
  expect(wrongs(await closeFinding({ findingId, settledAs: 'not possible', settledWords: '' }))).toMatch(
    /settledWords: /,
  );
  expect(wrongs(await closeFinding({ findingId, settledAs: 'not possible', settledWords: 'brittle' }))).toBe('');
  expect(wrongs(await reopenFinding(findingId))).toBe('');
  expect(await findingsOf(restorationId)).toMatchObject([
    { closeUpId: close.id, pin: { x: 0.2, y: 0.4 }, settledAs: null },
  ]);
});

it('the run sheet says what asks for a stage, and what waits for the owner', async () => {
  const { id: restorationId } = await trialRestoration();
  await addFinding({ restorationId, ...FOUND });
  expect(
    wrongs(await setOwnerOf({ restorationId, owner: 'Ines Torvel', stages: ['wash'], spend: '5', words: '' })),
  ).toBe('');
  const asked = await addRequest({ restorationId, ...ASKED, cost: '' });
  const row = async () => (await runSheetRows(restorationId)).find(({ stage }) => stage === 'brighten')!;
  expect(await row()).toMatchObject({ facts: 'asked for: yellowed, front', waits: ['Brighten the front.'] });
  expect(wrongs(await addAnswer({ requestId: asked.ok ? asked.value : '', answer: 'yes' }))).toBe('');
  expect((await row()).waits).toEqual([]);
  expect(wrongs(await addMaterial({ restorationId, stage: 'mend', words: 'feet', cost: '6.40' }))).toMatch(
    /cost: Ines Torvel did not allow/,
  );
  expect(wrongs(await addMaterial({ restorationId, stage: 'mend', words: 'glue', cost: '4' }))).toBe('');
});

it('a request says what, why and what else, or is sent back; as a letter it holds them', async () => {
  const { id: restorationId } = await trialRestoration();
  await setOwnerOf({ restorationId, owner: 'Ines Torvel', stages: [] });
  expect(wrongs(await addRequest({ restorationId, ...ASKED, what: '', alternatives: ' ', stage: 'teardown' }))).toMatch(
    /stage: .*what: .*alternatives: /s,
  );
  expect(wrongs(await setOwnerOf({ restorationId, owner: 'x', stages: ['rebuild'], spend: '-1' }))).toMatch(
    /stages\[0\]: .*spend: /s,
  );
  await addRequest({ restorationId, ...ASKED, cost: '12' });
  const [request] = await requestsOf(restorationId);
  const of = [
    request!,
    (await findRestoration(restorationId))!,
    await piecesOf(restorationId),
    await getWorkshop(),
  ] as const;
  expect(letterTextOf(...of)).toMatch(/To Ines Torvel,.*Brighten the front\..*€12\.00.*leave it.*- No, leave it/s);
  expect((await letterPdf(letterOf(...of))).subarray(0, 5).toString()).toBe('%PDF-');
});

it('an estimate is weighed with what is known, and each is kept', async () => {
  const { id: restorationId } = await trialRestoration();
  await addMinutes({ restorationId, stage: 'wash', minutes: '90', words: 'soap' });
  expect(await knownOf(restorationId)).toEqual({ pricePaid: 25, spent: 0, hoursWorked: 1.5, hourlyRate: 10 });
  const guess = {
    partsLow: '5',
    partsLikely: '10',
    partsHigh: '20',
    hoursLow: '2',
    hoursLikely: '3',
    hoursHigh: '4',
    goodOneLow: '150',
    goodOneLikely: '180',
    goodOneHigh: '200',
  };
  expect(wrongs(await setWorthEstimate({ restorationId, ...guess, partsHigh: '8', hoursLow: '' }))).toMatch(
    /partsHigh: The most cannot.*hoursLow: .*A guess is enough/s,
  );
  expect(wrongs(await setWorthEstimate({ restorationId, ...guess }))).toBe('');
  expect(
    wrongs(
      await setWorthEstimate({ restorationId, ...guess, goodOneLow: '10', goodOneLikely: '20', goodOneHigh: '30' }),
    ),
  ).toBe('');
  const estimates = (await logOf(restorationId)).filter(({ kind }) => kind === 'estimate').map(({ words }) => words);
  expect(estimates[0]).toMatch(/^Worth it: 100 %/);
  expect(estimates[1]).toMatch(/^Not for the money: 0 %.*−€/);
  expect((await findRestoration(restorationId))!.estimate).toMatchObject({ parts: { low: 5 }, goodOne: { high: 30 } });
});

it('the aim is one of four', async () => {
  const { id: restorationId } = await trialRestoration();
  expect(wrongs(await setAimOf({ restorationId, aim: 'better than new' }))).toMatch(/aim: /);
  expect(wrongs(await setAimOf({ restorationId, aim: 'keep the age', worthKeeping: 'the sticker' }))).toBe('');
  expect((await logOf(restorationId)).at(-1)!.words).toMatch(/^Aim: keep the age\..*Worth keeping: the sticker/);
});
