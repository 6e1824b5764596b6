import { keysOfForm } from './keysOfForm';

it('the same again has the same key until it was answered; anything else has another', () => {
  const keys = keysOfForm();
  const first = keys.of({ words: 'a' });
  expect(first).toMatch(/^[0-9a-f]{32}$/);
  expect(keys.of({ words: 'a' })).toBe(first);
  const second = keys.of({ words: 'b' });
  expect(second).not.toBe(first);
  keys.answered();
  expect(keys.of({ words: 'b' })).not.toBe(second);
});
