import type { PadMoment } from '@/core/keyboard/pad';
import { seededRandom } from './camera/random';

/** What is wrong with a simulated game pad. */
export interface PadFaults {
  dead: readonly number[];
  /** Buttons that stay pressed. */
  stuck: readonly number[];
  /** A direction that never comes back to the middle: its axis, and where it rests. */
  drifts: Readonly<Record<number, number>>;
}

/** Axes of a real pad never rest at nothing. */
const TREMBLE = 0.06;

/** A game pad that is not there: asked, it shows what a browser would show of one. */
export class GamePadStandIn {
  private readonly random: () => number;

  constructor(
    private readonly buttons: number,
    private readonly axes: number,
    private readonly faults: PadFaults,
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }

  /** What it shows while so many buttons are pressed and axes pushed. */
  shows(down: readonly number[], pushed: Readonly<Record<number, number>> = {}): PadMoment {
    const { dead, stuck, drifts } = this.faults;
    return {
      buttons: Array.from(
        { length: this.buttons },
        (_, i) => stuck.includes(i) || (down.includes(i) && !dead.includes(i)),
      ),
      axes: Array.from({ length: this.axes }, (_, i) => {
        const value = (pushed[i] ?? drifts[i] ?? 0) + TREMBLE * (2 * this.random() - 1);
        return Math.max(-1, Math.min(1, value));
      }),
    };
  }
}
