/** What a restoration has cost up to now, money in minor units. */
export interface SoFar {
  pricePaidMinor: number;
  spentMinor: number;
  minutes: number;
}

/** Sums a ledger up by its kinds. */
export function soFar(
  ledger: readonly { kind: 'price' | 'material' | 'minutes'; amountMinor: number; minutes: number }[],
): SoFar {
  const of = (kind: 'price' | 'material') =>
    ledger.filter((entry) => entry.kind === kind).reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  return {
    pricePaidMinor: of('price'),
    spentMinor: of('material'),
    minutes: ledger.reduce((sum, { minutes }) => sum + minutes, 0),
  };
}
