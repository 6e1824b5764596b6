import type { BenchFacts, JobFacts, MachineFacts, PieceFacts, YellowFacts } from './facts';
import type { Stage } from '../../runsheet/stages';

export const YELLOW: YellowFacts = {
  ...{ driver: 'sun', toGo: { low: 5, median: 8, high: 20 }, transmission: 1, setUpMin: 40 },
  ...{ perHour: 0, longestMin: 480, planned: null, takes: null },
};

export const piece = (more: Partial<PieceFacts> = {}): PieceFacts => ({
  ...{ id: 'k1', tag: 'K1', name: 'shell', plastic: true, brushMin: null, busyUntil: 0, exposedUntil: null },
  ...{ sessionsDone: 0, unmeasured: false, measureAgain: false, yellow: null },
  ...more,
});

export const job = (more: Partial<JobFacts> = {}): JobFacts => ({
  ...{
    id: 'j',
    name: 'a job',
    pieceId: null,
    handsMin: 20,
    waitMin: 0,
    acid: false,
    notBefore: 0,
    orderId: null,
    takes: [],
  },
  ...more,
});

export const machine = (open: readonly Stage[], more: Partial<MachineFacts> = {}): MachineFacts => ({
  ...{ id: 'm', open, photographed: true, powerDecided: true, toTakeOut: 0, toPutBack: 0 },
  ...{ pieces: [piece()], spots: [], boards: [], mends: [], rusts: [], coats: [], requests: [], orders: [], looks: [] },
  wish: null,
  ...more,
});

/** A bench with one person who is there from 0 to 10 h of each of thirty days, and sun from 2 to 8 h. */
export const bench = (machines: readonly MachineFacts[], more: Partial<BenchFacts> = {}): BenchFacts => ({
  people: [{ id: 'a', available: Array.from({ length: 30 }, (_, day) => [1440 * day, 1440 * day + 600] as const) }],
  things: { sink: 1, tub: 1, sun: 2, lamp: 1, box: 1, rack: 9, clamp: 3, meter: 1 },
  sun: Array.from({ length: 30 }, (_, day) => ({ from: 1440 * day + 120, to: 1440 * day + 480, dose: 12, own: false })),
  machines,
  ...{ own: [], running: [], marks: {}, done: [], before: {} },
  ...more,
});
