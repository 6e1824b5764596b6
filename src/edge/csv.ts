import Papa from 'papaparse';

/** A cell that a spreadsheet would take for a formula gets a mark before it. */
const harmless = (value: unknown) => (typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value);

/** Rows as CSV; what a spreadsheet would run as a formula is made plain text. */
export const toCsv = (rows: readonly Record<string, unknown>[]): string =>
  Papa.unparse(rows.map((row) => Object.fromEntries(Object.entries(row).map(([name, value]) => [name, harmless(value)]))));

/** Rows of a CSV by the names in its first line, and what is wrong with it as a table. */
export function fromCsv(text: string): { rows: Record<string, string>[]; wrong: string[] } {
  const { data, errors } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim(),
    transform: (cell) => cell.trim().replace(/^'(?=[=+\-@])/, ''),
  });
  return {
    rows: data,
    wrong: errors.filter(({ code }) => code !== 'UndetectableDelimiter').map(({ row, message }) => `line ${(row ?? 0) + 2}: ${message}`),
  };
}
