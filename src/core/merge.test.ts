import fc from 'fast-check';
import { merge } from './merge';

const fields = fc.record({
  a: fc.constantFrom('1', '2', '3'),
  b: fc.constantFrom('1', '2', '3'),
  c: fc.constantFrom('1', '2', '3'),
});

it('what was not touched is as it stands, what only was touched is as it was typed, and what both changed is asked about', () => {
  fc.assert(
    fc.property(fields, fields, fields, (typed, drawn, stands) => {
      const { merged, meets } = merge(typed, drawn, stands);
      for (const name of ['a', 'b', 'c'] as const) {
        if (typed[name] === drawn[name]) expect(merged[name]).toBe(stands[name]);
        if (drawn[name] === stands[name]) expect(merged[name]).toBe(typed[name]);
        expect(meets.includes(name)).toBe(
          typed[name] !== drawn[name] && stands[name] !== drawn[name] && typed[name] !== stands[name],
        );
      }
    }),
  );
});

it('a page that nothing moved under changes nothing of what was typed, and a name of the language is no field', () => {
  expect(merge({ a: ['x'], b: true }, { a: ['x'], b: false }, { a: ['x'], b: false })).toEqual({
    merged: { a: ['x'], b: true },
    meets: [],
  });
  expect(merge({ a: '1' }, {}, { a: '2' })).toEqual({ merged: { a: '1' }, meets: [] });
  expect(merge({ constructor: '1' }, {}, {})).toEqual({ merged: { constructor: '1' }, meets: [] });
});
