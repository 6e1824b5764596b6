/** A game pad at one moment, as the browser’s own interface shows it. */
export interface PadMoment {
  /** Pressed or not, in the pad’s own order. */
  buttons: readonly boolean[];
  /** −1 to 1: sticks and crosses. */
  axes: readonly number[];
}

/** A stick or cross is pushed from here on, and let go below this: in between it trembles. */
const PUSHED = 0.6;
const LET_GO = 0.4;

/** What is pressed on a pad: its buttons by number, its directions by axis and side. */
function pressed({ buttons, axes }: PadMoment, held: ReadonlySet<string>): Set<string> {
  const now = new Set<string>();
  buttons.forEach((down, i) => {
    if (down) now.add(`Pad-${i}`);
  });
  axes.forEach((value, i) => {
    for (const [side, push] of [
      ['less', -value],
      ['more', value],
    ] as const) {
      const code = `Pad-axis-${i}-${side}`;
      if (push > (held.has(code) ? LET_GO : PUSHED)) now.add(code);
    }
  });
  return now;
}

/** What happened on a pad between two moments, by the codes of its buttons and directions; and what is pressed now. */
export function padEvents(
  held: ReadonlySet<string>,
  moment: PadMoment,
): { events: { code: string; type: 'down' | 'up' }[]; held: Set<string> } {
  const now = pressed(moment, held);
  return {
    events: [
      ...[...held].filter((code) => !now.has(code)).map((code) => ({ code, type: 'up' as const })),
      ...[...now].filter((code) => !held.has(code)).map((code) => ({ code, type: 'down' as const })),
    ],
    held: now,
  };
}
