import { wholeUnits } from '@/core/ledger/money';
import type { WorthEstimate } from '@/core/ledger/worth';
import type { Piece, Restoration } from '@/data/rows';

/** What the forms of the run sheet are drawn with; a form sends it along, so that nothing is wiped by a stale page. */

const text = (value: number | null) => (value === null ? '' : String(value));

export const pieceDrawn = (piece: Piece) => ({
  tag: piece.tag,
  name: piece.name,
  plastic: piece.plastic,
  finish: piece.finish,
  lengthMm: text(piece.lengthMm),
  widthMm: text(piece.widthMm),
  heightMm: text(piece.heightMm),
  parts: String(piece.parts),
  label: piece.labels ? 'yes' : 'no',
  labels: piece.labels,
  metal: piece.metalUntilApart ? 'until it is apart' : piece.metalInside ? 'yes' : 'no',
  metalInside: piece.metalInside,
  aim: piece.aim ?? '',
  worthKeeping: piece.worthKeeping,
});

export const aimDrawn = ({ aim, worthKeeping }: Restoration) => ({ aim, worthKeeping });

export const ownerDrawn = ({ owner, allowed }: Restoration, currency: string) => ({
  owner,
  spend: allowed.spendMinor === 0 ? '' : String(wholeUnits(allowed.spendMinor, currency)),
  words: allowed.words,
});

/** The three guesses of an estimate, and the three ends of each. */
const GUESSES = ['parts', 'hours', 'goodOne'] as const;
export const ENDS = [
  { end: 'Low', of: 'low', words: 'at least' },
  { end: 'Likely', of: 'likely', words: 'most likely' },
  { end: 'High', of: 'high', words: 'at most' },
] as const;

export const worthDrawn = (estimate: WorthEstimate | null): Record<string, string> =>
  Object.fromEntries(
    GUESSES.flatMap((name) => ENDS.map(({ end, of }) => [`${name}${end}`, estimate ? String(estimate[name][of]) : ''])),
  );
