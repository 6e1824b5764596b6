import { donorPartSchema, stockSchema } from './schema';
import { strengthWords } from './strengthChoices';

const BOTTLE = {
  name: 'Cream',
  kind: 'peroxide cream',
  strengthValue: '40',
  strengthUnit: 'volumes',
  sizeMl: '',
  price: '',
  words: '',
};

it('takes a label in any unit', () => {
  expect(stockSchema.validate(BOTTLE).value).toMatchObject({
    strengthValue: 40,
    strengthUnit: 'volumes',
    sizeMl: null,
    price: null,
  });
  expect(strengthWords(40, 'volumes')).toBe('40 volumes');
});

it('peroxide needs its strength, soap does not', () => {
  expect(stockSchema.validate({ ...BOTTLE, strengthValue: '' }).error!.message).toContain(
    'Copy the number from its label',
  );
  expect(stockSchema.validate({ ...BOTTLE, kind: 'cleaner', strengthValue: '' }).error).toBeUndefined();
});

it.each([{ strengthValue: '0' }, { strengthValue: '-3' }, { name: ' ' }, { kind: 'potion' }, { sizeMl: '-1' }])(
  '%j is refused',
  (rest) => {
    expect(stockSchema.validate({ ...BOTTLE, ...rest }).error).toBeDefined();
  },
);

it('a colour of a donor’s part is whole or none', () => {
  const part = { donorId: 'a', what: 'door', lengthMm: '', words: '' };
  const wrong = (lab: object) => donorPartSchema.validate({ ...part, ...lab }).error?.message ?? null;
  expect(wrong({ labL: '', labA: '', labB: '' })).toBeNull();
  expect(wrong({ labL: '72', labA: '1', labB: '20' })).toBeNull();
  expect(wrong({ labL: '72', labA: '', labB: '20' })).toMatch(/all three, or none/);
  expect(wrong({ labL: '', labA: '0', labB: '' })).toMatch(/all three, or none/);
});
