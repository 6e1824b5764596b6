import { addPiece } from '@/data/pieces';
import { askOwner } from '@/data/requests';
import { setOwner, settleStage } from '@/data/restorations';
import { stagesOf } from '@/data/stages';
import { inTrialWorkshop, TRIAL_PIECE, trialPhoto, trialRestoration } from '@/data/trial';
import { nextSteps } from './nextSteps';

inTrialWorkshop();

it('what waits for the owner waits, and hands go on with what does not', async () => {
  const { id: restorationId } = await trialRestoration();
  await trialPhoto(restorationId);
  await addPiece({ restorationId, ...TRIAL_PIECE });
  await setOwner(restorationId, 'Ines Torvel', { stages: [], spendMinor: 0, words: '' });
  for (const stage of ['intake', 'teardown'] as const) await settleStage(restorationId, stage, 'done', null);
  await askOwner({ restorationId, pieceId: null, stage: 'wash', about: 'treatment', what: 'Wash it.', why: '', costMinor: 0, alternatives: '' });
  const own = (await nextSteps()).filter(({ href }) => href.includes(restorationId));
  expect(own[0]).toMatchObject({ verb: 'Measure', tag: 'K1' });
  expect(own.some(({ href }) => href.endsWith('/wash'))).toBe(false);
  for (const { stage } of await stagesOf(restorationId)) if (stage !== 'wash') await settleStage(restorationId, stage, 'not needed', 'not now');
  expect((await nextSteps()).filter(({ href }) => href.includes(restorationId))).toMatchObject([{ verb: 'Get the owner’s answer', why: 'Wash it.' }]);
});
