const HOUR_MS = 3_600_000;

/** An hour of sky, and whether somebody looked at it or gave it in a file; what nobody gave is invented. */
interface Hour {
  at: Date;
  own?: boolean;
}

/** How much of a stretch of sky is known. */
export type SkyKnown = 'known' | 'in part' | 'invented';

/** How much of the sky between two instants somebody looked at, or gave in a file. */
export function skyKnown(clouds: readonly Hour[], from: Date, to: Date): SkyKnown {
  const first = Math.floor(from.getTime() / HOUR_MS) * HOUR_MS;
  const owned = new Set(clouds.filter(({ own }) => own).map(({ at }) => at.getTime()));
  let [known, all] = [0, 0];
  for (let at = first; at < Math.max(to.getTime(), first + 1); at += HOUR_MS) {
    all++;
    if (owned.has(at)) known++;
  }
  return known === 0 ? 'invented' : known < all ? 'in part' : 'known';
}

/** What a sky is called where a figure is under it. */
export const SKY_HERE: Record<SkyKnown, string> = {
  known: 'the sky of today as you gave it',
  'in part': 'a sky that you gave in part, the rest invented',
  invented: 'an invented sky',
};

/** That a sky is not a real one, beside a date or a figure that rests on it; empty where it is. */
export const SKY_WORDS: Record<SkyKnown, string> = {
  known: '',
  'in part': 'Part of its sky is invented, until you look at it or give a file of hours.',
  invented: 'Its sky is invented, until you look at it or give a file of hours.',
};
