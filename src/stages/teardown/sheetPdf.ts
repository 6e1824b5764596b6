import type { Content } from 'pdfmake';
import { findPhoto, readForPaper, withoutFile } from '@/data/photos/store';
import type { Photo } from '@/data/rows';
import { mm, pdf } from '@/edge/pdf';
import type { Sheet } from './sheet';

const PICTURE_MM = 62;

/** The sheet as PDF: each step with its photograph and pins, its fasteners to tick off, then the way back. */
export async function sheetPdf({ title, off, circles, back }: Sheet): Promise<Buffer> {
  const steps = await Promise.all(
    off.map(async ({ step, how, ticks }): Promise<Content> => {
      const words = {
        width: '*',
        stack: [
          { text: `${step.position}  ${step.name}`, bold: true, fontSize: 13 },
          { text: how, color: '#555555' },
          ...ticks.map((tick) => ({ text: `☐  ${tick}`, margin: [0, 3, 0, 0] as [number, number, number, number] })),
        ],
      };
      const photo = step.photoId === null ? null : await findPhoto(step.photoId);
      const [isGone] = photo ? await withoutFile([photo]) : [];
      const gone = [{ text: 'The file of its photograph is missing.', width: mm(PICTURE_MM), color: '#555555' }];
      const drawn = async (known: Photo) => [
        { image: dataUrl(await readForPaper(known, step.pins)), width: mm(PICTURE_MM) },
      ];
      const picture = photo === null ? [] : isGone ? gone : await drawn(photo);
      return { columns: [words, ...picture], columnGap: mm(4), unbreakable: true, margin: [0, 0, 0, mm(4)] };
    }),
  );
  return pdf({
    info: { title: `${title}: teardown and rebuild` },
    footerTitle: title,
    content: [
      { text: title, fontSize: 20, bold: true },
      { text: 'Taken off, in this order', fontSize: 14, bold: true, margin: [0, 8, 0, 8] },
      ...steps,
      { text: 'The way back', fontSize: 14, bold: true, margin: [0, 8, 0, 8] },
      ...circles.map((circle) => ({ text: `These wait for each other: ${circle}` })),
      ...back.map(({ on, words }, i) => ({
        text: `${on ? '☑' : '☐'}  ${i + 1}  ${words}`,
        margin: [0, 0, 0, 3] as [number, number, number, number],
      })),
    ],
  });
}

const dataUrl = (jpeg: Buffer) => `data:image/jpeg;base64,${jpeg.toString('base64')}`;
