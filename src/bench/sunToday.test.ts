import type { SkySource } from '@/core/session/sessions';
import type { NamedTimer } from '@/data/timers';
import { TRIAL_WORKSHOP } from '@/work/trial';
import { sunToday } from './sunToday';

const WORKSHOP = { ...TRIAL_WORKSHOP, id: 'w' };
/** A sky of the same cloud in all hours, but for those (UTC) that are given. */
const skyOf =
  (cloud: number, but: Record<number, number> = {}, own = false): SkySource =>
  (_, from, hours) =>
    Promise.resolve(
      Array.from({ length: hours }, (__, i) => {
        const at = new Date(from.getTime() + i * 3_600_000);
        return { at, cloud: but[at.getUTCHours()] ?? cloud, own };
      }),
    );
const at = (clock: string) => new Date(`2026-06-21T${clock}:00Z`);
const wordsAt = async (clock: string, sky: SkySource, workshop = WORKSHOP) =>
  (await sunToday(workshop, [], sky, at(clock)))?.words;

const timer = (given: Partial<NamedTimer>): NamedTimer => ({
  machine: '',
  id: 't',
  kind: 'other',
  restorationId: 'r',
  pieceId: 'p',
  sessionId: null,
  repairId: null,
  label: 'K1 Lid: soaking',
  atTheBell: '',
  startedAt: '2026-06-21T10:00:00.000Z',
  dueAt: '2026-06-21T12:00:00.000Z',
  remindEveryMin: null,
  nextReminderAt: null,
  endedAt: null,
  plannedSchool: null,
  plannedTo: null,
  ...given,
});

it('counts with the sky of the day, and says what a clear one would bring', async () => {
  expect(await wordsAt('06:00', skyOf(0))).toMatch(
    /^UV index up to 13\.\d under an invented sky\. Worth putting plastic out from 0\d:\d\d to 1\d:\d\d\.$/,
  );
  expect(await wordsAt('06:00', skyOf(0.9))).toMatch(
    /^UV index up to 7\.\d under an invented sky \(13\.\d were it clear\)\. Worth/,
  );
});

it('after sunset looks at the day to come, and at nobody else’s', async () => {
  const evening = await sunToday(WORKSHOP, [], skyOf(0), new Date('2026-06-22T00:30:00Z'));
  expect(evening!.words).toMatch(
    /^Tomorrow: UV index up to 13\.\d under an invented sky\. Worth putting plastic out from 0\d/,
  );
  expect(Date.parse(evening!.day.samples[0]!.time)).toBeGreaterThan(Date.parse('2026-06-22T00:30:00Z'));
  expect(evening!.worth!.from > evening!.day.samples[0]!.time).toBe(true);
  expect((await sunToday(WORKSHOP, [], skyOf(0), at('18:00')))!.words).not.toContain('Tomorrow');
});

it('says that the sky is invented until somebody looks, and which part of it still is', async () => {
  expect(await wordsAt('12:00', skyOf(0))).toContain('under an invented sky');
  expect(await wordsAt('12:00', skyOf(0, {}, true))).toContain('under the sky of today as you gave it');
  const looked: SkySource = async (place, from, hours) =>
    (await skyOf(0)(place, from, hours)).map((hour) => ({ ...hour, own: hour.at.getTime() < at('15:00').getTime() }));
  expect(await wordsAt('12:00', looked)).toContain('a sky that you gave in part, the rest invented');
  // What is past does not make the rest any surer.
  expect(await wordsAt('15:30', looked)).toContain('under an invented sky');
});

it('names the longest stretch that is left, and says when there is none', async () => {
  // Grey but for the afternoon from 13:00 to 15:00 of its clock, two hours behind UTC.
  const afternoon = skyOf(1, { 15: 0, 16: 0 });
  const north = { ...WORKSHOP, latitude: 64 };
  expect(await wordsAt('12:00', afternoon, north)).toContain('Worth putting plastic out from 13:00 to 14:50.');
  expect(await wordsAt('16:10', afternoon, north)).toContain('The best of it is over for today.');
  const winter = { ...WORKSHOP, latitude: -50 };
  expect(await wordsAt('12:00', skyOf(0), winter)).toContain('Too weak for a sunny session');
  expect(await wordsAt('19:10', skyOf(0))).toContain('The best of it is over for today.');
  expect(await wordsAt('12:00', skyOf(0), { ...WORKSHOP, latitude: -85 })).toBe('The sun does not rise today.');
  expect(await wordsAt('12:00', skyOf(0), { ...WORKSHOP, latitude: null })).toBeUndefined();
});

it('shows how the highest index comes about, figure by figure', async () => {
  const { working, day } = (await sunToday({ ...WORKSHOP, altitudeM: 500 }, [], skyOf(0.5), at('12:00')))!;
  const [, height, ozone, clear] = /sin\(([\d.]+)°\).*\((\d+)\/300\).* = ([\d.]+); .*Van Heuklon/.exec(
    working[0]!.how,
  )!;
  const asIs = 12.5 * Math.sin((Number(height) * Math.PI) / 180) ** 2.42 * 1.03 * (Number(ozone) / 300) ** -1.23 * 0.9;
  expect(asIs).toBeCloseTo(Number(clear), 0);
  const stated = (await sunToday({ ...WORKSHOP, ozoneDU: 300 }, [], skyOf(0), at('12:00')))!;
  expect(stated.working[0]!.how).toMatch(/\(300\/300\).*as the workshop states it/);
  expect(working[1]!.how).toMatch(/0\.60 × 0\.50\^3\.08.* = /);
  expect(working[1]!.how).toContain(`= ${day.highestUvIndex.toFixed(1)}`);
  expect((await sunToday({ ...WORKSHOP, latitude: -85 }, [], skyOf(0), at('12:00')))!.working).toEqual([]);
});

it('draws what runs or is planned today, and not what waits for another day', async () => {
  const timers = [
    timer({}),
    timer({
      label: 'K2 Caps: bag, sun planned',
      dueAt: '2026-06-21T14:00:00.000Z',
      plannedTo: '2026-06-21T17:00:00.000Z',
    }),
    timer({
      label: 'K3 Frame: cream planned',
      dueAt: '2026-06-23T14:00:00.000Z',
      plannedTo: '2026-06-23T17:00:00.000Z',
    }),
    timer({ label: 'K4 Foot: drying', dueAt: '2026-06-23T14:00:00.000Z' }),
  ];
  expect((await sunToday(WORKSHOP, timers, skyOf(0), at('11:00')))!.bars).toEqual([
    { label: 'K1 Lid', from: '2026-06-21T10:00:00.000Z', to: '2026-06-21T12:00:00.000Z' },
    { label: 'K2 Caps, planned', from: '2026-06-21T14:00:00.000Z', to: '2026-06-21T17:00:00.000Z' },
    { label: 'K4 Foot', from: '2026-06-21T10:00:00.000Z', to: '2026-06-22T02:00:00.000Z' },
  ]);
});
