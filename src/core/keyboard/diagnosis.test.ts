import fc from 'fast-check';
import { CONNECTOR, type Line } from './board';
import { countedOut, entropyOf, grid, smallBoard } from './boards.testing';
import { diagnose, type Diagnosing, type Fault } from './diagnosis';
import { PRIOR, type Observed } from './evidence';

const keyed = (faults: readonly Fault[]) =>
  faults
    .map((fault) => JSON.stringify(fault))
    .sort()
    .join();
/** A board with all keys working but those named. */
const seenOn = (
  board: ReturnType<typeof grid>,
  dead: readonly string[],
  rest: Partial<Diagnosing> = {},
): Diagnosing => ({
  ...board,
  observations: Object.fromEntries(
    board.keys.map(({ id }): [string, Observed] => [id, dead.includes(id) ? 'dead' : 'works']),
  ),
  readings: [],
  ...rest,
});

it('every hypothesis and every marginal is that of counting out all states', () => {
  fc.assert(
    fc.property(smallBoard, (board) => {
      const all = countedOut(board);
      const found = diagnose(board);
      const byFaults = new Map(all.map(({ faults, probability }) => [keyed(faults), probability]));
      for (const { faults, probability } of found.hypotheses)
        expect(Math.abs(probability - byFaults.get(keyed(faults))!)).toBeLessThan(0.003);
      for (const { faults, probability } of all.slice(0, 12))
        if (probability > 0.01) expect(found.hypotheses.some((one) => keyed(one.faults) === keyed(faults))).toBe(true);
      const chance = (holds: (faults: readonly Fault[]) => boolean) =>
        all.reduce((sum, { faults, probability }) => sum + (holds(faults) ? probability : 0), 0);
      for (const { line, whole, segments } of found.marginals.lines) {
        expect(Math.abs(whole - chance((f) => !f.some((x) => x.kind === 'open' && x.line === line)))).toBeLessThan(
          0.003,
        );
        for (const { between, probability } of segments)
          expect(
            Math.abs(
              probability -
                chance((f) => f.some((x) => x.kind === 'open' && x.line === line && x.between[1] === between[1])),
            ),
          ).toBeLessThan(0.003);
      }
      for (const { key, contact, stuck } of found.marginals.keys) {
        expect(Math.abs(contact - chance((f) => f.some((x) => x.kind === 'contact' && x.key === key)))).toBeLessThan(
          0.003,
        );
        expect(Math.abs(stuck - chance((f) => f.some((x) => x.kind === 'stuck' && x.key === key)))).toBeLessThan(0.003);
      }
    }),
    { numRuns: 25 },
  );
});

it('probabilities sum to one, whatever was seen', () => {
  fc.assert(
    fc.property(smallBoard, (board) => {
      const { marginals, hypotheses } = diagnose(board);
      for (const { whole, segments } of marginals.lines)
        expect(segments.reduce((sum, { probability }) => sum + probability, whole)).toBeCloseTo(1, 6);
      expect(hypotheses.reduce((sum, { probability }) => sum + probability, 0)).toBeLessThan(1 + 1e-6);
      expect(hypotheses.map(({ probability }) => probability)).toEqual(
        [...hypotheses.map(({ probability }) => probability)].sort((a, b) => b - a),
      );
    }),
  );
});

it('a probe never leaves more to know, on average', () => {
  fc.assert(
    fc.property(smallBoard, (board) => {
      const { nextProbe } = diagnose(board);
      if (!nextProbe) return;
      const { line, from, to, open, informationBits } = nextProbe;
      const after = (ohms: number | null) =>
        entropyOf(countedOut({ ...board, readings: [...board.readings, { line, from, to, ohms }] }));
      const left = open * after(null) + (1 - open) * after(100);
      // What was not looked at may move a chance by a thousandth, and its bits by seven.
      expect(Math.abs(entropyOf(countedOut(board)) - left - informationBits)).toBeLessThan(0.02);
    }),
    { numRuns: 12 },
  );
});

it('other names, another order of keys and lines, and rows for columns change nothing', () => {
  fc.assert(
    fc.property(smallBoard, fc.boolean(), (board, turned) => {
      const renamed = (id: string) => (id === CONNECTOR ? id : `x-${id}`);
      const other: Diagnosing = {
        keys: board.keys
          .map((key) => ({
            id: renamed(key.id),
            row: turned ? key.column : key.row,
            column: turned ? key.row : key.column,
          }))
          .reverse(),
        lines: board.lines
          .map((line): Line => ({
            id: line.id,
            kind: turned ? (line.kind === 'row' ? 'column' : 'row') : line.kind,
            route: line.route.map(renamed),
            foldAfter: line.foldAfter.map(renamed),
          }))
          .reverse(),
        observations: Object.fromEntries(Object.entries(board.observations).map(([id, seen]) => [renamed(id), seen])),
        readings: board.readings.map((reading) => ({
          ...reading,
          from: renamed(reading.to),
          to: renamed(reading.from),
        })),
      };
      const [a, b] = [diagnose(board), diagnose(other)];
      for (const { line, whole } of a.marginals.lines)
        expect(Math.abs(whole - b.marginals.lines.find((one) => one.line === line)!.whole)).toBeLessThan(0.003);
      expect(Math.abs(a.hypotheses[0]!.probability - b.hypotheses[0]!.probability)).toBeLessThan(0.003);
      // Of several that tell nearly as much another may be taken.
      if (a.nextProbe && a.nextProbe.informationBits > 0.3)
        expect(Math.abs(b.nextProbe!.informationBits / a.nextProbe.informationBits - 1)).toBeLessThan(0.06);
    }),
    { numRuns: 60 },
  );
});

it('the keys at the end of a row say where it is open, and a route from the other side says the mirrored place', () => {
  const board = grid(3, 8);
  const dead = ['k1.5', 'k1.6', 'k1.7'];
  const straight = diagnose(seenOn(board, dead));
  expect(straight.hypotheses[0]).toMatchObject({ faults: [{ kind: 'open', line: 'R1', between: ['k1.4', 'k1.5'] }] });
  expect(straight.hypotheses[0]!.probability).toBeGreaterThan(0.9);
  const back = { ...board, lines: board.lines.map((line) => ({ ...line, route: [...line.route].reverse() })) };
  const mirrored = diagnose(seenOn(back, ['k1.0', 'k1.1', 'k1.2']));
  expect(mirrored.hypotheses[0]).toMatchObject({ faults: [{ kind: 'open', line: 'R1', between: ['k1.3', 'k1.2'] }] });
  expect(mirrored.hypotheses[0]!.probability).toBeCloseTo(straight.hypotheses[0]!.probability, 6);
});

it('one dead key is its own contact, a key that holds is stuck, and dead keys without a line are several contacts', () => {
  const board = grid(4, 6);
  expect(diagnose(seenOn(board, ['k2.3'])).hypotheses[0]!.faults).toEqual([{ kind: 'contact', key: 'k2.3' }]);
  const scattered = diagnose(seenOn(board, ['k0.1', 'k2.4', 'k3.0'])).hypotheses[0]!;
  expect(scattered.faults.map(({ kind }) => kind)).toEqual(['contact', 'contact', 'contact']);
  const holding = seenOn(board, []);
  const stuck = diagnose({ ...holding, observations: { ...holding.observations, 'k1.1': 'stuck' } }).hypotheses[0]!;
  expect(stuck.faults).toEqual([{ kind: 'stuck', key: 'k1.1' }]);
  expect(diagnose(seenOn(board, [])).hypotheses[0]!.faults).toEqual([]);
});

it('a fold, a reading and the prior each decide between two that are otherwise alike', () => {
  // The last key alone is dead: its contact, or the last stretch of either line.
  const board = grid(2, 4);
  const dead = ['k0.3'];
  const odds = (given: Diagnosing, kind: Fault['kind']) =>
    diagnose(given)
      .hypotheses.filter(({ faults }) => faults.length === 1 && faults[0]!.kind === kind)
      .reduce((sum, { probability }) => sum + probability, 0);
  const plain = seenOn(board, dead);
  expect(odds(plain, 'contact')).toBeGreaterThan(odds(plain, 'open'));
  const folded = {
    ...plain,
    lines: board.lines.map((line) => (line.id === 'R0' ? { ...line, foldAfter: ['k0.2'] } : line)),
  };
  expect(odds(folded, 'open')).toBeGreaterThan(odds(folded, 'contact'));
  // Ten times as likely, no more: the ratio of the two decides.
  const ratio = odds(folded, 'open') / odds(folded, 'contact');
  expect(ratio).toBeGreaterThan(3);
  expect(ratio).toBeLessThan(6);
  const low = { ...folded, readings: [{ line: 'R0', from: 'k0.2', to: 'k0.3', ohms: 1999 }] };
  expect(odds(low, 'contact')).toBeGreaterThan(odds(low, 'open'));
  const tells = { ...folded, readings: [{ line: 'R0', from: 'k0.2', to: 'k0.3', ohms: 2001 }] };
  expect(odds(tells, 'open')).toBeCloseTo(odds(folded, 'open'), 9);
  const open = { ...plain, readings: [{ line: 'R0', from: 'k0.2', to: 'k0.3', ohms: 20_001 }] };
  expect(odds(open, 'open')).toBeGreaterThan(0.9);
});

it('readings that cannot both be right are named, and the rest goes on', () => {
  const board = seenOn(grid(1, 6), ['k0.4', 'k0.5']);
  const found = diagnose({
    ...board,
    readings: [
      { line: 'R0', from: CONNECTOR, to: 'k0.5', ohms: 90 },
      { line: 'R0', from: 'k0.3', to: 'k0.4', ohms: null },
    ],
  });
  expect(found.contradictions).toEqual([[0, 1]]);
  expect(found.hypotheses.length).toBeGreaterThan(0);
  expect(diagnose(board).contradictions).toEqual([]);
});

it('the next probe halves what is left of a dead row, and three readings find its break', () => {
  let board = seenOn(grid(1, 8), ['k0.0', 'k0.1', 'k0.2', 'k0.3', 'k0.4', 'k0.5', 'k0.6', 'k0.7']);
  board = {
    ...board,
    observations: { ...board.observations, 'k0.0': 'unknown', 'k0.1': 'unknown', 'k0.2': 'unknown' },
  };
  let probes = 0;
  // Broken before its third key.
  const sure = () => diagnose(board).marginals.lines[0]!.segments.some(({ probability }) => probability > 0.95);
  while (!sure() && probes < 8) {
    const probe = diagnose(board).nextProbe!;
    const place = (id: string) => (id === CONNECTOR ? 0 : 1 + Number(id.split('.')[1]));
    const broken = probe.line === 'R0' && place(probe.from) < 3 && place(probe.to) >= 3;
    board = { ...board, readings: [...board.readings, { ...probe, ohms: broken ? null : 90 }] };
    probes++;
  }
  expect(diagnose(board).hypotheses[0]!.faults).toEqual([{ kind: 'open', line: 'R0', between: ['k0.1', 'k0.2'] }]);
  expect(probes).toBeLessThanOrEqual(4);
});

it('says what it would be to act now and be wrong', () => {
  const { costliestMistake: mistake } = diagnose(seenOn(grid(3, 5), ['k0.3', 'k0.4']));
  expect(mistake).toMatchObject({ fault: { kind: 'open', line: 'R0', between: ['k0.2', 'k0.3'] } });
  expect(mistake!.probability).toBeGreaterThan(0.03);
  expect(mistake!.instead.map(({ kind }) => kind)).not.toContain('bridge');
  expect(diagnose(seenOn(grid(2, 5), [])).costliestMistake).toBeNull();
});

describe('a plug and bridges, only where they are given', () => {
  const board = grid(3, 4);

  it('several lines dead from their first stretch are a plug that sits badly', () => {
    const dead = board.keys.filter(({ row }) => row !== 'R2').map(({ id }) => id);
    const given = { ...seenOn(board, dead), plug: { lines: ['R0', 'R1', 'R2'] } };
    const found = diagnose(given);
    expect(found.plug).toBeGreaterThan(0.9);
    expect(found.hypotheses[0]!.faults).toEqual([{ kind: 'plug', lines: ['R0', 'R1'] }]);
    expect(diagnose(seenOn(board, dead)).plug).toBeNull();
    // One line alone is more often open somewhere than badly plugged; a plug is thought of all the same.
    const one = diagnose({ ...given, ...seenOn(board, ['k0.3']), plug: given.plug });
    expect(one.plug).toBeLessThan(0.05);
  });

  it('keys that answer as two are a bridge; without one the plain model stays as it is', () => {
    const works = seenOn(board, []);
    const bridges = [{ lines: ['C1', 'C2'] as [string, string], answered: { 'k0.1': ['k0.2'], 'k1.1': ['k1.2'] } }];
    const found = diagnose({ ...works, bridges });
    expect(found.bridges[0]!.probability).toBeGreaterThan(0.9);
    expect(found.hypotheses[0]!.faults).toEqual([{ kind: 'bridge', lines: ['C1', 'C2'] }]);
    const once = diagnose({ ...works, bridges: [{ ...bridges[0]!, answered: { 'k0.1': ['k0.2'], 'k1.1': [] } }] });
    expect(once.bridges[0]!.probability).toBeLessThan(0.01);
    expect(diagnose(works).bridges).toEqual([]);
    expect(diagnose(works).marginals).toEqual(diagnose({ ...works, bridges }).marginals);
  });
});

it('what does not fit together is refused, with its place', () => {
  const board = grid(2, 2);
  const bad = (change: Partial<Diagnosing>) => () => diagnose({ ...seenOn(board, []), ...change });
  const lines = (change: (line: Line) => Line) => ({ lines: board.lines.map(change) });
  expect(bad({ keys: [] })).toThrow('at least one key');
  expect(bad({ keys: [...board.keys, board.keys[0]!] })).toThrow('there twice');
  expect(bad(lines((line) => ({ ...line, route: [...line.route, 'nobody'] })))).toThrow('no such key');
  expect(bad(lines((line) => (line.id === 'R0' ? { ...line, route: [...line.route, 'k1.0'] } : line)))).toThrow(
    'one row only',
  );
  expect(bad(lines((line) => ({ ...line, route: line.route.slice(1) })))).toThrow('does not meet it');
  expect(bad({ lines: board.lines.slice(1) })).toThrow('no such line');
  expect(bad(lines((line) => ({ ...line, foldAfter: ['k9'] })))).toThrow('not on it');
  expect(bad({ observations: { nobody: 'dead' } })).toThrow('no such key on the board');
  expect(bad({ readings: [{ line: 'R9', from: CONNECTOR, to: 'k0.0', ohms: 1 }] })).toThrow('no line “R9”');
  expect(bad({ readings: [{ line: 'R0', from: CONNECTOR, to: 'k1.0', ohms: 1 }] })).toThrow('not on line “R0”');
  expect(bad({ readings: [{ line: 'R0', from: 'k0.0', to: 'k0.0', ohms: 1 }] })).toThrow('to itself');
  expect(bad({ plug: { lines: ['R9'] } })).toThrow('no such line');
  expect(bad({ bridges: [{ lines: ['R0', 'C0'], answered: {} }] })).toThrow('both rows or both columns');
  expect(bad({ bridges: [{ lines: ['R0', 'R9'], answered: {} }] })).toThrow('is no line');
});

it('a board of one key, and one of three hundred with nothing known, come to an end', () => {
  const one = diagnose({ ...seenOn(grid(1, 1), ['k0.0']) });
  expect(one.hypotheses[0]!.faults).toHaveLength(1);
  const many = grid(15, 20);
  const { marginals, leftOut } = diagnose({ ...many, observations: {}, readings: [] });
  expect(leftOut).toBeLessThan(0.05);
  expect(marginals.keys[0]!.contact).toBeCloseTo(PRIOR.contact, 3);
});

it('a board on which half of the keys are dead at random has an answer, and says how much was not looked at', () => {
  const board = grid(10, 10);
  const dead = board.keys.filter((_, i) => (i * 7919) % 13 < 6).map(({ id }) => id);
  const { hypotheses, marginals, leftOut } = diagnose(seenOn(board, dead));
  for (const { whole, segments } of marginals.lines)
    expect(segments.reduce((sum, { probability }) => sum + probability, whole)).toBeCloseTo(1, 6);
  for (const { key, contact } of marginals.keys) expect(contact >= 0 && contact <= 1 && key !== '').toBe(true);
  expect(hypotheses.every(({ probability }) => Number.isFinite(probability))).toBe(true);
  expect(leftOut).toBeGreaterThan(0.001);
});
