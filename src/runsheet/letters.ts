import { letterText, requestLetter, type Letter } from '@/core/intake/letter';
import { formatMoney } from '@/core/ledger/money';
import { showTime } from '@/core/runsheet/time';
import type { OwnerRequest, Piece, Restoration, Workshop } from '@/data/rows';

/** A request as the letter that is sent. */
export function letterOf(
  request: OwnerRequest,
  restoration: Restoration,
  pieces: readonly Piece[],
  workshop: Workshop,
): Letter {
  const piece = pieces.find(({ id }) => id === request.pieceId);
  return requestLetter({
    owner: restoration.owner,
    machine: restoration.title,
    workshop: workshop.name,
    piece: piece ? `${piece.tag} ${piece.name}` : null,
    what: request.what,
    why: request.why,
    cost: request.costMinor > 0 ? formatMoney(request.costMinor, workshop.currency) : '',
    alternatives: request.alternatives,
    date: showTime(request.askedAt, workshop.timeZone, 'd MMM yyyy'),
  });
}

export const letterTextOf = (...of: Parameters<typeof letterOf>): string => letterText(letterOf(...of));
