import { keepMeasurement } from '@/work/measurements';
import { addPiece } from '@/work/pieces';
import { askOwner } from '@/work/owner';
import { setOwner } from '@/work/restorations';
import { settleStage } from '@/work/stages';
import { stagesOf } from '@/data/stages';
import {
  inTrialWorkshop,
  TRIAL_EXPOSURE,
  TRIAL_PIECE,
  trialPhoto,
  trialPiece,
  trialRestoration,
  trialResult,
  tick,
  inMinutes,
} from '@/work/trial';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { endTreatment } from '@/work/brighten/treatments';
import { nextSteps } from './nextSteps';

inTrialWorkshop();

it('what waits for the owner waits, and hands go on with what does not', async () => {
  const { id: restorationId } = await trialRestoration();
  await trialPhoto(restorationId);
  await addPiece({ restorationId, ...TRIAL_PIECE }, tick());
  await setOwner(restorationId, 'Ines Torvel', { stages: [], spendMinor: 0, words: '' }, tick());
  for (const stage of ['intake', 'teardown'] as const) await settleStage(restorationId, stage, 'done', null, tick());
  await askOwner(
    {
      restorationId,
      pieceId: null,
      stage: 'wash',
      about: 'treatment',
      what: 'Wash it.',
      why: '',
      costMinor: 0,
      alternatives: '',
    },
    tick(),
  );
  const own = (await nextSteps(tick())).steps.filter(({ href }) => href.includes(restorationId));
  expect(own[0]).toMatchObject({ verb: 'Measure', tag: 'K1' });
  expect(own.some(({ href }) => href.endsWith('/wash'))).toBe(false);
  for (const { stage } of await stagesOf(restorationId))
    if (stage !== 'wash') await settleStage(restorationId, stage, 'not needed', 'not now', tick());
  expect((await nextSteps(tick())).steps.filter(({ href }) => href.includes(restorationId))).toMatchObject([
    { verb: 'Get the owner’s answer', why: 'Wash it.' },
  ]);
});

it('a piece whose time to be looked at again has come stands on the bench, whatever became of its restoration', async () => {
  const piece = await trialPiece({ tag: 'K7' });
  const began = new Date(tick().getTime() - 5 * 3_600_000);
  const { id, treatmentId } = await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, began);
  await endExposure(
    id,
    { endedAt: new Date(began.getTime() + 3_600_000).toISOString(), cloudFraction: 0, temperatureC: 24, words: '' },
    tick(),
  );
  await endTreatment(treatmentId, 'matched', tick());
  const looks = async (now: Date) =>
    (await nextSteps(now)).steps.filter(({ verb, tag }) => verb === 'Look again' && tag === 'K7');
  expect(await looks(tick())).toEqual([]);
  const [look] = await looks(new Date(tick().getTime() + 200 * 24 * 3_600_000));
  expect(look!.href).toContain(`/pieces/${piece.id}/measure`);
  expect(look!.why).toContain('whether the yellow came back');
});

it('of the pieces that are measured the furthest is next, and none that is in the light', async () => {
  const { id: restorationId } = await trialRestoration();
  for (const stage of ['intake', 'teardown', 'wash'] as const)
    await settleStage(restorationId, stage, 'done', null, tick());
  const [lid, caps] = [
    await addPiece({ restorationId, ...TRIAL_PIECE }, tick()),
    await addPiece({ restorationId, ...TRIAL_PIECE, tag: 'K2', name: 'Caps' }, tick()),
  ];
  const measured = async (pieceId: string, b: number, shade: number, at = tick()) =>
    keepMeasurement(
      {
        pieceId,
        photoId: (await trialPhoto(restorationId, shade)).id,
        stage: 'brighten',
        spec: { card: [], regions: [] },
        result: trialResult(b),
      },
      at,
    );
  await measured(lid.id, 14, 41);
  await measured(caps.id, 20, 42);
  const mine = async () => (await nextSteps(tick())).steps.filter(({ href }) => href.includes(restorationId));
  expect(await mine()).toMatchObject([
    { verb: 'Brighten', tag: 'K2', why: 'b* 14.0 above its hidden patch, the furthest of those that wait' },
  ]);
  await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [caps.id] }, tick());
  const [next] = await mine();
  expect(next).toMatchObject({ tag: 'K1', why: 'b* 8.0 above its hidden patch' });
  expect(next!.href).toContain(`brighten?piece=${lid.id}`);
  // On the whole there, but unevenly: that waits for a session too.
  const unevenly = trialResult(6.5);
  const { id: photoId } = await trialPhoto(restorationId, 44);
  const uneven = {
    ...unevenly,
    regions: unevenly.regions.map((region) => ({ ...region, verdict: region.verdict && ('uneven' as const) })),
  };
  await keepMeasurement(
    { pieceId: lid.id, photoId, stage: 'brighten', spec: { card: [], regions: [] }, result: uneven },
    tick(),
  );
  expect((await mine())[0]).toMatchObject({ tag: 'K1', why: 'on the whole it matches, but unevenly' });
  // Somebody ends its brightening where it is: the last word is theirs.
  const { id, treatmentId } = await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [lid.id] }, tick());
  await endExposure(
    id,
    { endedAt: inMinutes(2).toISOString(), cloudFraction: 0, temperatureC: 24, words: '' },
    inMinutes(2),
  );
  await measured(lid.id, 13, 43, inMinutes(3));
  await endTreatment(treatmentId, 'good enough', tick());
  expect(await mine()).toMatchObject([{ verb: 'Brighten', tag: null }]);
});
