import { firstStart } from './bound';
import { NEVER, type Compiled, type Interval } from './problem';

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

/**
 * A plan: when each task begins, and which of its choices it takes; or the task that found no moment. Where what finds none
 * is left out, it and all that waits for it begin `NEVER`.
 */
export type Placed = { ok: true; starts: Int32Array; chosen: Int32Array } | { ok: false; task: number };

/** Places tasks one after the other, each as early as it fits: serial generation of a schedule. */
export class Serial {
  private readonly usage: Usage[];
  private readonly starts: Int32Array;
  private readonly release: Int32Array;
  private readonly placeOf: Int32Array;
  private readonly chosen: Int32Array;

  constructor(
    private readonly problem: Compiled,
    private readonly head: readonly number[],
  ) {
    this.usage = problem.capacities.map(() => new Usage());
    this.starts = new Int32Array(problem.ids.length);
    this.release = new Int32Array(problem.ids.length);
    this.placeOf = new Int32Array(problem.ids.length);
    this.chosen = new Int32Array(problem.ids.length);
  }

  /**
   * @param order each task after all that it waits for
   * @param leaving what finds no moment is left out, instead of all being given up
   */
  place(order: readonly number[], leaving = false): Placed {
    const { problem, starts, release, usage, placeOf, chosen } = this;
    const { durations, needs, before, choices, taken } = problem;
    release.set(this.head);
    for (const [resource, one] of usage.entries()) {
      one.clear();
      for (const [from, to, units] of taken[resource]!) one.add(Math.max(0, from), to, units);
    }
    const put = (task: number, sign: 1 | -1) => {
      const [from, to] = [starts[task]!, starts[task]! + durations[task]!];
      if (from >= NEVER) return;
      for (const { resource, units } of needs[task]!) usage[resource]!.add(from, to, sign * units);
      const choice = choices[task]![chosen[task]!];
      if (choice) usage[choice.resource]!.add(from, to, sign);
    };
    for (const [i, task] of order.entries()) placeOf[task] = i;
    for (let i = 0; i < order.length;) {
      const task = order[i]!;
      let from = release[task]!;
      for (const lag of before[task]!) {
        const least = starts[lag.task]! + durations[lag.task]! + lag.minLag;
        if (least > from) from = least;
      }
      const at = from >= NEVER ? NEVER : this.fit(task, from);
      if (at >= NEVER) {
        if (!leaving) return { ok: false, task };
        starts[task] = NEVER;
        i++;
        continue;
      }
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
    return { ok: true, starts, chosen };
  }

  /** The earliest moment of a task, with the choice that gives it. */
  private fit(task: number, from: number): number {
    const { choices, starts } = this.problem;
    const own = choices[task]!;
    if (own.length === 0) return this.fitWith(task, from, starts[task]!, null);
    let best = NEVER;
    for (const [i, choice] of own.entries()) {
      const at = this.fitWith(task, from, choice.starts, choice.resource);
      if (at < best) [best, this.chosen[task]] = [at, i];
    }
    return best;
  }

  private fitWith(task: number, from: number, starts: readonly Interval[], also: number | null): number {
    const { durations, capacities, needs, apartFrom } = this.problem;
    const [duration, own, apart] = [durations[task]!, needs[task]!, apartFrom[task]!];
    let at = firstStart(starts, from);
    while (at < NEVER) {
      const end = at + duration;
      let until = -1;
      for (const { resource, units } of own)
        until = Math.max(until, this.usage[resource]!.blockedUntil(at, end, capacities[resource]! - units));
      if (also !== null) until = Math.max(until, this.usage[also]!.blockedUntil(at, end, capacities[also]! - 1));
      for (const resource of apart) until = Math.max(until, this.usage[resource]!.blockedUntil(at, end, 0));
      if (until < 0) return at;
      at = until >= NEVER ? NEVER : firstStart(starts, until);
    }
    return NEVER;
  }
}
