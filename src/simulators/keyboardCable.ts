import type { KeyEvent } from '@/core/keyboard/live';
import type { MatrixKey } from '@/core/keyboard/board';
import { seededRandom } from './camera/random';

/** What is wrong with a simulated keyboard. */
export interface CableFaults {
  /** Keys that do not answer. */
  dead: readonly string[];
  /** Keys that stay on once they were pressed. */
  stuck: readonly string[];
  /** Keys whose contact bounces, mostly. */
  bouncing: readonly string[];
  /** Two lines that are joined: a key of the one answers with its neighbour of the other. */
  bridged: { kind: 'row' | 'column'; lines: readonly [string, string] } | null;
}

/** How long a finger holds a key, ms, and how much that differs. */
const HOLD_MS = [60, 140] as const;
const BOUNCES = 0.8;
/** A bounce comes within a few ms, and now and then a key misses a press though nothing is wrong with it. */
const BOUNCE_AFTER_MS = [3, 22] as const;
const MISSED = 0.005;

/** Code by which a simulated keyboard tells of a key. */
export const cableCode = (key: string): string => `Cable-${key}`;

/** A keyboard on a cable that is not there: pressed, it tells of a key as a real one would, with its faults. */
export class KeyboardCable {
  private readonly random: () => number;

  constructor(
    private readonly keys: readonly MatrixKey[],
    private readonly faults: CableFaults,
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }

  /** The events of one press of a key, begun at an instant, in their order. */
  press(id: string, atMs: number): KeyEvent[] {
    const { dead, stuck, bouncing, bridged } = this.faults;
    const between = ([low, high]: readonly [number, number]) => low + (high - low) * this.random();
    if (dead.includes(id) || this.random() < MISSED) return [];
    const key = this.keys.find((one) => one.id === id);
    const up = atMs + between(HOLD_MS);
    const answers = [id, ...(key && bridged ? this.neighbour(key, bridged) : [])];
    const events = answers.flatMap((code, i): KeyEvent[] => {
      const down: KeyEvent = { code: cableCode(code), type: 'down', atMs: atMs + 2 * i };
      if (stuck.includes(code)) return [down];
      const released: KeyEvent = { code: cableCode(code), type: 'up', atMs: up + i };
      if (!bouncing.includes(code) || this.random() > BOUNCES) return [down, released];
      const again = up + i + between(BOUNCE_AFTER_MS);
      return [
        down,
        released,
        { code: cableCode(code), type: 'down', atMs: again },
        { code: cableCode(code), type: 'up', atMs: again + between(BOUNCE_AFTER_MS) },
      ];
    });
    return events.sort((a, b) => a.atMs - b.atMs);
  }

  private neighbour(key: MatrixKey, { kind, lines }: NonNullable<CableFaults['bridged']>): string[] {
    if (!lines.includes(key[kind])) return [];
    const other = lines[0] === key[kind] ? lines[1] : lines[0];
    const cross = kind === 'row' ? 'column' : 'row';
    const twin = this.keys.find((one) => one[kind] === other && one[cross] === key[cross]);
    return twin && !this.faults.dead.includes(twin.id) ? [twin.id] : [];
  }
}
