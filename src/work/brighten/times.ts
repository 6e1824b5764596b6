import { named } from '../names';
import { Refusal } from '@/core/refusal';
import type { Piece } from '@/data/rows';
import { sessionsOfPiece } from '@/data/treatments';

export const MINUTE_MS = 60_000;

/** A clock on screen shows whole minutes, and two devices are never quite together. */
export const CLOCKS_APART_MS = 5 * MINUTE_MS;

/** @throws Refusal where a piece already was in an exposure at that time */
export async function needsNoOther(
  piece: Piece,
  from: string,
  to: string | null,
  but: string | null = null,
): Promise<void> {
  for (const other of await sessionsOfPiece(piece.id)) {
    if (other.id === but) continue;
    if (other.endedAt === null && to === null)
      throw new Refusal('pieceId', `${named(piece)} is already in an exposure. End that one first.`);
    const meets = other.startedAt < (to ?? '~') && from < (other.endedAt ?? '~');
    if (meets)
      throw new Refusal(
        'windowStart',
        `${named(piece)} was in another exposure at that time. Look at the sessions so far, and give the time that is right.`,
      );
  }
}

/** A time given by a device whose clock goes ahead is this minute: what is measured after it would else come before it. */
export const notAhead = (given: string, now: Date): string =>
  Date.parse(given) <= now.getTime()
    ? given
    : new Date(Math.floor(now.getTime() / MINUTE_MS) * MINUTE_MS).toISOString();

/**
 * The end as it is kept.
 *
 * @throws Refusal for one that has not come yet, or that leaves nothing between
 */
export function endOf(startedAt: string, given: string, now: Date): string {
  // A clock that stands before the beginning was set back since: what it says of today rules nothing out.
  const isSetBack = now.getTime() < Date.parse(startedAt);
  if (!isSetBack && Date.parse(given) > now.getTime() + CLOCKS_APART_MS)
    throw new Refusal('endedAt', 'This time has not come yet. Give when it really ended.');
  const endedAt = isSetBack ? given : notAhead(given, now);
  if (isSetBack && Date.parse(given) <= Date.parse(startedAt))
    throw new Refusal(
      'endedAt',
      'The clock of this machine was set back since it began. Give the end by the clock that it began with, or put its beginning right.',
    );
  const elapsedMs = Date.parse(endedAt) - Date.parse(startedAt);
  if (elapsedMs <= -MINUTE_MS)
    throw new Refusal('endedAt', 'It would have ended before it began. Give a time after the start.');
  if (elapsedMs < MINUTE_MS)
    throw new Refusal(
      'endedAt',
      'It would have lasted no minute, and that brings nothing. Give when it really ended, or take the session back.',
    );
  return endedAt;
}
