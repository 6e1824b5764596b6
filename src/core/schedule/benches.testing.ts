import type { BenchProblem, BenchTask } from './bench';
import { HANDS } from './bench';
import type { BenchFacts, JobFacts, MachineFacts, PieceFacts } from './facts/facts';
import type { Interval } from './problem';
import { generator } from './search';
import type { Stage } from '../runsheet/stages';

const DAY = 1440;
const DAYS = 120;

type Luck = () => number;
const between = (random: Luck, low: number, high: number) => low + Math.floor((high - low + 1) * random());
const normal = (random: Luck): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A workshop that was made up, as the bench would know it: one or two people, sun on most days, machines at all stages. */
export function someBench(seed: number, machines?: number): BenchFacts {
  const random = generator(seed);
  const whole = (low: number, high: number) => between(random, low, high);
  const people = Array.from({ length: whole(1, 2) }, (_, i) => ({
    id: `p${i}`,
    available: Array.from({ length: DAYS }, (_, day): Interval => {
      const from = day * DAY + 60 * whole(8, 15);
      return [from, from + 60 * whole(3, 7)];
    }).filter(() => random() < 0.85),
  }));
  // Light counts where somebody is there to lay out and to wash off.
  const sun = people[0]!.available
    .map(([from, to], day) => {
      const [a, b] = [
        Math.max(from + 40, (Math.floor(from / DAY) + 9 / 24) * DAY),
        Math.min(to - 20, (Math.floor(from / DAY) + 17 / 24) * DAY),
      ];
      return {
        from: Math.round(a),
        to: Math.round(b),
        dose: ((b - a) / 60) * (2 + 5 * random()),
        own: day < 3 && random() < 0.5,
      };
    })
    .filter(({ from, to }) => to - from >= 60 && random() < 0.85);
  const job = (id: string, pieceId: string | null): JobFacts => ({
    ...{ id, name: id, pieceId, handsMin: whole(5, 60), waitMin: random() < 0.5 ? whole(1, 24) * 60 : 0 },
    ...{ acid: random() < 0.1, notBefore: 0, orderId: null, takes: [] },
  });
  const machine = (m: number): MachineFacts => {
    const pieces = Array.from({ length: whole(1, 4) }, (_, i): PieceFacts => {
      const brightens = random() < 0.6;
      return {
        ...{
          id: `m${m}p${i}`,
          tag: `K${i}`,
          name: 'piece',
          plastic: true,
          brushMin: random() < 0.5 ? whole(5, 30) : null,
        },
        ...{ busyUntil: random() < 0.2 ? whole(60, DAY) : 0, exposedUntil: null, sessionsDone: 0 },
        ...{ unmeasured: !brightens && random() < 0.3, measureAgain: false },
        yellow: brightens
          ? {
              driver: random() < 0.7 ? ('sun' as const) : ('lamp' as const),
              toGo: { low: 5, median: 8 + 25 * random(), high: 60 },
              ...{ transmission: 0.9, setUpMin: 40, perHour: 4, longestMin: 480, planned: null, takes: null },
            }
          : null,
      };
    });
    const anyPiece = () => (random() < 0.8 ? pieces[whole(0, pieces.length - 1)]!.id : null);
    const orders = random() < 0.4 ? [{ id: `o${m}`, what: 'a part', due: whole(1, 12) * DAY, spread: 0.5 }] : [];
    const open: Stage[] = ['wash', 'brighten', 'keys', 'mend', 'finish', 'rebuild', 'record'];
    return {
      id: `m${m}`,
      open: random() < 0.4 ? ['intake', 'teardown', ...open] : open,
      ...{
        photographed: random() < 0.7,
        powerDecided: random() < 0.7,
        toTakeOut: whole(0, 20),
        toPutBack: whole(5, 25),
      },
      pieces,
      spots: Array.from({ length: whole(0, 4) }, (_, i) => job(`m${m}s${i}`, anyPiece())),
      boards: random() < 0.5 ? [{ id: `m${m}b`, name: 'keys', keys: whole(50, 90) }] : [],
      mends: Array.from({ length: whole(0, 3) }, (_, i) => ({
        ...job(`m${m}r${i}`, anyPiece()),
        ...{ acid: false, orderId: i === 0 ? (orders[0]?.id ?? null) : null },
      })),
      rusts: Array.from({ length: whole(0, 1) }, (_, i) => job(`m${m}x${i}`, null)),
      coats: Array.from({ length: random() < 0.4 ? 2 : 0 }, (_, i) => ({
        ...{ id: `m${m}c${i}`, name: 'coat', jobId: `m${m}j`, pieceId: null, minLag: 240, maxLag: null },
        ...{ underLaid: null, windows: null, takes: { stockId: null, word: 'paint', amount: 10 } },
      })),
      requests: random() < 0.3 ? [{ id: `q${m}`, what: 'may it', stage: 'mend', pieceId: null, asked: -600 }] : [],
      orders,
      looks: [],
      wish: random() < 0.5 ? { dueMin: whole(3, 20) * DAY, weight: 1 } : null,
    };
  };
  return {
    people,
    things: { sink: 1, tub: 2, sun: 2, lamp: 1, box: 1, rack: 12, clamp: 4, meter: 1 },
    sun,
    machines: Array.from({ length: machines ?? whole(1, 4) }, (_, m) => machine(m)),
    ...{ own: [], running: [], marks: {}, done: [], before: {} },
  };
}

/**
 * What came of a plan in a world that is worse than the one it was made for: everything there drags on together, now and then
 * something takes three times as long, passes fail twice, bad days come in rows, people fall ill for days, parcels get lost.
 */
export function worseWorld(problem: BenchProblem, seed: number): BenchProblem {
  const random = generator(seed);
  const pace = 0.06 + 0.38 * normal(random);
  let grey = random() < 0.3;
  const badDays = new Set<number>();
  for (let day = 0; day < DAYS; day++) {
    grey = random() < (grey ? 0.6 : 0.17);
    if (grey) badDays.add(day);
  }
  const resources = problem.resources.map((resource) => {
    if (!resource.id.startsWith(HANDS)) return resource;
    let ill = 0;
    return {
      ...resource,
      available: resource.available?.filter(() => {
        if (ill > 0) ill--;
        else if (random() < 0.035) ill = between(random, 1, 4);
        return ill === 0 && random() > 0.04;
      }),
    };
  });
  const again = new Map<string, string>();
  const tasks = problem.tasks.flatMap((task): BenchTask[] => {
    const drags = task.spread === 0 ? 0 : task.spread < 0.3 ? 0.2 : pace;
    const outlier = task.spread > 0 && random() < 0.05 ? Math.log(3) : 0;
    const spread = task.spread === 0 ? 0 : 1.1 * task.spread;
    const windows = task.liked ? task.windows?.filter(([from]) => !badDays.has(Math.floor(from / DAY))) : task.windows;
    const longest = windows ? windows.reduce((most, [a, b]) => Math.max(most, b - a), task.duration) : Infinity;
    const cap = (task.anyOf?.length ?? 0) > 0 ? Math.max(task.duration, 170) : Infinity;
    const duration = Math.max(
      Math.min(1, task.duration),
      Math.min(Math.round(task.duration * Math.exp(drags + outlier + spread * normal(random))), longest, cap),
    );
    const own: BenchTask = { ...task, duration, at: undefined, ...(windows && { windows }) };
    const copies = random() < task.again ? (random() < 0.25 ? 2 : 1) : 0;
    const all = [own];
    for (let i = 1; i <= copies; i++)
      all.push({
        ...own,
        id: `${task.id}\u0000again`.repeat(1) + (i > 1 ? '2' : ''),
        after: [{ task: all.at(-1)!.id, minLag: 0 }],
      });
    if (copies > 0) again.set(task.id, all.at(-1)!.id);
    return all;
  });
  return {
    ...problem,
    resources,
    tasks: tasks.map((task) => ({
      ...task,
      after: task.after.map((lag) =>
        again.has(lag.task) && !task.id.includes('\u0000again') ? { ...lag, task: again.get(lag.task)! } : lag,
      ),
    })),
  };
}
