/** What a function test goes through. */
export const TEST_ITEMS = ['display', 'sound', 'ports', 'drives', 'keys', 'switches', 'lamps'] as const;
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

/** The tests side by side, the newest of each phase; what was lost on the way stands out. */
export function compareTests(tests: readonly { phase: TestPhase; results: TestResults; waivedWhy: string | null }[]): Comparison[] {
  const newest = new Map(tests.filter(({ waivedWhy }) => waivedWhy === null).map((test) => [test.phase, test.results]));
  const phases = TEST_PHASES.filter((phase) => newest.has(phase));
  return TEST_ITEMS.map((item) => {
    const states = Object.fromEntries(phases.map((phase) => [phase, newest.get(phase)![item]])) as Comparison['states'];
    const tried = phases.map((phase) => newest.get(phase)![item]).filter((state) => state === 'works' || state === 'faulty');
    const [first, last] = [tried[0], tried[tried.length - 1]];
    return { item, states, change: first === last ? 'same' : last === 'faulty' ? 'lost' : 'won' };
  });
}
