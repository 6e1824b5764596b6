import { FAULTS } from '../face/fault';
import { SCHOOL, SCHOOLS } from '../session/schools';
import { unevenWords, wentBefore, wentBy } from './unevenness';

it('speaks of film only where one lay on it, and of no session before the first', () => {
  for (const kind of FAULTS)
    for (const id of SCHOOLS) {
      const words = unevenWords({ kind }, wentBy(SCHOOL[id]));
      if (kind === 'even') expect(words).toBeNull();
      else {
        if (SCHOOL[id].medium !== 'cream') expect(Object.values(words!).join(' ')).not.toMatch(/\b(film|cream)\b/i);
        expect(words!.nextTime).toBeTruthy();
      }
    }
  for (const kind of FAULTS.slice(1)) {
    const words = unevenWords({ kind }, 'life')!;
    expect(words.nextTime).toBeUndefined();
    expect(words.now).toMatch(/whole face/);
  }
});

it('goes by the session that had ended when the picture was taken', () => {
  const treatments = [
    { id: 'x', school: 'cream-film-sun' as const },
    { id: 'y', school: 'vapour' as const },
  ];
  const sessions = [
    { treatmentId: 'y', endedAt: '2026-06-03' },
    { treatmentId: 'x', endedAt: '2026-06-01' },
    { treatmentId: 'y', endedAt: null },
  ];
  expect(wentBefore('2026-05-31', sessions, treatments)).toBe('life');
  expect(wentBefore('2026-06-02', sessions, treatments)).toBe('film');
  expect(wentBefore('2026-06-04', sessions, treatments)).toBe('vapour');
});

it.each([
  ['cream-film-sun', 'film'],
  ['cream-film-lamp', 'film'],
  ['bag-sun', 'bag'],
  ['bath-sun', 'bath'],
  ['bath-lamp', 'bath'],
  ['vapour', 'vapour'],
  ['oxygen-soak', 'soak'],
] as const)('%s leaves the marks of a %s', (id, went) => expect(wentBy(SCHOOL[id])).toBe(went));
