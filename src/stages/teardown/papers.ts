/** What labels print on, mm. */
export interface Paper {
  title: string;
  pageMm: { width: number; height: number };
  labelMm: { width: number; height: number };
  columns: number;
  rows: number;
}

/** Sheets of either size, and the roll of a label printer. */
export const PAPERS = {
  a4: {
    title: 'A4 sheet',
    pageMm: { width: 210, height: 297 },
    labelMm: { width: 99, height: 38 },
    columns: 2,
    rows: 7,
  },
  letter: {
    title: 'Letter sheet',
    pageMm: { width: 215.9, height: 279.4 },
    labelMm: { width: 101.6, height: 50.8 },
    columns: 2,
    rows: 5,
  },
  roll62: {
    title: '62 mm roll',
    pageMm: { width: 62, height: 46 },
    labelMm: { width: 62, height: 46 },
    columns: 1,
    rows: 1,
  },
} as const satisfies Record<string, Paper>;

export type PaperName = keyof typeof PAPERS;
export const PAPER_NAMES = Object.keys(PAPERS) as PaperName[];
