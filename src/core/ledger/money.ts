/**
 * Money as people read it.
 *
 * @param minor amount in minor units of the currency (cents, öre)
 * @param currency ISO 4217 code
 */
export function formatMoney(minor: number, currency: string): string {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency });
  return format.format(minor / 10 ** (format.resolvedOptions().maximumFractionDigits ?? 2));
}

/** Minor units of an amount typed in whole units of the currency. */
export function minorUnits(amount: number, currency: string): number {
  const digits = new Intl.NumberFormat('en-GB', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;
  return Math.round(amount * 10 ** digits);
}

/** What minutes of own work cost at an hourly rate, minor units. */
export function workCost(minutes: number, hourlyRateMinor: number): number {
  return Math.round((minutes / 60) * hourlyRateMinor);
}
