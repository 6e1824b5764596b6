import { hoursSchema, placeSchema } from './schema';

const GIVEN = {
  name: 'Trial',
  latitude: '57.7',
  longitude: '18.3',
  altitudeM: '',
  timeZone: 'Europe/Stockholm',
  units: 'metric',
  currency: 'sek',
};
const messages = (given: object) => placeSchema.validate(given, { abortEarly: false }).error?.message ?? '';

describe('the workshop form', () => {
  it('reads numbers, fills in what is empty, and writes the currency large', () => {
    expect(placeSchema.validate(GIVEN).value).toMatchObject({ latitude: 57.7, altitudeM: 0, currency: 'SEK' });
    expect(hoursSchema.validate({ Monday: '9 to 17' }).value).toMatchObject({
      hourlyRate: 0,
      lampMwPerCm2: 0,
      Monday: { fromH: 9, toH: 17 },
      Sunday: null,
    });
  });

  it('does without a place, but not with half of one', () => {
    expect(placeSchema.validate({ ...GIVEN, latitude: '', longitude: '' }).value).toMatchObject({
      latitude: null,
      longitude: null,
    });
  });

  it.each([
    [{ latitude: '95' }, 'less than or equal to 90'],
    [{ longitude: '-200' }, 'greater than or equal to -180'],
    [{ timeZone: 'Middle/Nowhere' }, 'Write it like Europe/Stockholm'],
    [{ currency: 'crowns' }, 'three letters'],
    [{ units: 'cubits' }, 'must be one of'],
  ])('%j is refused', (rest, words) => {
    expect(messages({ ...GIVEN, ...rest })).toContain(words);
  });
});
