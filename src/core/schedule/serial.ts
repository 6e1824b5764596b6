import { firstStart } from './bound';
import { NEVER, type Compiled } from './problem';

/** What is in use of a resource from each moment to the next. */
class Usage {
  readonly times: number[] = [0];
  readonly levels: number[] = [0];

  clear(): void {
    this.times.length = 1;
    this.levels.length = 1;
    this.levels[0] = 0;
  }

  /** The step that a moment lies in. */
  private stepAt(time: number): number {
    let [low, high] = [0, this.times.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.times[middle]! <= time) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** The moment from which on so much is free again, where it is not within a stretch; -1 where it is free all along. */
  blockedUntil(from: number, to: number, most: number): number {
    let until = -1;
    for (let i = this.stepAt(from); i < this.times.length && this.times[i]! < to; i++)
      if (this.levels[i]! > most) until = this.times[i + 1] ?? NEVER;
    return until;
  }

  private cut(time: number): number {
    const i = this.stepAt(time);
    if (this.times[i] === time) return i;
    this.times.splice(i + 1, 0, time);
    this.levels.splice(i + 1, 0, this.levels[i]!);
    return i + 1;
  }

  add(from: number, to: number, units: number): void {
    if (to <= from) return;
    const first = this.cut(from);
    const last = this.cut(to);
    for (let i = first; i < last; i++) this.levels[i]! += units;
    // Steps that step no more are taken out: what is laid and taken up again leaves none.
    for (const i of [last, first])
      if (i > 0 && this.levels[i] === this.levels[i - 1]) {
        this.times.splice(i, 1);
        this.levels.splice(i, 1);
      }
  }
}

/** A plan: when each task begins; or the task that found no moment. */
export type Placed = { ok: true; starts: Int32Array } | { ok: false; task: number };

/** Places tasks one after the other, each as early as it fits: serial generation of a schedule. */
export class Serial {
  private readonly usage: Usage[];
  private readonly starts: Int32Array;
  private readonly release: Int32Array;
  private readonly placeOf: Int32Array;

  constructor(
    private readonly problem: Compiled,
    private readonly head: readonly number[],
  ) {
    this.usage = problem.capacities.map(() => new Usage());
    this.starts = new Int32Array(problem.ids.length);
    this.release = new Int32Array(problem.ids.length);
    this.placeOf = new Int32Array(problem.ids.length);
  }

  /** @param order each task after all that it waits for */
  place(order: readonly number[]): Placed {
    const { problem, starts, release, usage, placeOf } = this;
    const { durations, needs, before } = problem;
    release.set(this.head);
    for (const one of usage) one.clear();
    const put = (task: number, sign: 1 | -1) => {
      for (const { resource, units } of needs[task]!)
        usage[resource]!.add(starts[task]!, starts[task]! + durations[task]!, sign * units);
    };
    for (const [i, task] of order.entries()) placeOf[task] = i;
    for (let i = 0; i < order.length;) {
      const task = order[i]!;
      let from = release[task]!;
      for (const lag of before[task]!) {
        const least = starts[lag.task]! + durations[lag.task]! + lag.minLag;
        if (least > from) from = least;
      }
      const at = this.fit(task, from);
      if (at >= NEVER) return { ok: false, task };
      // What it would let wait too long is begun later: all from there on is taken up and laid anew.
      let back = order.length;
      for (const lag of before[task]!) {
        const late = at - lag.maxLag - durations[lag.task]!;
        if (late <= starts[lag.task]!) continue;
        release[lag.task] = late;
        back = Math.min(back, placeOf[lag.task]!);
      }
      if (back < order.length) {
        for (let k = i - 1; k >= back; k--) put(order[k]!, -1);
        i = back;
        continue;
      }
      starts[task] = at;
      put(task, 1);
      i++;
    }
    return { ok: true, starts };
  }

  private fit(task: number, from: number): number {
    const { durations, capacities, needs, starts } = this.problem;
    const [duration, own] = [durations[task]!, needs[task]!];
    let at = firstStart(starts[task]!, from);
    while (at < NEVER) {
      let until = -1;
      for (const { resource, units } of own)
        until = Math.max(until, this.usage[resource]!.blockedUntil(at, at + duration, capacities[resource]! - units));
      if (until < 0) return at;
      at = until >= NEVER ? NEVER : firstStart(starts[task]!, until);
    }
    return NEVER;
  }
}
