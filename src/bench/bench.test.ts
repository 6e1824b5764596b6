import { caution } from '@/core/peroxide/cautions';
import { addPiece } from '@/work/pieces';
import { settleStage } from '@/work/stages';
import type { Timer } from '@/data/rows';
import { freshFolder, removeFolders, TRIAL_PIECE, trialPhoto, trialRestoration, tick } from '@/work/trial';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { findAnything } from './find';
import { nextSteps } from './nextSteps';
import { placeOf } from './places';
import { bellOf } from './bell';

beforeAll(freshFolder);
afterAll(removeFolders);

it('a restoration asks first for photographs, then for tags, then for what its run sheet waits for', async () => {
  const { id } = await trialRestoration();
  const step = async () => (await nextSteps(tick())).steps[0]!;
  expect((await step()).verb).toBe('Photograph every side');
  await trialPhoto(id);
  expect((await step()).verb).toBe('Tag the pieces');
  const piece = await addPiece({ restorationId: id, ...TRIAL_PIECE }, tick());
  expect((await step()).verb).toBe('Intake');
  for (const stage of ['intake', 'teardown', 'wash'] as const) await settleStage(id, stage, 'done', null, tick());
  expect(await step()).toMatchObject({ verb: 'Measure', tag: 'K1' });

  const began = new Date(tick().getTime() - 3_600_000);
  const session = await startExposure(
    {
      pieceIds: [piece.id],
      school: 'vapour',
      stockId: null,
      stockPercentWW: 12,
      targetPercentWW: 12,
      amountMl: 500,
      toleranceB: 1.5,
      plannedMin: 60,
      turnEveryMin: 720,
      cloudFraction: 0,
      lampMwPerCm2: 0,
      temperatureC: 25,
      cautions: [caution('vapour-box')],
      checks: [],
    },
    began,
  );
  await endExposure(
    session.id,
    { endedAt: tick().toISOString(), cloudFraction: 0, temperatureC: 25, words: '' },
    tick(),
  );
  expect(await step()).toMatchObject({ verb: 'Measure again', tag: 'K1' });

  for (const stage of ['brighten', 'keys', 'mend', 'finish', 'rebuild', 'record'] as const)
    await settleStage(id, stage, 'done', null, tick());
  expect(await nextSteps(tick())).toEqual({ steps: [], more: 0 });
});

it('finds restorations, pieces, stages, sums and places by any of their words', async () => {
  const titles = async (words: string) => (await findAnything(words)).map(({ title, kind }) => `${kind}: ${title}`);
  expect(await titles('trial lid')).toEqual(['piece: K1 Lid, Trial machine']);
  expect(await titles('brighten trial')).toEqual(['stage: Brighten, Trial machine']);
  expect(await titles('dilution')).toEqual(['sum: Peroxide dilution']);
  expect(await titles('workshop place')).toEqual(['place: Workshop']);
  expect(await titles('nothing of the kind')).toEqual([]);
  expect((await titles('')).length).toBeGreaterThan(5);
});

describe('timers', () => {
  const timer: Timer = {
    id: 't',
    kind: 'other',
    restorationId: 'r',
    pieceId: 'p',
    sessionId: null,
    repairId: null,
    label: 'soak',
    atTheBell: 'rinse',
    startedAt: '2026-06-21T10:00:00.000Z',
    dueAt: '2026-06-21T11:00:00.000Z',
    remindEveryMin: null,
    nextReminderAt: null,
    endedAt: null,
    plannedSchool: null,
    plannedTo: null,
  };

  it('ring for the turn before they ring for the end', () => {
    expect(bellOf(timer)).toEqual({ at: Date.parse('2026-06-21T11:00:00Z'), kind: 'due' });
    const reminded = { ...timer, nextReminderAt: '2026-06-21T10:30:00.000Z' };
    expect(bellOf({ ...reminded, kind: 'exposure' })).toEqual({ at: Date.parse('2026-06-21T10:30:00Z'), kind: 'turn' });
    expect(bellOf({ ...reminded, kind: 'other' }).kind).toBe('tend');
    // A window that opens is no time that is up.
    expect(bellOf({ ...timer, plannedTo: '2026-06-21T14:00:00.000Z' }).kind).toBe('tend');
  });

  it('lead to where they are attended to', () => {
    expect(placeOf(timer)).toBe('/#timers');
    expect(placeOf({ ...timer, sessionId: 's' })).toBe('/restorations/r/brighten?piece=p');
    expect(placeOf({ ...timer, plannedTo: '2026-06-21T14:00:00.000Z' })).toBe('/restorations/r/brighten/plan?piece=p');
  });
});
