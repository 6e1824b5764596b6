import { liesIn, POOL_MM } from '@/core/session/amounts';
import { takesTub } from '@/core/session/supply';
import { SCHOOL } from '@/core/session/schools';
import { bathVolume, COVER_MM, plasticDensity, type BathVolume } from '@/core/peroxide/bathVolume';
import { peroxideStrength } from '@/core/peroxide/strength';
import { Refusal } from '@/core/refusal';
import { amountWords, shownAmount, type UnitSystem } from '@/core/units';
import { listTubs } from '@/data/cleaning';
import type { Piece } from '@/data/rows';
import type { PlanForm } from '../schema';

/** A tub filled so that it covers a piece. */
export interface FilledTub extends BathVolume {
  name: string;
}

/**
 * The bath that covers all pieces in the chosen tub, side by side, or the pool under them in a box; `null` where the
 * way takes none, or the litres are given.
 *
 * @throws Refusal for a tub that is gone, too small or too low, and for a piece without a height
 */
export async function bathOf(
  { school, tubId, weightG, targetPercentWW }: PlanForm,
  pieces: readonly Piece[],
  units: UnitSystem,
): Promise<FilledTub | null> {
  if (!tubId || !takesTub(SCHOOL[school])) return null;
  const pool = SCHOOL[school].solution === 'pool';
  const long = (value: number) => amountWords(value, 'mm', 0, units);
  const area = (a: number, b: number) => `${shownAmount(a, 'mm', 0, units).value} × ${long(b)}`;
  const tub = (await listTubs()).find(({ id }) => id === tubId);
  if (!tub) throw new Refusal('tubId', 'This tub is not in the workshop any more. Choose another, or give the amount.');
  const inside = area(tub.lengthMm, tub.widthMm);
  for (const { tag, heightMm, lengthMm, widthMm } of pieces) {
    if (heightMm === null)
      throw new Refusal('tubId', `Give ${tag} its height on its page, or give the amount: the bath has to cover it.`);
    if (lengthMm !== null && widthMm !== null && !liesIn(tub, { lengthMm, widthMm }))
      throw new Refusal(
        'tubId',
        `${tag} is ${area(lengthMm, widthMm)} and does not lie flat in “${tub.name}”, ${inside} inside. Take a larger tub, or another way.`,
      );
  }
  const floorMm2 = pieces.reduce((sum, { lengthMm, widthMm }) => sum + (lengthMm ?? 0) * (widthMm ?? 0), 0);
  if (floorMm2 > tub.lengthMm * tub.widthMm)
    throw new Refusal(
      'tubId',
      `${pieces.map(({ tag }) => tag).join(', ')} do not lie side by side in “${tub.name}”, ${inside} inside. Bathe them in turns.`,
    );
  const tallest = pieces.reduce((most, piece) => (piece.heightMm! > most.heightMm! ? piece : most));
  const heightMm = tallest.heightMm!;
  const density = peroxideStrength(targetPercentWW, 'percentWW').densityKgPerL;
  const weighed =
    weightG > 0 && !pool ? [{ massG: weightG, densityGPerCm3: plasticDensity(tallest.plastic), heightMm }] : [];
  const { lengthMm, widthMm, depthMm } = tub;
  // Not weighed, it is a little more than it takes: what the pieces push aside is not taken off.
  const bath = bathVolume(
    { shape: 'box', lengthMm, widthMm, heightMm: depthMm },
    weighed,
    pool ? POOL_MM : weighed.length > 0 ? COVER_MM : heightMm + COVER_MM,
    density,
  );
  if (pool && heightMm + POOL_MM > depthMm)
    throw new Refusal(
      'tubId',
      `${tallest.tag} stands ${long(heightMm)} high and “${tub.name}” is ${long(depthMm)} deep: above a pool of ${long(POOL_MM)} its lid does not close. Take a deeper box.`,
    );
  if (bath.overflows)
    throw new Refusal(
      'tubId',
      `${tallest.tag} stands ${long(heightMm)} high and “${tub.name}” is ${long(depthMm)} deep: with ${long(COVER_MM)} over it, it runs over. Take a deeper tub, or bathe it in turns.`,
    );
  return { ...bath, name: tub.name };
}
