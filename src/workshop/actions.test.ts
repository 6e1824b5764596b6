import { logOf } from '@/data/log';
import { freshFolder, removeFolders } from '@/data/trial';
import { getWorkshop } from '@/data/workshop';
import { wrongs } from '@/edge/wrongs';
import { saveSettings } from './actions';

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
  hourlyRate: '12.50',
};

it('keeps the settings, and each saving in the log of the workshop', async () => {
  expect((await getWorkshop()).latitude).toBeNull();
  expect(wrongs(await saveSettings(GIVEN))).toBe('');
  expect(await getWorkshop()).toMatchObject({ latitude: 14.6, altitudeM: 0, units: 'us', currency: 'USD', hourlyRateMinor: 1250 });
  expect(wrongs(await saveSettings({ ...GIVEN, currency: 'JPY', hourlyRate: '1500' }))).toBe('');
  expect((await getWorkshop()).hourlyRateMinor).toBe(1500);
  expect((await logOf(null)).filter(({ kind }) => kind === 'workshop')).toHaveLength(2);
});

it.each([
  ['half a place', { longitude: '' }, /together/],
  ['a place off the globe', { latitude: '91' }, /latitude: /],
  ['a zone that nobody knows', { timeZone: 'Atlantis/Deep' }, /timeZone: .*like Europe/],
  ['money in words', { currency: 'crowns' }, /currency: .*three letters/],
])('refuses %s', async (_, wrong, message) => {
  expect(wrongs(await saveSettings({ ...GIVEN, ...wrong }))).toMatch(message);
});
