import type pdfMake from 'pdfmake';
import type { Content } from 'pdfmake';
import { inPool } from '@/data/heavyPool';

type Sheet = Parameters<typeof pdfMake.createPdf>[0];
/** How a table is ruled. */
export type Ruled = 'cut lines' | 'uncut';

/** Millimetres in the points that paper is measured in. */
export const mm = (millimetres: number): number => (millimetres * 72) / 25.4;

/**
 * A PDF of a document that stands in the own type, made beside what else is asked.
 *
 * @param document plain data: `footerTitle` stands below every page, with its number
 */
export async function pdf(
  document: Omit<Sheet, 'footer' | 'header' | 'content'> & { content: Content; footerTitle?: string },
): Promise<Buffer> {
  return Buffer.from(await inPool('pdf', document));
}
