import { liesIn } from '@/core/exposure/amounts';
import { isBath, SCHOOL } from '@/core/exposure/schools';
import { bathVolume, COVER_MM, plasticDensity, type BathVolume } from '@/core/peroxide/bathVolume';
import { peroxideStrength } from '@/core/peroxide/strength';
import { Refusal } from '@/core/refusal';
import { amountWords, shownAmount, type UnitSystem } from '@/core/units';
import { listTubs } from '@/data/cleaning';
import type { Piece } from '@/data/rows';
import type { PlanForm } from './schema';

/** A tub filled so that it covers a piece. */
export interface FilledTub extends BathVolume {
  name: string;
}

/**
 * The bath that covers a piece in the chosen tub; `null` where the way takes none, or the litres are given.
 *
 * @throws Refusal for a tub that is gone, too small or too low, and for a piece without a height
 */
export async function bathOf({ school, tubId, weightG, targetPercentWW }: PlanForm, piece: Piece, units: UnitSystem): Promise<FilledTub | null> {
  if (!tubId || !isBath(SCHOOL[school])) return null;
  const { tag, plastic, heightMm } = piece;
  const long = (value: number) => amountWords(value, 'mm', 0, units);
  const area = (a: number, b: number) => `${shownAmount(a, 'mm', 0, units).value} × ${long(b)}`;
  const tub = (await listTubs()).find(({ id }) => id === tubId);
  if (!tub) throw new Refusal('tubId', 'This tub is not in the workshop any more. Choose another, or give the amount.');
  if (heightMm === null) throw new Refusal('tubId', `Give ${tag} its height on its page, or give the amount: the bath has to cover it.`);
  if (piece.lengthMm !== null && piece.widthMm !== null && !liesIn(tub, { lengthMm: piece.lengthMm, widthMm: piece.widthMm }))
    throw new Refusal(
      'tubId',
      `${tag} is ${area(piece.lengthMm, piece.widthMm)} and does not lie flat in “${tub.name}”, ${area(tub.lengthMm, tub.widthMm)} inside. Take a larger tub, or another way.`,
    );
  const density = peroxideStrength(targetPercentWW, 'percentWW').densityKgPerL;
  const weighed = weightG > 0 ? [{ massG: weightG, densityGPerCm3: plasticDensity(plastic), heightMm }] : [];
  const { lengthMm, widthMm, depthMm } = tub;
  // Not weighed, it is a little more than it takes: what the piece pushes aside is not taken off.
  const bath = bathVolume(
    { shape: 'box', lengthMm, widthMm, heightMm: depthMm },
    weighed,
    weighed.length > 0 ? COVER_MM : heightMm + COVER_MM,
    density,
  );
  if (bath.overflows)
    throw new Refusal(
      'tubId',
      `${tag} stands ${long(heightMm)} high and “${tub.name}” is ${long(depthMm)} deep: with ${long(COVER_MM)} over it, it runs over. Take a deeper tub, or bathe it in turns.`,
    );
  return { ...bath, name: tub.name };
}
