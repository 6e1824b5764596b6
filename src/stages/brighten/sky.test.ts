import { logOf } from '@/data/log';
import { plannedIn } from '@/data/planned';
import { settleStage } from '@/work/stages';
import { runningTimers } from '@/data/timers';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { inTrialWorkshop, TRIAL_EXPOSURE, trialPiece, tick, inMinutes } from '@/work/trial';
import { skyOver } from '@/data/weather';
import { keepHours } from '@/work/workshop';
import { wrongs } from '@/edge/wrongs';
import { simulatedSky } from '@/simulators/weather/sky';
import {
  finishTreatment,
  giveUpPlanned,
  planLater,
  planWindow,
  forgetSky,
  readSkyFile,
  noteSky,
  startSession,
} from './actions';
import { historyOf } from './history';
import { sessionCard, skyWords } from './plan/plan';
import { evenCloud } from '@/core/session/sessions';
import { getWorkshop, listObstacles } from '@/data/workshop';
import { skiesOf, skyTurned } from './now/skyTurned';
import { benchAsItStands, waysFor } from './ways/ways';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const PLACE = { latitude: 14.6, longitude: -30 };
const sky = skyOver((place, from, hours) =>
  Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours)),
);
const hour = (ahead: number) => new Date(Math.floor(tick().getTime() / 3_600_000) * 3_600_000 + ahead * 3_600_000);
const cloudsOf = async (ahead: number, hours: number) =>
  (await sky(PLACE, hour(ahead), hours)).map(({ cloud }) => cloud);

describe('the sky that all plans count with', () => {
  it('a look goes before the forecast for the hours it is taken for, and can be forgotten', async () => {
    const forecast = await cloudsOf(0, 6);
    expect(wrongs(await noteSky({ cloudPercent: '25', forHours: '3' }))).toBe('');
    expect(await cloudsOf(0, 6)).toEqual([0.25, 0.25, 0.25, ...forecast.slice(3)]);
    expect(wrongs(await noteSky({ cloudPercent: '120' }))).toContain('cloudPercent');
    expect(wrongs(await forgetSky())).toBe('');
    expect(await cloudsOf(0, 6)).toEqual(forecast);
  });

  it('a file of hours is taken in whole or not at all, and what is wrong with it is said line by line', async () => {
    const forecast = await cloudsOf(24, 4);
    const line = (ahead: number, cloud: string) => `${hour(ahead).toISOString()},${cloud}`;
    const file = (...lines: string[]) =>
      readSkyFile({ name: 'hours.csv', text: ['time,cloud %', ...lines].join('\n') });
    const taken = await file(line(24, '10'), line(25, '20'), line(27, '40'));
    if (!taken.ok) throw new Error(wrongs(taken));
    expect(taken.value.words).toMatch(/3 hours of sky taken from hours\.csv\. .*1 of its 4 hours are missing/);
    expect(await cloudsOf(24, 4)).toEqual([0.1, 0.2, forecast[2], 0.4]);
    expect(wrongs(await file(line(24, '90'), 'noon,much'))).toMatch(
      /line 3: “noon” is not a time.*Nothing was taken in/,
    );
    expect((await cloudsOf(24, 1))[0]).toBe(0.1);
    expect(wrongs(await readSkyFile({ name: 'x.csv', text: '' }))).toContain('empty');
    expect(wrongs(await readSkyFile({ name: 'x.csv', text: 'time,cloud %\n"2026-06-21' }))).toContain(
      'table is not whole',
    );
    expect((await logOf(null)).some(({ kind, words }) => kind === 'sky' && words.startsWith('3 hours of sky'))).toBe(
      true,
    );
  });
});

describe('a planned session', () => {
  it('rings when its window opens, once, and not when that has passed', async () => {
    const piece = await trialPiece();
    const given = {
      pieceId: piece.id,
      school: 'cream-film-sun',
      from: hour(20).toISOString(),
      to: hour(23).toISOString(),
    };
    expect(wrongs(await planWindow(given))).toBe('');
    const mine = (await runningTimers()).filter(({ pieceId }) => pieceId === piece.id);
    expect(mine).toHaveLength(1);
    expect(mine[0]!.label).toBe('K1 Lid: cream and film, sun planned');
    expect(Math.abs(Date.parse(mine[0]!.dueAt) - hour(20).getTime())).toBeLessThan(1000);
    expect(wrongs(await planWindow(given))).toContain('planned already');
    // Half an hour later it is moved, not rung twice.
    expect(wrongs(await planWindow({ ...given, from: hour(20.5).toISOString() }))).toBe('');
    const moved = await plannedIn(piece.restorationId);
    expect(moved).toMatchObject([{ pieceId: piece.id, school: 'cream-film-sun' }]);
    expect(Math.abs(Date.parse(moved[0]!.from) - hour(20.5).getTime())).toBeLessThan(1000);
    expect(
      (await logOf(piece.restorationId)).some(({ words }) => words.endsWith('in place of what was planned then.')),
    ).toBe(true);
    // Two phones at once plan it once.
    const elsewhere = { ...given, from: hour(60).toISOString(), to: hour(63).toISOString() };
    const both = (await Promise.all([planWindow(elsewhere), planWindow(elsewhere)])).map(wrongs);
    expect(both.filter((words) => words === '')).toHaveLength(1);
    expect(both.join('')).toContain('planned already');
    expect(wrongs(await planWindow({ ...given, from: hour(-2).toISOString() }))).toContain('open now');
    expect(wrongs(await planWindow({ ...given, to: hour(10).toISOString() }))).toContain('to');
    expect(wrongs(await planWindow({ ...given, pieceId: 'gone' }))).toContain('not here any more');
  });

  it('is given up, or ends with the start of what it stood for and with the brightening; later ones stay', async () => {
    const piece = await trialPiece();
    const planned = async () => (await plannedIn(piece.restorationId)).map(({ from }) => from);
    const [soon, tomorrow, later] = [2, 20, 44].map((ahead) => hour(ahead).toISOString());
    for (const from of [soon!, tomorrow!, later!])
      expect(
        wrongs(
          await planWindow({
            pieceId: piece.id,
            school: 'cream-film-sun',
            from,
            to: new Date(Date.parse(from) + 3 * 3_600_000).toISOString(),
          }),
        ),
      ).toBe('');
    expect(await planned()).toEqual([soon, tomorrow, later]);
    const { id, treatmentId } = await startExposure(
      { ...TRIAL_EXPOSURE, pieceIds: [piece.id], plannedMin: 180 },
      tick(),
    );
    expect(await planned()).toEqual([tomorrow, later]);
    expect(wrongs(await giveUpPlanned((await plannedIn(piece.restorationId))[0]!.timerId))).toBe('');
    expect(await planned()).toEqual([later]);
    await endExposure(
      id,
      { endedAt: inMinutes(2).toISOString(), cloudFraction: 0, temperatureC: 24, words: '' },
      inMinutes(2),
    );
    expect(wrongs(await finishTreatment(treatmentId, 'matched'))).toBe('');
    expect(await planned()).toEqual([]);
    expect(wrongs(await giveUpPlanned('gone'))).toContain('not here any more');
    expect(
      wrongs(
        await planWindow({
          pieceId: piece.id,
          school: 'vapour',
          from: '9999-01-01T10:00:00Z',
          to: '9999-01-01T12:00:00Z',
        }),
      ),
    ).toContain('more than a year away');
  });

  it('is looked at again when the sky turns, and moved to where it is clear', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 50 });
    const now = tick();
    const waysNow = async () => waysFor(piece, await historyOf(piece), [], sky, null, now, await benchAsItStands());
    const cover = (days: readonly number[], cloud: number) =>
      keepHours(
        days.flatMap((day) => Array.from({ length: 24 }, (_, i) => ({ at: hour(24 * day + i - 12), cloud }))),
        'file',
        'A made-up sky.',
        now,
      );
    await cover([2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13], 0);
    // Noon at the place is two hours after noon in Greenwich.
    const noon = new Date(new Date(now.getTime() + 3 * 24 * 3_600_000).setUTCHours(14, 0, 0, 0)).getTime();
    const at = (hours: number) => new Date(noon + hours * 3_600_000).toISOString();
    expect(wrongs(await planWindow({ pieceId: piece.id, school: 'cream-film-sun', from: at(-1.5), to: at(1.5) }))).toBe(
      '',
    );
    const [planned] = await plannedIn(piece.restorationId);
    const skies = async (...more: (typeof planned)[]) =>
      Object.values(skiesOf([planned!, ...more.map((one) => one!)], await waysNow()));
    expect(await skies()).toEqual(['known']);
    expect(await skies({ ...planned!, timerId: 'later', from: at(480), to: at(483) })).toEqual(['known', 'invented']);
    expect(await skies({ ...planned!, timerId: 'dark', school: 'vapour' })).toEqual(['known']);
    expect(Object.values(skiesOf([planned!], null))).toEqual(['invented']);
    expect(await skyTurned(planned!, await waysNow(), now)).toBeNull();
    await cover([2, 3, 4], 1);
    const turned = await skyTurned(planned!, await waysNow(), now);
    expect(turned!.better.dose).toBeGreaterThan(1.5 * turned!.dose);
    expect(
      wrongs(
        await planWindow({
          pieceId: piece.id,
          school: 'cream-film-sun',
          ...turned!.better,
          inPlaceOf: planned!.timerId,
        }),
      ),
    ).toContain('dose');
    const { from, to } = turned!.better;
    expect(
      wrongs(await planWindow({ pieceId: piece.id, school: 'cream-film-sun', from, to, inPlaceOf: planned!.timerId })),
    ).toBe('');
    expect(await plannedIn(piece.restorationId)).toMatchObject([{ from, to }]);
    expect(await skyTurned({ ...planned!, from: at(-100), to: at(-97) }, await waysNow(), now)).toBeNull();
    expect(await skyTurned({ ...planned!, school: 'vapour' }, await waysNow(), now)).toBeNull();
    expect(await skyTurned(planned!, null, now)).toBeNull();
    await forgetSky();
  });

  it('goes with its stage, which is not done while something lies in the light', async () => {
    const piece = await trialPiece();
    const { restorationId } = piece;
    await planWindow({ pieceId: piece.id, school: 'vapour', from: hour(30).toISOString(), to: hour(40).toISOString() });
    const { id } = await startExposure({ ...TRIAL_EXPOSURE, pieceIds: [piece.id] }, tick());
    await expect(settleStage(restorationId, 'brighten', 'done', null, tick())).rejects.toThrow(
      'K1 still lies in an exposure',
    );
    expect(await plannedIn(restorationId)).toHaveLength(1);
    await endExposure(
      id,
      { endedAt: inMinutes(2).toISOString(), cloudFraction: 0, temperatureC: 24, words: '' },
      inMinutes(2),
    );
    await settleStage(restorationId, 'brighten', 'done', null, tick());
    expect(await plannedIn(restorationId)).toEqual([]);
  });

  it('from the form is planned for its window and not started before; what stands before the start waits for the bell', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 50, labels: 'serial plate' });
    const form = {
      pieceId: piece.id,
      school: 'bath-lamp',
      stockId: '',
      strengthValue: '35',
      strengthUnit: 'percentWW',
      targetPercentWW: '12',
      volumeL: '4',
      windowStart: hour(30).toISOString().slice(0, 16),
      durationMin: '300',
      turnEveryMin: '60',
      lampMwPerCm2: '4',
      temperatureC: '25',
      toleranceB: '1.5',
    };
    expect(wrongs(await startSession({ ...form, cautionsConfirmed: true }))).toContain('still to come');
    expect(wrongs(await planLater({ ...form, durationMin: '0' }))).toContain('durationMin');
    expect(wrongs(await planLater(form))).toBe('');
    const [planned] = await plannedIn(piece.restorationId);
    expect(planned!.school).toBe('bath-lamp');
    expect(Date.parse(planned!.to) - Date.parse(planned!.from)).toBe(300 * 60_000);
    expect((await runningTimers()).find(({ id }) => id === planned!.timerId)!.atTheBell).toMatch(/^Planned from /);
    expect(wrongs(await planLater({ ...form, windowStart: hour(-4).toISOString().slice(0, 16) }))).toContain(
      'open now',
    );
  });

  it('has a card for the wall, with its turns; what is wrong with it is said instead', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 50, labels: 'serial plate' });
    const form = {
      pieceId: piece.id,
      school: 'cream-film-sun',
      stockId: '',
      strengthValue: '12',
      strengthUnit: 'percentWW',
      areaCm2: '600',
      windowStart: '2026-06-21T10:00',
      durationMin: '180',
      turnEveryMin: '30',
      cloudPercent: '20',
      temperatureC: '25',
      toleranceB: '1.5',
    };
    const card = await sessionCard(form, sky);
    if (!card.ok) throw new Error(wrongs(card));
    expect(card.value.title).toBe('K1 Lid');
    expect(card.value.sheet.subarray(0, 5).toString()).toBe('%PDF-');
    expect(card.value.sheet.byteLength).toBeGreaterThan(5000);
    expect(wrongs(await sessionCard({ ...form, temperatureC: '70' }, sky))).toContain('long thin parts bend');
    expect(wrongs(await sessionCard({ ...form, windowStart: 'noon' }, sky))).toContain('Give date and time');
  });

  it('says on its card that the sky it counts with is invented, and not of a cloud that somebody typed', async () => {
    const workshop = await getWorkshop();
    const place = { latitude: workshop.latitude!, longitude: workshop.longitude!, altitudeM: workshop.altitudeM };
    const window = { from: hour(24), to: hour(27) };
    const clouds = await sky(place, window.from, 4);
    const cloudPercent = Math.round(100 * evenCloud({ place, shading: await listObstacles(), clouds }, window));
    const words = (percent: number, school: 'bag-sun' | 'bath-lamp' = 'bag-sun') =>
      skyWords({ school, cloudPercent: percent, durationMin: 180 }, window.from.toISOString(), workshop, sky);
    expect(await words(cloudPercent)).toContain('is invented');
    expect(await words((cloudPercent + 40) % 100)).toBe('');
    expect(await words(cloudPercent, 'bath-lamp')).toBe('');
  });
});
