import { tick } from '@/work/trial';
/** @jest-environment node */
import { holdsPass, ownPath, passCookie, sealPass } from './pass';

const SEAL = 'a'.repeat(64);
const OTHER = 'b'.repeat(64);

it('a pass holds for the door that sealed it, and for no other', async () => {
  const pass = await sealPass(SEAL, tick());
  expect(await holdsPass(pass, SEAL)).toBe(true);
  expect(await holdsPass(pass, OTHER)).toBe(false);
  expect(await holdsPass(`${pass.slice(0, -4)}xxxx`, SEAL)).toBe(false);
  expect(await holdsPass(undefined, SEAL)).toBe(false);
  expect(await holdsPass('entered', SEAL)).toBe(false);
});

it('the cookie is for no script and no other site', () => {
  expect(passCookie('sealed')).toMatch(/^kvell-pass=sealed; Path=\/; Max-Age=\d+; HttpOnly; SameSite=Lax$/);
});

it.each([
  ['/restorations/x/teardown?step=1', '/restorations/x/teardown?step=1'],
  ['//elsewhere.example', '/hand'],
  ['/\\elsewhere.example', '/hand'],
  ['http://elsewhere.example', '/hand'],
  ['javascript:alert(1)', '/hand'],
  [undefined, '/hand'],
])('%s leads to %s', (to, path) => expect(ownPath(to)).toBe(path));
