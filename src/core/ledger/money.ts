const digitsOf = (currency: string): number =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** A minus that is as wide as a figure, not a hyphen. */
const withMinus = (money: string): string => money.replace('-', '−');

/**
 * Money as people read it.
 *
 * @param minor amount in minor units of the currency (cents, öre)
 * @param currency ISO 4217 code
 * @example formatMoney(1250, 'EUR') // '€12.50'
 */
export function formatMoney(minor: number, currency: string): string {
  return withMinus(new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(wholeUnits(minor, currency)));
}

/** A guess of money, in whole units and without a fraction that nobody knows. */
export function roughMoney(amount: number, currency: string): string {
  return withMinus(
    new Intl.NumberFormat('en-GB', { style: 'currency', currency, maximumFractionDigits: 0 }).format(amount),
  );
}

/** Minor units of an amount typed in whole units of the currency. */
export function minorUnits(amount: number, currency: string): number {
  return Math.round(amount * 10 ** digitsOf(currency));
}

/** An amount in minor units as whole units of the currency. */
export function wholeUnits(minor: number, currency: string): number {
  return minor / 10 ** digitsOf(currency);
}

/** What minutes of own work cost at an hourly rate, minor units. */
export function workCost(minutes: number, hourlyRateMinor: number): number {
  return Math.round((minutes / 60) * hourlyRateMinor);
}
