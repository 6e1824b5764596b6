import { segmentsBefore } from './board';
import { GRADES, isRight, meterShows, ownProbes, placesOf, practiceBoard, unknownBits } from './practice';

describe('a practice board', () => {
  it('is the same for the same seed, and another for another', () => {
    expect(practiceBoard('wide', 4)).toEqual(practiceBoard('wide', 4));
    expect(practiceBoard('wide', 4).hidden).not.toEqual(practiceBoard('wide', 5).hidden);
  });

  it.each(GRADES)('of the %s grade has its faults, and dead keys that tell of them', (grade) => {
    for (let seed = 1; seed <= 12; seed++) {
      const { board, hidden, seen } = practiceBoard(grade, seed);
      expect(hidden).toHaveLength(grade === 'mean' ? 2 : 1);
      for (const { line, segment } of hidden) {
        const route = board.lines.find(({ id }) => id === line)!.route;
        expect(segment).toBeGreaterThan(0);
        expect(segment).toBeLessThan(route.length);
      }
      if (grade === 'plain') expect(Object.values(seen)).toContain('dead');
    }
  });
});

describe('the simulated meter', () => {
  it('shows a stretch open that holds the break, and low one that does not', () => {
    const practice = practiceBoard('plain', 3);
    const [{ line, segment }] = practice.hidden as [(typeof practice.hidden)[number]];
    const places = placesOf(practice.board.lines.find(({ id }) => id === line)!);
    expect(meterShows(practice, { line, from: 'connector', to: places[places.length - 1]! }, 0)).toBeNull();
    expect(meterShows(practice, { line, from: places[segment]!, to: places[segment - 1]! }, 1)).toBeNull();
    const whole = meterShows(practice, { line, from: places[segment]!, to: places[places.length - 1]! }, 2);
    expect(whole).toBeGreaterThan(0);
    expect(whole).toBeLessThan(2000);
  });

  it('reads otherwise when it is laid on again, and misleads on mean boards alone', () => {
    const wrong = (grade: 'wide' | 'mean') =>
      Array.from({ length: 400 }, (_, nth) => {
        const practice = practiceBoard(grade, 9);
        const [{ line }] = practice.hidden as [(typeof practice.hidden)[number]];
        const places = placesOf(practice.board.lines.find(({ id }) => id === line)!);
        return meterShows(practice, { line, from: 'connector', to: places[places.length - 1]! }, nth);
      }).filter((ohms) => ohms !== null).length;
    expect(wrong('wide')).toBe(0);
    expect(wrong('mean')).toBeGreaterThan(0);
    expect(wrong('mean')).toBeLessThan(30);
    const practice = practiceBoard('wide', 2);
    const line = practice.board.lines.find(({ id }) => !practice.hidden.some((one) => one.line === id))!;
    const ask = { line: line.id, from: 'connector', to: line.route[0]! };
    expect(meterShows(practice, ask, 0)).not.toBe(meterShows(practice, ask, 1));
  });
});

describe('our own probes', () => {
  it('find every break of the plain and wide boards in a few', () => {
    for (const grade of ['plain', 'wide'] as const)
      for (let seed = 1; seed <= 10; seed++) expect(ownProbes(practiceBoard(grade, seed))).toBeLessThanOrEqual(8);
  });

  it('tell something: less is unknown after the stretch of the break was measured', () => {
    const practice = practiceBoard('wide', 6);
    const [{ line, segment }] = practice.hidden as [(typeof practice.hidden)[number]];
    const places = placesOf(practice.board.lines.find(({ id }) => id === line)!);
    const reading = { line, from: places[segment - 1]!, to: places[segment]!, ohms: null };
    expect(unknownBits(practice, [reading, reading])).toBeLessThan(unknownBits(practice, []));
  });

  it('are right only with all breaks and no others', () => {
    const practice = practiceBoard('mean', 2);
    const [first] = practice.hidden;
    expect(isRight(practice, practice.hidden)).toBe(true);
    expect(isRight(practice, [first!])).toBe(false);
    expect(isRight(practice, [...practice.hidden, { line: 'R1', segment: 99 }])).toBe(false);
    expect(segmentsBefore(practice.board.lines[0]!, 'connector')).toBe(0);
  });
});
