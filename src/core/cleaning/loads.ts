import type { PieceSize, TubSize } from '../size';
import { amountWords, fromShown, type UnitSystem } from '../units';
import type { Agent } from '../materials/agents';

/** A sink or tub. */
export interface Tub extends TubSize {
  name: string;
}

/** A piece that is to be bathed. */
export interface Bather extends PieceSize {
  id: string;
}

interface Load {
  pieces: string[];
  /** Litres of water that cover them. */
  waterL: number;
  /** What is mixed in, with its unit. */
  amount: number;
  unit: 'mL' | 'g';
}

export interface Loads {
  loads: Load[];
  /** Pieces that no load takes, and why. */
  tooBig: { id: string; why: string }[];
}

/** Water above the highest piece, and room round each, mm. */
const ABOVE_MM = 30;
const ROUND_MM = 20;
/** A tub is not filled to its rim. */
const FREEBOARD_MM = 30;
/** Share of its box that a shell really fills. */
const SOLID_SHARE = 0.25;

interface Lying {
  id: string;
  a: number;
  b: number;
  high: number;
  volumeMm3: number;
}

/** How a piece lies so that it fits: on its largest face that goes in, as flat as can be; `null` where none does. */
function lie({ id, lengthMm, widthMm, heightMm }: Bather, tub: Tub): Lying | null {
  const [small, middle, large] = [lengthMm, widthMm, heightMm].sort((x, y) => x - y) as [number, number, number];
  const [short, long] = [tub.lengthMm, tub.widthMm].sort((x, y) => x - y) as [number, number];
  const ways: [number, number, number][] = [
    [large, middle, small],
    [large, small, middle],
    [middle, small, large],
  ];
  for (const [a, b, high] of ways)
    if (a + ROUND_MM <= long && b + ROUND_MM <= short && high + ABOVE_MM + FREEBOARD_MM <= tub.depthMm)
      return { id, a: a + ROUND_MM, b: b + ROUND_MM, high, volumeMm3: lengthMm * widthMm * heightMm * SOLID_SHARE };
  return null;
}

/** Rows side by side in the tub, each as deep as its first piece: the next row begins where no more fits beside. */
interface Filling {
  lying: Lying[];
  rows: { used: number; deep: number }[];
}

function place(filling: Filling, piece: Lying, long: number, short: number): boolean {
  for (const row of filling.rows)
    if (row.used + piece.a <= long && piece.b <= row.deep) {
      row.used += piece.a;
      filling.lying.push(piece);
      return true;
    }
  const taken = filling.rows.reduce((sum, { deep }) => sum + deep, 0);
  if (taken + piece.b > short || piece.a > long) return false;
  filling.rows.push({ used: piece.a, deep: piece.b });
  filling.lying.push(piece);
  return true;
}

/**
 * Pieces that share a bath, load by load: the deepest first, in rows on the floor of the tub, none upon another.
 * What is mixed in follows from the water that covers the highest of them.
 */
export function loadsFor({ perLitre }: Pick<Agent, 'perLitre'>, pieces: readonly Bather[], tub: Tub): Loads {
  const [short, long] = [tub.lengthMm, tub.widthMm].sort((x, y) => x - y) as [number, number];
  const tooBig: Loads['tooBig'] = [];
  const lying: Lying[] = [];
  for (const piece of pieces) {
    const found = lie(piece, tub);
    if (found) lying.push(found);
    else
      tooBig.push({
        id: piece.id,
        why: `It does not fit under water in “${tub.name}” whichever way it lies. Wash it in a larger tub, one half at a time, or with a cloth.`,
      });
  }
  lying.sort((x, y) => y.b - x.b || y.a - x.a);
  const fillings: Filling[] = [];
  for (const piece of lying) {
    if (fillings.some((filling) => place(filling, piece, long, short))) continue;
    const filling: Filling = { lying: [], rows: [] };
    place(filling, piece, long, short);
    fillings.push(filling);
  }
  const loads = fillings.map((filling): Load => {
    const deep = Math.max(...filling.lying.map(({ high }) => high)) + ABOVE_MM;
    const displaced = filling.lying.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
    const waterL = Math.max(0, tub.lengthMm * tub.widthMm * deep - displaced) / 1e6;
    return {
      pieces: filling.lying.map(({ id }) => id),
      waterL,
      amount: waterL * (perLitre?.amount ?? 0),
      unit: perLitre?.unit ?? 'mL',
    };
  });
  return { loads, tooBig };
}

/** How a bath of an agent is mixed and how warm it is, in words; `null` for what is no bath. */
export function bathWords({ perLitre, bathC }: Pick<Agent, 'perLitre' | 'bathC'>, units: UnitSystem): string | null {
  if (!perLitre) return null;
  const { amount, unit } = perLitre;
  const mixed =
    units === 'us'
      ? `${amountWords(amount * fromShown(1, 'L', units), unit, 0, units)} in a US gallon`
      : `${amountWords(amount, unit, 0, units)} in a litre`;
  return bathC === null ? mixed : `${mixed}, ${amountWords(bathC, '°C', 0, units)}`;
}
