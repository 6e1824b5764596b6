import { isAbout, lessonsFor, type LessonFacts } from './lessons';

const lesson = (id: string, more: Partial<LessonFacts> = {}): LessonFacts => ({
  ...{
    id,
    stage: 'brighten',
    about: '',
    came: 'helped',
    words: 'film smooth from the middle',
    here: false,
    held: 0,
    failed: 0,
  },
  ...more,
});

it('is about what all of its words name, however they are written', () => {
  expect(isAbout('', ['K1 Lid'])).toBe(true);
  expect(isAbout('ribbon', ['Ribbon clamp, sliding bar'])).toBe(true);
  expect(isAbout('Sliding Bar', ['Ribbon clamp, sliding bar'])).toBe(true);
  expect(isAbout('bar', ['crowbar'])).toBe(false);
  expect(isAbout('creme', ['peroxide crème'])).toBe(true);
  expect(isAbout('clip', [])).toBe(false);
});

it('comes up at its stage only, what held oftenest first, what failed last and never hidden', () => {
  const all = [
    lesson('failed', { failed: 3 }),
    lesson('new'),
    lesson('held', { held: 2 }),
    lesson('other', { stage: 'wash' }),
    lesson('about', { about: 'lid' }),
  ];
  expect(lessonsFor(all, 'brighten', ['K1 Lid']).map(({ id }) => id)).toEqual(['held', 'about', 'new', 'failed']);
  expect(lessonsFor(all, 'brighten', ['K2 Base']).map(({ id }) => id)).toEqual(['held', 'new', 'failed']);
});
