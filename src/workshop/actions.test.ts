import { logOf } from '@/data/log';
import { freshFolder, removeFolders, tick } from '@/work/trial';
import { getWorkshop, listObstacles } from '@/data/workshop';
import { wrongs } from '@/edge/wrongs';
import { doorState, tryPassphrase } from '@/data/door';
import { listPeople } from '@/data/people';
import {
  addName,
  newPassphrase,
  removeInTheWay,
  removeName,
  saveHours,
  savePlace,
  setDoorOpen,
  signOut,
  addInTheWay,
} from './actions';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

beforeAll(freshFolder);
afterAll(removeFolders);

const GIVEN = {
  name: 'Bench in the shed',
  latitude: '14.6',
  longitude: '-30',
  altitudeM: '',
  timeZone: 'Etc/GMT+2',
  units: 'us',
  currency: 'usd',
};
const HOURS = { hourlyRate: '12.50', Monday: '17:30 to 21', Sunday: '', lampMwPerCm2: '3' };

it('keeps the settings, and each saving in the log of the workshop', async () => {
  expect((await getWorkshop()).latitude).toBeNull();
  expect(wrongs(await savePlace(GIVEN))).toBe('');
  expect(wrongs(await saveHours(HOURS))).toBe('');
  expect(await getWorkshop()).toMatchObject({
    latitude: 14.6,
    altitudeM: 0,
    units: 'us',
    currency: 'USD',
    hourlyRateMinor: 1250,
    lampMwPerCm2: 3,
  });
  expect((await getWorkshop()).hours).toEqual([{ fromH: 17.5, toH: 21 }, null, null, null, null, null, null]);
  // Another currency with other small change: an hour counts for as many as before, and the hours stay.
  expect(wrongs(await savePlace({ ...GIVEN, currency: 'JPY' }))).toBe('');
  expect(await getWorkshop()).toMatchObject({ hourlyRateMinor: 13, lampMwPerCm2: 3 });
  expect(wrongs(await saveHours({ ...HOURS, hourlyRate: '1500' }))).toBe('');
  expect((await getWorkshop()).hourlyRateMinor).toBe(1500);
  expect((await logOf(null)).filter(({ kind }) => kind === 'workshop')).toHaveLength(4);
});

it.each([
  ['half a place', { longitude: '' }, /together/],
  ['a place off the globe', { latitude: '91' }, /latitude: /],
  ['a zone that nobody knows', { timeZone: 'Atlantis/Deep' }, /timeZone: .*like Europe/],
  ['money in words', { currency: 'crowns' }, /currency: .*three letters/],
])('refuses %s', async (_, wrong, message) => {
  expect(wrongs(await savePlace({ ...GIVEN, ...wrong }))).toMatch(message);
});

it('refuses a day that ends before it begins', async () => {
  expect(wrongs(await saveHours({ ...HOURS, Tuesday: '18 to 9' }))).toMatch(/Tuesday: .*like 17:30 to 21:00/);
});

describe('the door to the local network', () => {
  it('opens only behind a passphrase that is long enough and typed twice alike', async () => {
    expect(wrongs(await setDoorOpen(true))).toMatch(/open: Set a passphrase first/);
    expect(wrongs(await newPassphrase({ passphrase: 'short', again: 'short' }))).toMatch(
      /passphrase: Take at least 10 characters/,
    );
    expect(wrongs(await newPassphrase({ passphrase: 'rain on a tin roof', again: 'rain on a tin rof' }))).toMatch(
      /again: The two are not the same/,
    );
    expect((await doorState()).hasPassphrase).toBe(false);
    expect(wrongs(await newPassphrase({ passphrase: 'rain on a tin roof', again: 'rain on a tin roof' }))).toBe('');
    expect(wrongs(await setDoorOpen(true))).toBe('');
    expect(await doorState()).toMatchObject({ hasPassphrase: true, open: true });
    expect(await tryPassphrase('rain on a tin roof', 'phone', tick())).toHaveLength(64);
  });

  it('signs every device out, and shuts', async () => {
    const { seal } = await doorState();
    expect(wrongs(await signOut())).toBe('');
    expect((await doorState()).seal).not.toBe(seal);
    expect(wrongs(await setDoorOpen(false))).toBe('');
    expect((await doorState()).open).toBe(false);
  });
});

it('names are added and taken off the list', async () => {
  expect(wrongs(await addName({ name: ' ' }))).toMatch(/name: Write a name/);
  expect(wrongs(await addName({ name: 'Osk' }))).toBe('');
  expect(wrongs(await addName({ name: 'osk' }))).toMatch(/there already/);
  expect(wrongs(await removeName((await listPeople())[0]!.id))).toBe('');
  expect(await listPeople()).toEqual([]);
});

describe('what stands in the sun’s way', () => {
  const WALL = { name: 'house wall', fromDeg: '230', toDeg: '310', heightDeg: '40' };

  it('is kept, and taken away again; both stand in the log', async () => {
    expect(wrongs(await addInTheWay(WALL))).toBe('');
    const [wall] = await listObstacles();
    expect(wall).toMatchObject({ name: 'house wall', fromDeg: 230, toDeg: 310, heightDeg: 40 });
    expect(wrongs(await removeInTheWay(wall!.id))).toBe('');
    expect(await listObstacles()).toEqual([]);
    expect((await logOf(null)).filter(({ kind }) => kind === 'horizon')).toHaveLength(2);
  });

  it.each([
    ['no name', { name: ' ' }, /name: Say what it is/],
    ['a direction off the compass', { toDeg: '400' }, /toDeg/],
    ['no height', { heightDeg: '0' }, /heightDeg/],
  ])('%s is refused', async (_, wrong, message) => {
    expect(wrongs(await addInTheWay({ ...WALL, ...wrong }))).toMatch(message);
    expect(await listObstacles()).toEqual([]);
  });
});
