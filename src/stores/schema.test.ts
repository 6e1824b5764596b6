import { stockSchema } from './schema';
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
