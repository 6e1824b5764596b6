import { createHash } from 'node:crypto';
import type pdfMake from 'pdfmake';
import type { Content } from 'pdfmake';
import { inPool } from '@/data/heavyPool';
import { lastMade } from './lastMade';

type Sheet = Parameters<typeof pdfMake.createPdf>[0];
type Document = Omit<Sheet, 'footer' | 'header' | 'content'> & { content: Content; footerTitle?: string };
/** How a table is ruled. */
export type Ruled = 'cut lines' | 'uncut';

/** Millimetres in the points that paper is measured in. */
export const mm = (millimetres: number): number => (millimetres * 72) / 25.4;

/** A bar on a printed sheet by which a printer is checked, as a drawing as wide as `widthMm`. */
export const PRINTED_BAR = {
  mm: 100,
  widthMm: 102,
  svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-1 0 102 4" width="${mm(102)}" height="${mm(4)}"><path d="M0 2 h100 M0 0 v4 M100 0 v4" stroke="#000000" stroke-width="0.2" fill="none"/></svg>`,
} as const;

const MOST_BYTES = 32 * 1024 * 1024;

/** What was made last: a sheet is looked at, then printed, then sent. */
const MADE = lastMade(
  MOST_BYTES,
  ({ length }: Buffer) => length,
  async (document: Document) => Buffer.from(await inPool('pdf', document)),
);

/**
 * A PDF of a document that stands in the own type, made beside what else is asked.
 *
 * @param document plain data: `footerTitle` stands below every page, with its number
 */
export function pdf(document: Document): Promise<Buffer> {
  const name = createHash('sha256').update(JSON.stringify(document)).digest('hex');
  return MADE.forceFetch(name, { context: document });
}
