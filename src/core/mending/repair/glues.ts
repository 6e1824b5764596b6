import { assumed, type AssumptionName } from '../../assumptions/assumptions';
import type { Cure } from '../cure';

/** What holds a repair together. Times by a usual sheet at 20 °C; the sheet of what is at hand goes before them. */
export interface Glue {
  title: string;
  /** It can be moved for so long, stands by itself after, and bears its load after: minutes. */
  openMin: number;
  handlingMin: number;
  cureMin: number;
  lowestC: number;
  highestC: number;
  strength: AssumptionName;
  /** Its strength on another plastic, as a share of that on ABS; what it does not hold on is left out. */
  on: Readonly<Record<string, number>>;
}

const ON_MOST = {
  ...{ ABS: 1, 'flame-retarded ABS': 0.9, polystyrene: 0.8, polycarbonate: 0.9, PVC: 0.8, acrylic: 0.9 },
  ...{ 'not known': 0.6, metal: 1, wood: 1, glass: 0.6, rubber: 0.3 },
};

export const GLUES = {
  gel: {
    title: 'Gel cyanoacrylate',
    ...{ openMin: 0.5, handlingMin: 5, cureMin: 24 * 60, lowestC: 5, highestC: 40 },
    strength: 'strength of cyanoacrylate',
    on: ON_MOST,
  },
  putty: {
    title: 'Two-part putty',
    ...{ openMin: 5, handlingMin: 120, cureMin: 24 * 60, lowestC: 10, highestC: 40 },
    strength: 'strength of putty',
    on: ON_MOST,
  },
  epoxy: {
    title: 'Two-part epoxy',
    ...{ openMin: 10, handlingMin: 4 * 60, cureMin: 24 * 60, lowestC: 10, highestC: 40 },
    strength: 'strength of putty',
    on: ON_MOST,
  },
  solvent: {
    title: 'Solvent that melts both faces together',
    ...{ openMin: 0.5, handlingMin: 60, cureMin: 48 * 60, lowestC: 10, highestC: 30 },
    strength: 'strength of a solvent joint',
    // What no solvent of the bench melts cleanly, or crazes under it, is left out.
    on: { ABS: 1, 'flame-retarded ABS': 0.8, polystyrene: 0.8, acrylic: 0.8 },
  },
} as const satisfies Record<string, Glue>;
export type GlueName = keyof typeof GLUES;

/** Shear strength of a glue on a plastic, MPa; 0 where it does not hold at all. */
export function strengthOn(glue: GlueName, plastic: string): number {
  const { strength, on }: Glue = GLUES[glue];
  return assumed(strength) * (on[plastic] ?? 0);
}

/** What its sheet gives `cureTime` for a clock of it. */
export function sheetOf(glue: GlueName, clock: 'openMin' | 'handlingMin' | 'cureMin'): Omit<Cure, 'actualC'> {
  const { [clock]: sheetMin, lowestC, highestC }: Glue = GLUES[glue];
  return { sheetMin, sheetC: 20, lowestC, highestC };
}
