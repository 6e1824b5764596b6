import { tick } from '@/work/trial';
import { SCHOOL, SCHOOLS, type SchoolId } from '@/core/session/schools';
import type { Shelved } from '@/data/stock';
import type { WaysView } from '../ways/ways';
import { cloudOver, firstSchool, leftOf, nextPlanned, nextWindow } from './nextWindow';
import { chosenIn, fieldsFor, firstBottle, litresFor, whenIs, type Chosen } from './planFields';

const bottle = (id: string, kind: string, strengthValue: number | null): Shelved => ({
  id,
  name: id,
  kind,
  strengthValue,
  strengthUnit: 'percentWW',
  sizeMl: 1000,
  priceMinor: 900,
  addedAt: '2026-05-01T00:00:00.000Z',
  words: '',
  left: 700,
  tested: null,
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
const asking = (school: SchoolId, more: Partial<Chosen> = {}): Chosen => ({
  school,
  fromStores: true,
  inTub: false,
  when: 'now',
  ...more,
});
const names = (...given: Parameters<typeof fieldsFor>) => fieldsFor(...given).map(({ name }) => name);

it('each way is asked for what it takes, and begins with a bottle of its kind whose strength is known', () => {
  for (const school of SCHOOLS) {
    const { medium, driver } = SCHOOL[school];
    expect(firstBottle(school, STOCK)).toBe(medium);
    expect(firstBottle(school, [])).toBe('');
    const asked = names(asking(school), STOCK, TUBS, 'metric');
    expect(new Set(asked).size).toBe(asked.length);
    expect(asked.includes('areaCm2')).toBe(medium === 'cream');
    expect(asked.includes('volumeL')).toBe(medium !== 'cream');
    expect(asked.includes('cloudPercent')).toBe(driver === 'sun');
    expect(asked.includes('lampMwPerCm2')).toBe(driver === 'lamp');
  }
});

it('a bottle says what is left in it, and an empty one is not begun with', () => {
  const labels = (units: 'metric' | 'us') =>
    fieldsFor(asking('bath-lamp'), STOCK, TUBS, units)
      .find(({ name }) => name === 'stockId')!
      .options!.map(({ label }) => label);
  expect(labels('metric')).toEqual(['liquid (700 mL left)', 'one that is not in the stores']);
  expect(labels('us')[0]).toBe('liquid (23.67 fl oz left)');
  const [empty, full] = [
    { ...STOCK[0]!, left: 0 },
    { ...STOCK[0]!, id: 'full' },
  ];
  expect(firstBottle('bath-lamp', [empty, full])).toBe('full');
  expect(firstBottle('bath-lamp', [empty])).toBe('liquid');
  expect(names(asking('bath-lamp'), STOCK, TUBS, 'metric')).toContain('stands');
  expect(names(asking('cream-film-sun'), STOCK, TUBS, 'metric')).not.toContain('stands');
});

it('the strength of a label is asked only for a bottle that is not in the stores', () => {
  for (const school of SCHOOLS) {
    expect(names(asking(school), STOCK, TUBS, 'metric')).not.toContain('strengthValue');
    expect(names(asking(school, { fromStores: false }), STOCK, TUBS, 'metric')).toContain('strengthValue');
    expect(names(asking(school, { fromStores: false }), STOCK, TUBS, 'metric').includes('strengthUnit')).toBe(
      SCHOOL[school].medium !== 'powder',
    );
  }
});

describe('what is chosen', () => {
  const now = new Date('2026-06-21T12:00:00Z');
  const values = {
    school: 'bath-lamp',
    stockId: '',
    tubId: 'right',
    windowStart: '2026-06-21T14:10',
    durationMin: '240',
  };

  it('follows from the form as it stands, its clock read in the workshop’s zone', () => {
    expect(chosenIn(values, 'Etc/GMT-2', now)).toEqual({
      school: 'bath-lamp',
      fromStores: false,
      inTub: true,
      when: 'now',
    });
    expect(chosenIn({ ...values, stockId: 's', tubId: '' }, 'UTC', now)).toEqual({
      school: 'bath-lamp',
      fromStores: true,
      inTub: false,
      when: 'later',
    });
    expect(chosenIn({ ...values, windowStart: 'soon' }, 'UTC', now).when).toBe('now');
  });

  it.each([
    ['2026-06-21T12:14:00Z', 'now'],
    ['2026-06-21T12:16:00Z', 'later'],
    ['2026-06-21T11:59:30Z', 'now'],
    ['2026-06-21T11:58:00Z', 'begun'],
    ['2026-06-21T10:01:00Z', 'begun'],
    ['2026-06-21T09:59:00Z', 'over'],
  ] as const)('two hours from %s are %s', (from, when) => expect(whenIs(from, 120, now)).toBe(when));
});

describe('of the planned sessions', () => {
  const now = new Date('2026-06-21T12:00:00Z');
  const missed = { from: '2026-06-21T08:00:00.000Z', to: '2026-06-21T11:00:00.000Z' };
  const open = { from: '2026-06-21T10:00:00.000Z', to: '2026-06-21T14:00:00.000Z' };
  const coming = { from: '2026-06-22T10:00:00.000Z', to: '2026-06-22T14:00:00.000Z' };

  it('the plan is laid into the first that can still be begun, and into what is left of it', () => {
    expect(nextPlanned([missed, open, coming], now)).toBe(open);
    expect(nextPlanned([missed, { ...open, to: '2026-06-21T12:20:00.000Z' }, coming], now)).toBe(coming);
    expect(nextPlanned([missed], now)).toBeNull();
    expect(leftOf(open, now)).toEqual({ from: now.toISOString(), to: open.to });
    expect(leftOf(coming, now)).toEqual(coming);
  });
});

it('a bath is asked for its tub, vapour for its box; then for no litres. A bag and cream stand in none', () => {
  expect(names(asking('bath-lamp', { inTub: true }), STOCK, TUBS, 'metric')).toEqual(
    expect.arrayContaining(['tubId', 'weightG']),
  );
  expect(names(asking('bath-lamp', { inTub: true }), STOCK, TUBS, 'metric')).not.toContain('volumeL');
  expect(names(asking('bath-lamp'), STOCK, [], 'metric')).not.toContain('tubId');
  const vapour = fieldsFor(asking('vapour', { inTub: true }), STOCK, TUBS, 'metric');
  expect(vapour.find(({ name }) => name === 'tubId')!.label).toBe('Box with a lid');
  expect(vapour.map(({ name }) => name)).not.toEqual(expect.arrayContaining(['volumeL']));
  expect(vapour.map(({ name }) => name)).not.toEqual(expect.arrayContaining(['weightG']));
  for (const school of ['bag-sun', 'cream-film-sun'] as const)
    expect(names(asking(school, { inTub: true }), STOCK, TUBS, 'metric')).not.toContain('tubId');
  expect(litresFor('bath-lamp', LID)).toBe('6.3');
  expect(litresFor('bath-lamp', null)).toBe('5');
});

describe('the next window', () => {
  const night = { latitude: 88, longitude: 0, altitudeM: 0 };
  const session = { from: '2026-12-01T10:00:00.000Z', to: '2026-12-01T13:00:00.000Z', dose: 9, evenness: 1 };
  const view = (place: WaysView['place'], clouds: WaysView['clouds'] = []) =>
    ({
      place,
      clouds,
      shading: [],
      ways: [{ school: 'cream-film-sun', sun: { sessions: [session] } }],
    }) as unknown as WaysView;

  it('is the first the sun opens, for ways in the sun and while it is too low to begin at once', () => {
    const winter = { ...night, latitude: -88 };
    expect(nextWindow(view(winter), 'cream-film-sun', tick())).toEqual(session);
    expect(nextWindow(view(winter), 'bath-lamp', tick())).toBeNull();
    expect(nextWindow(view(null), 'cream-film-sun', tick())).toBeNull();
    expect(nextWindow(null, 'cream-film-sun', tick())).toBeNull();
  });

  it('has the mean cloud of the hours it touches where no sun shines, and none where nobody knows of any', () => {
    const hour = (h: number, cloud: number) => ({ at: new Date(Date.UTC(2026, 11, 1, h)), cloud });
    const clouds = [hour(9, 1), hour(10, 0.2), hour(11, 0.4), hour(12, 0.36), hour(13, 1)];
    expect(cloudOver(view(night, clouds), session, tick())).toBe(32);
    expect(
      cloudOver(view(night, clouds), { from: '2026-12-01T10:30:00.000Z', to: '2026-12-01T10:40:00.000Z' }, tick()),
    ).toBe(20);
    expect(
      cloudOver(view(night, clouds), { from: '2027-01-01T10:00:00.000Z', to: '2027-01-01T12:00:00.000Z' }, tick()),
    ).toBe(0);
    expect(cloudOver(null, null, tick())).toBe(0);
  });

  it('a way that goes is gone on with; without a place nobody begins in the sun', () => {
    expect(firstSchool('vapour', true)).toBe('vapour');
    expect(firstSchool(undefined, true)).toBe('cream-film-sun');
    expect(firstSchool(undefined, false)).toBe('bath-lamp');
  });
});
