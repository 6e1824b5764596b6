'use client';

import { createContext, use } from 'react';
import type { UnitId } from '@/core/sums/sum';
import { amountWords, shownAmount, type UnitSystem } from '@/core/units';
import { Figure } from './figures';

const Units = createContext<UnitSystem>('metric');

/** The workshop's units for everything within. */
export function UnitsProvider({ units, children }: { units: UnitSystem; children: React.ReactNode }) {
  return <Units value={units}>{children}</Units>;
}

export const useUnits = (): UnitSystem => use(Units);

/** Amounts as words, in the workshop's units. */
export function useAmount(): (value: number, unit: UnitId, digits?: number) => string {
  const system = useUnits();
  return (value, unit, digits = 0) => amountWords(value, unit, digits, system);
}

/** One large figure, stored metric, in the workshop's units. */
export function AmountFigure({
  amount,
  unit,
  digits = 0,
  ...rest
}: {
  amount: number;
  unit: UnitId;
  digits?: number;
  label: string;
  tone?: 'work' | 'hazard';
}) {
  return <Figure {...shownAmount(amount, unit, digits, useUnits())} {...rest} />;
}
