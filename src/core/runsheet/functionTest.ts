import type { FindingKind, FindingPart } from '../intake/findings';

/** Groups of keys: a dead line takes a group with it, and the groups are tested one by one. */
export const KEY_GROUPS = [
  'letters',
  'digits',
  'space and shift',
  'cursor keys',
  'function keys',
  'number pad',
] as const;

/** What a function test goes through; a workshop adds its own beside these. */
export const TEST_ITEMS = ['display', 'sound', 'ports', 'drives', ...KEY_GROUPS, 'switches', 'lamps'] as const;

export const TEST_STATES = ['works', 'now and then', 'faulty', 'not there', 'not tried'] as const;
export type TestState = (typeof TEST_STATES)[number];

export const TEST_PHASES = ['before', 'before closing', 'after'] as const;
export type TestPhase = (typeof TEST_PHASES)[number];

/** Items of a test and how each was found, own ones included. */
export type TestResults = Record<string, TestState>;
/** A word to an item, where somebody wrote one. */
export type TestWords = Record<string, string>;

export interface Comparison {
  item: string;
  states: Partial<Record<TestPhase, TestState>>;
  words: string;
  /** `lost`: it worked better before than now. */
  change: 'lost' | 'won' | 'same';
}

type Test = { phase: TestPhase; results: TestResults; words: TestWords; waivedWhy: string | null };

const HOW_WELL: Partial<Record<TestState, number>> = { faulty: 0, 'now and then': 1, works: 2 };
const wasTried = (state: TestState | undefined): state is 'works' | 'now and then' | 'faulty' =>
  state !== undefined && HOW_WELL[state] !== undefined;

/** Items of a test that were tried. */
const triedIn = ({ results }: Pick<Test, 'results'>) => Object.keys(results).filter((item) => wasTried(results[item]));

/** Items that are faulty, or work only now and then: nobody can rely on those either. */
export const faultyIn = ({ results }: Pick<Test, 'results'>): string[] =>
  triedIn({ results }).filter((item) => results[item] !== 'works');

/** What a test before closing says: passed, waived, or why it does not let the case be closed. */
export type TestVerdict = 'passed' | 'waived' | 'not made' | 'nothing tried' | { faulty: string[] };

/** Whether a test lets the case be closed: something was tried, and nothing is faulty that nobody gave a reason for. */
export function testState(test: Pick<Test, 'results' | 'waivedWhy'> | undefined): TestVerdict {
  if (!test) return 'not made';
  if (test.waivedWhy !== null) return 'waived';
  const faulty = faultyIn(test);
  return faulty.length > 0 ? { faulty } : triedIn(test).length > 0 ? 'passed' : 'nothing tried';
}

/** What a test found, in words. That nothing is faulty is said only of what was tried. */
export function foundWords(test: Pick<Test, 'results' | 'words'>): string {
  const tried = triedIn(test);
  if (tried.length === 0) return 'nothing was tried';
  const named = (state: TestState) =>
    tried
      .filter((item) => test.results[item] === state)
      .map((item) => (test.words[item] ? `${item} (${test.words[item]})` : item));
  const [faulty, unsure] = [named('faulty'), named('now and then')];
  const said = [
    ...(faulty.length > 0 ? [`faulty: ${faulty.join(', ')}`] : []),
    ...(unsure.length > 0 ? [`now and then: ${unsure.join(', ')}`] : []),
  ];
  return said.length > 0 ? said.join('; ') : `nothing faulty of ${tried.length} tried`;
}

/** What the results of a new test begin with: those of the last, so that only what changed is tapped. */
export function beginWith(tests: readonly Pick<Test, 'results' | 'words'>[]): {
  results: TestResults;
  words: TestWords;
} {
  const last = tests[tests.length - 1];
  return {
    results: { ...Object.fromEntries(TEST_ITEMS.map((item) => [item, 'not tried' as const])), ...last?.results },
    words: last?.words ?? {},
  };
}

/** The part of the machine that an item of a test is on. */
export function partOf(item: string): FindingPart {
  if ((KEY_GROUPS as readonly string[]).includes(item)) return 'keys';
  const parts: Record<string, FindingPart> = {
    display: 'display',
    drives: 'drive',
    ports: 'switch or socket',
    switches: 'switch or socket',
  };
  return parts[item] ?? 'board';
}

/** What a fault of a test is as a finding. */
export const kindOf = (state: TestState): FindingKind => (state === 'now and then' ? 'works now and then' : 'dead');

/** The tests side by side, the newest of each phase that tried something; what was lost on the way stands out. */
export function compareTests(tests: readonly Test[]): Comparison[] {
  const newest = new Map(tests.filter((test) => triedIn(test).length > 0).map((test) => [test.phase, test]));
  const phases = TEST_PHASES.filter((phase) => newest.has(phase));
  const items = [...new Set([...TEST_ITEMS, ...phases.flatMap((phase) => Object.keys(newest.get(phase)!.results))])];
  return items.map((item) => {
    const states = Object.fromEntries(
      phases.map((phase) => [phase, newest.get(phase)!.results[item] ?? 'not tried']),
    ) as Comparison['states'];
    const tried = phases.map((phase) => newest.get(phase)!.results[item]).filter(wasTried);
    const [first, last] = [tried[0], tried[tried.length - 1]];
    const [then, now] = [HOW_WELL[first ?? 'works']!, HOW_WELL[last ?? 'works']!];
    const words = phases.flatMap((phase) => newest.get(phase)!.words[item] ?? []).pop() ?? '';
    return { item, states, words, change: now < then ? 'lost' : now > then ? 'won' : 'same' };
  });
}
