import { assumed } from '../../assumptions/assumptions';
import type { Fitted } from '../printFit';
import { FAMILIES, type Family } from './families';
import type { PrintAs } from './fitted';
import { layings, thinnestWall, type Lay } from './laid';
import { meshOf } from './mesh';
import { skinOf, type FamilyName } from './part';

/**
 * How a part is given to a printer.
 *
 * @param fitted what its test bar told; `null` where none was printed
 * @param playMm how much smaller across it is to be than its place, and wider over what goes into it
 */
export const printAs = (fitted: Pick<Fitted, 'shrink' | 'growMm'> | null, playMm: number): PrintAs => ({
  scale: fitted ? 1 / fitted.shrink : 1,
  outwardMm: -((fitted?.growMm ?? 0) + playMm) / 2,
});

/** What to look out for when a part is printed. */
export interface PrintAdvice {
  /** The way to lay it, and the next best. */
  lay: Lay;
  other: Lay;
  /** Its thinnest wall, mm, where that is thin for a print. */
  thinMm: number | null;
}

/** Which way up a part is printed, what hangs, what is thin and where it would break. @throws Refusal for sizes that cannot be made */
export function printAdvice(name: FamilyName, sizes: object, as: PrintAs): PrintAdvice {
  const skin = meshOf(skinOf(name, sizes, as));
  const { pressed } = FAMILIES[name] as unknown as Family<object>;
  const [lay, other] = layings(skin, !pressed);
  const { mm } = thinnestWall(skin);
  return { lay: lay!, other: other!, thinMm: mm < assumed('sturdy wall') ? mm : null };
}
