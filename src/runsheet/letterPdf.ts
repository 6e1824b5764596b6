import type { Letter } from '@/core/intake/letter';
import { pdf } from '@/edge/pdf';

/** The letter on paper, with boxes to tick and room for conditions. */
export function letterPdf({ heading, greeting, paragraphs, ways, closing }: Letter): Promise<Buffer> {
  return pdf({
    info: { title: heading },
    content: [
      { text: heading, fontSize: 18, bold: true, margin: [0, 0, 0, 14] },
      { text: greeting, margin: [0, 0, 0, 10] },
      ...paragraphs.map((text) => ({ text, margin: [0, 0, 0, 8] as [number, number, number, number] })),
      { text: 'Please tick one:', bold: true, margin: [0, 10, 0, 6] },
      ...ways.map((way) => ({ text: `☐  ${way}`, margin: [0, 0, 0, 6] as [number, number, number, number] })),
      {
        text: '\n_______________________________________________________________\n\n_______________________________________________________________',
      },
      { text: '\nDate and name: ________________________________________\n\n' },
      { text: closing },
    ],
  });
}
