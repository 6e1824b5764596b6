import { aboutThese, lessonsFor, type LessonFacts } from './lessons';

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
  expect(aboutThese(['K1 Lid'])('')).toBe(true);
  expect(aboutThese(['Ribbon clamp, sliding bar'])('ribbon')).toBe(true);
  expect(aboutThese(['Ribbon clamp, sliding bar'])('Sliding Bar')).toBe(true);
  expect(aboutThese(['crowbar'])('bar')).toBe(false);
  expect(aboutThese(['peroxide crème'])('creme')).toBe(true);
  expect(aboutThese([])('clip')).toBe(false);
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
