import { logOf } from '@/data/log';
import { runningTimers } from '@/data/timers';
import { inTrialWorkshop, trialPiece } from '@/data/trial';
import { skyOver } from '@/data/weather';
import { wrongs } from '@/edge/wrongs';
import { simulatedSky } from '@/simulators/weather/sky';
import { ringThen, skyForgotten, skyFromFile, skyNow } from './actions';
import { sessionCard } from './plan';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const PLACE = { latitude: 14.6, longitude: -30 };
const sky = skyOver((place, from, hours) => Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours)));
const hour = (ahead: number) => new Date(Math.floor(Date.now() / 3_600_000) * 3_600_000 + ahead * 3_600_000);
const cloudsOf = async (ahead: number, hours: number) => (await sky(PLACE, hour(ahead), hours)).map(({ cloud }) => cloud);

describe('the sky that all plans count with', () => {
  it('a look goes before the forecast for the hours it is taken for, and can be forgotten', async () => {
    const forecast = await cloudsOf(0, 6);
    expect(wrongs(await skyNow({ cloudPercent: '25', forHours: '3' }))).toBe('');
    expect(await cloudsOf(0, 6)).toEqual([0.25, 0.25, 0.25, ...forecast.slice(3)]);
    expect(wrongs(await skyNow({ cloudPercent: '120' }))).toContain('cloudPercent');
    expect(wrongs(await skyForgotten())).toBe('');
    expect(await cloudsOf(0, 6)).toEqual(forecast);
  });

  it('a file of hours is taken in whole or not at all, and what is wrong with it is said line by line', async () => {
    const forecast = await cloudsOf(24, 4);
    const line = (ahead: number, cloud: string) => `${hour(ahead).toISOString()},${cloud}`;
    const file = (...lines: string[]) => skyFromFile({ name: 'hours.csv', text: ['time,cloud %', ...lines].join('\n') });
    const taken = await file(line(24, '10'), line(25, '20'), line(27, '40'));
    if (!taken.ok) throw new Error(wrongs(taken));
    expect(taken.value.words).toMatch(/3 hours of sky taken from hours\.csv\. .*1 of its 4 hours are missing/);
    expect(await cloudsOf(24, 4)).toEqual([0.1, 0.2, forecast[2], 0.4]);
    expect(wrongs(await file(line(24, '90'), 'noon,much'))).toMatch(/line 3: “noon” is no time.*Nothing was taken in/);
    expect((await cloudsOf(24, 1))[0]).toBe(0.1);
    expect(wrongs(await skyFromFile({ name: 'x.csv', text: '' }))).toContain('empty');
    expect(wrongs(await skyFromFile({ name: 'x.csv', text: 'time,cloud %\n"2026-06-21' }))).toContain('no whole table');
    expect((await logOf(null)).some(({ kind, words }) => kind === 'sky' && words.startsWith('3 hours of sky'))).toBe(true);
  });
});

describe('a planned session', () => {
  it('rings when its window opens, once, and not when that has passed', async () => {
    const piece = await trialPiece();
    const given = { pieceId: piece.id, school: 'cream-film-sun', from: hour(20).toISOString(), to: hour(23).toISOString() };
    expect(wrongs(await ringThen(given))).toBe('');
    const mine = (await runningTimers()).filter(({ pieceId }) => pieceId === piece.id);
    expect(mine).toHaveLength(1);
    expect(mine[0]!.label).toBe('K1 Lid: cream and film, sun planned');
    expect(Math.abs(Date.parse(mine[0]!.dueAt) - hour(20).getTime())).toBeLessThan(1000);
    expect(wrongs(await ringThen(given))).toContain('planned already');
    expect(wrongs(await ringThen({ ...given, from: hour(-2).toISOString() }))).toContain('open now');
    expect(wrongs(await ringThen({ ...given, to: hour(10).toISOString() }))).toContain('to');
    expect(wrongs(await ringThen({ ...given, pieceId: 'gone' }))).toContain('not here any more');
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
    const card = await sessionCard(form);
    if (!card.ok) throw new Error(wrongs(card));
    expect(card.value.title).toBe('K1 Lid');
    expect(card.value.sheet.subarray(0, 5).toString()).toBe('%PDF-');
    expect(card.value.sheet.byteLength).toBeGreaterThan(5000);
    expect(wrongs(await sessionCard({ ...form, temperatureC: '70' }))).toContain('long thin parts bend');
    expect(wrongs(await sessionCard({ ...form, windowStart: 'noon' }))).toContain('Give date and time');
  });
});
