import { SUMS } from '@/core/sums/catalogue';
import { sumFields } from '@/core/sums/fields';
import { nameAt, sentOf, typedOf } from './typed';

it.each(SUMS.map((sum) => [sum.name, sum] as const))(
  '%s: its example goes into the form and comes out of it',
  (_, sum) => {
    const fields = sumFields(sum);
    const example = sum.example as Record<string, unknown>;
    const typed = typedOf(fields, example);
    // What the form does not show, and what is empty, is left to the sum’s own defaults.
    const checked = (input: unknown) => sum.input.validate(input, { convert: false }).value as unknown;
    expect(checked(sentOf(fields, typed))).toEqual(checked(example));
    expect(sentOf(fields, typedOf(fields, sentOf(fields, typed)))).toEqual(sentOf(fields, typed));
  },
);

it('half a number stays what was typed, a comma is a point, and nothing typed is nothing sent', () => {
  const fields = [
    { name: 'a', label: 'A', kind: 'number', unit: '', limits: '' },
    { name: 'b', label: 'B', kind: 'tuple', items: ['x', 'y'] },
    { name: 'c', label: 'C', kind: 'list', fields: [{ name: 'd', label: 'D', kind: 'number', unit: '', limits: '' }] },
    { name: 'e', label: 'E', kind: 'lines' },
  ] as const;
  expect(sentOf(fields as never, { a: '1,5', b: ['', ''], c: [{ d: '-' }], e: 'one\n' })).toEqual({
    a: 1.5,
    c: [{ d: '-' }],
    e: ['one', ''],
  });
  expect(sentOf(fields as never, {})).toEqual({ b: undefined, c: [], e: [] });
  expect(nameAt('c[12].d[0]')).toBe('c.12.d.0');
});
