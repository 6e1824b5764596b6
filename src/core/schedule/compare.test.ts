import { workBench } from './benchWork';
import { keptPlan } from './compare';
import type { BenchFacts } from './facts/facts';
import { bench, job, machine, piece, YELLOW } from './facts/facts.testing';
import type { KeptPlan } from './kept';

const NOW = new Date('2026-06-21T08:00:00Z');
const dayOf = (at: Date) => at.toISOString().slice(0, 10);
const kept = (facts: BenchFacts, before: KeptPlan | null = null, now = NOW): KeptPlan =>
  keptPlan(
    workBench({ facts, ratios: [], seed: 1, timeLimitMs: 0, maxIterations: 20, runs: 5 }, () => 0),
    facts,
    before,
    now,
    dayOf,
  );
const FACTS = bench([machine(['brighten', 'record'], { pieces: [piece({ yellow: YELLOW })] })]);
/** The same bench some hours on: what is left of today grew shorter, all else came nearer. */
const later = (facts: BenchFacts, minutes: number): BenchFacts => ({
  ...facts,
  people: facts.people.map((person) => ({
    ...person,
    available: person.available.flatMap(([from, to]): [number, number][] =>
      to > minutes ? [[Math.max(0, from - minutes), to - minutes]] : [],
    ),
  })),
  sun: facts.sun
    .filter(({ to }) => to > minutes)
    .map((day) => ({
      ...day,
      from: Math.max(0, day.from - minutes),
      to: day.to - minutes,
      dose: day.from < minutes ? day.dose / 2 : day.dose,
    })),
});
const kinds = (plan: KeptPlan) => plan.moved?.causes.map(({ kind }) => kind) ?? [];

it('says nothing where nothing moved', () => {
  expect(kept(FACTS, kept(FACTS)).moved).toBeNull();
});

it('time that goes by is no change of the sky and none of anybody’s hours', () => {
  const before = kept(FACTS);
  for (const minutes of [180, 600, 1380, 3 * 1440]) {
    const after = kept(later(FACTS, minutes), before, new Date(NOW.getTime() + minutes * 60_000));
    expect(kinds(after)).not.toContain('sky');
    expect(kinds(after)).not.toContain('people');
  }
});

it('a grey day to come, a day off, a late parcel, a task more and one done are told apart', () => {
  const first = later(FACTS, 60);
  const before = kept(first);
  const grey = { ...first, sun: first.sun.map((day, i) => (i < 4 ? { ...day, dose: 3 } : day)) };
  expect(kinds(kept({ ...grey, marks: {} }, before))).toContain('sky');
  const off = {
    ...first,
    people: first.people.map((person) => ({ ...person, available: person.available.filter((_, i) => i < 1 || i > 4) })),
  };
  expect(kinds(kept(off, before))).toContain('people');
  const parcel = (due: number) =>
    bench([
      machine(['mend', 'record'], {
        mends: [job({ orderId: 'o' })],
        orders: [{ id: 'o', what: 'film', due, spread: 0.5 }],
      }),
    ]);
  expect(kept(parcel(9 * 1440), kept(parcel(2 * 1440))).moved!.causes).toContainEqual({
    kind: 'parcel',
    what: 'film',
    later: true,
  });
  const more = bench([machine(['mend', 'record'], { mends: [job({ handsMin: 90 })] })]);
  expect(kinds(kept(more, kept(bench([machine(['mend', 'record'])]))))).toEqual(
    expect.arrayContaining(['more to do', 'done']),
  );
});

it('of a machine that is in the plan no more nothing is said to be done', () => {
  const [one, other] = [
    machine(['mend', 'record'], { mends: [job({ handsMin: 90 })] }),
    { ...machine(['mend', 'record'], { mends: [job({ handsMin: 400 })] }), id: 'other' },
  ];
  const { moved } = kept(bench([one]), kept(bench([other, one])));
  expect(moved!.causes).toEqual([{ kind: 'off the bench', machine: 'other' }]);
});

it('a machine that is ready on another day is named with both', () => {
  const one = (handsMin: number) => bench([machine(['mend', 'record'], { mends: [job({ handsMin })] })]);
  const { moved } = kept({ ...one(20), marks: { 'm:mend:j': { notBefore: 5 * 1440 } } }, kept(one(20)));
  expect(moved!.ready).toMatchObject([{ machine: 'm' }]);
  expect(moved!.ready[0]!.is > moved!.ready[0]!.was).toBe(true);
  expect(moved!.causes).toContainEqual({ kind: 'said', count: 1 });
});
