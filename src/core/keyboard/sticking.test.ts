import { KEYBOARD_KINDS } from './kinds';
import { CAUSE, CAUSES, FELT, stickingCauses, WHERE, type Felt, type StickingCause, type Where } from './sticking';

it.each([
  ['slow', 'one', 'dirt'],
  ['sticky', 'neighbours', 'spill'],
  ['one side', 'one', 'rough flank'],
  ['one side', 'neighbours', 'frame'],
  ['hangs', 'wide', 'rod'],
  ['stiff', 'one', 'wrong spring'],
  ['limp', 'wide', 'wrong spring'],
  ['stiff', 'all', 'tight screw'],
] as [Felt, Where, StickingCause][])('%s, %s: first of all %s', (felt, where, cause) => {
  expect(stickingCauses(felt, where, 'carbon-pads')[0]!.cause).toBe(cause);
});

it('every answer leads somewhere, and every cause is reached by one', () => {
  const reached = new Set<StickingCause>();
  for (const kind of KEYBOARD_KINDS)
    for (const felt of FELT)
      for (const where of WHERE) {
        const causes = stickingCauses(felt, where, kind);
        expect(causes.length).toBeGreaterThan(0);
        expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
        causes.forEach(({ cause }) => reached.add(cause));
      }
  expect([...reached].sort()).toEqual([...CAUSES].sort());
});

it('domes have no springs to mix up, and nothing begins with sanding', () => {
  expect(stickingCauses('stiff', 'one', 'domes').map(({ cause }) => cause)).not.toContain('wrong spring');
  for (const { mends } of Object.values(CAUSE)) expect(mends[0]).not.toMatch(/grit|oil|levered/i);
  expect(CAUSE.dirt.mends.join(' ')).toContain('no sanding');
});
