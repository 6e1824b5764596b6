/** What a measurement warns of. Regions go by their id, shares are 0 to 1. */
export type Warning =
  | { kind: 'burnt out'; region: string; share: number }
  | { kind: 'several colours'; region: string; usedShare: number }
  | { kind: 'too dark'; region: string }
  | { kind: 'light changes'; region: string; share: number }
  | { kind: 'several parts'; region: string; spreadB: number }
  | { kind: 'card disagrees'; residualDeltaE00: number }
  | { kind: 'no card' | 'paper only' | 'no hidden patch' | 'blurred' }
  /** As it was said by an earlier version, which kept the sentence alone. */
  | { kind: 'said'; words: string };

const CHANGES = /^The light changes by about (\d+) % across “(.*)”\./;

/** A warning that an earlier version kept as a sentence. */
export function warningSaid(words: string): Warning {
  const changes = CHANGES.exec(words);
  return changes
    ? { kind: 'light changes', region: changes[2]!, share: Number(changes[1]) / 100 }
    : { kind: 'said', words };
}

/** Whether the light is said to fall unevenly: what looks like a fault may then be the lamp's. */
export const lightChanges = (warnings: readonly Warning[]): boolean =>
  warnings.some(({ kind }) => kind === 'light changes');
