import type { Stage } from './stages';

/** What came of what was tried. */
export const CAME = ['helped', 'went wrong', 'no effect'] as const;
export type Came = (typeof CAME)[number];

/** A rule of one’s own, as far as it is asked for. */
export interface LessonFacts {
  id: string;
  stage: Stage;
  about: string;
  came: Came;
  words: string;
  /** Learnt on this machine itself. */
  here: boolean;
  held: number;
  failed: number;
}

const plain = (words: string) =>
  words
    .toLowerCase()
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** What tells of a rule whether it is about one of some things: all of its words stand in the name of one. About nothing it is about all. */
export function aboutThese(things: readonly string[]): (about: string) => boolean {
  // Once for all rules: a workshop of many years has hundreds.
  const names = things.map((thing) => ` ${plain(thing)}`);
  return (about) => {
    const words = plain(about).split(' ').filter(Boolean);
    return words.length === 0 || names.some((name) => words.every((word) => name.includes(` ${word}`)));
  };
}

/**
 * The rules that come up at a step: those of its stage that are about what lies there, those that held oftenest first. One
 * that failed oftener than it held comes last; none is hidden.
 */
export function lessonsFor<L extends LessonFacts>(lessons: readonly L[], stage: Stage, things: readonly string[]): L[] {
  const weight = ({ held, failed }: LessonFacts) => (held + 1) / (held + failed + 2);
  const isAbout = aboutThese(things);
  return lessons
    .filter((lesson) => lesson.stage === stage && isAbout(lesson.about))
    .sort((a, b) => weight(b) - weight(a) || Number(b.about !== '') - Number(a.about !== ''));
}
