import Papa from 'papaparse';

/** A cell that a spreadsheet would take for a formula gets a mark before it. */
const harmless = (value: unknown) => (typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value);

/** Rows as CSV; what a spreadsheet would run as a formula is made plain text. */
export const toCsv = (rows: readonly Record<string, unknown>[]): string =>
  Papa.unparse(
    rows.map((row) => Object.fromEntries(Object.entries(row).map(([name, value]) => [name, harmless(value)]))),
    // Half of the world's spreadsheets part cells at a semicolon: what stands behind one begins no cell of its own.
    { quotes: (value: unknown) => typeof value === 'string' && value.includes(';') },
  );

/** What stands where bytes are no UTF-8, once they were read as such. */
const NO_TEXT = /[\uFFFD\0]/;

/** Rows of a CSV by the names in its first line, and what is wrong with it as a table. */
export function fromCsv(text: string): { rows: Record<string, string>[]; wrong: string[] } {
  if (NO_TEXT.test(text))
    return { rows: [], wrong: ['The file is not in UTF-8. Save it as “CSV UTF-8”, and nothing of it is guessed.'] };
  const { data, errors } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim(),
    transform: (cell) => cell.trim().replace(/^'(?=[=+\-@])/, ''),
  });
  return {
    rows: data,
    wrong: errors
      .filter(({ code }) => code !== 'UndetectableDelimiter')
      .map(({ row, message }) => `line ${(row ?? 0) + 2}: ${message}`),
  };
}
