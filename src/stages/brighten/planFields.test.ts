import { SCHOOL, SCHOOLS } from '@/core/exposure/schools';
import type { StockItem } from '@/data/rows';
import type { WaysView } from './ways';
import { cloudOver, firstSchool, nextWindow } from './nextWindow';
import { fieldsFor, firstBottle, firstTub, litresFor } from './planFields';

const bottle = (id: string, kind: string, strengthValue: number | null): StockItem => ({
  id,
  name: id,
  kind,
  strengthValue,
  strengthUnit: 'percentWW',
  sizeMl: 1000,
  priceMinor: 900,
  addedAt: '2026-05-01T00:00:00.000Z',
  words: '',
});
const STOCK = [
  bottle('liquid', 'peroxide liquid', 12),
  bottle('unknown', 'peroxide cream', null),
  bottle('cream', 'peroxide cream', 12),
  bottle('powder', 'oxygen-bleach powder', 40),
];
const TUBS = [
  { id: 'low', name: 'Low', lengthMm: 600, widthMm: 400, depthMm: 60, addedAt: '2026-05-01T09:00:00Z' },
  { id: 'narrow', name: 'Narrow', lengthMm: 600, widthMm: 200, depthMm: 300, addedAt: '2026-05-01T09:00:00Z' },
  { id: 'right', name: 'Right', lengthMm: 400, widthMm: 600, depthMm: 150, addedAt: '2026-05-01T09:00:00Z' },
];
const LID = { lengthMm: 400, widthMm: 220, heightMm: 45 };
const names = (...given: Parameters<typeof fieldsFor>) => fieldsFor(...given).map(({ name }) => name);

it('each way is asked for what it takes, and begins with a bottle of its kind whose strength is known', () => {
  for (const school of SCHOOLS) {
    const { medium, driver } = SCHOOL[school];
    expect(firstBottle(school, STOCK)).toBe(medium);
    expect(firstBottle(school, [])).toBe('');
    const asked = names(school, STOCK, TUBS, false);
    expect(new Set(asked).size).toBe(asked.length);
    expect(asked.includes('areaCm2')).toBe(medium === 'cream');
    expect(asked.includes('volumeL')).toBe(medium !== 'cream');
    expect(asked.includes('cloudPercent')).toBe(driver === 'sun');
    expect(asked.includes('lampMwPerCm2')).toBe(driver === 'lamp');
  }
});

it('a bath is asked for its tub; then for the weight in place of litres. A bag and a pool stand in none', () => {
  expect(names('bath-lamp', STOCK, TUBS, true)).toEqual(expect.arrayContaining(['tubId', 'weightG']));
  expect(names('bath-lamp', STOCK, TUBS, true)).not.toContain('volumeL');
  expect(names('bath-lamp', STOCK, [], false)).not.toContain('tubId');
  for (const school of ['bag-sun', 'vapour', 'cream-film-sun'] as const) expect(names(school, STOCK, TUBS, true)).not.toContain('tubId');
  expect(firstTub(TUBS, LID)).toBe('right');
  expect(firstTub(TUBS, null)).toBe('');
  expect(firstTub(TUBS.slice(0, 2), LID)).toBe('');
  expect(litresFor('bath-lamp', LID)).toBe('6.3');
  expect(litresFor('bath-lamp', null)).toBe('5');
});

describe('the next window', () => {
  const night = { latitude: 88, longitude: 0, altitudeM: 0 };
  const session = { from: '2026-12-01T10:00:00.000Z', to: '2026-12-01T13:00:00.000Z', dose: 9, evenness: 1 };
  const view = (place: WaysView['place'], clouds: WaysView['clouds'] = []) =>
    ({ place, clouds, ways: [{ school: 'cream-film-sun', sun: { sessions: [session] } }] }) as unknown as WaysView;

  it('is the first the sun opens, for ways in the sun and while it is too low to begin at once', () => {
    const winter = new Date().getUTCMonth() < 2 || new Date().getUTCMonth() > 9 ? night : { ...night, latitude: -88 };
    expect(nextWindow(view(winter), 'cream-film-sun')).toEqual(session);
    expect(nextWindow(view(winter), 'bath-lamp')).toBeNull();
    expect(nextWindow(view(null), 'cream-film-sun')).toBeNull();
    expect(nextWindow(null, 'cream-film-sun')).toBeNull();
  });

  it('has the mean cloud of the hours it touches, in steps of five', () => {
    const hour = (h: number, cloud: number) => ({ at: new Date(Date.UTC(2026, 11, 1, h)), cloud });
    const clouds = [hour(9, 1), hour(10, 0.2), hour(11, 0.4), hour(12, 0.36), hour(13, 1)];
    expect(cloudOver(view(night, clouds), session)).toBe(30);
    expect(cloudOver(view(night, clouds), { from: '2026-12-01T10:30:00.000Z', to: '2026-12-01T10:40:00.000Z' })).toBe(20);
    expect(cloudOver(view(night, clouds), { from: '2027-01-01T10:00:00.000Z', to: '2027-01-01T12:00:00.000Z' })).toBe(0);
    expect(cloudOver(null, null)).toBe(0);
  });

  it('a way that goes is gone on with; without a place nobody begins in the sun', () => {
    expect(firstSchool('vapour', true)).toBe('vapour');
    expect(firstSchool(undefined, true)).toBe('cream-film-sun');
    expect(firstSchool(undefined, false)).toBe('bath-lamp');
  });
});
