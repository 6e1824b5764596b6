/** Groups of keys: a dead line takes a group with it, and the groups are tested one by one. */
export const KEY_GROUPS = ['letters', 'digits', 'space and shift', 'cursor keys', 'function keys', 'number pad'] as const;

/** What a function test goes through. */
export const TEST_ITEMS = ['display', 'sound', 'ports', 'drives', ...KEY_GROUPS, 'switches', 'lamps'] as const;
type TestItem = (typeof TEST_ITEMS)[number];

export const TEST_STATES = ['works', 'faulty', 'not there', 'not tried'] as const;
type TestState = (typeof TEST_STATES)[number];

export const TEST_PHASES = ['before', 'before closing', 'after'] as const;
export type TestPhase = (typeof TEST_PHASES)[number];

export type TestResults = Record<TestItem, TestState>;

export interface Comparison {
  item: TestItem;
  states: Partial<Record<TestPhase, TestState>>;
  /** `lost`: it worked before and does not now. */
  change: 'lost' | 'won' | 'same';
}

type Test = { phase: TestPhase; results: TestResults; waivedWhy: string | null };

const triedIn = ({ results }: Pick<Test, 'results'>) => TEST_ITEMS.filter((item) => results[item] === 'works' || results[item] === 'faulty');

/** What a test before closing says: passed, waived, or why it does not let the case be closed. */
export type TestVerdict = 'passed' | 'waived' | 'not made' | 'nothing tried' | { faulty: string[] };

/** Whether a test lets the case be closed: something was tried, and nothing is faulty that nobody gave a reason for. */
export function testState(test: Pick<Test, 'results' | 'waivedWhy'> | undefined): TestVerdict {
  if (!test) return 'not made';
  if (test.waivedWhy !== null) return 'waived';
  const tried = triedIn(test);
  const faulty = tried.filter((item) => test.results[item] === 'faulty');
  return faulty.length > 0 ? { faulty } : tried.length > 0 ? 'passed' : 'nothing tried';
}

/** The tests side by side, the newest of each phase that tried something; what was lost on the way stands out. */
export function compareTests(tests: readonly Test[]): Comparison[] {
  const newest = new Map(tests.filter((test) => triedIn(test).length > 0).map((test) => [test.phase, test.results]));
  const phases = TEST_PHASES.filter((phase) => newest.has(phase));
  return TEST_ITEMS.map((item) => {
    const states = Object.fromEntries(phases.map((phase) => [phase, newest.get(phase)![item]])) as Comparison['states'];
    const tried = phases.map((phase) => newest.get(phase)![item]).filter((state) => state === 'works' || state === 'faulty');
    const [first, last] = [tried[0], tried[tried.length - 1]];
    return { item, states, change: first === last ? 'same' : last === 'faulty' ? 'lost' : 'won' };
  });
}
